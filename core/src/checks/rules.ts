import type { Rule } from '../trade/rules.ts'

const off = (key: string, name: string, value: number, most: number, why: Rule['why']): Rule => ({
  key: `check.${key}`,
  name,
  value,
  min: 0,
  max: most,
  unit: 'mm',
  why,
})

/** By how much a shoe may miss its plan, and the other shoe. */
export const checkRules = {
  height: off(
    'height',
    'Heights at the back and the ankles may be off by',
    1.5,
    5,
    'A tape over leather reads no finer; more is a shoe that was pulled too far down, or not down.',
  ),
  throat: off(
    'throat',
    'The throat may be off by',
    2,
    6,
    'Read with a tape over the toe box: it slips by a millimetre or so.',
  ),
  middle: off(
    'middle',
    'The throat may lie beside the middle by',
    1,
    4,
    'More is seen from above as a shoe that looks to one side.',
  ),
  puff: off('puff', 'The back edge of the puff may be off by', 1.5, 5, 'It shifts while it is smoothed.'),
  tips: off('tips', 'The tips of the stiffener may be off by', 3, 8, 'Wet leather stretches as it is drawn round.'),
  heel: off('heel', 'The heel may be off by', 0.5, 3, 'Half a lift’s pasteboard: more and the shoe stands wrong.'),
  spring: off('spring', 'The lift of the toe may be off by', 2, 6, 'The sole gives as it dries.'),
  feet: off('feet', 'Left and right may differ by', 1, 4, 'More is seen when they stand side by side.'),
} satisfies Record<string, Rule>
