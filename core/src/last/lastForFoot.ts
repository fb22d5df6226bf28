import { footMeasureNames, type FootMeasures } from '../model/foot.ts'
import type { LastMeasures } from '../model/last.ts'
import type { Because } from '../trade/because.ts'
import type { RuleBook } from '../trade/rules.ts'
import { mm, say } from '../units/sentence.ts'
import { footFit } from './footFit.ts'

type Figure = Exclude<keyof LastMeasures, 'toeShape'>

/**
 * What is not measured is as it is on the last that is begun from, larger or smaller as a neighbour is that was measured:
 * the first of these which is known. A short heel girth comes as the other figures make it.
 */
const likeWhat: Record<Figure, { name: string; as: readonly (keyof FootMeasures)[] } | null> = {
  length: { name: 'Length', as: ['jointGirth', 'instepGirth', 'waistGirth'] },
  jointGirth: { name: 'Joint girth', as: ['waistGirth', 'instepGirth', 'jointWidth', 'length'] },
  waistGirth: { name: 'Waist girth', as: ['jointGirth', 'instepGirth', 'jointWidth', 'length'] },
  instepGirth: { name: 'Instep girth', as: ['waistGirth', 'jointGirth', 'jointWidth', 'length'] },
  jointWidth: { name: 'Joint width', as: ['jointGirth', 'waistGirth', 'instepGirth', 'length'] },
  waistWidth: { name: 'Waist width', as: ['waistGirth', 'jointGirth', 'instepGirth', 'jointWidth', 'length'] },
  seatWidth: { name: 'Seat width', as: ['jointGirth', 'jointWidth', 'instepGirth', 'waistGirth', 'length'] },
  coneHeight: { name: 'Cone above the seat', as: ['instepGirth', 'waistGirth', 'jointGirth', 'length'] },
  coneWidth: { name: 'Cone width', as: ['instepGirth', 'waistGirth', 'jointGirth', 'length'] },
  toeBoxHeight: { name: 'Toe box height', as: ['jointGirth', 'length'] },
  heelGirth: null,
  heelHeight: null,
  seatSlope: null,
  toeSpring: null,
  coneFront: null,
  swing: null,
  arch: null,
  backBulge: null,
  backIn: null,
  toeSlope: null,
}
const tenth = (v: number) => Math.round(v * 10) / 10

/**
 * The figures of a last for a foot (mm), begun from a last that is usual here: what was measured with the allowance of
 * the house rules, what was not in proportion to what was, each with its reason. Figures that a foot does not tell (heel,
 * toe, swing) are not among them. Nothing measured gives nothing.
 */
export function lastForFoot(
  foot: FootMeasures,
  base: LastMeasures,
  book: RuleBook,
): { figures: Partial<LastMeasures>; becauses: Because[] } {
  const girths = { joint: base.jointGirth, waist: base.waistGirth, instep: base.instepGirth, heel: base.heelGirth ?? 0 }
  const lines = footFit(
    { length: base.length, girths, widths: { seat: base.seatWidth, waist: base.waistWidth, joint: base.jointWidth } },
    foot,
    book,
  )
  const figures: Partial<Record<Figure, number>> = {}
  const becauses: Because[] = []
  const known = new Map<keyof FootMeasures, number>()
  for (const { measure, name, wanted } of lines) {
    const value = tenth(wanted.value)
    figures[measure] = value
    becauses.push({ ...wanted, quantity: name, value })
    const before = base[measure]
    if (before !== null) known.set(measure, wanted.value / before)
  }
  for (const [figure, like] of Object.entries(likeWhat) as [Figure, (typeof likeWhat)[Figure]][]) {
    const as = like?.as.find((m) => known.has(m))
    const before = base[figure]
    if (!like || !as || before === null || figures[figure] !== undefined) continue
    const value = tenth(before * known.get(as)!)
    figures[figure] = value
    becauses.push({
      id: figure,
      quantity: like.name,
      value,
      unit: 'mm',
      sentence: say`Not measured: ${mm(before)} on the last that is begun from, changed as its ${footMeasureNames[as].toLowerCase()} is. Measure it where the foot is out of the usual.`,
      inputs: [{ name: 'on that last', value: before, unit: 'mm' }],
      origin: 'measured on the last',
    })
  }
  return { figures, becauses }
}
