import type { Path, Point } from '../src/geometry/path.ts'

/** Whether a place lies within an odd number of rings: a ray to the right crosses their edges as often (Shimrat 1962). */
export const windingIsOdd = (rings: readonly Path[], [x, y]: Point): boolean =>
  rings
    .flatMap((ring) => ring.map((a, i) => [a, ring[(i + 1) % ring.length]!] as const))
    .filter(([a, b]) => a[1] > y !== b[1] > y && a[0] + ((y - a[1]) / (b[1] - a[1])) * (b[0] - a[0]) > x).length %
    2 ===
  1
