import { orient2d } from 'robust-predicates'
import type { Point } from './path.ts'

/**
 * Which way a, b, c turn: positive counter-clockwise, negative clockwise, zero on one line. Exact in its sign, however
 * near to a line they lie (Shewchuk's adaptive predicate); about twice the area of the triangle, mm².
 *
 * @example orientation([0, 0], [1, 0], [0, 1]) // 1
 */
export const orientation = (a: Point, b: Point, c: Point): number =>
  // The package takes y as pointing down. Less than nothing, so that three points on a line give 0 and not -0.
  0 - orient2d(a[0], a[1], b[0], b[1], c[0], c[1])
