import { outwardNormals, resample } from '../geometry/polyline.ts'
import { pathLength, type Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { DEPTHS, SEAM_DEPTH, type WallArea } from '../trade/wallArea.ts'
import type { WallStack } from './wallStack.ts'

/** A step between two thicknesses, where it is steepest. */
export interface FeltStep {
  side: Side
  at: Point
  /** mm of thickness for each mm of run. */
  slope: number
  /** Id and name of the part whose edge it is. */
  part: string
  name: string
}

/** A step is taken over this run: leather bridges what is shorter, mm. */
const RUN = 2
/** Distance between the places that are looked at along an edge, mm. */
const STEP = 4
/** Edges this near to the wall's own edge are not steps inside it, mm. */
const EDGE = 2.5

/**
 * The steepest step of each inside part: across every edge of what lies under the upper, the difference of thickness
 * over a short run. Foam is left out: it is meant to be felt. `onWall` says whether a
 * place is on the wall at all: at top line, feather and centre nothing goes on. Only the edges of the parts that `only`
 * lets through are looked at.
 */
export function feltSteps(
  areas: readonly WallArea[],
  stack: WallStack,
  onWall: (side: Side, p: Point) => boolean,
  only: (part: string) => boolean = () => true,
): FeltStep[] {
  const inside = areas.filter((a) => a.depth < DEPTHS.upper - SEAM_DEPTH && a.depth !== DEPTHS.foam)
  const parts = new Set(inside.map((a) => a.part))
  const worst = new Map<string, FeltStep>()
  for (const area of inside) {
    if (!only(area.part)) continue
    const line = resample(area.area, Math.max(12, Math.round(pathLength(area.area, true) / STEP)), true)
    const normals = outwardNormals(line)
    line.forEach((p, i) => {
      const reach = (by: number): Point => [p[0] + normals[i]![0] * by, p[1] + normals[i]![1] * by]
      if (!onWall(area.side, reach(EDGE)) || !onWall(area.side, reach(-EDGE))) return
      const thick = (q: Point) => stack.thickness(area.side, q, ({ part }) => parts.has(part))
      const slope = Math.abs(thick(reach(RUN / 2)) - thick(reach(-RUN / 2))) / RUN
      const before = worst.get(area.part)
      if (!before || slope > before.slope) {
        worst.set(area.part, { side: area.side, at: p, slope, part: area.part, name: area.name })
      }
    })
  }
  return [...worst.values()]
}
