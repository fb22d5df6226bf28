import type { FormeMap } from '../forme/formeMap.ts'
import { nearest, pointAt } from '../geometry/along.ts'
import { pathLength, type Point } from '../geometry/path.ts'
import type { Side } from '../last/frame.ts'
import { profileAt, type Profile } from './wallArea.ts'
import type { StackLayer, WallStack } from './wallStack.ts'

/** How far above the feather line the wall is asked what is turned under there, mm. */
const ABOVE = 0.6
/** At heel and toe the places begin this far into the side: the lining's back is eased in, and the seams there are narrow; mm. */
const ENDS = 2.4

/** A layer's edge under the feather line: how far it reaches inwards, and its thickness against the distance from the feather. */
export interface TurnedEdge {
  parts: readonly string[]
  reach: number
  /** Share of the thickness at the feather, against the distance inwards, mm. */
  share: Profile
}

/** The layers turned under the feather line, from the insole downwards. */
export class TurnedStack {
  private readonly known: Record<Side, Map<number, StackLayer[]>> = { lateral: new Map(), medial: new Map() }

  constructor(
    private readonly map: FormeMap,
    private readonly wall: WallStack,
    private readonly edges: readonly TurnedEdge[],
  ) {}

  /** Place of the forme just above the feather line, `x` mm from the heel back. */
  private foot(side: Side, x: number): Point {
    const feather = this.map.feathers[side]
    const { at } = nearest(feather, this.map.featherAt(x))
    const run = Math.min(pathLength(feather) - ENDS, Math.max(ENDS, at))
    const [p, a, b] = [run, run - ABOVE / 2, run + ABOVE / 2].map((s) => pointAt(feather, s))
    const l = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
    return [p[0] - ((b[1] - a[1]) / l) * ABOVE, p[1] + ((b[0] - a[0]) / l) * ABOVE]
  }

  /** What lies on the wall at the feather line, from the foot outwards; places are told apart by half a millimetre. */
  atFeather(side: Side, x: number): StackLayer[] {
    const half = Math.round(2 * x)
    const known = this.known[side].get(half)
    if (known) return known
    const layers = this.wall.at(side, this.foot(side, half / 2))
    this.known[side].set(half, layers)
    return layers
  }

  /** The same under the last, `inwards` mm from the feather: what is not turned so far is not there. */
  at(side: Side, x: number, inwards: number): StackLayer[] {
    return this.atFeather(side, x).flatMap((layer) => {
      const edge = this.edges.find((e) => e.parts.includes(layer.part))
      if (!edge || inwards > edge.reach) return []
      return [{ ...layer, thickness: layer.thickness * profileAt(edge.share, inwards) }]
    })
  }
}

export const thicknessOf = (layers: readonly StackLayer[]): number => layers.reduce((sum, l) => sum + l.thickness, 0)
