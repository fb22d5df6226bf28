import { z } from 'zod'
import { isSimple } from '../geometry/selfIntersection.ts'
import { line, named, note } from './text.ts'

const spot = z.tuple([z.number().min(-10_000).max(10_000), z.number().min(-10_000).max(10_000)])
const ring = z
  .array(spot)
  .min(3, 'An outline has three corners at least.')
  .max(2000, 'An outline has at most 2000 points.')
  .refine((path) => isSimple(path), 'The outline crosses itself: draw it round once.')

/** What leather and other stuff comes as. */
export const hideForms = ['hide', 'sheet', 'roll', 'offcut'] as const
export type HideForm = (typeof hideForms)[number]

/** What is wrong with a place: nothing that is seen is cut from it. */
export const flawKinds = ['hole', 'scar', 'thin', 'stain'] as const
export type FlawKind = (typeof flawKinds)[number]

/** How good a part of a hide is; what lies in no zone is best. */
export const hideGrades = ['best', 'good', 'lesser'] as const
export type HideGrade = (typeof hideGrades)[number]

/** A hide, a sheet, the end of a roll or an offcut, mm, seen from its face; it may lie any way. */
export const HideFields = z.object({
  name: named(80, 'Give it a name or a number.'),
  note: note(500).default(''),
  place: line(80).default(''),
  /** What it is of, in the stores. */
  materialId: z.uuid().nullable().default(null),
  form: z.enum(hideForms).default('hide'),
  outline: ring,
  flaws: z
    .array(z.object({ kind: z.enum(flawKinds), outline: ring }))
    .max(200, 'At most 200 flaws are kept.')
    .default([]),
  zones: z
    .array(z.object({ grade: z.enum(['good', 'lesser']), outline: ring }))
    .max(40, 'At most 40 zones are kept.')
    .default([]),
  /** Which way it gives least, degrees counter-clockwise from x: along the backbone as a rule. */
  tight: z.number().min(-180).max(180).default(0),
  /** Which way it gives least where that was looked at: in belly, legs and neck it turns off the backbone. */
  directions: z
    .array(z.object({ at: spot, tight: z.number().min(-180).max(180) }))
    .max(60, 'At most 60 directions are kept.')
    .default([]),
  /** Thickness where it was measured. */
  samples: z
    .array(z.object({ at: spot, thickness: z.number().min(0.1).max(20) }))
    .max(60, 'At most 60 places are kept.')
    .default([]),
  /** Nothing is left of it that is worth cutting. */
  used: z.boolean().default(false),
})
export type HideFields = z.infer<typeof HideFields>
export const Hide = HideFields.extend({ id: z.uuid() })
export type Hide = z.infer<typeof Hide>
