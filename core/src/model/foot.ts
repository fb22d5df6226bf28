import { z } from 'zod'
import { line, named, note } from './text.ts'

const figure = (min: number, max: number) => z.number().min(min).max(max).nullable().default(null)

/** One foot as a tape and a rule read it, mm; null was not measured. */
export const FootMeasures = z.object({
  length: figure(120, 340),
  jointGirth: figure(120, 380),
  waistGirth: figure(120, 380),
  instepGirth: figure(120, 400),
  heelGirth: figure(170, 460),
  jointWidth: figure(40, 140),
})
export type FootMeasures = z.infer<typeof FootMeasures>

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
