import { convexHull } from '../geometry/convexHull.ts'
import { distance, GeometryError, type Point } from '../geometry/path.ts'
import { leastSquares } from '../geometry/linearSolve.ts'
import { add, cross, dot, scale, sub, unit, type Vec3 } from '../geometry/vec3.ts'
import { STATIONS } from '../last/frame.ts'
import { coneCut, type Facet } from './cone.ts'
import { cloudNormal, cloudPoint, type Cloud } from './cloud.ts'
import { mm, mmTo, say } from '../units/sentence.ts'

/** The four places a person confirms or drags, in the scan's own coordinates, mm. */
export interface ScanLandmarks {
  toeTip: Vec3
  heelBack: Vec3
  jointMedial: Vec3
  jointLateral: Vec3
}
export const scanLandmarkNames = ['toeTip', 'heelBack', 'jointMedial', 'jointLateral'] as const
export type ScanLandmark = (typeof scanLandmarkNames)[number]

/** How a scan stands in the last's frame: rows are the frame's axes in the scan's coordinates. A left last has mirrored y. */
export interface Stance {
  origin: Vec3
  forward: Vec3
  medial: Vec3
  up: Vec3
  foot: 'right' | 'left'
  length: number
  cone: Facet
  landmarks: ScanLandmarks
}

/** What a person may settle by hand; the rest is found. */
export interface StandChoices {
  /** Landmarks that were dragged: they are taken as they are. */
  landmarks?: Partial<ScanLandmarks>
  /** Ground to seat, mm: turns the last about its tread; without it the cone cut is taken to be level. */
  heelHeight?: number | null
}

const NOT_A_LAST = 'This does not look like a last: '

export const toFrame = (s: Stance, p: Vec3): Vec3 => {
  const d = sub(p, s.origin)
  return [dot(d, s.forward), dot(d, s.medial), dot(d, s.up)]
}
export const fromFrame = (s: Stance, q: Vec3): Vec3 =>
  add(s.origin, add(scale(s.forward, q[0]), add(scale(s.medial, q[1]), scale(s.up, q[2]))))

/** Level turn of the forward axis: which two hull points lie farthest apart seen from above. */
function plan(cloud: Cloud, up: Vec3): { forward: Vec3; ends: [Vec3, Vec3] } {
  const a = unit(cross(up, Math.abs(up[0]) < 0.7 ? [1, 0, 0] : [0, 1, 0]))
  const b = cross(up, a)
  const flat = Array.from({ length: cloud.count }, (_, i): Point => {
    const p = cloudPoint(cloud, i)
    return [dot(p, a), dot(p, b)]
  })
  const hull = convexHull(flat)
  let most = -1
  let ends: [Point, Point] = [hull[0]!, hull[0]!]
  for (const p of hull) {
    for (const q of hull) {
      const d = distance(p, q)
      if (d > most) [most, ends] = [d, [p, q]]
    }
  }
  const lift = (p: Point): Vec3 => add(scale(a, p[0]), scale(b, p[1]))
  return { forward: unit(sub(lift(ends[1]), lift(ends[0]))), ends: [lift(ends[0]), lift(ends[1])] }
}

const MOST_FITTED = 3000
/**
 * How firmly some coefficients are held near nothing, as [column, weight]: weight = (noise / usual size)^2. A heel is as
 * round on one side as on the other; a toe need not be, but few or noisy points must not make it lopsided.
 */
const HELD: Record<'heel' | 'toe', [number, number][]> = {
  heel: [
    [3, 1e5],
    [7, 4e2],
    [8, 1e5],
    [9, 1e3],
  ],
  toe: [
    [3, 100],
    [7, 400],
    [8, 400],
    [9, 1e3],
  ],
}

/**
 * The outermost point of an end, as a smooth surface has it. Around a guess of its place, x = a + b y + c y^2 +
 * d y |y| + e z + f z^2 + g y z and higher terms are fitted (the two sides of a toe are rounded differently, hence
 * y |y|), and the guess moves to where the slope is nothing. Noise feeds plain extremes; a fit averages it.
 */
function apex(cloud: Cloud, f: Vec3, side: Vec3, up: Vec3, sign: 1 | -1): Vec3 {
  const { vertices: v } = cloud
  const x = new Float64Array(v.length / 3)
  let extreme = -Infinity
  for (let i = 0; i < x.length; i++) {
    x[i] = v[i * 3]! * f[0] + v[i * 3 + 1]! * f[1] + v[i * 3 + 2]! * f[2]
    if (sign * x[i]! > extreme) extreme = sign * x[i]!
  }
  const within = (depth: number): Vec3[] => {
    const list: Vec3[] = []
    for (let i = 0; i < x.length; i++) {
      if (sign * x[i]! <= extreme - depth) continue
      const p: Vec3 = [v[i * 3]!, v[i * 3 + 1]!, v[i * 3 + 2]!]
      list.push([x[i]!, dot(p, side), dot(p, up)])
    }
    // A few hundred points settle nine coefficients.
    const step = Math.ceil(list.length / MOST_FITTED)
    return step > 1 ? list.filter((_, i) => i % step === 0) : list
  }
  let near: Vec3[] = []
  for (const depth of [4, 6, 9]) {
    near = within(depth)
    if (near.length >= 400) break
  }
  let y0 = near.reduce((s, p) => s + p[1], 0) / near.length
  let z0 = near.reduce((s, p) => s + p[2], 0) / near.length
  let x0 = sign * extreme
  const held = sign < 0 ? HELD.heel : HELD.toe
  const clamp = (v: number, most: number) => Math.min(most, Math.max(-most, v))
  for (let round = 0; round < 12; round++) {
    const rows = near.map(([, py, pz]) => {
      const [y, z] = [py - y0, pz - z0]
      const yy = y * y
      return [1, y, yy, y * Math.abs(y), z, z * z, y * z, yy * yy * 0.01, yy * y * Math.abs(y) * 0.01, z * z * z * 0.1]
    })
    const fit = leastSquares(
      [...rows, ...held.map(([column]) => rows[0]!.map((_, c) => (c === column ? 1 : 0)))],
      [...near.map((p) => p[0]), ...held.map(() => 0)],
      [...rows.map(() => 1), ...held.map(([, weight]) => weight)],
    )
    if (!fit) return near.reduce((m, p) => (sign * p[0] > sign * m[0] ? p : m))
    if (round === 2 || round === 5) {
      // The bottom's edge and the top of the box belong to other faces: what the fit does not explain is left out.
      const off = rows.map((row, i) => Math.abs(row.reduce((s, v, k) => s + v * fit[k]!, 0) - near[i]![0]))
      const usual = [...off].sort((p, q) => p - q)[off.length >> 1]!
      const kept = near.filter((_, i) => off[i]! < Math.max(0.06, 3.5 * usual))
      if (kept.length >= 30) near = kept
    }
    const [a, b, c, d, e, f] = fit
    x0 = a!
    // Slope b at the guess falls to nothing on the side towards which the surface still comes out.
    const bend = 2 * (c! + d! * Math.sign(sign * b!))
    const dy = sign * bend < 0 ? clamp(-b! / bend, 3) : 0
    // Only where the surface truly turns back in height does it have an apex there.
    const dz = sign * f! < 0 ? clamp(-e! / (2 * f!), 3) : 0
    y0 += dy
    z0 += dz
    if (Math.abs(dy) < 1e-4 && Math.abs(dz) < 1e-3) break
  }
  return [x0, y0, z0]
}

/** The lowest point under the tread: a paraboloid fitted to what lies near the lowest sample. */
function ground(local: readonly Vec3[]): number {
  const lowest = local.reduce((m, p) => (p[2] < m[2] ? p : m))
  const near = local.filter((p) => Math.hypot(p[0] - lowest[0], p[1] - lowest[1]) < 12 && p[2] < lowest[2] + 2)
  const rows = near.map(([x, y]) => {
    const [u, v] = [x - lowest[0], y - lowest[1]]
    return [1, u, v, u * u, v * v]
  })
  const fit = leastSquares(
    rows,
    near.map((p) => p[2]),
  )
  if (!fit || fit[3]! <= 0 || fit[4]! <= 0) return lowest[2]
  const [a, b, c, d, e] = fit
  return a! - (b! * b!) / (4 * d!) - (c! * c!) / (4 * e!)
}

/** Half widths of the last just above its bottom on either side of the axis, at a share of the length. */
function lowWidths(local: readonly Vec3[], length: number, share: number): [number, number] {
  const slice = local.filter((p) => Math.abs(p[0] - share * length) < 0.02 * length)
  const floor = slice.reduce((m, p) => Math.min(m, p[2]), Infinity)
  let [minus, plus] = [0, 0]
  for (const p of slice) {
    if (p[2] > floor + 9) continue
    minus = Math.max(minus, -p[1])
    plus = Math.max(plus, p[1])
  }
  return [minus, plus]
}

/** The outermost point near the bottom at a share of the length, on the side of `sign`: where a joint usually lies. */
function joint(local: readonly Vec3[], length: number, sign: number, share: number): Vec3 {
  const slice = local.filter((p) => Math.abs(p[0] - share * length) < 0.012 * length)
  const floor = slice.reduce((m, p) => Math.min(m, p[2]), Infinity)
  const low = slice.filter((p) => p[2] < floor + 14)
  const out = low.reduce((m, p) => (sign * p[1] > sign * m[1] ? p : m), low[0] ?? [0, 0, 0])
  return [share * length, out[1], out[2]]
}

/**
 * Stands a scan up as a last stands: cone cut level (or seat at a known height), tread on the ground, heel back and
 * toe tip on the x axis, medial side by the hollow of the waist. Throws GeometryError saying what a last has and this has not.
 */
export function stand(cloud: Cloud, choices: StandChoices = {}): Stance {
  const cone = coneCut(cloud)
  const total = cloud.areas.reduce((s, a) => s + a, 0)
  if (!cone || cone.area < 0.004 * total) {
    throw new GeometryError(`${NOT_A_LAST}it has no flat cone cut. Scan the top of the last as well.`)
  }
  const dragged = choices.landmarks ?? {}
  const up = cone.normal
  const { forward: axis, ends } = plan(cloud, up)
  const towardsCone = (p: Vec3) => {
    const d = sub(p, cone.centre)
    return Math.hypot(...sub(d, scale(up, dot(d, up))))
  }
  const heelFirst = towardsCone(ends[0]) < towardsCone(ends[1])
  let forward = heelFirst ? axis : scale(axis, -1)
  const level = (v: Vec3) => unit(sub(v, scale(up, dot(v, up))))
  if (dragged.toeTip && dragged.heelBack) forward = level(sub(dragged.toeTip, dragged.heelBack))
  // The ends come from fits; the axis through them is turned until both lie on it.
  const apexes = (f: Vec3): [Vec3, Vec3] => {
    const side = cross(up, f)
    const back = (q: Vec3): Vec3 => add(scale(f, q[0]), add(scale(side, q[1]), scale(up, q[2])))
    return [back(apex(cloud, f, side, up, -1)), back(apex(cloud, f, side, up, 1))]
  }
  let [heelBack, toeTip] = apexes(forward)
  for (let round = 0; round < 4; round++) {
    const turned = level(sub(dragged.toeTip ?? toeTip, dragged.heelBack ?? heelBack))
    if (dot(turned, forward) > 1 - 1e-12) break
    forward = turned
    ;[heelBack, toeTip] = apexes(forward)
  }
  heelBack = dragged.heelBack ?? heelBack
  toeTip = dragged.toeTip ?? toeTip
  return uprightStance(cloud, { cone, forward, up, heelBack, toeTip }, dragged, choices.heelHeight ?? null)
}

interface Axes {
  cone: Facet
  forward: Vec3
  up: Vec3
  heelBack: Vec3
  toeTip: Vec3
}

function uprightStance(cloud: Cloud, axes: Axes, dragged: Partial<ScanLandmarks>, heelHeight: number | null): Stance {
  const { cone, heelBack, toeTip } = axes
  const side = cross(axes.up, axes.forward)
  let { forward, up } = axes
  const localBy = (f: Vec3, u: Vec3, y: Vec3, origin: Vec3) =>
    Array.from({ length: cloud.count }, (_, i): Vec3 => {
      const d = sub(cloudPoint(cloud, i), origin)
      return [dot(d, f), dot(d, y), dot(d, u)]
    })
  if (heelHeight !== null) {
    // Ground to seat: the bottom's centre line behind the heel's middle, carried on straight to the heel back.
    const seat = (u: Vec3, f: Vec3): number => {
      const local = localBy(f, u, side, heelBack)
      const floor = ground(local)
      const under = local.filter(
        (p, i) => p[0] > 5 && p[0] < 30 && Math.abs(p[1]) < 10 && dot(cloudNormal(cloud, i), u) < -0.7,
      )
      const fit = leastSquares(
        under.map((p) => [1, p[0]]),
        under.map((p) => p[2]),
      )
      if (!fit) throw new GeometryError('The seat of the last is missing, so its heel height cannot be set.')
      return fit[0]! - floor
    }
    const turned = (angle: number): [Vec3, Vec3] => [
      add(scale(axes.forward, Math.cos(angle)), scale(axes.up, Math.sin(angle))),
      add(scale(axes.up, Math.cos(angle)), scale(axes.forward, -Math.sin(angle))),
    ]
    let [lo, hi] = [-0.4, 0.4]
    for (let k = 0; k < 30; k++) {
      const mid = (lo + hi) / 2
      const [f, u] = turned(mid)
      // The more the toe goes down, the higher the seat stands.
      if (seat(u, f) > heelHeight) hi = mid
      else lo = mid
    }
    ;[forward, up] = turned((lo + hi) / 2)
  }
  const length = dot(sub(toeTip, heelBack), forward)
  const local = localBy(forward, up, side, heelBack)
  checkProportions(local, length)
  const floor = ground(local)
  let medialSign: number
  if (dragged.jointMedial && dragged.jointLateral) {
    medialSign = Math.sign(dot(sub(dragged.jointMedial, dragged.jointLateral), side)) || 1
  } else {
    const [minus, plus] = [0.4, 0.43, 0.46]
      .map((share) => lowWidths(local, length, share))
      .reduce((s, w) => [s[0] + w[0], s[1] + w[1]])
    medialSign = plus < minus ? 1 : -1
  }
  const medial = scale(side, medialSign)
  const stance: Stance = {
    origin: add(heelBack, scale(up, floor)),
    forward,
    medial,
    up,
    foot: medialSign > 0 ? 'right' : 'left',
    length,
    cone,
    landmarks: { heelBack, toeTip, jointMedial: heelBack, jointLateral: heelBack },
  }
  const oriented = Array.from({ length: cloud.count }, (_, i) => toFrame(stance, cloudPoint(cloud, i)))
  stance.landmarks.jointMedial =
    dragged.jointMedial ?? fromFrame(stance, joint(oriented, length, 1, STATIONS.jointMedial))
  stance.landmarks.jointLateral =
    dragged.jointLateral ?? fromFrame(stance, joint(oriented, length, -1, STATIONS.jointLateral))
  return stance
}

/** Refuses what has not the proportions of a last, with the figure. */
function checkProportions(local: readonly Vec3[], length: number): void {
  const ys = local.map((p) => p[1])
  const zs = local.map((p) => p[2])
  const width = ys.reduce((m, v) => Math.max(m, v), -Infinity) - ys.reduce((m, v) => Math.min(m, v), Infinity)
  const height = zs.reduce((m, v) => Math.max(m, v), -Infinity) - zs.reduce((m, v) => Math.min(m, v), Infinity)
  if (length < 150 || length > 350) {
    throw new GeometryError(
      say`${NOT_A_LAST}it is ${mm(length, 0)} long, and lasts are ${mmTo(150, 350)}. Is the unit right?`,
    )
  }
  if (length < 1.9 * width || length > 5.5 * width) {
    throw new GeometryError(
      say`${NOT_A_LAST}it is ${mm(length, 0)} long and ${mm(width, 0)} wide, and a last is two to five times as long as wide.`,
    )
  }
  if (height < 0.2 * length || height > 0.95 * length) {
    throw new GeometryError(
      say`${NOT_A_LAST}it is ${mm(length, 0)} long and ${mm(height, 0)} high, and a last is a fifth to nine tenths as high as long.`,
    )
  }
}
