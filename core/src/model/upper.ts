import { z } from 'zod'

/** Ways an upper can be cut up. */
export const styles = ['derby', 'oxford', 'ballet flat', 'court', 'trainer', 'stitch-down', 'ankle boot'] as const
export type StyleName = (typeof styles)[number]

export const topEdges = ['folded', 'bead', 'bound', 'raw'] as const
export type TopEdge = (typeof topEdges)[number]

/** Which side a moved point belongs to; 'both' moves the two together. */
export const pointSides = ['both', 'lateral', 'medial'] as const
export type PointSide = (typeof pointSides)[number]

const share = z.number().min(-2).max(3)
/** A moved point: its place in the frame of the landmarks, or along the line it is bound to (then the second is 0). */
export const MovedPoint = z.tuple([share, share])
export type MovedPoint = z.infer<typeof MovedPoint>

export const decorations = ['none', 'punched', 'gimped', 'punched and gimped'] as const
export type Decoration = (typeof decorations)[number]

/** What a person decided about the upper. */
export const UpperDecisions = z.object({
  style: z.enum(styles).default('derby'),
  /** Options of the style by name, on or off. */
  options: z.record(z.string().max(40), z.boolean()).default({}),
  topEdge: z.enum(topEdges).nullable().default(null),
  decoration: z.enum(decorations).default('none'),
  forme: z
    .object({
      kind: z.enum(['paper', 'true seams']).default('true seams'),
      match: z.enum(['back and vamp', 'vamp and toe', 'all round']).default('back and vamp'),
      /** Each side keeps its own feather line, or both take the mean forme's. */
      feather: z.enum(['own', 'mean']).default('own'),
    })
    .prefault({}),
  /** Points that were moved, by `name:side`. */
  points: z.record(z.string().max(60), MovedPoint).default({}),
  /** What the back line is taken in at its foot, mm a side; 0 leaves it as drawn. */
  backTaper: z.number().min(0).max(6).default(0),
  /** How a flat's throat is laid out. */
  throat: z.enum(['as drawn', 'mirrored']).default('as drawn'),
  /** Height of the customer's ankle bones above the feather, where they were measured, mm. */
  ankleBone: z
    .object({
      lateral: z.number().min(20).max(110).nullable().default(null),
      medial: z.number().min(20).max(120).nullable().default(null),
    })
    .prefault({}),
  /** Designed folds: versions of the amount, and which one is cut. */
  folds: z
    .object({
      versions: z.array(z.number().min(0).max(120)).max(6).default([]),
      chosen: z.number().int().min(0).max(5).default(0),
    })
    .prefault({}),
})
export type UpperDecisions = z.infer<typeof UpperDecisions>
