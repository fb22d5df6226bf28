import type { Because } from '../trade/because.ts'
import { footMeasureNames, type FootMeasures } from '../model/foot.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import type { LastReadings } from './readings.ts'
import type { GirthStation } from './landmarks.ts'
import { mm, say, type Sentence } from '../units/sentence.ts'

const allowance = (name: string, key: string, value: number, min: number, max: number, why: Sentence): Rule => ({
  key: `fit.${key}`,
  name,
  value,
  min,
  max,
  unit: 'mm',
  why,
})

/** What a last is larger or smaller than the foot, by girth. */
export const fitRules = {
  length: allowance(
    'Last longer than the foot',
    'length',
    14,
    5,
    30,
    'Toes slide forward as the foot bends; a pointed toe needs more, a sandal less.',
  ),
  joint: allowance(
    'Joint girth: last over foot',
    'joint',
    0,
    -8,
    10,
    'Leather gives and takes the joint of a standing foot as it is; padding and thick socks need more.',
  ),
  waist: allowance(
    'Waist girth: last over foot',
    'waist',
    -3,
    -12,
    8,
    'The waist is held a little, so that the foot does not slide forward.',
  ),
  instep: allowance(
    'Instep girth: last over foot',
    'instep',
    -2,
    -12,
    10,
    'Lacing closes over the instep; a slip-on must be easier.',
  ),
  heel: allowance(
    'Short heel girth: last over foot',
    'heel',
    4,
    -6,
    20,
    'The foot must pass; a boot without opening needs much more.',
  ),
  width: allowance(
    'Joint width of the bottom: last over foot',
    'width',
    -4,
    -15,
    5,
    'The bottom of a last is narrower than the print of a foot, which spreads over its edge.',
  ),
} satisfies Record<string, Rule>

/** One line of last against foot. `buildUp` is the girth to add, mm; 0 when the last is large enough. */
export interface FitLine {
  what: keyof typeof fitRules
  measure: keyof FootMeasures
  name: string
  foot: number
  last: number
  wanted: Because
  /** Last less wanted, mm: negative is too small. */
  over: number
  buildUp: number
  verdict: 'small' | 'right' | 'large'
}

/** A girth read with a tape repeats to about this, mm. */
const TAPE = 2

/** Last against foot, line by line, for what was measured on the foot. */
export function footFit(
  readings: Pick<LastReadings, 'length' | 'girths' | 'widths'>,
  foot: FootMeasures,
  book: RuleBook,
): FitLine[] {
  const pairs: [keyof typeof fitRules, keyof FootMeasures, number][] = [
    ['length', 'length', readings.length],
    ['joint', 'jointGirth', readings.girths.joint],
    ['waist', 'waistGirth', readings.girths.waist],
    ['instep', 'instepGirth', readings.girths.instep],
    ['heel', 'heelGirth', readings.girths.heel],
    ['width', 'jointWidth', readings.widths.joint],
  ]
  return pairs.flatMap(([what, measure, last]) => {
    const measured = foot[measure]
    if (measured === null) return []
    const name = footMeasureNames[measure]
    const rule = fitRules[what]
    const { value, origin } = book.inForce(rule)
    const wanted = measured + value
    const over = last - wanted
    const girth = what !== 'length' && what !== 'width'
    const sign = value < 0 ? 'less' : 'and'
    return [
      {
        what,
        measure,
        name,
        foot: measured,
        last,
        wanted: {
          id: what,
          quantity: `${name} wanted`,
          value: wanted,
          unit: 'mm' as const,
          sentence: say`The foot measures ${mm(measured)}, ${sign} ${mm(Math.abs(value))} allowance makes ${mm(wanted)}. ${rule.why}`,
          inputs: [
            { name: 'foot', value: measured, unit: 'mm' as const },
            { name: 'allowance', value, unit: 'mm' as const },
          ],
          origin,
          rule: rule.key,
        },
        over,
        buildUp: girth && over < 0 ? -over : 0,
        verdict: over < -TAPE ? 'small' : over > 2 * TAPE ? 'large' : 'right',
      },
    ]
  })
}

/** The girth a build-up can be glued on for; length and width need another last. */
export const girthOf = (what: FitLine['what']): GirthStation | null =>
  what === 'length' || what === 'width' ? null : what
