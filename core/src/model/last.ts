import { z } from 'zod'
import { lastByMeasures } from './formerWords.ts'
import { line, named, note } from './text.ts'

export const toeShapes = ['round', 'almond', 'soft square', 'pointed', 'blunt'] as const
export const ToeShape = z.enum(toeShapes)
export type ToeShape = z.infer<typeof ToeShape>

/** Plain number in a range: mm unless the field says otherwise. */
const mm = (min: number, max: number) => z.number().min(min).max(max)

/** What each figure of a last can be, in mm or as a share. */
export const lastRanges = {
  length: [150, 350],
  seatWidth: [30, 100],
  waistWidth: [30, 110],
  jointWidth: [45, 140],
  jointGirth: [130, 380],
  waistGirth: [130, 380],
  instepGirth: [130, 400],
  heelGirth: [180, 460],
  heelHeight: [0, 90],
  seatSlope: [0.3, 0.95],
  toeSpring: [0, 30],
  toeBoxHeight: [14, 50],
  coneHeight: [45, 140],
  coneFront: [0.34, 0.44],
  coneWidth: [12, 50],
  swing: [0, 0.1],
  arch: [0.05, 0.3],
  backBulge: [2, 7],
  backIn: [0.2, 0.4],
  toeSlope: [0.02, 0.3],
} as const satisfies Record<string, readonly [number, number]>
const inRange = (key: keyof typeof lastRanges) => mm(lastRanges[key][0], lastRanges[key][1])

/** The decisions that make a last: what a shoemaker can measure on one with a tape and a rule, mm. */
export const LastMeasures = z.object({
  /** Last length L: straight, heel back to toe tip. */
  length: inRange('length'),
  /** Widths of the bottom at the feather line. */
  seatWidth: inRange('seatWidth'),
  waistWidth: inRange('waistWidth'),
  jointWidth: inRange('jointWidth'),
  /** Tape readings. */
  jointGirth: inRange('jointGirth'),
  waistGirth: inRange('waistGirth'),
  instepGirth: inRange('instepGirth'),
  /** Short heel: seat's back edge round the front of the cone; null takes it as it comes. */
  heelGirth: inRange('heelGirth').nullable().default(null),
  /** Ground to seat at the heel back. */
  heelHeight: inRange('heelHeight'),
  /**
   * Slope of the seat, as a share of the mean slope from heel to tread: the platform on which the heel stands. Null is
   * the figure of lasts from before seats had one: they stay as they were drawn, so that nothing cut for them changes.
   */
  seatSlope: inRange('seatSlope').nullable().default(null),
  /** Ground to the bottom under the toe tip. */
  toeSpring: inRange('toeSpring'),
  /** Bottom to ridge in the toe box. */
  toeBoxHeight: inRange('toeBoxHeight'),
  toeShape: ToeShape,
  /** Seat to cone cut, how far forward the cut ends (share of L), its width. */
  coneHeight: inRange('coneHeight'),
  coneFront: inRange('coneFront'),
  coneWidth: inRange('coneWidth'),
  /** Turn of the forepart to the lateral side, and hollow of the waist on the medial side (shares). */
  swing: inRange('swing'),
  arch: inRange('arch'),
  /** How far the back curve swells (mm at L = 290) and how far it comes in again at the top (share). */
  backBulge: inRange('backBulge'),
  backIn: inRange('backIn'),
  /** How sharply the toe box falls to the feather: 0.06 upright, 0.18 sloping. */
  toeSlope: inRange('toeSlope'),
})
export type LastMeasures = z.infer<typeof LastMeasures>

/** A bottom traced on paper, as it was digitised, and how it is to be read. */
export const BottomTracing = z.object({
  /** Closed outline, mm; it may lie and turn any way on the sheet. */
  points: z
    .array(z.tuple([z.number().min(-5000).max(5000), z.number().min(-5000).max(5000)]))
    .min(8, 'A tracing needs at least 8 points.')
    .max(4000, 'A tracing of more than 4000 points is finer than any pencil: thin it out.'),
  /** Width of the pencil line, and which part of it was digitised. */
  pencil: mm(0, 3).default(0.7),
  digitised: z.enum(['inside', 'middle', 'outside']).default('middle'),
  /** Size of the smoothing along the line (sigma of a Gaussian), mm. */
  smoothing: mm(0, 15).default(3),
  /** The last stood on the paper, or the paper was laid against the bottom. */
  laid: z.enum(['stood', 'wrapped']).default('stood'),
  /** The heel is at the other end, or the medial side on the other side, than it was taken for. */
  turned: z.boolean().default(false),
  flipped: z.boolean().default(false),
  /** Joints set by hand, mm from the heel end of the tracing; null takes the widest places. */
  joints: z
    .object({ lateral: mm(60, 300), medial: mm(60, 300) })
    .nullable()
    .default(null),
})
export type BottomTracing = z.infer<typeof BottomTracing>

/** A canonical surface as whole hundredths of a millimetre: lateral wall, medial wall, bottom, three numbers a point. */
export const PackedSurface = z
  .object({
    length: mm(150, 350),
    joints: z.object({ lateral: mm(60, 300), medial: mm(60, 300) }),
    columns: z.int().min(9).max(400),
    rows: z.int().min(5).max(200),
    across: z.int().min(3).max(99),
    coneColumn: z.int().min(1).max(399),
    points: z.array(z.int().min(-60000).max(60000)).max(600_000),
  })
  .refine((s) => s.points.length === s.columns * (2 * s.rows + s.across) * 3, {
    path: ['points'],
    message: 'The surface has not as many points as its grid.',
  })
export type PackedSurface = z.infer<typeof PackedSurface>

/** Where a kept surface came from: a scan, or another last graded. */
export const SurfaceOrigin = z.object({
  from: z.enum(['scan', 'graded']),
  /** File or last it came from. */
  name: line(200),
  /** The foot of the wooden last that was scanned; a left one is kept as its mirror. */
  foot: z.enum(['right', 'left']).default('right'),
  triangles: z.int().min(0).default(0),
  /** 95 of 100 points of the scan lie nearer than this to the kept surface, mm; null when nothing was scanned. */
  within: mm(0, 50).nullable().default(null),
})
export type SurfaceOrigin = z.infer<typeof SurfaceOrigin>

/** What a last is made from: measures, measures over a traced bottom, or a surface kept as it was found. */
export const LastShape = z.preprocess(
  lastByMeasures,
  z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('measures'), measures: LastMeasures }),
    z.object({ kind: z.literal('traced'), measures: LastMeasures, tracing: BottomTracing }),
    z.object({ kind: z.literal('kept'), surface: PackedSurface, origin: SurfaceOrigin }),
  ]),
)
export type LastShape = z.infer<typeof LastShape>

export const buildUpStations = ['joint', 'waist', 'instep', 'heel'] as const
export const buildUpPlaces = ['over the top', 'medial', 'lateral'] as const
/** Leather glued to the last, skived to nothing at its edges: from then on part of the surface. */
export const BuildUp = z.object({
  station: z.enum(buildUpStations),
  place: z.enum(buildUpPlaces),
  thickness: mm(0.2, 12),
  /** From its thickest place to its skived edge, along the last, mm. */
  reach: mm(10, 90).default(35),
})
export type BuildUp = z.infer<typeof BuildUp>

/** The wooden thing on the shelf. */
export const LastStock = z.object({
  /** Stamped on the last. */
  number: line(40).default(''),
  feet: z.enum(['pair', 'right', 'left']).default('pair'),
  count: z.int().min(1).max(99).default(1),
  place: line(80).default(''),
})
export type LastStock = z.infer<typeof LastStock>

export const LastFields = z.object({
  name: named(80, 'Give the last a name.'),
  note: note(500).default(''),
  shape: LastShape,
  buildUps: z.array(BuildUp).max(12).default([]),
  stock: LastStock.prefault({}),
})
export type LastFields = z.infer<typeof LastFields>

export const Last = LastFields.extend({ id: z.uuid() })
export type Last = z.infer<typeof Last>

type KeptShape = Extract<LastShape, { kind: 'kept' }>
/**
 * A shape without the points of a kept surface: tens of thousands of numbers, which come with the last itself. How high
 * its heel is, mm, is read off them for the list.
 */
export type ShelfShape =
  | Exclude<LastShape, KeptShape>
  | (Omit<KeptShape, 'surface'> & { surface: Omit<PackedSurface, 'points'> & { heelHeight: number } })
/** A last as a shelf lists it. */
export type ShelfLast = Omit<Last, 'shape'> & { shape: ShelfShape }
