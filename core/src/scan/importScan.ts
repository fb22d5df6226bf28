import { ClosestPoints, type TriangleMesh } from '../geometry/closestPoint.ts'
import { GeometryError } from '../geometry/path.ts'
import { cross, dot, type Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'
import { bodyMesh, type LastSurface } from '../last/surface.ts'
import { layGrid } from './canonical.ts'
import { thin, type Cloud } from './cloud.ts'
import { findFeather, noShift, type FeatherShift } from './featherOfScan.ts'
import { centreHeights, halfSections } from './halfSections.ts'
import { heal, type MeshHealth } from './health.ts'
import { fromFrame, stand, toFrame, type Stance, type StandChoices } from './stand.ts'
import { wallTops, type ConePlane } from './rimOfScan.ts'
import { scanUnits, type ScanUnit } from './units.ts'
import { weld } from './weld.ts'
import { mm, say, type Sentence } from '../units/sentence.ts'

export type Progress = (share: number, doing: string) => void

/** A scan made ready: one welded body in millimetres, facing outwards. */
export interface ReadyScan {
  positions: Float64Array
  triangles: Uint32Array
  cloud: Cloud
  health: MeshHealth
}

/** What a person settled on the 3D view. */
export interface ScanChoices extends StandChoices {
  feather?: FeatherShift
}

/** A scan on the canonical grid, with what a person should know before it is kept. */
export interface ScanResult {
  surface: LastSurface
  stance: Stance
  /** The feather line in the scan's own coordinates, for showing on it. */
  feather: Record<Side, Vec3[]>
  health: MeshHealth
  /** 95 of 100 points of the scan lie nearer to the surface than this, mm. */
  within: number
  /** In sentences: what was mended, and what may not be right. */
  notes: Sentence[]
}

/** Millions of triangles a scan may have. */
export const MOST_TRIANGLES = 1_000_000

/** Welds, heals and thins a mesh as read from a file. Throws GeometryError with a sentence. */
export function readyScan(mesh: TriangleMesh, unit: ScanUnit, progress: Progress = () => undefined): ReadyScan {
  const count = mesh.triangles.length / 3
  if (count > MOST_TRIANGLES) {
    throw new GeometryError(
      `The scan has ${count} triangles; up to ${MOST_TRIANGLES} can be read. Thin it out in the scanner's program first.`,
    )
  }
  for (let k = 0; k < mesh.positions.length; k++) {
    if (!Number.isFinite(mesh.positions[k])) {
      throw new GeometryError(`Point ${Math.floor(k / 3) + 1} of the file is not a number. The file is damaged.`)
    }
  }
  progress(0.05, 'Joining corners')
  const welded = weld(mesh)
  const scale = scanUnits[unit]
  if (scale !== 1) for (let k = 0; k < welded.positions.length; k++) welded.positions[k]! *= scale
  progress(0.2, 'Checking the body')
  const { mesh: body, health } = heal(welded)
  const open = health.holes[0] ?? 0
  if (open > WIDEST_HOLE) {
    throw new GeometryError(
      say`The scan has a hole ${mm(open, 0)} across; up to ${mm(WIDEST_HOLE)} can be bridged. Scan the last again from all sides.`,
    )
  }
  progress(0.35, 'Thinning')
  return { ...body, cloud: thin(body.positions, body.triangles), health }
}
const WIDEST_HOLE = 60

/** Rigid move of all points into the last's frame, and triangles turned when a left last is mirrored. */
function inFrame(scan: ReadyScan, s: Stance): { positions: Float64Array; triangles: Uint32Array } {
  const { positions: v } = scan
  const out = new Float64Array(v.length)
  const [f, m, u, o] = [s.forward, s.medial, s.up, s.origin]
  for (let k = 0; k < v.length; k += 3) {
    const x = v[k]! - o[0]
    const y = v[k + 1]! - o[1]
    const z = v[k + 2]! - o[2]
    out[k] = x * f[0] + y * f[1] + z * f[2]
    out[k + 1] = x * m[0] + y * m[1] + z * m[2]
    out[k + 2] = x * u[0] + y * u[1] + z * u[2]
  }
  return { positions: out, triangles: scan.triangles }
}

/** The cone's plane as height over x and y in the last's frame. */
function conePlane(s: Stance): ConePlane {
  const n: Vec3 = [dot(s.cone.normal, s.forward), dot(s.cone.normal, s.medial), dot(s.cone.normal, s.up)]
  const h = s.cone.height - dot(s.cone.normal, s.origin)
  return { a: h / n[2], b: -n[0] / n[2], c: -n[1] / n[2] }
}

/** How far scan points lie from the surface: the 95th percentile over at most `most` of them, mm. */
export function fitWithin(surface: LastSurface, positions: Float64Array, most = 6000): number {
  const near = new ClosestPoints(bodyMesh(surface))
  const count = positions.length / 3
  const step = Math.max(1, Math.floor(count / most))
  const away: number[] = []
  for (let i = 0; i < count; i += step) {
    away.push(near.to([positions[i * 3]!, positions[i * 3 + 1]!, positions[i * 3 + 2]!]).distance)
  }
  away.sort((a, b) => a - b)
  return away[Math.floor(0.95 * (away.length - 1))]!
}

/** Past this the surface is not the scan's, mm. */
const LOOSE = 1.5

/**
 * Brings a scan onto the canonical grid. Derivation and figures: docs/geometry.md, "A scan becomes a last". Throws
 * GeometryError with a sentence when the body is not a last or a part of it is missing.
 */
export function importScan(
  scan: ReadyScan,
  choices: ScanChoices = {},
  progress: Progress = () => undefined,
): ScanResult {
  progress(0.4, 'Standing it up')
  const stance = stand(scan.cloud, choices)
  const body = inFrame(scan, stance)
  const L = stance.length
  progress(0.5, 'Cutting the lateral side')
  const centre = centreHeights(L, body.positions)
  const lateral = halfSections(L, body.positions, body.triangles, 'lateral', centre)
  progress(0.65, 'Cutting the medial side')
  const medial = halfSections(L, body.positions, body.triangles, 'medial', centre)
  const sides = { lateral, medial }
  progress(0.8, 'Finding the feather line')
  const shift = choices.feather ?? noShift()
  const feather = { lateral: findFeather(lateral, shift.lateral), medial: findFeather(medial, shift.medial) }
  const top = wallTops(sides, conePlane(stance))
  const jointX = (p: Vec3) => toFrame(stance, p)[0]
  const joints: Record<Side, number> = {
    lateral: jointX(stance.landmarks.jointLateral),
    medial: jointX(stance.landmarks.jointMedial),
  }
  for (const side of ['lateral', 'medial'] as const) {
    if (joints[side] < 0.45 * L || joints[side] > 0.85 * L) {
      throw new GeometryError(
        say`The ${side} joint lies ${mm(joints[side], 0)} from the heel back on a last of ${mm(L, 0)}. Drag it to the widest place of the forepart.`,
      )
    }
  }
  progress(0.88, 'Laying the grid')
  const surface = layGrid(sides, { lateral: feather.lateral.points, medial: feather.medial.points }, top, joints)
  progress(0.95, 'Comparing with the scan')
  const shifted = body.positions
  const moved = top.rim.lateral[0]![0] - surface.walls.lateral[(surface.rows - 1) * 3]!
  if (moved !== 0) for (let k = 0; k < shifted.length; k += 3) shifted[k]! -= moved
  const within = fitWithin(surface, shifted)
  if (within > LOOSE) {
    throw new GeometryError(
      say`The surface laid over the scan is ${mm(within, 1)} off at some places. This may not be a last, or the landmarks are not where they should be.`,
    )
  }
  progress(1, 'Done')
  return {
    surface,
    stance,
    feather: {
      lateral: feather.lateral.points.map((p) => fromFrame(stance, p)),
      medial: feather.medial.points.map((p) => fromFrame(stance, p)),
    },
    health: scan.health,
    within,
    notes: notesOn(scan.health, stance, Math.max(lateral.bridged, medial.bridged), handed(stance)),
  }
}

/** Whether the axes found are right-handed in the scan: a left last's are not, and it is mirrored. */
const handed = (s: Stance): boolean => dot(cross(s.forward, s.medial), s.up) > 0

function notesOn(health: MeshHealth, stance: Stance, bridged: number, rightHanded: boolean): Sentence[] {
  const notes: Sentence[] = []
  if (stance.foot === 'left' || !rightHanded)
    notes.push('This is a left last; its mirror image is kept, as for every last.')
  if (health.holes.length > 0) {
    const [first] = health.holes
    notes.push(
      say`${health.holes.length === 1 ? 'One hole' : `${health.holes.length} holes`} bridged, the largest ${mm(first!, 0)} across. Look at the surface there.`,
    )
  } else if (bridged > 3) {
    notes.push(say`A gap of ${mm(bridged, 0)} was bridged.`)
  }
  if (health.turned > 0)
    notes.push(`${health.turned} of ${health.triangles} faces were inside out and have been turned.`)
  if (health.crumbs > 0) {
    notes.push(health.crumbs === 1 ? 'One loose crumb was left out.' : `${health.crumbs} loose crumbs were left out.`)
  }
  return notes
}
