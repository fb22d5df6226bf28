import { ClosestPoints } from '../geometry/closestPoint.ts'
import { nearest, pointAt } from '../geometry/polyline.ts'
import { distance, pathLength, type Path, type Point } from '../geometry/path.ts'
import { dot, sub, type Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'
import { STATIONS } from '../last/frame.ts'
import type { LastSurface } from '../last/surface.ts'
import { chartsOf, featherOf, type Chart } from './charts.ts'
import type { Forme } from './forme.ts'
import { lineAtX, wallLines, wallTriangles } from './wallGrid.ts'
import { SAME } from '../geometry/tolerance.ts'
import { ledOnBack } from './ledOnBack.ts'

/** Over how much height a shaft forgets the shape of the cone's rim, mm. */
const FADE = 25

/** So many steps find the level at which a point stands over the cone. */
const LEVELS = 12

/** A place on the forme in the terms of its landmarks, for points that must find their place again on another last. */
export type LandmarkPlace = readonly [forward: number, up: number]

/**
 * The mean forme as a map of the last: every point of it is a point of both walls and back. Triangle by triangle
 * linear, so there and back is exact; beyond its edge it goes on straight, which is where a boot's shaft stands.
 */
export class FormeMap {
  readonly feather: Path
  readonly back: Path
  /** The way on the forme that stands upright over the last. */
  readonly upright: Point
  /** The back curve led on above the last, see ledOnBack. */
  readonly backLedOn: Path
  readonly rim: Path
  readonly ridge: Path
  readonly toeRib: Path
  /** Ridge from the cone's front and toe rib down to the feather: the centre line in front. */
  readonly centre: Path
  private readonly lines: ReturnType<typeof wallLines>
  private readonly triangles: Uint32Array
  private readonly charts: Record<'mean' | Side, Chart>
  /** Each side's feather line as a pattern has it: its own or the mean one. */
  readonly feathers: Record<Side, Path>
  private readonly walls: Partial<Record<Side, ClosestPoints>> = {}
  private readonly joint: Point
  private readonly vamp: Point

  constructor(
    readonly surface: LastSurface,
    readonly forme: Forme,
    feather: 'own' | 'mean' = 'own',
  ) {
    const lines = (this.lines = wallLines(forme))
    const path = (line: readonly number[]): Path => line.map((v) => this.vertex(v))
    this.feather = path(lines.feather)
    this.back = path(lines.back)
    this.rim = path(lines.rim)
    this.ridge = path(lines.ridge)
    this.toeRib = path(lines.toeRib)
    this.centre = [...this.ridge, ...this.toeRib.slice(1)]
    this.triangles = wallTriangles(forme.columns, forme.rows)
    this.charts = chartsOf(forme, feather)
    this.feathers = {
      lateral: featherOf(forme, this.charts.lateral.flat),
      medial: featherOf(forme, this.charts.medial.flat),
    }
    const turn = (this.turnOf('lateral') + this.turnOf('medial')) / 2
    this.upright = [Math.sin(turn), Math.cos(turn)]
    this.backLedOn = ledOnBack(this.back, this.upright)
    this.joint = this.featherAt((surface.joints.lateral + surface.joints.medial) / 2)
    this.vamp = this.ridgeAt(STATIONS.ridgeJoint * surface.length)
  }

  private vertex(v: number): Point {
    return [this.forme.mean[2 * v]!, this.forme.mean[2 * v + 1]!]
  }

  /** Where a point of a side's grid lies on the forme. */
  flatVertex(side: Side, column: number, row: number): Point {
    const v = 2 * (column * this.forme.rows + row)
    const { flat } = this.charts[side]
    return [flat[v]!, flat[v + 1]!]
  }

  /** Weights of a triangle's corners for a point of the forme; beyond the edge they go below zero. */
  private locate(
    { flat, closest }: Chart,
    p: Point,
  ): { corners: [number, number, number]; weights: [number, number, number] } {
    const { triangle } = closest.to([p[0], p[1], 0])
    const k = 3 * triangle
    const corners: [number, number, number] = [this.triangles[k]!, this.triangles[k + 1]!, this.triangles[k + 2]!]
    const [a, b, c] = corners.map((v): Point => [flat[2 * v]!, flat[2 * v + 1]!])
    const det = (b![0] - a![0]) * (c![1] - a![1]) - (c![0] - a![0]) * (b![1] - a![1])
    const wb = ((p[0] - a![0]) * (c![1] - a![1]) - (c![0] - a![0]) * (p[1] - a![1])) / det
    const wc = ((b![0] - a![0]) * (p[1] - a![1]) - (p[0] - a![0]) * (b![1] - a![1])) / det
    return { corners, weights: [1 - wb - wc, wb, wc] }
  }

  /** Column and row of the forme's grid, with fractions, where a point lies. */
  gridPlace(p: Point): [number, number] {
    const { corners, weights } = this.locate(this.charts.mean, p)
    const rows = this.forme.rows
    const mix = (of: (v: number) => number) => corners.reduce((s, v, k) => s + weights[k]! * of(v), 0)
    return [mix((v) => Math.floor(v / rows)), mix((v) => v % rows)]
  }

  /**
   * Point of the last under a point of the forme, mm. Beside ridge and cone the forme goes on as a shaft would: from the
   * nearest point of its top edge by the same step, turned as the cone's rim is.
   */
  toLast(side: Side, p: Point): Vec3 {
    const { point } = this.charts[side].closest.to([p[0], p[1], 0])
    if (Math.hypot(p[0] - point[0], p[1] - point[1]) > 0.2) {
      const shaft = this.onShaft(side, p)
      if (shaft) return shaft
      const base: Point = [point[0], point[1]]
      if (this.gridPlace(base)[1] > this.forme.rows - 1.2) return this.stepFrom(side, base, this.inside(side, base), p)
    }
    return this.inside(side, p)
  }

  /** From a place of the forme and its point on the last, the same step on as to `p`, turned as the rim is. */
  private stepFrom(side: Side, base: Point, at: Vec3, p: Point): Vec3 {
    const [dx, dy] = [p[0] - base[0], p[1] - base[1]]
    const { cos, sin } = this.shaft(side)
    return [at[0] + cos * dx - sin * dy, at[1], at[2] + sin * dx + cos * dy]
  }

  /**
   * A point over the cone: it stands on the chord of the rim, between the back curve led on behind and a line square to
   * the chord in front, so that a shaft's back line stays in the middle. What the rim leaves the chord by fades out over
   * FADE mm. Null beside the cone.
   */
  private onShaft(side: Side, p: Point): Vec3 | null {
    const [a, b] = [this.rim[0]!, this.rim[this.rim.length - 1]!]
    const l = Math.hypot(b[0] - a[0], b[1] - a[1])
    const front: Point = [-(b[1] - a[1]) / l, (b[0] - a[0]) / l]
    const mix = (u: Point, v: Point, at: number): Point => [u[0] + (v[0] - u[0]) * at, u[1] + (v[1] - u[1]) * at]
    const onBack = pathLength(this.back)
    const [e, f] = [this.back[this.back.length - 4]!, this.back[this.back.length - 1]!]
    const leans = distance(e, f)
    const under = (run: number): Point => [a[0] + ((f[0] - e[0]) / leans) * run, a[1] + ((f[1] - e[1]) / leans) * run]
    // Level by level: at a run up the back curve and as far up in front, the point lies at a share between the two.
    let [run, t] = [0, 0]
    for (let k = 0; k < LEVELS; k++) {
      const behind = run > 0 ? pointAt(this.backLedOn, onBack + run) : under(run)
      const ahead: Point = [b[0] + front[0] * run, b[1] + front[1] * run]
      const [dx, dy] = [ahead[0] - behind[0], ahead[1] - behind[1]]
      const [px, py] = [p[0] - behind[0], p[1] - behind[1]]
      const across = Math.hypot(dx, dy)
      t = (px * dx + py * dy) / across ** 2
      run += (dx * py - dy * px) / across
    }
    if (t < -SAME || t > 1 + SAME) return null
    const q = mix(a, b, t)
    const height = (p[0] - q[0]) * front[0] + (p[1] - q[1]) * front[1]
    // Far below the chord there is the wall, not the shaft.
    if (height < -0.1 * l) return null
    const [x0, x1] = [this.inside(side, a), this.inside(side, b)]
    const chord: Vec3 = [x0[0] + (x1[0] - x0[0]) * t, x0[1] + (x1[1] - x0[1]) * t, x0[2] + (x1[2] - x0[2]) * t]
    const plain = this.stepFrom(side, q, chord, p)
    const r = pointAt(this.rim, t * pathLength(this.rim))
    const [onRim, asChord] = [this.inside(side, r), this.stepFrom(side, q, chord, r)]
    const keep = Math.max(0, Math.min(1, 1 - height / FADE))
    // Sideways the shaft keeps the width of the cone; along and up it becomes straight.
    return [plain[0] + keep * (onRim[0] - asChord[0]), onRim[1], plain[2] + keep * (onRim[2] - asChord[2])]
  }

  /** How the cone's rim is turned from the forme to the last, seen from the side. */
  private shaft(side: Side): { cos: number; sin: number } {
    const turn = this.turnOf(side)
    return { cos: Math.cos(turn), sin: Math.sin(turn) }
  }

  private turnOf(side: Side): number {
    const end = this.rim[this.rim.length - 1]!
    const rows = this.forme.rows
    const w = this.forme.walls[side]
    const [a, b] = [3 * (rows - 1), 3 * (this.forme.coneColumn * rows + rows - 1)]
    return (
      Math.atan2(w[b + 2]! - w[a + 2]!, w[b]! - w[a]!) - Math.atan2(end[1] - this.rim[0]![1], end[0] - this.rim[0]![0])
    )
  }

  /** A place so far forward of a place of the forme and so far up, as a leg stands over the last. */
  standing([x, y]: Point, forward: number, up: number): Point {
    const [ux, uy] = this.upright
    return [x + forward * uy + up * ux, y - forward * ux + up * uy]
  }

  private inside(side: Side, p: Point): Vec3 {
    const { corners, weights } = this.locate(this.charts[side], p)
    const w = this.forme.walls[side]
    const mix = (d: 0 | 1 | 2) =>
      weights[0] * w[3 * corners[0] + d]! + weights[1] * w[3 * corners[1] + d]! + weights[2] * w[3 * corners[2] + d]!
    return [mix(0), mix(1), mix(2)]
  }

  /** Point of the forme over the point of the last nearest to `at`. */
  fromLast(side: Side, at: Vec3): Point {
    const closest = (this.walls[side] ??= new ClosestPoints({
      positions: this.forme.walls[side],
      triangles: this.triangles,
    }))
    const { point, triangle } = closest.to(at)
    const corners = [0, 1, 2].map((e) => this.triangles[3 * triangle + e])
    const w = this.forme.walls[side]
    const [a, b, c] = corners.map((v): Vec3 => [w[3 * v!]!, w[3 * v! + 1]!, w[3 * v! + 2]!])
    const weights = barycentric(point, a!, b!, c!)
    const mix = (d: 0 | 1) => corners.reduce((s, v, e) => s! + weights[e]! * this.charts[side].flat[2 * v! + d]!, 0)
    return [mix(0)!, mix(1)!]
  }

  /** Where the feather line is a given distance from the heel back, mm along the last. */
  featherAt(x: number): Point {
    return this.onLine(this.lines.feather, x)
  }

  /** Where the ridge (in front of the cone) is a given distance from the heel back. */
  ridgeAt(x: number): Point {
    return this.onLine(this.lines.ridge, x)
  }

  private onLine(line: readonly number[], x: number): Point {
    const { from, to, t } = lineAtX(this.forme.walls, line, x)
    const [a, b] = [this.vertex(from), this.vertex(to)]
    return [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]
  }

  /** A point `height` mm square above the feather line, over the place `x` mm from the heel back. */
  above(x: number, height: number): Point {
    const foot = this.featherAt(x)
    const near = nearest(this.feather, foot)
    const before = pointAt(this.feather, Math.max(0, near.at - 20))
    const after = pointAt(this.feather, Math.min(pathLength(this.feather), near.at + 20))
    const l = Math.hypot(after[0] - before[0], after[1] - before[1])
    return [foot[0] - ((after[1] - before[1]) / l) * height, foot[1] + ((after[0] - before[0]) / l) * height]
  }

  /** Place of a point in the affine frame of the landmarks: foot of the back, joint at the feather, joint at the ridge. */
  toLandmarks(p: Point): LandmarkPlace {
    const [j, r] = [this.joint, this.vamp]
    const det = j[0] * r[1] - r[0] * j[1]
    return [(p[0] * r[1] - r[0] * p[1]) / det, (j[0] * p[1] - p[0] * j[1]) / det]
  }

  fromLandmarks([forward, up]: LandmarkPlace): Point {
    return [forward * this.joint[0] + up * this.vamp[0], forward * this.joint[1] + up * this.vamp[1]]
  }
}

/** Barycentric weights of a point in the plane of a triangle in space (Ericson, 3.4). */
function barycentric(p: Vec3, a: Vec3, b: Vec3, c: Vec3): [number, number, number] {
  const [u, v, w] = [sub(b, a), sub(c, a), sub(p, a)]
  const [uu, uv, vv, wu, wv] = [dot(u, u), dot(u, v), dot(v, v), dot(w, u), dot(w, v)]
  const det = uu * vv - uv * uv
  const s = (vv * wu - uv * wv) / det
  const t = (uu * wv - uv * wu) / det
  return [1 - s - t, s, t]
}
