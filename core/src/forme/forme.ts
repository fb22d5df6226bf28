import { stretchOf, type FlatSheet } from '../flatten/asRigidAsPossible.ts'
import type { Mesh } from '../flatten/mesh.ts'
import { seamDrift } from '../flatten/seams.ts'
import { cumulative } from '../geometry/polyline.ts'
import { distance, type Path, type Point } from '../geometry/path.ts'
import { procrustes } from '../geometry/procrustes.ts'
import type { Side } from '../trade/side.ts'
import { STATIONS } from '../last/frame.ts'
import type { LastSurface } from '../last/surface.ts'
import type { Taping } from '../model/upper.ts'
import { formeWalls } from './formeWalls.ts'
import { layWall } from './layWall.ts'
import { tapedFlat } from './taped.ts'
import { lineAtX, wallLines, wallTriangles } from './wallGrid.ts'

/** What a forme keeps first: the strain small everywhere, or the true lengths of back curve, cone rim, ridge and toe rib. */
export const formeKinds = ['paper', 'true seams'] as const
export type FormeKind = (typeof formeKinds)[number]

/** The two points on which both sides are laid together; 'all round' spreads the difference over the whole wall. */
export const formeMatches = ['back and vamp', 'vamp and toe', 'all round'] as const
export type FormeMatch = (typeof formeMatches)[number]

/** The back point's height up the back curve on a last of 290 mm, mm. */
const BACK_POINT = 50

/**
 * Both walls of a last laid flat and on each other, outside up, the medial one mirrored: x forward from the foot of
 * the back curve, y up, the mean joint point of the feather line on y = 0. Grids as in LastSurface, 2 numbers a point, mm.
 */
export interface Forme {
  columns: number
  rows: number
  coneColumn: number
  /** The walls in space, point for point under the flat ones (see formeWalls), 3 numbers a point. */
  walls: Record<Side, Float64Array>
  flat: Record<Side, Float64Array>
  /** Point by point the middle of the two sides: what a pattern is drawn on. */
  mean: Float64Array
  /** Stretch of the leather at every point, as a share: what is more than true is positive (1 % = 0.01), by side. */
  strain: Record<Side, Float64Array>
  flipped: number
  /** Lengths along the seams: on the last, and flat, mm. */
  drift: { side: Side; name: string; last: number; flat: number }[]
  /** How far the two sides lie from each other, mm: on the whole and along two lines. */
  difference: { mean: number; most: number; feather: number; ridge: number }
  /** Where the two sides were laid together. */
  matched: Point[]
  /** How far tapings lie from the computed edges, mm; null without tape. */
  taped: { mean: number; most: number } | null
}

const sides: Side[] = ['lateral', 'medial']

/** The wall as a sheet, outside up; the medial wall is mirrored so that both run the same way. Diagonals alternate. */
function wallMesh(wall: Float64Array, side: Side, triangles: Uint32Array): Mesh {
  const positions = wall.slice()
  if (side === 'medial') for (let k = 1; k < positions.length; k += 3) positions[k] = -positions[k]!
  return { positions, triangles }
}

/** Strain at a vertex: over its triangles, the greater of stretch and shrink with its sign. */
function vertexStrain(mesh: Mesh, sheet: FlatSheet): Float64Array {
  const n = mesh.positions.length / 3
  const sum = new Float64Array(n)
  const count = new Float64Array(n)
  const t = mesh.triangles
  for (let k = 0; k < t.length; k++) {
    const f = Math.floor(k / 3)
    const [s1, s2] = [sheet.stretch[2 * f]!, sheet.stretch[2 * f + 1]!]
    // Flat longer than the last (s1 > 1) means leather that must shrink there; the leather's own stretch is the inverse.
    const own = s1 - 1 > 1 - s2 ? 1 / s1 - 1 : 1 / s2 - 1
    sum[t[k]!]! += own
    count[t[k]!]!++
  }
  return sum.map((s, v) => s / count[v]!)
}

/** Where a vertex lies flat. */
const at = (flat: Float64Array, v: number): Point => [flat[2 * v]!, flat[2 * v + 1]!]

/** The stretch of a run of vertices that holds a length from its start, and the share of it. */
function along(lengths: Float64Array, target: number): { k: number; t: number } {
  let k = 0
  while (k + 2 < lengths.length && lengths[k + 1]! < target) k++
  const span = lengths[k + 1]! - lengths[k]!
  return { k, t: span > 0 ? Math.min(1, Math.max(0, (target - lengths[k]!) / span)) : 0 }
}

const moved = (flat: Float64Array, move: (p: Point) => Point): Float64Array => {
  const out = new Float64Array(flat.length)
  for (let v = 0; v < flat.length / 2; v++) out.set(move(at(flat, v)), 2 * v)
  return out
}

/** The two points by which formes are laid on each other: on the back curve, and on the ridge over the joint. */
export function referencePoints(
  surface: LastSurface,
  walls: Record<Side, Float64Array>,
  flat: Float64Array,
): [Point, Point] {
  const lines = wallLines(surface)
  const back: Path = lines.back.map((v) => at(flat, v))
  const { k, t } = along(cumulative(back), (BACK_POINT * surface.length) / 290)
  const vamp = lineAtX(walls, lines.ridge, STATIONS.ridgeJoint * surface.length)
  const mix = (a: Point, b: Point, share: number): Point => [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share]
  return [mix(back[k]!, back[k + 1]!, t), mix(at(flat, vamp.from), at(flat, vamp.to), vamp.t)]
}

/**
 * Lays both walls flat (as rigid as possible, the seams kept true if asked), and on each other by two points.
 * Source: docs/geometry.md, "The forme". Throws GeometryError when a wall cannot be laid flat.
 */
export function makeForme(
  surface: LastSurface,
  kind: FormeKind,
  match: FormeMatch,
  tapings: Record<Side, Taping> | null = null,
): Forme {
  const { columns, rows, coneColumn } = surface
  const lines = wallLines(surface)
  const walls = formeWalls(surface)
  const triangles = wallTriangles(columns, rows)
  const meshes = {
    lateral: wallMesh(walls.lateral, 'lateral', triangles),
    medial: wallMesh(walls.medial, 'medial', triangles),
  }
  const seams = [lines.back, lines.rim, lines.ridge, lines.toeRib]
  const lay = (side: Side) => layWall(meshes[side], surface, kind === 'true seams' ? seams : [])
  const computed = { lateral: lay('lateral'), medial: lay('medial') }
  const sheets = { lateral: computed.lateral, medial: computed.medial }
  const taped = { mean: 0, most: 0 }
  if (tapings) {
    for (const side of sides) {
      const marks = referencePoints(surface, walls, computed[side].flat)
      const { flat, mean, most } = tapedFlat(meshes[side], surface, computed[side].flat, tapings[side], marks, side)
      sheets[side] = { ...computed[side], flat, ...stretchOf(meshes[side], flat) }
      taped.mean += mean / 2
      taped.most = Math.max(taped.most, most)
    }
  }
  const marks = (side: Side): Point[] => {
    const { flat } = sheets[side]
    if (match === 'all round') return Array.from({ length: columns * rows }, (_, v) => at(flat, v))
    const [back, vamp] = referencePoints(surface, walls, flat)
    return match === 'vamp and toe' ? [vamp, at(flat, (columns - 1) * rows)] : [back, vamp]
  }
  const lateral = sheets.lateral.flat
  const medial = moved(sheets.medial.flat, procrustes(marks('medial'), marks('lateral')))
  const mean = lateral.map((x, k) => (x + medial[k]!) / 2)
  // The frame: foot of the back curve at the origin, the joint's feather point level with it.
  const joint = lineAtX(walls, lines.feather, (surface.joints.lateral + surface.joints.medial) / 2)
  const foot = at(mean, 0)
  const ahead = [0, 1].map((d) => mean[2 * joint.from + d]! * (1 - joint.t) + mean[2 * joint.to + d]! * joint.t)
  const l = Math.hypot(ahead[0]! - foot[0], ahead[1]! - foot[1])
  const [c, s] = [(ahead[0]! - foot[0]) / l, (ahead[1]! - foot[1]) / l]
  const stand = (p: Point): Point => {
    const [x, y] = [p[0] - foot[0], p[1] - foot[1]]
    return [c * x + s * y, -s * x + c * y]
  }
  const flat = { lateral: moved(lateral, stand), medial: moved(medial, stand) }
  const apart = (list: readonly number[]) => list.map((v) => distance(at(flat.lateral, v), at(flat.medial, v)))
  const average = (d: number[]) => d.reduce((x, y) => x + y, 0) / d.length
  const all = apart(Array.from({ length: columns * rows }, (_, v) => v))
  return {
    columns,
    rows,
    coneColumn,
    walls,
    flat,
    mean: moved(mean, stand),
    strain: {
      lateral: vertexStrain(meshes.lateral, sheets.lateral),
      medial: vertexStrain(meshes.medial, sheets.medial),
    },
    flipped: sheets.lateral.flipped + sheets.medial.flipped,
    drift: sides.flatMap((side) =>
      (['feather', 'back', 'rim', 'ridge', 'toe rib'] as const).map((name) => {
        const line = lines[name === 'toe rib' ? 'toeRib' : name]
        const { space, plane } = seamDrift(meshes[side], sheets[side].flat, line)
        return { side, name, last: space, flat: plane }
      }),
    ),
    difference: {
      mean: average(all),
      most: Math.max(...all),
      feather: average(apart(lines.feather)),
      ridge: average(apart(lines.ridge)),
    },
    matched: match === 'all round' ? [] : marks('lateral').map(stand),
    taped: tapings ? taped : null,
  }
}
