import { pathLength } from '../../geometry/path.ts'
import { traitsOf } from '../../model/construction.ts'
import { bottomRules } from '../../parts/sole/bottomRules.ts'
import { SOLE_SEAM } from '../../parts/sole/soleParts.ts'
import { feet } from '../../trade/foot.ts'
import { mm, say } from '../../units/sentence.ts'
import { coats, coatsOf } from '../coats.ts'
import { along, fixed, sewing, workRules } from '../effort.ts'
import { has, partsOf, partsOn, stitchLine, sumOfParts, type Facts } from '../facts.ts'
import { cementOf, stuffRules } from '../glues.ts'
import { bring, eachFoot, operation, want, type Operation } from '../operation.ts'
import type { Phase } from '../phases.ts'
import { waitRules } from '../waits.ts'
import { shellsDry } from './lasting.ts'
import { glueFor, glueMinutes, pressedWith, threadOf } from './soleGlue.ts'

const way = (f: Facts) => traitsOf(f.construction)

/** The midsole: its rim dyed, cemented and pressed on. */
export function midsole(f: Facts): Operation[] {
  if (!has(f, 'midsole')) return []
  const glue = cementOf(f)
  const n = coatsOf(f.materials.midsole)
  const rim = sumOfParts(f, feet, ['midsole'], (p) => pathLength(p.outline, true))
  return [
    operation({
      id: 'dye-midsole',
      name: `Dye the top rim of the midsoles, ${coats(f.materials.midsole)}`,
      group: 'bottom',
      effort: along(
        n * rim,
        f.book.value(workRules.edgeSpeed) * 2,
        3,
        'Only the rim that will show; sides are sanded later:',
      ),
      wait: {
        min: n * f.book.value(waitRules.dyeCoat),
        max: null,
        why: 'Each coat dry before the next.',
      },
      makes: bring(['midsole'], 'coloured', 'the rim must be cut'),
      cautions: ['dye'],
      tools: ['dyeBrush'],
      stuff: [
        {
          name: 'Edge dye',
          amount: Math.ceil((rim / 1000) * n * f.book.value(stuffRules.dye)),
          unit: 'ml',
          sentence: say`${coats(f.materials.midsole)} on the rim of both.`,
        },
      ],
      look: ['No bare leather on the rim that will show: it cannot be reached later.'],
      parts: ['midsole'],
    }),
    ...eachFoot((foot) => ({
      id: 'cement-midsole',
      name: 'Cement midsole and bottom',
      group: 'bottom' as const,
      effort: glueMinutes(f, foot, 'midsole'),
      wait: glue.open,
      makes: bring(['shoe'], 'midsole cemented', 'the bottom must be level'),
      needs: want(['midsole'], 'coloured', 'the top rim is dyed before gluing'),
      cautions: glue.cautions,
      tools: ['brush'] as const,
      stuff: [glueFor(f, foot, 'midsole')],
      look: ['An even coat to the edge, no puddles.'],
      parts: ['midsole'],
    })),
    ...eachFoot(() => ({
      id: 'press-midsole',
      name: 'Lay on, press and hammer the midsole',
      group: 'bottom' as const,
      effort: fixed(8, 'From the waist outwards; nails only to hold, and out again.'),
      wait: glue.sets,
      makes: bring(['shoe'], 'midsoled', 'it has to be done while the glue is open'),
      cautions: ['hammer', 'tacks', ...(glue.cautions.includes('heat') ? (['heat'] as const) : [])] as const,
      tools: pressedWith(f),
      look: ['Nails that held it are out again, and counted.', 'The same room all round, left and right.'],
      parts: ['midsole'],
    })),
  ]
}

/** An upper that is turned outwards on its midsole, and sewn down. */
export function turnedOut(f: Facts): Operation[] {
  if (!way(f).sewnDown) return []
  const glue = cementOf(f)
  return [
    ...eachFoot(() => ({
      id: 'turn-out',
      name: 'Turn the upper outwards and cement it to the midsole',
      group: 'bottom' as const,
      effort: fixed(
        23,
        'Wet the edge, work it over with the hammer’s face from toe and heel to the sides; no fold may run into the wall.',
      ),
      wait: glue.sets ?? glue.open,
      makes: bring(['shoe'], 'turned out', 'the midsole is what it is turned on'),
      needs: shellsDry(f),
      cautions: ['hammer', ...glue.cautions] as const,
      tools: ['hammer', 'brush', 'bone'] as const,
      look: ['The angle is sharp all round, nothing stands off.'],
      parts: ['midsole'],
    })),
    ...eachFoot((foot) => ({
      id: 'sew-down',
      name: 'Punch upper and midsole together and sew them down',
      group: 'bottom' as const,
      effort: sewing(f, stitchLine(f, [foot], 'midsole', 'stitch-down seam')),
      makes: bring(['shoe'], 'sewn down', 'both layers are cemented before they are punched'),
      cautions: ['awl'] as const,
      tools: ['drivePunch', 'needles', 'awl'] as const,
      stuff: threadOf(f, foot, 'midsole.stitch-down seam'),
      look: ['The same number of stitches left and right, every one drawn down.'],
      parts: ['midsole'],
      seams: ['midsole.stitch-down seam'],
    })),
  ]
}

/** The outsole, and its seam where it is sewn to a welt. */
export function outsole(f: Facts): Operation[] {
  if (!has(f, 'outsole')) return []
  const glue = cementOf(f)
  const after: Partial<Record<Phase, string>> = {
    midsoled: 'midsole nails are out before closing',
    'sewn down': 'its stitches lie between midsole and outsole',
  }
  return [
    ...openedChannel(f),
    ...eachFoot((foot) => ({
      id: 'cement-outsole',
      name: 'Cement outsole and midsole',
      group: 'bottom' as const,
      effort: glueMinutes(f, foot, 'outsole'),
      wait: glue.open,
      makes: bring(['shoe'], 'sole cemented', 'what lies under it is finished', after),
      needs: want(['outsole'], 'marked', 'they must be cut, and the channel opened while they lie flat'),
      cautions: glue.cautions,
      tools: ['brush'] as const,
      stuff: [glueFor(f, foot, 'outsole')],
      look: ['An even coat to the edge, no puddles.'],
      parts: ['outsole', 'midsole'].filter((id) => has(f, id)),
    })),
    ...eachFoot(() => ({
      id: 'press-outsole',
      name: 'Lay on and press the outsole',
      group: 'bottom' as const,
      effort: fixed(8, 'From the waist outwards.'),
      wait: glue.sets,
      makes: bring(['shoe'], 'soled', 'it has to be done while the glue is open'),
      cautions: ['hammer', ...(glue.cautions.includes('heat') ? (['heat'] as const) : [])] as const,
      tools: pressedWith(f),
      look: ['No hollow sound when it is tapped.'],
      parts: ['outsole'],
    })),
    ...(way(f).welted
      ? eachFoot((foot) => ({
          id: 'sew-outsole',
          name: 'Sew outsole and midsole to the welt',
          group: 'bottom' as const,
          effort: sewing(f, stitchLine(f, [foot], 'outsole', SOLE_SEAM)),
          makes: bring(['shoe'], 'sole sewn', 'it is glued first, then stitched'),
          cautions: ['awl'] as const,
          tools: ['needles', 'awl'] as const,
          stuff: threadOf(f, foot, `outsole.${SOLE_SEAM}`),
          look: ['One length of stitch on the welt all round, none above another.'],
          parts: partsOn(f, foot, ['outsole', 'midsole', 'welt']).map((p) => p.id),
          seams: [`outsole.${SOLE_SEAM}`],
        }))
      : []),
    ...closedChannel(f),
  ]
}

const channelled = (f: Facts) => partsOf(f, ['outsole']).some((p) => p.lines.some((l) => l.name === 'channel'))

/** The channel in which the stitches of the outsole lie, opened before it is laid on. */
function openedChannel(f: Facts): Operation[] {
  if (!channelled(f)) return []
  const length = stitchLine(f, feet, 'outsole', SOLE_SEAM).length
  const depth = f.book.value(bottomRules.channelDepth)
  return [
    operation({
      id: 'open-channel',
      name: 'Open the channel in the outsoles',
      group: 'bottom',
      effort: along(
        length,
        f.book.value(workRules.skiveSpeed),
        4,
        say`Along the line of the seam, ${mm(depth, 1)} deep: the lip lifted, the groove pressed open with a blunt tool.`,
      ),
      makes: bring(['outsole'], 'marked', 'it is cut while the sole lies flat'),
      cautions: ['knife'],
      tools: ['knife', 'bone'],
      look: ['Of one depth all along: where it is too deep the stitch cuts through.'],
      parts: ['outsole'],
    }),
  ]
}

/** And closed over them. */
function closedChannel(f: Facts): Operation[] {
  if (!channelled(f)) return []
  return eachFoot(() => ({
    id: 'close-channel',
    name: 'Close the channel over the stitches',
    group: 'bottom',
    effort: fixed(8, 'Cement in the groove, the lip laid down, rubbed and hammered flat.'),
    makes: bring(['shoe'], 'channel closed', 'the stitches lie in it'),
    cautions: [...cementOf(f).cautions, 'hammer'],
    tools: ['brush', 'bone', 'hammer'],
    look: ['No lip stands up, no stitch is seen.'],
    parts: ['outsole'],
  }))
}
