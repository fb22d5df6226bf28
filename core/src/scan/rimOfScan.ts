import { gaussianSmooth, lerp, smoothstep } from '../geometry/interpolate.ts'
import { GeometryError, type Point } from '../geometry/path.ts'
import { leastSquares } from '../geometry/linearSolve.ts'
import type { Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'
import { sideSign } from '../last/frame.ts'
import type { HalfSections } from './halfSections.ts'
import { onPlane, parallelPlanes, planeOf } from './planes.ts'
import { cutLine, topOf } from './skin.ts'

/** The cone's plane in the last's frame: z = a + b x + c y. */
export interface ConePlane {
  a: number
  b: number
  c: number
}
const coneZ = (cone: ConePlane, x: number, y: number) => cone.a + cone.b * x + cone.c * y

/** Upper edges of the walls: the rim of the cone on each side, and the ridge from the cone's front forward. */
export interface WallTops {
  rim: Record<Side, Vec3[]>
  ridge: Vec3[]
}

/** Where the ridge ends and the toe rib begins, as on lasts made to measure (share of L). */
export const RIDGE_END = 0.905
/** Skin this near to the cut is rounded or smeared by triangles, mm. */
const SMEARED = 0.9

/** Where a wall would meet the cone's plane if it went on as it comes: a quadratic over its last few millimetres. */
function rimPoint(s: HalfSections, p: number, cone: ConePlane): Vec3 | null {
  const toY = -sideSign(s.side)
  const below: Point[] = []
  let previous = Infinity
  for (const [r, z] of cutLine(s, p)) {
    const { x, u } = onPlane(s.length, p, r)
    const under = coneZ(cone, x, toY * u) - z
    if (under < SMEARED && previous > SMEARED && below.length > 0) break
    previous = under
    below.push([r, under])
  }
  const wall = below.filter((q) => q[1] > SMEARED && q[1] < SMEARED + 9).slice(-24)
  if (wall.length < 6) return null
  const fit = leastSquares(
    wall.map(([, d]) => [1, d, d * d]),
    wall.map((q) => q[0]),
  )
  if (!fit) return null
  const { x, u } = onPlane(s.length, p, Math.max(0, fit[0]!))
  return [x, toY * u, coneZ(cone, x, toY * u)]
}

/** The ridge over the parallel planes: apexes of the cuts, calmed along the last, brought to the centre plane at the toe. */
function apexes(sides: Record<Side, HalfSections>): Vec3[] {
  const { length: L } = sides.lateral
  const tops = parallelPlanes.map((p) => topOf(sides, p))
  const y = gaussianSmooth(
    Float64Array.from(tops, (t) => t.y),
    3,
    false,
  )
  const z = Float64Array.from(tops, (t) => t.z)
  const g = gaussianSmooth(z, 1.2, false)
  const gg = gaussianSmooth(g, 1.2, false)
  return tops.map((t, i): Vec3 => [t.x, y[i]! * (1 - smoothstep(0.78, RIDGE_END, t.x / L)), 2 * g[i]! - gg[i]!])
}

/**
 * Finds rim and ridge. Throws GeometryError when the cone's cut does not end in a ridge, as on a body that is no last.
 */
export function wallTops(sides: Record<Side, HalfSections>, cone: ConePlane): WallTops {
  const { length: L } = sides.lateral
  const tops = apexes(sides)
  const under = tops.map((t) => coneZ(cone, t[0], t[1]) - t[2])
  // Unsmoothed tops tell where the ridge leaves the plane; smoothing blurs that corner.
  const clear = under.findIndex((d, i) => d > 2.5 && under.slice(i, i + 6).every((e) => e > 2.5))
  if (clear < 2 || tops[clear]![0] > 0.62 * L) {
    throw new GeometryError('The flat cut does not end in a ridge as the cone of a last does. Is the right end up?')
  }
  const beyond = tops.slice(clear, clear + 9)
  const fit = leastSquares(
    beyond.map((_, i) => [1, under[clear + i]!, under[clear + i]! ** 2]),
    beyond.map((t) => t[0]),
  )
  if (!fit) throw new GeometryError('The front of the cone could not be found.')
  const frontX = Math.min(beyond[0]![0], Math.max(beyond[0]![0] - 14, fit[0]!))
  const frontY = tops[clear]![1]
  const front: Vec3 = [frontX, frontY, coneZ(cone, frontX, frontY)]
  const ridge: Vec3[] = [front, ...tops.slice(clear).filter((t) => t[0] > frontX + 1 && t[0] < RIDGE_END * L)]
  const [a, b] = [tops.findLast((t) => t[0] < RIDGE_END * L), tops.find((t) => t[0] >= RIDGE_END * L)]
  if (a && b) {
    const t = (RIDGE_END * L - a[0]) / (b[0] - a[0])
    ridge.push([RIDGE_END * L, 0, lerp(a[2], b[2], t)])
  }
  const rim = (side: Side): Vec3[] => {
    const toY = -sideSign(side)
    const list: Vec3[] = []
    // Near the front the rim runs across the planes and cannot be read on them: it is carried on from here.
    const last = Math.floor(planeOf(L, frontX - 7, 10).plane)
    for (let p = 0; p <= last; p++) {
      const q = rimPoint(sides[side], p, cone)
      if (q) list.push(q)
    }
    if (list.length < last * 0.7) {
      throw new GeometryError(`The rim of the cone is missing on the ${side} side. Scan the top of the last again.`)
    }
    const calm = (c: 0 | 1): Float64Array =>
      gaussianSmooth(
        Float64Array.from(list, (q) => q[c]),
        0.8,
        false,
      )
    const [xs, ys] = [calm(0), calm(1)]
    const smooth = list.map((_, i): Vec3 => [xs[i]!, i === 0 ? 0 : ys[i]!, coneZ(cone, xs[i]!, i === 0 ? 0 : ys[i]!)])
    // The rim closes round the front like a root: its half width squared falls straight to nothing.
    const end = smooth[smooth.length - 1]!
    const half = toY * (end[1] - frontY)
    for (let k = 1; k < 14; k++) {
      const t = 1 - (1 - k / 14) ** 2
      const x = lerp(end[0], frontX, t)
      const y = frontY + toY * Math.max(0, half) * Math.sqrt(1 - t)
      smooth.push([x, y, coneZ(cone, x, y)])
    }
    smooth.push(front)
    return smooth
  }
  const rims: WallTops['rim'] = { lateral: rim('lateral'), medial: rim('medial') }
  // Both sides begin at the same place on the back curve.
  const back: Vec3 = [
    (rims.lateral[0]![0] + rims.medial[0]![0]) / 2,
    0,
    coneZ(cone, (rims.lateral[0]![0] + rims.medial[0]![0]) / 2, 0),
  ]
  rims.lateral[0] = back
  rims.medial[0] = back
  return { rim: rims, ridge }
}
