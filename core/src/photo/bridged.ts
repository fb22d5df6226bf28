import type { Path, Point } from '../geometry/path.ts'
import { movedOut, type Rail } from './rail.ts'

/** A bridge leaves in the direction of so many points before it, fewer at another bridge. */
const LEAD = 6

/**
 * The line of a rail where it was seen (`at`, NaN where not), with what was not seen bridged from its two ends in their own
 * directions (a cubic after Hermite): neither a gap nor what crosses the line pulls it along. Null when nothing was seen.
 */
export function bridged(rail: Rail, at: Float64Array): Path | null {
  const n = at.length
  const points = movedOut(rail, at)
  const seen = [...points.keys()].filter((i) => !Number.isNaN(at[i]!))
  if (seen.length < 8) return null
  const out = [...points]
  /** Unit direction at the k-th seen place, looking back (-1) or on (1), over places next to each other. */
  const direction = (k: number, way: 1 | -1): Point => {
    let far = k
    for (let d = 1; d <= LEAD; d++) {
      const next = (k + way * d + seen.length) % seen.length
      const before = (k + way * (d - 1) + seen.length) % seen.length
      if ((way * (seen[next]! - seen[before]!) + n) % n !== 1) break
      far = next
    }
    const [p, q] = [points[seen[k]!]!, points[seen[far]!]!]
    const l = Math.hypot(q[0] - p[0], q[1] - p[1])
    return l > 0 ? [(way * (q[0] - p[0])) / l, (way * (q[1] - p[1])) / l] : [0, 0]
  }
  seen.forEach((a, k) => {
    const next = (k + 1) % seen.length
    const b = seen[next]!
    const span = (b - a + n) % n
    if (span <= 1) return
    const [p, q] = [points[a]!, points[b]!]
    const chord = Math.hypot(q[0] - p[0], q[1] - p[1])
    const [u, v] = [direction(k, -1), direction(next, 1)]
    for (let i = 1; i < span; i++) {
      const t = i / span
      const [h0, h1] = [2 * t ** 3 - 3 * t ** 2 + 1, -2 * t ** 3 + 3 * t ** 2]
      const [g0, g1] = [(t ** 3 - 2 * t ** 2 + t) * chord, (t ** 3 - t ** 2) * chord]
      out[(a + i) % n] = [h0 * p[0] + h1 * q[0] + g0 * u[0] + g1 * v[0], h0 * p[1] + h1 * q[1] + g0 * u[1] + g1 * v[1]]
    }
  })
  return out
}
