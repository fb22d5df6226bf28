import { dist3, type Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'
import type { LastSurface } from './surface.ts'
import { FAN, verticalRib } from './verticalRib.ts'

/** Station and height of a point of the wall, the terms in which `verticalRib` speaks; mm. */
export interface WallPlace {
  station: number
  height: number
}

/** Station and height (up the wall) of the point of a wall nearest to `p`, on the upright plane through it. */
export function wallPlace(surface: LastSurface, side: Side, p: Vec3): WallPlace {
  const axis = FAN * surface.length
  const station = p[0] >= axis ? p[0] : (axis * Math.max(0, Math.atan2(Math.abs(p[1]), axis - p[0]))) / (Math.PI / 2)
  const rib = verticalRib(surface, side, station)
  let [run, height, least] = [0, 0, Infinity]
  for (let j = 1; j < rib.length; j++) {
    const [a, b] = [rib[j - 1]!, rib[j]!]
    const step = dist3(a, b)
    const along =
      step > 0
        ? ((p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1]) + (p[2] - a[2]) * (b[2] - a[2])) /
          (step * step)
        : 0
    const t = Math.min(1, Math.max(0, along))
    const q: Vec3 = [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t]
    const away = dist3(p, q)
    if (away < least) [least, height] = [away, run + t * step]
    run += step
  }
  return { station, height }
}
