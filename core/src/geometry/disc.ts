import type { Path, Point } from './path.ts'

/** A round as a regular polygon whose corners lie on it, counter-clockwise and closed. */
export const disc = ([x, y]: Point, radius: number, corners: number): Path =>
  Array.from({ length: corners }, (_, k): Point => {
    const a = (2 * Math.PI * k) / corners
    return [x + radius * Math.cos(a), y + radius * Math.sin(a)]
  })
