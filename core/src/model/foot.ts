import { z } from 'zod'
import { line, named, note } from './text.ts'

/** What a tape or a rule can read on a foot, mm: from a small child's to more than the largest known. */
export const footRanges = {
  length: [120, 340],
  jointGirth: [120, 380],
  waistGirth: [120, 380],
  instepGirth: [120, 400],
  heelGirth: [170, 460],
  jointWidth: [40, 140],
} as const satisfies Record<string, readonly [number, number]>

const figure = ([min, max]: readonly [number, number]) => z.number().min(min).max(max).nullable().default(null)

/** One foot as a tape and a rule read it, mm; null was not measured. */
export const FootMeasures = z.object({
  length: figure(footRanges.length),
  jointGirth: figure(footRanges.jointGirth),
  waistGirth: figure(footRanges.waistGirth),
  instepGirth: figure(footRanges.instepGirth),
  heelGirth: figure(footRanges.heelGirth),
  jointWidth: figure(footRanges.jointWidth),
})
export type FootMeasures = z.infer<typeof FootMeasures>

/** What is measured on a foot, in the order in which it is, as a person calls it. */
export const footMeasureNames: Record<keyof FootMeasures, string> = {
  length: 'Length',
  jointGirth: 'Joint girth',
  waistGirth: 'Waist girth',
  instepGirth: 'Instep girth',
  heelGirth: 'Short heel girth',
  jointWidth: 'Joint width',
}

/** A customer's feet, known by order number and trade. */
export const FeetFields = z.object({
  order: named(20, 'Give the order a number.'),
  trade: line(80).default(''),
  note: note(500).default(''),
  right: FootMeasures.prefault({}),
  left: FootMeasures.prefault({}),
})
export type FeetFields = z.infer<typeof FeetFields>
export const Feet = FeetFields.extend({ id: z.uuid() })
export type Feet = z.infer<typeof Feet>
