import { nearest } from '../geometry/polyline.ts'
import { Inside } from '../geometry/pointInPolygon.ts'
import { boxOf, pathLength, type Box, type Path, type Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { gatheredTimes, type GatherBand } from '../trade/gatherBand.ts'
import { profileAt, type Profile, type WallArea } from '../trade/wallArea.ts'

/** One layer at a place of the wall, mm. */
export interface StackLayer {
  part: string
  name: string
  thickness: number
}

/** Thinner than this is nothing, mm. */
const NOTHING = 0.005

/** An area made ready for many questions. */
interface Ready {
  area: WallArea
  /** It is nowhere thicker. */
  most: number
  inside: Inside
  thinned: { edge: Path; profile: Profile; within: Box }[]
  folds: { band: GatherBand; inside: Inside }[]
}

function ready(area: WallArea): Ready {
  const mostTimes = ({ full, none, gained }: GatherBand) =>
    1 + gained / Math.min(pathLength(full), none ? pathLength(none) : Infinity)
  return {
    area,
    most: area.thickness * Math.max(1, ...(area.gathered ?? []).map(mostTimes)),
    inside: new Inside(area.area),
    folds: (area.gathered ?? []).map((band) => ({ band, inside: new Inside(band.area) })),
    thinned: area.thinned.map(({ edge, profile }) => {
      const reach = profile[profile.length - 1]![0]
      const b = boxOf(edge)
      return {
        edge,
        profile,
        within: { minX: b.minX - reach, maxX: b.maxX + reach, minY: b.minY - reach, maxY: b.maxY + reach },
      }
    }),
  }
}

/** What lies where on the wall: made once for all areas, then asked for places. */
export class WallStack {
  private readonly bySide: Record<Side, Ready[]>

  constructor(areas: readonly WallArea[]) {
    const of = (side: Side) =>
      areas
        .filter((a) => a.side === side)
        .sort((a, b) => a.depth - b.depth)
        .map(ready)
    this.bySide = { lateral: of('lateral'), medial: of('medial') }
  }

  /** The layers at a place of the forme, from the foot outwards, each as thick as its skives leave it; of the areas that `only` lets through. */
  at(side: Side, p: Point, only: (area: WallArea) => boolean = () => true): StackLayer[] {
    const out: StackLayer[] = []
    for (const one of this.bySide[side]) {
      if (!only(one.area)) continue
      const thickness = thicknessOf(one, p)
      if (thickness > NOTHING) out.push({ part: one.area.part, name: one.area.name, thickness })
    }
    return out
  }

  /** The depth at which the deepest of some parts begins; Infinity where none of them lies on the wall. */
  depthOf(parts: ReadonlySet<string>): number {
    const depths = [...this.bySide.lateral, ...this.bySide.medial]
      .filter((one) => parts.has(one.area.part))
      .map((one) => one.area.depth)
    return Math.min(Infinity, ...depths)
  }

  /** Their whole thickness, mm, where it is more than so much; 0 where it is not, which mostly is told without their skives. */
  thicknessOver(than: number, side: Side, p: Point, only: (area: WallArea) => boolean): number {
    let most = 0
    for (const one of this.bySide[side]) if (only(one.area) && one.inside.has(p)) most += one.most
    if (most <= than) return 0
    const thickness = this.thickness(side, p, only)
    return thickness > than ? thickness : 0
  }

  /** Their whole thickness, mm; of the areas that `only` lets through. */
  thickness(side: Side, p: Point, only: (area: WallArea) => boolean = () => true): number {
    let sum = 0
    for (const one of this.bySide[side]) if (only(one.area)) sum += thicknessOf(one, p)
    return sum
  }
}

function thicknessOf({ area, inside, thinned, folds }: Ready, p: Point): number {
  if (!inside.has(p)) return 0
  let least = area.thickness
  for (const { edge, profile, within } of thinned) {
    if (p[0] < within.minX || p[0] > within.maxX || p[1] < within.minY || p[1] > within.maxY) continue
    const t = profileAt(profile, nearest(edge, p).away)
    if (t < least) least = t
  }
  for (const { band, inside: within } of folds) if (within.has(p)) return least * gatheredTimes(band, p)
  return least
}
