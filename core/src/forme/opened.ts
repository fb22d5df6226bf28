import { bendSheet } from '../flatten/heldSheet.ts'
import { cumulative, nearest } from '../geometry/polyline.ts'
import { distance, pathLength, type Path, type Point } from '../geometry/path.ts'
import type { Forme } from './forme.ts'
import type { FormeMap } from './formeMap.ts'
import { wallLines, wallTriangles } from './wallGrid.ts'

/** Every second point of the forme's grid is enough for a bend that is smooth. */
const STEP = 2

/** The forepart of the forme opened out so that it can be cut in one with its mirror image. */
export interface Opened {
  /** Where a point of the forme comes to lie; points behind the pivot stay. */
  place: (p: Point) => Point
  /** The straight line on which the leather is folded: from the throat's end to the toe's. */
  fold: { from: Point; to: Point }
  /** How far the ridge of the forme lies from the fold line at most, mm: what the bend has to make good. */
  bent: number
  /** Feather line from the pivot's column to the toe: on the forme and opened, mm. */
  feather: { forme: number; opened: number }
}

/** Running length of the last's own centre line, ridge and toe rib, at the points of the forme's centre line, mm. */
function centreOnLast({ walls, columns, rows, coneColumn }: Forme): Float64Array {
  const { ridge, toeRib } = wallLines({ columns, rows, coneColumn })
  const line = [...ridge, ...toeRib.slice(1)]
  const w = walls.lateral
  const out = new Float64Array(line.length)
  for (let k = 1; k < line.length; k++) {
    const [a, b] = [3 * line[k - 1]!, 3 * line[k]!]
    out[k] = out[k - 1]! + Math.hypot(w[b]! - w[a]!, w[b + 1]! - w[a + 1]!, w[b + 2]! - w[a + 2]!)
  }
  return out
}

/** Weights of the two grid lines beside a place among `n` of them. */
function straightWeights(at: number, n: number): [index: number, weight: number][] {
  const i = Math.max(0, Math.min(n - 2, Math.floor(at)))
  const t = Math.min(1, Math.max(0, at - i))
  return [
    [i, 1 - t],
    [i + 1, t],
  ]
}

/** Catmull-Rom weights of the grid lines round a place among `n` of them; past an end the grid goes on straight. */
function cubicWeights(at: number, n: number): [index: number, weight: number][] {
  const i = Math.max(0, Math.min(n - 2, Math.floor(at)))
  const t = Math.min(1, Math.max(0, at - i))
  const w = [
    (-t + 2 * t * t - t * t * t) / 2,
    (2 - 5 * t * t + 3 * t * t * t) / 2,
    (t + 4 * t * t - 3 * t * t * t) / 2,
    (t * t * t - t * t) / 2,
  ]
  if (i === 0) {
    w[1]! += 2 * w[0]!
    w[2]! -= w[0]!
    w[0] = 0
  }
  if (i === n - 2) {
    w[2]! += 2 * w[3]!
    w[1]! -= w[3]!
    w[3] = 0
  }
  return w.map((weight, k): [number, number] => [i - 1 + k, weight]).filter(([, weight]) => weight !== 0)
}

/** A place of the forme's centre line, by its run there, as a run of the last's. */
function onLast(last: Float64Array, forme: ArrayLike<number>, at: number): number {
  let k = 1
  while (k < forme.length - 1 && forme[k]! < at) k++
  const t = (at - forme[k - 1]!) / (forme[k]! - forme[k - 1]!)
  return last[k - 1]! + t * (last[k]! - last[k - 1]!)
}

/**
 * Direction of the fold of a forepart that begins at `throat`, on the forme: to the top of the toe box, where a pattern
 * maker lays his straight edge.
 */
export function foldWay({ forme }: FormeMap, throat: Point): Point {
  const v = 2 * (forme.columns * forme.rows - 1)
  const pole: Point = [forme.mean[v]!, forme.mean[v + 1]!]
  const l = distance(throat, pole) || 1
  return [(pole[0] - throat[0]) / l, (pole[1] - throat[1]) / l]
}

/**
 * A vamp is folded along its centre, so its centre line must be straight, though the last's is not. The forme's
 * forepart is bent, as rigid as it can be, until ridge and toe rib lie on one straight line as long as they are on the last.
 * Everything behind the pivot (a point of the ridge) stays, and every cell of the forme that one of the `seams` runs
 * through, so that they stay as long as their partners on the forme. `throat` is where the piece begins at the centre.
 */
export function openForepart(map: FormeMap, throat: Point, pivot: Point, seams: readonly Path[]): Opened {
  const { forme } = map
  const nu = (forme.columns - 1) / STEP + 1
  const nv = (forme.rows - 1) / STEP + 1
  const vertex = (i: number, j: number): Point => {
    const v = (i * STEP * forme.rows + j * STEP) * 2
    return [forme.mean[v]!, forme.mean[v + 1]!]
  }
  // The first column of the coarse grid that lies wholly in front of the pivot at the ridge.
  let first = Math.ceil(forme.coneColumn / STEP)
  while (first < nu - 4 && vertex(first, nv - 1)[0] < pivot[0]) first++
  // How far each row stays: to that column, and where a seam bows out in front of it, to the end of the seam's cells.
  // The ridge itself is bent from the first column on, since the fold begins there.
  const stays = new Array<number>(nv).fill(first)
  for (const p of seams.flat()) {
    const [u, v] = map.gridPlace(p)
    const [i, j] = [Math.min(nu - 2, Math.ceil(u / STEP)), Math.floor(v / STEP)]
    for (const row of [j, j + 1]) if (row < nv - 1) stays[row] = Math.max(stays[row]!, i)
  }
  const still = Math.max(...stays)
  const n = (nu - first) * nv
  const at = (i: number, j: number) => (i - first) * nv + j
  const positions = new Float64Array(3 * n)
  const start = new Float64Array(2 * n)
  const held = new Uint8Array(n)
  for (let i = first; i < nu; i++) {
    for (let j = 0; j < nv; j++) {
      const p = vertex(i, j)
      positions.set(p, 3 * at(i, j))
      start.set(p, 2 * at(i, j))
      if (i <= stays[j]!) held[at(i, j)] = 1
    }
  }
  const way = foldWay(map, throat)
  // True lengths: those of the last itself, along its fine centre line. The mean forme's own is a little off, and the
  // chords of the coarse grid would shorten it.
  const sums = centreOnLast(forme)
  const throatAt = onLast(sums, cumulative(map.centre), nearest(map.centre, throat).at)
  const top = forme.columns - 1 - forme.coneColumn
  const runTo = (i: number, j: number) =>
    sums[j === nv - 1 ? i * STEP - forme.coneColumn : top + (nv - 1 - j) * STEP]! - throatAt
  const centre = [
    ...Array.from({ length: nu - first - 1 }, (_, k) => ({ i: first + 1 + k, j: nv - 1 })),
    ...Array.from({ length: nv - 1 }, (_, k) => ({ i: nu - 1, j: nv - 2 - k })),
  ]
  let bent = 0
  for (const { i, j } of centre) {
    const p = vertex(i, j)
    const run = runTo(i, j)
    if (j === nv - 1) bent = Math.max(bent, Math.abs((p[0] - throat[0]) * way[1] - (p[1] - throat[1]) * way[0]))
    start.set([throat[0] + way[0] * run, throat[1] + way[1] * run], 2 * at(i, j))
    held[at(i, j)] = 1
  }
  const bentTo = bendSheet({ positions, triangles: wallTriangles(nu - first, nv) }, start, held)
  const shift = (i: number, j: number): Point => {
    if (i <= first) return [0, 0]
    const v = at(i, j)
    return [bentTo[2 * v]! - positions[3 * v]!, bentTo[2 * v + 1]! - positions[3 * v + 1]!]
  }
  const place = (p: Point): Point => {
    const [u, v] = map.gridPlace(p)
    if (u <= first * STEP) return p
    // Cubic both ways (Catmull-Rom), so that lines between the grid's points stay as smooth as they were; beside what
    // stays, straight between them, so that seams there stay as long as they were.
    const near = u / STEP < still + 3
    const across = near ? straightWeights(u / STEP, nu) : cubicWeights(u / STEP, nu)
    const up = near ? straightWeights(v / STEP, nv) : cubicWeights(v / STEP, nv)
    let [dx, dy] = [0, 0]
    for (const [i, s] of across) {
      for (const [j, t] of up) {
        const [x, y] = shift(i, j)
        dx += s * t * x
        dy += s * t * y
      }
    }
    return [p[0] + dx, p[1] + dy]
  }
  const whole = sums[sums.length - 1]! - throatAt
  const feather: Path = map.feather.filter((_, i) => i >= first * STEP)
  return {
    place,
    fold: { from: throat, to: [throat[0] + way[0] * whole, throat[1] + way[1] * whole] },
    bent,
    feather: { forme: pathLength(feather), opened: pathLength(feather.map(place)) },
  }
}
