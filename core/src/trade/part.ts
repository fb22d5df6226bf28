import type { Grain } from './grain.ts'
import type { Because, Finding } from './because.ts'
import type { Path, Point } from '../geometry/path.ts'
import type { WallArea } from './wallArea.ts'
import type { MaterialRole } from '../model/material.ts'
import type { Sentence } from '../units/sentence.ts'

/** Where a part has its place in the shoe, from the foot outwards and down. */
export const partPlaces = {
  foot: 'Against the foot',
  wall: 'Inside the wall',
  under: 'Under the foot',
} as const
export type PartPlace = keyof typeof partPlaces

/** 'cut mark' is cut into the edge (notch, slit), 'punch' a hole cut out. */
export type LineKind = 'fold' | 'stitch' | 'feather' | 'crease' | 'mark' | 'neighbour' | 'cut mark' | 'punch'

/** A line on a part that is not its cut edge. */
export interface PartLine {
  name: string
  kind: LineKind
  path: Path
  closed: boolean
  /** Where the awl goes through, evenly along a stitch line. */
  holes?: Path
  /** They are not punched now, but through all that is joined there. */
  later?: true
  /** Its stitches lie in a channel so deep, mm. */
  recess?: number
}

/** What a skive leaves of an edge, seen from its side. */
export const skiveShapes = {
  level: 'level, then rising',
  whole: 'all over',
  straight: 'straight',
  'to nothing': 'straight to nothing',
  cupped: 'cupped',
  bevel: 'bevelled',
  rounded: 'rounded',
} as const
export type SkiveShape = keyof typeof skiveShapes

/** The face that the knife works on. */
export const skiveFaces = { flesh: 'flesh side', grain: 'grain side', under: 'underside' } as const
export type SkiveFace = keyof typeof skiveFaces

/** A skived edge: `band` is the closed area it covers; `profile` gives thickness (mm) against distance from `edge` (mm). */
export interface Skive {
  name: string
  edge: Path
  band: Path
  profile: [distance: number, thickness: number][]
  shape: SkiveShape
  face: SkiveFace
  sentence: Sentence
}

/** What is marked on a piece of the upper for whoever skives and joins it. */
export interface PieceMarking {
  skives: readonly Skive[]
  /** How far a neighbour will lie under it. */
  spans: readonly PartLine[]
  /** Rows of stitches; none where only what a style lays out itself is drawn. */
  rows?: readonly PartLine[]
}

/** A measure drawn between two points of the part, mm. */
export interface Dimension {
  name: string
  from: Point
  to: Point
  value: number
}

/** A small triangle cut inwards: on the medial side, or at an end of the centre line. */
export interface Notch {
  kind: 'medial' | 'centre'
  at: Point
  /** Unit direction into the part. */
  inwards: Point
}

/**
 * One part of the right shoe, flat, seen from the side that faces out or up; the left one is its mirror.
 * mm; the outline is closed and counter-clockwise.
 */
export interface Part {
  id: string
  place: PartPlace
  name: string
  /** What it is cut from; null for small stuff that is not kept by the sheet. */
  role: MaterialRole | null
  materialName: string
  thickness: number
  /** Pieces to cut for the pair. */
  count: number
  /** Cut by measure, not by a printed outline. */
  strip?: true
  outline: Path
  lines: readonly PartLine[]
  skives: readonly Skive[]
  notches: readonly Notch[]
  dimensions: readonly Dimension[]
  /** Tight direction, as an arrow on the part. */
  grain: Grain
  becauses: readonly Because[]
  findings: readonly Finding[]
  /** Where it lies on the wall; empty for what lies under the foot or over no part of the last. */
  areas: readonly WallArea[]
}

/** Whatever can be drawn on a sheet: a part of the plan, or a piece of the upper. */
export type DrawablePart = Omit<Part, 'place' | 'areas'>
