import { boxOf, type Path, type Point } from '../geometry/path.ts'
import { Inside } from '../geometry/pointInPolygon.ts'
import type { Hide } from '../model/hide.ts'

/** Which way a hide gives least: as a whole, and where it was looked at. */
export type TightField = Pick<Hide, 'tight' | 'directions'>

/** So far from a place that was looked at, the direction of the whole hide counts as much as that place does, mm. */
const HOLDS = 200
/** A place that was looked at is read no nearer than this, mm. */
const TOUCHING = 1e-3

const RAD = Math.PI / 180

/** Degrees between two directions that count either way round, 0 to 90. */
export const betweenWays = (a: number, b: number): number => Math.abs(((((a - b) % 180) + 270) % 180) - 90)

/**
 * Which way a hide gives least at a place, degrees from x, more than -90 and at most 90: the mean of the marked directions
 * and of the whole hide's, each place with one over its distance squared and the whole with one over 200 mm squared (inverse
 * distance weighting, Shepard 1968). A direction counts either way round, so angles are doubled before they are added, and
 * halved again (Mardia and Jupp 2000, axial data).
 */
export function tightAt({ tight, directions }: TightField, [x, y]: Point): number {
  const sum = (way: number, weight: number): Point => [
    weight * Math.cos(2 * way * RAD),
    weight * Math.sin(2 * way * RAD),
  ]
  let [c, s] = sum(tight, 1 / HOLDS ** 2)
  for (const mark of directions) {
    const d = Math.max(TOUCHING, Math.hypot(mark.at[0] - x, mark.at[1] - y))
    const [mc, ms] = sum(mark.tight, 1 / d ** 2)
    c += mc
    s += ms
  }
  const way = Math.atan2(s, c) / 2 / RAD
  return way <= -90 ? way + 180 : way
}

/** The field is read at the corners of squares so large, mm. */
const SQUARE = 12

/** A hide's directions read over a raster once, for all that is asked of it. */
export interface TightRaster {
  minX: number
  minY: number
  columns: number
  rows: number
  /** At the corners, row by row, degrees. */
  ways: Float64Array
  /** Which corners lie on the hide, and how many. */
  on: Uint8Array
  count: number
}

export function tightRaster(field: TightField, outline: Path): TightRaster {
  const b = boxOf(outline)
  const columns = Math.ceil((b.maxX - b.minX) / SQUARE)
  const rows = Math.ceil((b.maxY - b.minY) / SQUARE)
  const ways = new Float64Array((columns + 1) * (rows + 1))
  const on = new Uint8Array(ways.length)
  const hide = new Inside(outline)
  let count = 0
  for (let r = 0, k = 0; r <= rows; r++) {
    for (let c = 0; c <= columns; c++, k++) {
      const at: Point = [b.minX + c * SQUARE, b.minY + r * SQUARE]
      ways[k] = tightAt(field, at)
      if (!hide.has(at)) continue
      on[k] = 1
      count++
    }
  }
  return { minX: b.minX, minY: b.minY, columns, rows, ways, on, count }
}

/** The share of a hide that gives least within `allowed` degrees of `way`, by the corners of the raster that lie on it. */
export function shareOf({ ways, on, count }: TightRaster, way: number, allowed: number): number {
  let good = 0
  for (let k = 0; k < ways.length; k++) if (on[k] === 1 && betweenWays(ways[k]!, way) <= allowed) good++
  return count === 0 ? 0 : good / count
}

/**
 * Where a hide gives least more than `allowed` degrees off `way`: the edge of all squares with a corner that is, what is off
 * to its left (islands in it run the other way round).
 */
export function whereOff({ minX, minY, columns, rows, ways }: TightRaster, way: number, allowed: number): Path[] {
  const off = Uint8Array.from(ways, (w) => (betweenWays(w, way) > allowed ? 1 : 0))
  const taken = (r: number, c: number): boolean => {
    if (r < 0 || c < 0 || r >= rows || c >= columns) return false
    const k = r * (columns + 1) + c
    return off[k]! + off[k + 1]! + off[k + columns + 1]! + off[k + columns + 2]! > 0
  }
  /** Sides of squares from corner to corner, by where they begin. */
  const sides = new Map<number, number[]>()
  const side = (r0: number, c0: number, r1: number, c1: number) => {
    const from = r0 * (columns + 1) + c0
    const there = sides.get(from) ?? []
    sides.set(from, [...there, r1 * (columns + 1) + c1])
  }
  for (let r = 0; r < rows; r++) {
    for (let c = 0; c < columns; c++) {
      if (!taken(r, c)) continue
      if (!taken(r - 1, c)) side(r, c, r, c + 1)
      if (!taken(r, c + 1)) side(r, c + 1, r + 1, c + 1)
      if (!taken(r + 1, c)) side(r + 1, c + 1, r + 1, c)
      if (!taken(r, c - 1)) side(r + 1, c, r, c)
    }
  }
  const place = (k: number): Point => [
    minX + (k % (columns + 1)) * SQUARE,
    minY + Math.floor(k / (columns + 1)) * SQUARE,
  ]
  const rings: Path[] = []
  for (const first of sides.keys()) {
    while (sides.get(first)!.length > 0) {
      const ring: number[] = []
      let at = first
      // As many sides begin at a corner as end there: a way that cannot go on is back where it began.
      for (let next = sides.get(at)!.pop(); next !== undefined; next = sides.get(at)?.pop()) {
        ring.push(at)
        at = next
      }
      rings.push(ring.map(place).filter((p, i, all) => !isStraight(all.at(i - 1)!, p, all[(i + 1) % all.length]!)))
    }
  }
  return rings
}

const isStraight = (a: Point, b: Point, c: Point): boolean =>
  (a[0] === b[0] && b[0] === c[0]) || (a[1] === b[1] && b[1] === c[1])
