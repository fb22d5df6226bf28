import { z } from 'zod'

export const seamWays = ['machine', 'hand'] as const
/** How a seam is sewn: lock stitch by machine, two needles by hand. */
export type SeamWay = (typeof seamWays)[number]

export const handStitches = ['two needles', 'running', 'whip'] as const
/** How a seam is sewn by hand: two needles through every hole, one in and out, or one round both edges. */
export type HandStitch = (typeof handStitches)[number]

/** What was decided for one seam; null goes by the pair and the house. Lengths in mm. */
export const OwnSeam = z.object({
  by: z.enum(seamWays).nullable().default(null),
  pitch: z
    .number()
    .min(0.8, 'A stitch has 0.8 mm at least.')
    .max(14, 'A stitch has 14 mm at most.')
    .nullable()
    .default(null),
  fromEdge: z
    .number()
    .min(0.5, 'A row lies 0.5 mm from the edge at least.')
    .max(14, 'A row lies 14 mm from the edge at most.')
    .nullable()
    .default(null),
  /** Of a hand seam; null is two needles. */
  stitch: z.enum(handStitches).nullable().default(null),
  rows: z.number().int().min(1).max(3, 'Three rows at most.').nullable().default(null),
})
export type OwnSeam = z.infer<typeof OwnSeam>

/** How upper and linings are closed: all alike, and seams that differ by their ids. */
export const StitchingDecisions = z.object({
  by: z.enum(seamWays).default('machine'),
  own: z.record(z.string().min(1).max(120), OwnSeam).default({}),
})
export type StitchingDecisions = z.infer<typeof StitchingDecisions>
