import { lerp } from '../geometry/interpolate.ts'
import { add, dist3, lerp3, scale, type Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'
import { GRID, STATIONS } from '../last/frame.ts'
import type { LastSurface } from '../last/surface.ts'
import type { HalfSections } from './halfSections.ts'
import { FANS } from './planes.ts'
import { surfaceThrough } from './skin.ts'
import type { WallTops } from './rimOfScan.ts'

/** Points across the bottom, feather to feather. */
const ACROSS = 17
/** Skin nearer to an edge than this is smeared by triangles; the edges themselves are known better, mm. */
const SMEARED = 1.6

class Line {
  readonly run: Float64Array
  constructor(readonly points: readonly Vec3[]) {
    this.run = new Float64Array(points.length)
    for (let i = 1; i < points.length; i++) this.run[i] = this.run[i - 1]! + dist3(points[i - 1]!, points[i]!)
  }
  get length(): number {
    return this.run[this.run.length - 1]!
  }
  at(s: number): Vec3 {
    const { run, points } = this
    let lo = 0
    let hi = run.length - 1
    while (hi - lo > 1) {
      const mid = (lo + hi) >> 1
      if (run[mid]! <= s) lo = mid
      else hi = mid
    }
    const span = run[hi]! - run[lo]!
    return lerp3(points[lo]!, points[hi]!, span > 0 ? Math.min(1, Math.max(0, (s - run[lo]!) / span)) : 0)
  }
  /** Length along the line where x is first passed. */
  whereX(x: number): number {
    for (let i = 1; i < this.points.length; i++) {
      const [a, b] = [this.points[i - 1]!, this.points[i]!]
      if (a[0] <= x && b[0] >= x && b[0] > a[0]) return lerp(this.run[i - 1]!, this.run[i]!, (x - a[0]) / (b[0] - a[0]))
    }
    return this.length
  }
}

/** A line over the surface from one known edge to another: points of a chord, bowed outwards, seen onto the skin. */
function overSkin(sides: Record<Side, HalfSections>, from: Vec3, to: Vec3, bow: Vec3, count: number): Line {
  const list: Vec3[] = [from]
  for (let k = 1; k < count; k++) {
    const t = k / count
    const q = surfaceThrough(sides, add(lerp3(from, to, t), scale(bow, 4 * t * (1 - t))))
    if (dist3(q, from) > SMEARED && dist3(q, to) > SMEARED) list.push(q)
  }
  list.push(to)
  return new Line(list)
}

/**
 * Lays the canonical grid over a body given as half sections: feather and top edges by the shares that lasts made to
 * measure use, columns over the skin between them, rows even by length. Joints are x positions, mm.
 */
export function layGrid(
  sides: Record<Side, HalfSections>,
  feather: Record<Side, Vec3[]>,
  top: WallTops,
  joints: Record<Side, number>,
): LastSurface {
  const { columns, rows } = GRID
  const names: Side[] = ['lateral', 'medial']
  const L = sides.lateral.length
  const heel = lerp3(feather.lateral[0]!, feather.medial[0]!, 0.5)
  const toeEnd = feather.lateral.length - 1
  const toe = lerp3(feather.lateral[toeEnd]!, feather.medial[toeEnd]!, 0.5)
  const foot = Object.fromEntries(
    names.map((side) => {
      const line = feather[side].slice()
      line[0] = [heel[0], 0, heel[2]]
      line[toeEnd] = [toe[0], 0, toe[2]]
      return [side, new Line(line)]
    }),
  ) as Record<Side, Line>
  const ridge = new Line(top.ridge)
  const rim = { lateral: new Line(top.rim.lateral), medial: new Line(top.rim.medial) }
  const share = names.reduce((s, side) => s + rim[side].length / (rim[side].length + ridge.length), 0) / 2
  // On lasts made to measure the cone ends at about this share of the feather line.
  const coneColumn = Math.round(((columns - 1) / 2) * (share + 0.36))
  const walls = {} as Record<Side, Float64Array>
  for (const side of names) {
    const wall = new Float64Array(columns * rows * 3)
    const line = foot[side]
    const s0 = STATIONS.jointShare
    const delta = (line.whereX(joints[side]) / line.length - s0) / Math.sin(Math.PI * s0) ** 2
    for (let i = 0; i < columns; i++) {
      const s = i / (columns - 1)
      const from = line.at(line.length * (s + delta * Math.sin(Math.PI * s) ** 2))
      const q = (i - coneColumn) / (columns - 1 - coneColumn)
      const to =
        i < coneColumn
          ? rim[side].at((rim[side].length * i) / coneColumn)
          : ridge.at(ridge.length * (1 - (1 - q) ** 1.7))
      // Bowed away from the centres, so that the chord never runs through one.
      const ahead = from[0] < FANS.heel * L ? from[0] - FANS.heel * L : Math.max(0, from[0] - FANS.toe * L)
      const out = Math.hypot(ahead, from[1]) || 1
      const size = 0.22 * dist3(from, to)
      const bow: Vec3 = [(ahead / out) * size, (from[1] / out) * size, 0]
      const column = overSkin(sides, from, to, bow, 150)
      for (let j = 0; j < rows; j++) wall.set(column.at((column.length * j) / (rows - 1)), (i * rows + j) * 3)
    }
    walls[side] = wall
  }
  weld(walls, columns, rows, coneColumn)
  const bottom = new Float64Array(columns * ACROSS * 3)
  for (let i = 0; i < columns; i++) {
    const at = i * rows * 3
    const a: Vec3 = [walls.lateral[at]!, walls.lateral[at + 1]!, walls.lateral[at + 2]!]
    const b: Vec3 = [walls.medial[at]!, walls.medial[at + 1]!, walls.medial[at + 2]!]
    const line = dist3(a, b) < 0.5 ? new Line([a, b]) : overSkin(sides, a, b, [0, 0, -2], 60)
    for (let j = 0; j < ACROSS; j++) bottom.set(line.at((line.length * j) / (ACROSS - 1)), (i * ACROSS + j) * 3)
  }
  return settled({ length: L, joints, columns, rows, coneColumn, walls, across: ACROSS, bottom })
}

/** Back curve, toe rib and ridge are one line for both walls: their mean, on the centre plane at heel and toe. */
function weld(walls: Record<Side, Float64Array>, columns: number, rows: number, coneColumn: number): void {
  const share = (column: number, row: number, centred: boolean) => {
    const at = (column * rows + row) * 3
    for (let c = 0; c < 3; c++) {
      const mean = centred && c === 1 ? 0 : (walls.lateral[at + c]! + walls.medial[at + c]!) / 2
      walls.lateral[at + c] = mean
      walls.medial[at + c] = mean
    }
  }
  for (let j = 0; j < rows; j++) for (const i of [0, columns - 1]) share(i, j, true)
  for (let i = coneColumn; i < columns; i++) share(i, rows - 1, false)
}

/** Moves the body so that its back curve touches x = 0, and reads its length off the toe rib. */
function settled(surface: LastSurface): LastSurface {
  const { columns, rows, walls } = surface
  let back = Infinity
  let tip = -Infinity
  for (let j = 0; j < rows; j++) {
    back = Math.min(back, walls.lateral[j * 3]!)
    tip = Math.max(tip, walls.lateral[((columns - 1) * rows + j) * 3]!)
  }
  for (const part of [walls.lateral, walls.medial, surface.bottom])
    for (let k = 0; k < part.length; k += 3) part[k]! -= back
  return {
    ...surface,
    length: tip - back,
    joints: { lateral: surface.joints.lateral - back, medial: surface.joints.medial - back },
  }
}
