import { SaidError } from '../units/saidError.ts'

/** A point of a flat drawing, mm. */
export type Point = readonly [number, number]
/** A line of points, mm. Closed paths do not repeat their first point and run counter-clockwise. */
export type Path = readonly Point[]

/** Thrown when a shape cannot be used; the message is a sentence for a person. */
export class GeometryError extends SaidError {
  override readonly name = 'GeometryError'
}

export function distance(a: Point, b: Point): number {
  // Not Math.hypot: this is the innermost call of most loops, and hypot is many times slower.
  const dx = b[0] - a[0]
  const dy = b[1] - a[1]
  return Math.sqrt(dx * dx + dy * dy)
}

export function lerpPoint(a: Point, b: Point, t: number): Point {
  return [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]
}

/** Length in mm; the closing side counts when `closed`. */
export function pathLength(path: Path, closed = false): number {
  let sum = 0
  for (let i = 1; i < path.length; i++) sum += distance(path[i - 1]!, path[i]!)
  if (closed && path.length > 1) sum += distance(path[path.length - 1]!, path[0]!)
  return sum
}

/** Signed area of a closed path in mm^2 (shoelace formula): positive when counter-clockwise. */
export function signedArea(path: Path): number {
  let twice = 0
  for (let i = 0, j = path.length - 1; i < path.length; j = i++) {
    twice += path[j]![0] * path[i]![1] - path[i]![0] * path[j]![1]
  }
  return twice / 2
}

export function counterClockwise(path: Path): Path {
  return signedArea(path) < 0 ? [...path].reverse() : path
}

export interface Box {
  minX: number
  minY: number
  maxX: number
  maxY: number
}

/** Smallest upright box round the points. Throws GeometryError on an empty path. */
export function boxOf(...paths: Path[]): Box {
  const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity }
  for (const path of paths) {
    for (const [x, y] of path) {
      if (x < box.minX) box.minX = x
      if (x > box.maxX) box.maxX = x
      if (y < box.minY) box.minY = y
      if (y > box.maxY) box.maxY = y
    }
  }
  if (!Number.isFinite(box.minX)) throw new GeometryError('There is no outline to measure here.')
  return box
}

/** Left from right: flip across the x axis, and keep a closed path counter-clockwise. */
export function mirror(path: Path, closed = true): Path {
  const flipped = path.map(([x, y]): Point => [x, -y])
  return closed ? flipped.reverse() : flipped
}

export function translate(path: Path, dx: number, dy: number): Path {
  return path.map(([x, y]): Point => [x + dx, y + dy])
}

/** Rotate about the origin by degrees, counter-clockwise. */
export function rotate(path: Path, degrees: number): Path {
  const c = Math.cos((degrees * Math.PI) / 180)
  const s = Math.sin((degrees * Math.PI) / 180)
  return path.map(([x, y]): Point => [c * x - s * y, s * x + c * y])
}

/** Even-odd test; points on the line may fall either way. */
export function contains(path: Path, p: Point): boolean {
  let inside = false
  for (let i = 0, j = path.length - 1; i < path.length; j = i++) {
    const [xi, yi] = path[i]!
    const [xj, yj] = path[j]!
    if (yi > p[1] !== yj > p[1] && p[0] < ((xj - xi) * (p[1] - yi)) / (yj - yi) + xi) inside = !inside
  }
  return inside
}
