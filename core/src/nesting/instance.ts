import { z } from 'zod'
import { isSimple } from '../geometry/selfIntersection.ts'

const Corner = z.tuple([z.number(), z.number()])
const Outline = z.array(Corner).min(3, 'An outline has three corners at least.').max(20_000)

/** Every two are weighed against each other: more would not be laid in any time that a person waits. */
const MOST_ITEMS = 4_000

/** What is to be laid on what, as a file (mm, degrees counter-clockwise). */
export const NestInstance = z
  .object({
    bin: z.object({
      outline: Outline,
      /** Flaws, and whatever else nothing may lie on. */
      holes: z.array(Outline).max(10_000).default([]),
      /** Flaws that may lie under a piece where it is not seen. */
      marks: z.array(Outline).max(10_000).default([]),
    }),
    /** Left between two pieces for the knife, mm; a piece may touch the edge of the bin and of a flaw. */
    gap: z.number().min(0).max(1000).default(0),
    max_bins: z.number().int().min(1).max(1000).default(1),
    pieces: z
      .array(
        z.object({
          id: z.string().min(1).max(200),
          outline: Outline,
          count: z.number().int().min(0).max(10_000),
          /** Turns that it may lie in, or any. */
          rotations: z.union([z.array(z.number()).min(1).max(3600), z.literal('any')]).default([0]),
          /** Whether it may be turned over, flipped in x. */
          mirror: z.boolean().default(false),
          /** Places of the bin that this piece keeps off, as of a lesser part of a hide. */
          avoid: z.array(Outline).max(1000).default([]),
          /** The piece whose copies belong beside its own, one by one, as a left one beside its right. */
          mate: z.string().optional(),
          /** Where the middle of its box may not lie in one of its turns, as where the leather gives another way. */
          turned_off: z
            .array(z.object({ rotation: z.number(), areas: z.array(Outline).max(1000) }))
            .max(3600)
            .default([]),
          /** What of it is seen; all of it where that is not said. */
          seen: Outline.optional(),
        }),
      )
      .max(10_000),
  })
  .superRefine(({ bin, pieces }, context) => {
    const say = (message: string) => context.addIssue({ code: 'custom', path: ['pieces'], message })
    if (!isSimple(bin.outline)) {
      context.addIssue({
        code: 'custom',
        path: ['bin', 'outline'],
        message: 'The outline of the sheet crosses itself.',
      })
    }
    const twice = pieces.find((p, i) => pieces.some((q, j) => j < i && q.id === p.id))
    if (twice) say(`Two pieces are called ${twice.id}: give each a name of its own.`)
    const items = pieces.reduce((sum, p) => sum + p.count, 0)
    if (items > MOST_ITEMS) say(`${items} pieces are asked for: lay at most ${MOST_ITEMS} at a time.`)
  })
export type NestInstance = z.infer<typeof NestInstance>

/** Where one piece lies: its outline flipped in x where `mirrored`, turned about its own origin, then moved. */
export interface Placement {
  id: string
  copy: number
  bin: number
  x: number
  y: number
  rotation: number
  mirrored: boolean
}
