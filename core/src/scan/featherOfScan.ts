import { gaussianSmooth, pchip } from '../geometry/interpolate.ts'
import { cumulative, pointAt } from '../geometry/polyline.ts'
import { GeometryError, type Path, type Point } from '../geometry/path.ts'
import { leastSquares } from '../geometry/linearSolve.ts'
import type { Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'
import { sideSign } from '../last/frame.ts'
import type { HalfSections } from './halfSections.ts'
import { FAN_END, onPlane } from './planes.ts'
import { cutLine } from './skin.ts'
import { SAME } from '../geometry/tolerance.ts'

/** Feather line found on one side: a point on every fan and parallel plane from heel back to toe tip. */
export interface ScanFeather {
  points: Vec3[]
  /** Sharpness: the turn of the cut there, degrees; a rounded or missing edge turns little. */
  turns: number[]
}

/** Handles by which a person moves the feather line: share of the way from heel back (0) to toe tip (1), per side. */
export const FEATHER_HANDLES = [0, 0.12, 0.25, 0.4, 0.55, 0.7, 0.85, 1] as const
/** Millimetres up the wall (down towards the bottom when negative) at each handle. */
export type FeatherShift = Record<Side, number[]>
export const noShift = (): FeatherShift => ({
  lateral: FEATHER_HANDLES.map(() => 0),
  medial: FEATHER_HANDLES.map(() => 0),
})

const STEP = 0.5
/** The turn is judged over this much line on either side, mm. */
const SPAN = 5
/** What lies nearer to the edge than this is worn or smeared and left out of the fits, mm. */
const WORN = 1.2
const FIT_TO = 8

interface Edge {
  at: number
  point: Point
  turn: number
  line: Path
}

const heading = (a: Point, b: Point) => Math.atan2(b[1] - a[1], b[0] - a[0])

/** Greatest turn of an evenly stepped cut below its centre, sharpened by crossing two curves fitted to either side. */
function edgeOf(cut: Path, centre: number): Edge | null {
  const run = cumulative(cut)
  const total = run[run.length - 1]!
  const even: Point[] = Array.from({ length: Math.floor(total / STEP) + 1 }, () => [0, 0])
  let j = 0
  for (let k = 0; k < even.length; k++) {
    const s = k * STEP
    while (j < cut.length - 2 && run[j + 1]! < s) j++
    const t = run[j + 1]! > run[j]! ? (s - run[j]!) / (run[j + 1]! - run[j]!) : 0
    even[k] = [cut[j]![0] + (cut[j + 1]![0] - cut[j]![0]) * t, cut[j]![1] + (cut[j + 1]![1] - cut[j]![1]) * t]
  }
  const w = SPAN / STEP
  let best = -1
  let most = 0
  for (let k = w; k + w < even.length; k++) {
    if (even[k]![1] > centre - 1 || even[k]![0] < 5) continue
    let turn = heading(even[k]!, even[k + w]!) - heading(even[k - w]!, even[k]!)
    if (turn > Math.PI) turn -= 2 * Math.PI
    if (turn < -Math.PI) turn += 2 * Math.PI
    if (turn > most) [most, best] = [turn, k]
  }
  if (best < 0) return null
  const crossed = crossing(even, best)
  return { at: best * STEP, point: crossed ?? even[best]!, turn: (most * 180) / Math.PI, line: even }
}

/**
 * Where the bottom and the wall would meet if both went on as they come: the bottom is fitted as height over
 * distance, the wall as distance over height, both quadratics; crossed by Newton's method.
 */
function crossing(line: Path, k: number): Point | null {
  const o = line[k]!
  const pick = (from: number, to: number): Point[] => {
    const list: Point[] = []
    for (let d = from; d <= to; d += STEP) {
      const p = line[k + Math.round(d / STEP)]
      if (p) list.push([p[0] - o[0], p[1] - o[1]])
    }
    return list
  }
  const bottom = pick(-FIT_TO, -WORN)
  const wall = pick(WORN, FIT_TO)
  if (bottom.length < 6 || wall.length < 6) return null
  const b = leastSquares(
    bottom.map(([r]) => [1, r, r * r]),
    bottom.map((p) => p[1]),
  )
  const w = leastSquares(
    wall.map(([, z]) => [1, z, z * z]),
    wall.map((p) => p[0]),
  )
  if (!b || !w) return null
  let [r, z] = [0, 0]
  for (let n = 0; n < 12; n++) {
    const f1 = b[0]! + b[1]! * r + b[2]! * r * r - z
    const f2 = w[0]! + w[1]! * z + w[2]! * z * z - r
    const a11 = b[1]! + 2 * b[2]! * r
    const a22 = w[1]! + 2 * w[2]! * z
    const det = a11 * a22 - 1
    if (Math.abs(det) < SAME) return null
    // Solves [a11 -1; -1 a22] d = -f.
    r += (-f1 * a22 - f2) / det
    z += (-a11 * f2 - f1) / det
    if (Math.hypot(r, z) > 3) return null
  }
  return [o[0] + r, o[1] + z]
}

const median5 = (values: readonly number[], i: number): number => {
  const around = [-2, -1, 0, 1, 2].map((d) => values[Math.min(values.length - 1, Math.max(0, i + d))]!)
  return around.sort((a, b) => a - b)[2]!
}

/** A last's edge turns at least this much, degrees, on most of its planes. */
const LEAST_TURN = 25

/**
 * Finds the feather line on the cuts of one side. `shift` moves it up the wall at its handles. Throws GeometryError
 * when the body has no edge between bottom and walls.
 */
export function findFeather(s: HalfSections, shift: readonly number[]): ScanFeather {
  const edges = Array.from({ length: FAN_END + 1 }, (_, p) => edgeOf(cutLine(s, p), centreOf(s, p)))
  const found = edges.filter((e): e is Edge => e !== null)
  const sharp = found.filter((e) => e.turn >= LEAST_TURN).length
  if (found.length < edges.length * 0.9 || sharp < edges.length * 0.7) {
    throw new GeometryError(
      `No feather line was found on the ${s.side} side: the edge between bottom and wall turns by less than ${LEAST_TURN} degrees on ${edges.length - sharp} of ${edges.length} cuts. Is this a last, and is it scanned from below as well?`,
    )
  }
  const at = edges.map(
    (e, i) =>
      e ??
      edges
        .slice(0, i)
        .reverse()
        .find((x) => x !== null) ??
      found[0],
  )
  const reach = at.map((e) => e!.point[0])
  const height = at.map((e) => e!.point[1])
  // A cut that found another edge (a nail, a chip) stands out from its neighbours.
  const clean = (v: readonly number[], by: number) =>
    v.map((x, i) => (Math.abs(x - median5(v, i)) > by ? median5(v, i) : x))
  const smooth = (v: readonly number[]): Float64Array => {
    const raw = Float64Array.from(v)
    const g = gaussianSmooth(raw, 1.6, false)
    const gg = gaussianSmooth(g, 1.6, false)
    return g.map((x, i) => 2 * x - gg[i]!)
  }
  const r = smooth(clean(reach, 1))
  const z = smooth(clean(height, 1))
  const by = pchip(FEATHER_HANDLES.map((q, i) => [q, shift[i] ?? 0] as const))
  const toY = -sideSign(s.side)
  const points = at.map((e, p): Vec3 => {
    const move = by(p / FAN_END)
    let [rr, zz] = [r[p]!, z[p]!]
    if (Math.abs(move) > SAME) {
      const moved = pointAt(e!.line, e!.at + move)
      const here = pointAt(e!.line, e!.at)
      rr += moved[0] - here[0]
      zz += moved[1] - here[1]
    }
    const { x, u } = onPlane(s.length, p, rr)
    return [x, toY * u, zz]
  })
  return { points, turns: at.map((e) => e!.turn) }
}

const centreOf = (s: HalfSections, p: number): number => {
  const line = cutLine(s, p)
  return line[Math.floor(line.length / 2)]![1]
}
