import type { Path, Point } from '../src/geometry/path.ts'

/** An outline whose corners stand all round the origin, in and out by chance: between a share of `size` and all of it, mm. */
export const jagged = (random: () => number, corners: number, size: number, least = 0.25): Path =>
  Array.from({ length: corners }, (_, i): Point => {
    const [a, r] = [(2 * Math.PI * i) / corners, size * (least + (1 - least) * random())]
    return [r * Math.cos(a), r * Math.sin(a)]
  })
