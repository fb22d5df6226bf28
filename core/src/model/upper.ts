import { z } from 'zod'
import { edgeRoles, type EdgeRole } from './edgeRoles.ts'
import { LacingDecisions } from './lacing.ts'
import { topFinish } from './formerWords.ts'
import { line, named } from './text.ts'

/** Ways an upper can be cut up. */
export const styles = [
  'derby',
  'oxford',
  'ballet flat',
  'court',
  'trainer',
  'stitch-down',
  'ankle boot',
  'pull-on boot',
  'laced boot',
  'mule',
  'sandal',
] as const
export type StyleName = (typeof styles)[number]
/** A pattern drawn elsewhere stands in for a style. */
export const patternKinds = [...styles, 'own pattern'] as const
export type PatternKind = (typeof patternKinds)[number]

export const topFinishes = ['folded', 'bead', 'bound', 'raw'] as const
export type TopFinish = (typeof topFinishes)[number]

/** Which side a moved point belongs to; 'both' moves the two together. */
export const pointSides = ['both', 'lateral', 'medial'] as const
export type PointSide = (typeof pointSides)[number]

const coordinate = z.number().min(-5000).max(5000)
const spot = z.tuple([coordinate, coordinate])
/** One side of the last taped, cut off and laid flat: its outline and two reference points, mm. */
export const Taping = z.object({ outline: z.array(spot).min(8).max(800), back: spot, vamp: spot })
export type Taping = z.infer<typeof Taping>

const share = z.number().min(-2).max(3)
/** A moved point: its place in the frame of the landmarks, or along the line it is bound to (then the second is 0). */
export const MovedPoint = z.tuple([share, share])
export type MovedPoint = z.infer<typeof MovedPoint>

export const decorations = ['none', 'punched', 'gimped', 'punched and gimped'] as const
export type Decoration = (typeof decorations)[number]

/** Where designed folds lie: over the instep, over the toes, over both, or round the shaft above the foot. */
export const foldPlaces = ['instep', 'toes', 'all along', 'shaft'] as const
export type FoldPlace = (typeof foldPlaces)[number]

/** A piece of a pattern drawn elsewhere, mm; the edge that begins at each corner, counter-clockwise. */
export const OwnPiece = z
  .object({
    id: z.string().regex(/^[a-z0-9-]{1,40}$/),
    name: named(60, 'Give the piece a name.'),
    side: z.enum(['lateral', 'medial', 'whole']),
    outline: z
      .array(z.tuple([coordinate, coordinate]))
      .min(3)
      .max(2000),
    corners: z.array(z.number().int().min(0)).min(1).max(40),
    edges: z
      .array(
        z.object({
          name: named(60, 'Give the edge a name.'),
          role: z.enum(Object.keys(edgeRoles) as [EdgeRole, ...EdgeRole[]]),
          seam: line(40).default(''),
        }),
      )
      .min(1)
      .max(40),
  })
  .refine((p) => p.corners.length === p.edges.length, 'Every corner begins one edge.')
  .refine(
    (p) => p.corners.every((c, i) => c < p.outline.length && (i === 0 || c > p.corners[i - 1]!)),
    'The corners do not follow the outline.',
  )
export type OwnPiece = z.infer<typeof OwnPiece>

export const OwnPattern = z.object({
  /** What the drawn line is: where the leather ends when finished, or where the knife goes. */
  drawn: z.enum(['finished line', 'cut edge']).default('finished line'),
  pieces: z.array(OwnPiece).min(1).max(40),
  /** Whether its pieces are laid on the forme, so that the last can be asked about them. */
  placed: z.boolean().default(false),
})
export type OwnPattern = z.infer<typeof OwnPattern>

/** What a person decided about the upper. */
export const UpperDecisions = z.preprocess(
  topFinish,
  z.object({
    style: z.enum(patternKinds).default('derby'),
    own: OwnPattern.nullable().default(null),
    /** Options of the style by name, on or off. */
    options: z.record(line(40), z.boolean()).default({}),
    topFinish: z.enum(topFinishes).nullable().default(null),
    /** Whether the finish runs on down the facings; null is as the style has it. */
    finishOnFacings: z.boolean().nullable().default(null),
    lacing: LacingDecisions.prefault({}),
    decoration: z.enum(decorations).default('none'),
    /** Spacing that was measured on a shoe and counts instead of the house's, mm: between large holes, between teeth. */
    measured: z
      .object({
        row: z.number().min(4).max(16).nullable().default(null),
        tooth: z.number().min(1.5).max(8).nullable().default(null),
      })
      .prefault({}),
    forme: z
      .object({
        kind: z.enum(['paper', 'true seams']).default('true seams'),
        match: z.enum(['back and vamp', 'vamp and toe', 'all round']).default('back and vamp'),
        /** Each side keeps its own feather line, or both take the mean forme's. */
        feather: z.enum(['own', 'mean']).default('own'),
        /** Both sides from tape instead of computation. */
        tapings: z.object({ lateral: Taping, medial: Taping }).nullable().default(null),
      })
      .prefault({}),
    /** Points that were moved, by `name:side`. */
    points: z.record(line(60), MovedPoint).default({}),
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
        /** Along which stretch of the middle they are laid. */
        where: z.enum(foldPlaces).default('instep'),
      })
      .prefault({}),
  }),
)
export type UpperDecisions = z.infer<typeof UpperDecisions>
