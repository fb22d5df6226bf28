import { z } from 'zod'

const spot = z.tuple([z.number().min(-5000).max(5000), z.number().min(-5000).max(5000)])

/** An outline traced with a pencil and digitised: which part of the line was followed, and how it lies. */
export const DrawnLine = z.object({
  outline: z.array(spot).min(8, 'A tracing needs at least 8 points.').max(1200),
  pencil: z.number().min(0).max(3).default(0.7),
  digitised: z.enum(['inside', 'middle', 'outside']).default('middle'),
  /** The heel is at the other end, or the medial side on the other side, than it was taken for. */
  turned: z.boolean().default(false),
  flipped: z.boolean().default(false),
})
export type DrawnLine = z.infer<typeof DrawnLine>
