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
export const lastedThings = ['lining', 'stiffener', 'sideLining', 'puff', 'upper'] as const
export type LastedId = (typeof lastedThings)[number]
export const lastedNames: Readonly<Record<LastedId, string>> = {
  lining: 'Lining',
  stiffener: 'Stiffener',
  sideLining: 'Side lining',
  puff: 'Toe puff',
  upper: 'Upper',
}

/** Whether it is drawn down inside upper and lining, and held by their tacks: so they are lasted together at the back. */
export const isInside = (id: LastedId, { liningFirst }: { liningFirst: boolean }): boolean =>
  !liningFirst && (id === 'stiffener' || id === 'sideLining')

/** What of the strip is asked at one place: it, what lies under it towards the insole, how far it lies flat and is cut, mm. */
export interface Met extends StripPlace {
  /** From the heel back on the last, mm. */
  x: number
  through: number
  flat: number
  /** How far it is cut past the feather line, mm. */
  reach: number
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

/** A place along the feather line, whatever is lasted over it. */
interface Place {
  on: Point
  side: Side
  x: number
  curvature: number
  /** Square off the line, under the insole; of length 1. */
  inwards: Point
  /** How far in a tack may stand before it meets its neighbours, mm. */
  room: number
}

/** The places along the feather line, all that is lasted alike. */
export function placesAlong(
  { points, curvature }: FeatherArc,
  stations: readonly { side: Side; x: number }[],
  book: RuleBook,
): Place[] {
  const inset = book.value(lastingRules.inset)
  const n = points.length
  return points.map((on, i): Place => {
    const { side, x } = stations[i]!
    const bend = curvature[i]!
    const [a, b] = [points[(i + n - NORMAL) % n]!, points[(i + NORMAL) % n]!]
    const l = distance(a, b) || 1
    // Round a point tacks would meet further in.
    const room = bend > 0 ? Math.min(inset, 1 / (3 * bend)) : inset
    return { on, side, x, curvature: bend, inwards: [-(b[1] - a[1]) / l, (b[0] - a[0]) / l], room }
  })
}

/** One thing as it comes to the feather line, place by place. */
export function stripOf(
  id: LastedId,
  places: readonly Place[],
  { turned, book }: { turned: TurnedStack; book: RuleBook },
): Met[] {
  const known: Record<Side, Map<number, ReturnType<typeof readStrip>>> = { lateral: new Map(), medial: new Map() }
  const most = book.value(lastingRules.flat)
  return places.map(({ on, side, x, curvature, inwards, room }): Met => {
    const key = Math.round(x / READ)
    let read = known[side].get(key)
    if (!read) known[side].set(key, (read = readStrip(id, turned, side, READ * key)))
    const { thickness, through, flat, reach, isThere } = read
    // Inside what it has to hold, and still in leather where little of it lies flat.
    const by = Math.min(room, Math.max(flat - HOLDS, flat / 2))
    const at: Point = [on[0] + by * inwards[0], on[1] + by * inwards[1]]
    // No more of it has to lie flat than is there to lie.
    const depth = Math.min(most, Math.max(0, flat))
    return { on, at, side, x, curvature, thickness, through, flat, reach, isThere, depth }
  })
}

/** Which thing a turned edge is: by what reaches under with it. */
const thingOf = (parts: readonly string[]): LastedId =>
  lastedThings.find((t) => t !== 'lining' && parts.some((p) => p === t || p.startsWith(`${t}.`))) ?? 'lining'

function readStrip(id: LastedId, turned: TurnedStack, side: Side, x: number) {
  let through = 0
  let [thickness, flat, cut] = [0, 0, 0]
  for (const { layer, edge, used, reach } of turned.turns(side, x)) {
    const own = layer.thickness * profileAt(edge.share, used)
    const thing = thingOf(edge.parts)
    if (lastedThings.indexOf(thing) <= lastedThings.indexOf(id)) through += reach > used ? own : 0
    if (thing !== id) continue
    thickness += own
    flat = Math.max(flat, reach - used)
    cut = Math.max(cut, reach)
  }
  return { thickness: flat < HOLDS ? 0 : thickness, through, flat, reach: cut, isThere: thickness > 0 }
}
