import { dist3, lerp3, type Vec3 } from '../geometry/vec3.ts'
import { GeometryError } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import type { LastSurface } from './surface.ts'
import { mm, say } from '../units/sentence.ts'

/**
 * Stations along a wall, mm. Behind FAN x L the wall is cut by upright half planes that fan out about the
 * axis at (FAN x L, 0): station 0 is the back curve, FAN x L the plane square to the side. From there on
 * the station is x itself and the planes stand parallel. So a height is always taken straight up the wall.
 */
export const FAN = 0.16

/** The line straight up the wall at a station: from the feather (first) to the top edge (last). */
export function verticalRib(surface: LastSurface, side: Side, station: number): Vec3[] {
  const axis = FAN * surface.length
  const angle = (Math.min(station / axis, 1) * Math.PI) / 2
  const dx = -Math.cos(angle)
  const dy = Math.sin(angle)
  const { columns, rows } = surface
  const w = surface.walls[side]
  const rib: Vec3[] = []
  for (let j = 0; j < rows; j++) {
    const back: Vec3 = [w[j * 3]!, w[j * 3 + 1]!, w[j * 3 + 2]!]
    if (station <= 0) {
      rib.push(back)
      continue
    }
    let before = Infinity
    let found = false
    for (let i = 0; i < columns; i++) {
      const at = (i * rows + j) * 3
      // Positive while the point still lies behind the plane.
      const g = station < axis ? dx * Math.abs(w[at + 1]!) - dy * (w[at]! - axis) : station - w[at]!
      if (before >= 0 && g < 0 && i > 0) {
        const prior = at - rows * 3
        const t = before / (before - g)
        rib.push([
          w[prior]! + (w[at]! - w[prior]!) * t,
          w[prior + 1]! + (w[at + 1]! - w[prior + 1]!) * t,
          w[prior + 2]! + (w[at + 2]! - w[prior + 2]!) * t,
        ])
        found = true
        break
      }
      before = g
    }
    if (!found && j === 0) {
      throw new GeometryError(say`There is no feather line at ${mm(station, 1)} from the heel back.`)
    }
    if (!found) break
  }
  return rib
}

export function ribHeight(rib: readonly Vec3[]): number {
  let sum = 0
  for (let j = 1; j < rib.length; j++) sum += dist3(rib[j - 1]!, rib[j]!)
  return sum
}

/** Point at a height up the rib, mm along the wall; clamps to its ends. */
export function ribAt(rib: readonly Vec3[], height: number): Vec3 {
  let run = 0
  for (let j = 1; j < rib.length; j++) {
    const step = dist3(rib[j - 1]!, rib[j]!)
    if (run + step >= height) return lerp3(rib[j - 1]!, rib[j]!, step > 0 ? Math.max(0, height - run) / step : 0)
    run += step
  }
  return rib[rib.length - 1]!
}
