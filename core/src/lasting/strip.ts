import type { DevelopedBottom } from '../last/developedBottom.ts'
import type { TurnedStack } from '../layers/turnedStack.ts'
import { distance, type Point } from '../geometry/path.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Side } from '../trade/side.ts'
import { profileAt } from '../trade/wallArea.ts'
import type { FeatherArc } from './featherArc.ts'
import { lastingRules } from './rules.ts'
import type { StripPlace } from './tackPlan.ts'

/** What is drawn over the last and turned under, one after the other. */
export const lastedThings = ['lining', 'stiffener', 'puff', 'upper'] as const
export type LastedId = (typeof lastedThings)[number]
export const lastedNames: Readonly<Record<LastedId, string>> = {
  lining: 'Lining',
  stiffener: 'Stiffener',
  puff: 'Toe puff',
  upper: 'Upper',
}

/** What of the strip is asked at one place: it, what lies under it towards the insole, and how far it lies flat, mm. */
export interface Met extends StripPlace {
  /** From the heel back on the last, mm. */
  x: number
  through: number
  flat: number
  /** Whether it comes to the feather line at all, be it only pasted. */
  isThere: boolean
}

/** The feather line's direction is read over so many steps either way, to set a tack square off it. */
const NORMAL = 3
/** Of what lies flat by less nothing can be tacked: it is pasted, mm. */
const HOLDS = 2
/** Stations of the outline are read at places so far apart; between them leather does not change, mm. */
const READ = 2

/** Side and x on the last of every point, from the outline's own stations beside it. */
export function stationsOf(
  points: readonly Point[],
  { outline, stations }: DevelopedBottom,
): { side: Side; x: number }[] {
  let at = 0
  const n = outline.length
  return points.map((p) => {
    // Both run the same way round: the next station is never far on.
    for (let tried = 0; tried < n; tried++) {
      const next = (at + 1) % n
      if (distance(outline[next]!, p) > distance(outline[at]!, p)) break
      at = next
    }
    return stations[at]!
  })
}

/** One thing as it comes to the feather line, place by place. */
export function stripOf(
  id: LastedId,
  { points, curvature }: FeatherArc,
  stations: readonly { side: Side; x: number }[],
  { turned, book }: { turned: TurnedStack; book: RuleBook },
): Met[] {
  const known = new Map<number, Pick<Met, 'thickness' | 'through' | 'flat' | 'isThere'>>()
  const most = book.value(lastingRules.flat)
  const inset = book.value(lastingRules.inset)
  const n = points.length
  return points.map((on, i): Met => {
    const { side, x } = stations[i]!
    const key = (side === 'medial' ? 1 : -1) * (1 + Math.round(x / READ))
    const read = known.get(key) ?? readStrip(id, turned, side, READ * Math.round(x / READ))
    known.set(key, read)
    const [a, b] = [points[(i + n - NORMAL) % n]!, points[(i + NORMAL) % n]!]
    const l = distance(a, b) || 1
    // Round a point tacks would meet further in.
    const room = curvature[i]! > 0 ? 1 / (3 * curvature[i]!) : inset
    // Inside what it has to hold, and still in leather where little of it lies flat.
    const by = Math.min(inset, room, Math.max(read.flat - HOLDS, read.flat / 2))
    const at: Point = [on[0] - (by * (b[1] - a[1])) / l, on[1] + (by * (b[0] - a[0])) / l]
    // No more of it has to lie flat than is there to lie.
    return { on, at, side, x, curvature: curvature[i]!, ...read, depth: Math.min(most, Math.max(0, read.flat)) }
  })
}

/** Which thing a turned edge is: by what reaches under with it. */
const thingOf = (parts: readonly string[]): LastedId =>
  parts.includes('stiffener')
    ? 'stiffener'
    : parts.includes('puff')
      ? 'puff'
      : parts.includes('upper')
        ? 'upper'
        : 'lining'

function readStrip(id: LastedId, turned: TurnedStack, side: Side, x: number) {
  let through = 0
  let [thickness, flat] = [0, 0]
  for (const { layer, edge, used, reach } of turned.turns(side, x)) {
    const own = layer.thickness * profileAt(edge.share, used)
    const thing = thingOf(edge.parts)
    if (lastedThings.indexOf(thing) <= lastedThings.indexOf(id)) through += reach > used ? own : 0
    if (thing !== id) continue
    thickness += own
    flat = Math.max(flat, reach - used)
  }
  return { thickness: flat < HOLDS ? 0 : thickness, through, flat, isThere: thickness > 0 }
}
