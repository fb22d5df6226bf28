import { convexHull } from '../geometry/convexHull.ts'
import { distance, type Point } from '../geometry/path.ts'
import { leastSquares } from '../geometry/linearSolve.ts'
import { add, cross, dot, scale, sub, unit, type Vec3 } from '../geometry/vec3.ts'
import { cloudNormal, cloudPoint, type Cloud } from './cloud.ts'

/** A flat facet that the whole body lies behind: points p with dot(p, normal) = height. `area` in mm^2. */
export interface Facet {
  normal: Vec3
  height: number
  area: number
  centre: Vec3
}

/**
 * Half the thickness of the slice that counts as the facet, round by round, mm: the last ones leave out samples that
 * caught a bit of the wall below the rim.
 */
const BANDS = [1.5, 1, 0.6, 0.5, 0.3, 0.22]
/** How far anything may stand out past the facet, mm. */
const PROUD = 1.2
/** Depth under the facet at which the body is measured, mm. */
const UNDER = { from: 9, to: 20 }
/** Directions this near to a facet's own settle on the same facet. */
const SAME = Math.cos((5 * Math.PI) / 180)
/** A cone is this much shorter than the whole last; a bottom is nearly as long. */
const CONE_SHARE = 0.64
const FACING = Math.cos((14 * Math.PI) / 180)

/** Directions of the larger patches of a cloud: area-weighted normals gathered in boxes of direction. */
function directions(cloud: Cloud, most: number): Vec3[] {
  const bins = new Map<number, { sum: Vec3; area: number }>()
  for (let i = 0; i < cloud.count; i++) {
    const n = cloudNormal(cloud, i)
    const key = n.reduce((k, c) => k * 16 + Math.round((c + 1) * 5), 0)
    const bin = bins.get(key) ?? { sum: [0, 0, 0] as Vec3, area: 0 }
    bins.set(key, { sum: add(bin.sum, scale(n, cloud.areas[i]!)), area: bin.area + cloud.areas[i]! })
  }
  return [...bins.values()]
    .sort((a, b) => b.area - a.area)
    .slice(0, most)
    .map((b) => unit(b.sum))
}

/** The facet nearest to a direction: a plane laid on the body from that side, then fitted to what it touches. */
function settle(cloud: Cloud, towards: Vec3): Facet | null {
  const { count, points: p, normals: n, areas } = cloud
  let [nx, ny, nz] = towards
  let height = -Infinity
  for (let i = 0; i < count; i++) {
    height = Math.max(height, p[i * 3]! * nx + p[i * 3 + 1]! * ny + p[i * 3 + 2]! * nz)
  }
  height -= 0.6
  let facet: Facet | null = null
  for (const band of BANDS) {
    const a = unit(cross([nx, ny, nz], Math.abs(nx) < 0.7 ? [1, 0, 0] : [0, 1, 0]))
    const b = cross([nx, ny, nz], a)
    const list: number[] = []
    let area = 0
    let [cx, cy, cz] = [0, 0, 0]
    for (let i = 0; i < count; i++) {
      const k = i * 3
      const out = p[k]! * nx + p[k + 1]! * ny + p[k + 2]! * nz - height
      if (out > band || out < -band) continue
      if (n[k]! * nx + n[k + 1]! * ny + n[k + 2]! * nz < FACING) continue
      list.push(i)
      area += areas[i]!
      cx += areas[i]! * p[k]!
      cy += areas[i]! * p[k + 1]!
      cz += areas[i]! * p[k + 2]!
    }
    if (list.length < 12) return null
    const centre: Vec3 = [cx / area, cy / area, cz / area]
    const offsets = list.map((i) => sub(cloudPoint(cloud, i), centre))
    const fit = leastSquares(
      offsets.map((d) => [1, dot(d, a), dot(d, b)]),
      offsets.map((d) => d[0] * nx + d[1] * ny + d[2] * nz),
      list.map((i) => areas[i]!),
    )
    if (!fit) return null
    const normal = unit(add([nx, ny, nz], add(scale(a, -fit[1]!), scale(b, -fit[2]!))))
    ;[nx, ny, nz] = normal
    height = dot(normal, centre) + fit[0]!
    facet = { normal, height, area, centre }
  }
  if (!facet) return null
  for (let i = 0; i < count; i++) {
    if (p[i * 3]! * nx + p[i * 3 + 1]! * ny + p[i * 3 + 2]! * nz - facet.height > PROUD) return null
  }
  return facet
}

/** Greatest level extent of the samples at a depth below a facet, mm. */
function extentUnder(cloud: Cloud, { normal, height }: Facet, from: number, to: number): number {
  const a = unit(cross(normal, Math.abs(normal[0]) < 0.7 ? [1, 0, 0] : [0, 1, 0]))
  const b = cross(normal, a)
  const flat: Point[] = []
  for (let i = 0; i < cloud.count; i++) {
    const p = cloudPoint(cloud, i)
    const depth = height - dot(p, normal)
    if (depth >= from && depth <= to) flat.push([dot(p, a), dot(p, b)])
  }
  const hull = convexHull(flat)
  let most = 0
  for (const p of hull) for (const q of hull) most = Math.max(most, distance(p, q))
  return most
}

/**
 * The cone cut: the largest flat facet that nothing sticks out beyond and under which the body is much shorter than
 * as a whole (under a flat bottom it is nearly as long). Null when there is none.
 */
export function coneCut(cloud: Cloud): Facet | null {
  let best: Facet | null = null
  const seen: Vec3[] = []
  for (const direction of directions(cloud, 60)) {
    if (seen.some((n) => dot(n, direction) > SAME)) continue
    const facet = settle(cloud, direction)
    if (facet) seen.push(facet.normal)
    if (!facet || (best && facet.area <= best.area)) continue
    const whole = extentUnder(cloud, facet, 0, Infinity)
    if (extentUnder(cloud, facet, UNDER.from, UNDER.to) < CONE_SHARE * whole) best = facet
  }
  return best
}
