import { fixed } from '../effort.ts'
import { has, type Facts } from '../facts.ts'
import { bring, operation, want, type Operation } from '../operation.ts'

export const PATTERNS = 'patterns'

/** Paper first: printed, and the base pattern tried on the last. */
export const patternWork = (f: Facts): Operation[] => [
  operation({
    id: 'print',
    name: 'Print the parts and check the 100 mm bar',
    group: 'prepare',
    effort: fixed(10, 'Print, lay a rule on the bar, join the sheets.'),
    makes: bring([PATTERNS], 'printed', ''),
    tools: ['rule'],
    look: ['The 100 mm bar is as long as the rule says, on every sheet.'],
  }),
  operation({
    id: 'check-base',
    name: 'Check the base pattern on the last',
    group: 'prepare',
    effort: fixed(15, 'Close it over the last and look at the back line and the margin.'),
    makes: bring([PATTERNS], 'checked', 'it is closed over the last in paper'),
    tools: ['paper'],
    look: ['It closes at the back without a fold, and the margin goes under all round.'],
  }),
  ...(has(f, 'stiffener', 'puff') && f.work.ways.paste === 'own paste' && leatherShells(f)
    ? [
        operation({
          id: 'cook-paste',
          name: 'Cook the paste',
          group: 'prepare',
          effort: fixed(15, f.work.recipe === '' ? 'By the workshop’s own recipe; let it cool.' : f.work.recipe),
          makes: bring(['paste'], 'cut', ''),
          needs: want([PATTERNS], 'printed', 'it keeps a few days only: cooked when the work begins'),
          tools: ['basin'],
          look: ['No lumps, and it strings from the finger.'],
          cautions: ['heat'],
        }),
      ]
    : []),
]

/** Whether stiffener or puff is leather, which is set wet with paste. */
export const leatherShells = ({ materials }: Facts): boolean =>
  materials.stiffener.kind !== 'stiffener sheet' || materials.puff.kind !== 'stiffener sheet'
