import { z } from 'zod'
import { named, note } from './text.ts'

/** A cup takes the lasted shoe in; a flat unit is laid under it and trimmed to it. */
export const soleForms = ['cup', 'unit'] as const
export type SoleForm = (typeof soleForms)[number]
/** What a bought sole is made of: crepe gives way to heat and to solvents. */
export const soleStuffs = ['rubber', 'crepe'] as const
export type SoleStuff = (typeof soleStuffs)[number]

/**
 * A bought sole: the outline inside the wall of a cup or the upper edge of a flat unit, mm, as it was imported or traced; it
 * may lie any way.
 */
export const CupSoleFields = z.object({
  name: named(80, 'Give the cup sole a name.'),
  note: note(500).default(''),
  form: z.enum(soleForms).default('cup'),
  stuff: z.enum(soleStuffs).default('rubber'),
  outline: z
    .array(z.tuple([z.number().min(-5000).max(5000), z.number().min(-5000).max(5000)]))
    .min(8, 'An outline needs at least 8 points.')
    .max(4000),
  /** Thickness of its bottom under the seat and under the tread, mm, where they were measured. */
  seat: z.number().min(1).max(80).nullable().default(null),
  tread: z.number().min(1).max(40).nullable().default(null),
  /** Turned and flipped by hand, as with tracings. */
  turned: z.boolean().default(false),
  flipped: z.boolean().default(false),
})
export type CupSoleFields = z.infer<typeof CupSoleFields>
export const CupSole = CupSoleFields.extend({ id: z.uuid() })
export type CupSole = z.infer<typeof CupSole>
