import { GeometryError, type Point } from './path.ts'

/** A straight line: a point of it and its direction, of length 1. */
export interface StraightLine {
  through: Point
  direction: Point
}

/**
 * The straight line that lies nearest to points, by their squared distances from it (total least squares), through their
 * middle. Points in one place give the x direction. Throws GeometryError on no points.
 */
export function lineThrough(points: readonly Point[]): StraightLine {
  const n = points.length
  if (n === 0) throw new GeometryError('No line goes through no points.')
  let [x, y] = [0, 0]
  for (const p of points) [x, y] = [x + p[0] / n, y + p[1] / n]
  let [xx, xy, yy] = [0, 0, 0]
  for (const p of points) {
    xx += (p[0] - x) ** 2
    xy += (p[0] - x) * (p[1] - y)
    yy += (p[1] - y) ** 2
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  return { through: [x, y], direction: [Math.cos(angle), Math.sin(angle)] }
}

/** How far a point lies off a line, mm: positive to the left of its direction. */
export const offLine = ([x, y]: Point, { through: [px, py], direction: [dx, dy] }: StraightLine): number =>
  dx * (y - py) - dy * (x - px)

/** Where two lines cross; null where the sine of the angle between them is less than `least`. */
export function crossingOf(a: StraightLine, b: StraightLine, least: number): Point | null {
  const sine = a.direction[0] * b.direction[1] - a.direction[1] * b.direction[0]
  if (Math.abs(sine) < least) return null
  const t = offLine(a.through, b) / sine
  return [a.through[0] + a.direction[0] * t, a.through[1] + a.direction[1] * t]
}
