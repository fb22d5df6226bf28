import type { Path, Point } from '../geometry/path.ts'

/** Degrees in 0 to 360. */
export const whole = (degrees: number): number => ((degrees % 360) + 360) % 360

/** Sine and cosine that are exact at right angles. */
export function turnBy(degrees: number): [cos: number, sin: number] {
  const turn = whole(degrees)
  if (turn % 90 === 0) return [[1, 0, -1, 0][turn / 90]!, [0, 1, 0, -1][turn / 90]!]
  return [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)]
}

export function turnPath(path: Path, degrees: number): Path {
  const [c, s] = turnBy(degrees)
  return path.map(([x, y]): Point => [c * x - s * y, s * x + c * y])
}

/** Flipped over the x axis, and counter-clockwise again. */
export const flippedOver = (path: Path): Path => path.map(([x, y]): Point => [x, -y]).reverse()
