import { lastRanges, type LastFields, type LastMeasures } from '../model/last.ts'
import { GeometryError } from '../geometry/path.ts'
import { footMeasureNames } from '../model/foot.ts'
import { mm, say } from '../units/sentence.ts'

/** What a left foot can be told to differ in. */
export const leftDiffersIn = ['length', 'jointGirth', 'waistGirth', 'instepGirth'] as const
/** By how much it does, mm: less is below 0. */
export type LeftDiffers = Record<(typeof leftDiffersIn)[number], number>

/** What is another on the left last, as a person calls it. */
const changed = {
  length: footMeasureNames.length,
  jointGirth: footMeasureNames.jointGirth,
  waistGirth: footMeasureNames.waistGirth,
  instepGirth: footMeasureNames.instepGirth,
  jointWidth: footMeasureNames.jointWidth,
  waistWidth: 'Waist width',
  seatWidth: 'Seat width',
} satisfies Partial<Record<keyof LastMeasures, string>>

const tenth = (v: number) => Math.round(v * 10) / 10

/**
 * The right shoe's last for a left foot that is a little other: its length and girths with the differences, all else as
 * it is, build-ups too; the widths of the bottom go with the girth of the joint. It is another piece of wood: number and
 * place are not taken over. Throws GeometryError, with a sentence, for a last that is not drawn by its measures, and for one that
 * no last can be.
 */
export function asTheRightBut(right: LastFields, name: string, by: LeftDiffers): LastFields {
  const { shape } = right
  if (shape.kind !== 'measures') {
    throw new GeometryError(
      'Only a last by measures can be made longer or wider by figures. Grade this one on its page Sizes, or build it up.',
    )
  }
  const { measures: m } = shape
  const wider = (m.jointGirth + by.jointGirth) / m.jointGirth
  const measures: LastMeasures = {
    ...m,
    length: tenth(m.length + by.length),
    jointGirth: tenth(m.jointGirth + by.jointGirth),
    waistGirth: tenth(m.waistGirth + by.waistGirth),
    instepGirth: tenth(m.instepGirth + by.instepGirth),
    jointWidth: tenth(m.jointWidth * wider),
    waistWidth: tenth(m.waistWidth * wider),
    seatWidth: tenth(m.seatWidth * wider),
  }
  for (const [key, name] of Object.entries(changed) as [keyof typeof changed, string][]) {
    const [min, max] = lastRanges[key]
    if (measures[key] >= min && measures[key] <= max) continue
    throw new GeometryError(
      say`${name}: a last has from ${mm(min)} to ${mm(max)}, not ${mm(measures[key])}. Take a smaller difference.`,
    )
  }
  return {
    name,
    note: `As ${right.name}, but other for the left foot.`,
    shape: { kind: 'measures', measures },
    buildUps: right.buildUps,
    stock: { number: '', feet: 'left', count: 1, place: '' },
  }
}
