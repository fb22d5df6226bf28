import type { Path, Point } from '../geometry/path.ts'
import type { Profile } from '../trade/wallArea.ts'

/** How near to the whole thickness a skive has to come to end in it, mm. */
const WHOLE = 1e-6

/**
 * A skived edge in section, mm: distance from the edge to the right, thickness upwards. Past the skive the leather is drawn
 * whole as far as `run`; what is thinned as far as it goes, like a strip, ends where it does.
 */
export function skiveOutline(profile: Profile, thickness: number, run: number): Path {
  const top = profile.map(([d, t]): Point => [d, t])
  const [wide, left] = profile[profile.length - 1]!
  const end: Point[] =
    left < thickness - WHOLE
      ? [[wide, 0]]
      : [
          [run, thickness],
          [run, 0],
        ]
  return [[0, 0], ...top, ...end]
}
