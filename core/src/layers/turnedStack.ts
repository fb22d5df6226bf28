import type { FormeMap } from '../forme/formeMap.ts'
import { cumulative } from '../geometry/polyline.ts'
import type { Path, Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { moreAt, type MarginMore } from '../upper/marginMore.ts'
import { usedUp } from './usedUp.ts'
import { profileAt, type Profile } from '../trade/wallArea.ts'
import type { StackLayer, WallStack } from './wallStack.ts'
import { bare, joined, say } from '../units/sentence.ts'

/** How far above the feather line the wall is asked what is turned under there, mm. */
const ABOVE = 0.6
/** At heel and toe the places begin this far into the side: the lining's back is eased in, and the seams there are narrow; mm. */
const ENDS = 2.4

/**
 * A layer's edge below the feather line: how far it is cut to reach past it, and its thickness against the distance
 * from the feather.
 */
export interface TurnedEdge {
  parts: readonly string[]
  /** The margin as it is cut, from the feather line to the edge, mm. */
  reach: number
  /** What is added to that along each feather line; it is even where nothing is said. */
  more?: MarginMore
  /** Share of the thickness at the feather, against the distance from it along the leather, mm. */
  share: Profile
}

/** A layer at the feather line with its edge: what of the margin is used up before it lies flat, and how far it reaches; mm. */
interface Turn {
  layer: StackLayer
  edge: TurnedEdge
  used: number
  reach: number
}

/** The layers turned under the feather line, from the insole downwards. */
export class TurnedStack {
  private readonly known: Record<Side, Map<number, StackLayer[]>> = { lateral: new Map(), medial: new Map() }
  private readonly turned: Record<Side, Map<number, readonly Turn[]>> = { lateral: new Map(), medial: new Map() }

  constructor(
    map: FormeMap,
    private readonly wall: WallStack,
    private readonly edges: readonly TurnedEdge[],
    /** Height of the insole's edge, which every margin runs down before it is turned, mm. */
    private readonly insoleEdge: number,
  ) {
    const of = (side: Side) => {
      const line = map.feathers[side]
      const { rows } = map.forme
      return {
        line,
        run: cumulative(line),
        xs: Float64Array.from(line, (_, i) => map.forme.walls[side][3 * i * rows]!),
      }
    }
    this.feathers = { lateral: of('lateral'), medial: of('medial') }
  }

  /** The feather line of a side with its running length, and how far from the heel back each of its points lies on the last. */
  private readonly feathers: Record<Side, { line: Path; run: Float64Array; xs: Float64Array }>

  /** Running length of a feather line, `x` mm from the heel back. */
  private runAt(side: Side, x: number): number {
    const { run, xs } = this.feathers[side]
    let i = 1
    while (i < xs.length - 1 && xs[i]! < x) i++
    const t = xs[i]! > xs[i - 1]! ? Math.min(1, Math.max(0, (x - xs[i - 1]!) / (xs[i]! - xs[i - 1]!))) : 0
    return run[i - 1]! + t * (run[i]! - run[i - 1]!)
  }

  private shareOf(side: Side, x: number): number {
    const { run } = this.feathers[side]
    return this.runAt(side, x) / run[run.length - 1]!
  }

  /** Place of the forme just above the feather line, `x` mm from the heel back. */
  private foot(side: Side, x: number): Point {
    const { line, run } = this.feathers[side]
    const n = line.length
    // At heel and toe the side begins a little way in.
    const at = Math.min(run[n - 1]! - ENDS, Math.max(ENDS, this.runAt(side, x)))
    let i = 1
    while (i > 1 && run[i - 1]! > at) i--
    while (i < n - 1 && run[i]! < at) i++
    const [a, b] = [line[i - 1]!, line[i]!]
    const l = run[i]! - run[i - 1]! || 1
    const u = (at - run[i - 1]!) / l
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
    return [a[0] + dx * u - (dy / l) * ABOVE, a[1] + dy * u + (dx / l) * ABOVE]
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

  /** What each layer of the feather uses up of its margin before it lies flat, with its edge, from the foot outwards. */
  turns(side: Side, x: number): readonly Turn[] {
    const known = this.turned[side].get(x)
    if (known) return known
    let inside = 0
    const turns = this.atFeather(side, x).flatMap((layer) => {
      const edge = this.edges.find((e) => e.parts.includes(layer.part))
      if (!edge) return []
      const atCorner = layer.thickness * profileAt(edge.share, this.insoleEdge)
      const used = usedUp(this.insoleEdge, inside, atCorner)
      const reach = edge.reach + (edge.more ? moreAt(edge.more[side], this.shareOf(side, x)) : 0)
      // What ends on the insole's edge does not go round its corner, and what lies over it need not go round that.
      if (reach > this.insoleEdge) inside += atCorner
      return [{ layer, edge, used, reach }]
    })
    this.turned[side].set(x, turns)
    return turns
  }

  /** The layers under the insole, `inwards` mm from its edge: what is not turned so far is not there. */
  at(side: Side, x: number, inwards: number): StackLayer[] {
    return this.turns(side, x).flatMap(({ layer, edge, used, reach }) =>
      inwards + used > reach ? [] : [{ ...layer, thickness: layer.thickness * profileAt(edge.share, inwards + used) }],
    )
  }

  /** How far the layer that reaches farthest lies flat under the insole, mm. */
  reachUnder(side: Side, x: number): number {
    return this.turns(side, x).reduce((most, { used, reach }) => Math.max(most, reach - used), 0)
  }
}

export const thicknessOf = (layers: readonly StackLayer[]): number => layers.reduce((sum, l) => sum + l.thickness, 0)

/** Layers with their thickness in words, from the foot outwards. */
export const listed = (layers: readonly StackLayer[]) =>
  joined(
    layers.map((l) => say`${l.name.toLowerCase()} ${bare(l.thickness, 1)}`),
    ', ',
  )
