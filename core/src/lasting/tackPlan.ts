import type { Side } from '../trade/side.ts'
import type { Point } from '../geometry/path.ts'
import { simulateGap, type GapBuckling } from './gapSimulation.ts'
import { surplusOf, tackSpacing, type Strip, type TackFigures } from './tackSpacing.ts'

/** Places that are tacked first, in the order of the trade: middle of the toe, its sides, joints, waist, seat. */
export const anchorPlaces = ['toe', 'toe side', 'joint', 'waist', 'seat'] as const
export type AnchorPlace = (typeof anchorPlaces)[number] | 'end'

/** One step along the feather line, as one strip of leather meets it; without thickness where it does not reach. */
export interface StripPlace extends Strip {
  /** On the feather line, and where a tack stands inside it. */
  on: Point
  at: Point
  side: Side
}

/** A place of the strip, by number, that is tacked first. */
export interface Anchor {
  place: AnchorPlace
  at: number
}

export interface Tack {
  /** Which one it is in the order of driving, from 1. */
  number: number
  /** On the feather line, and where it is driven. */
  on: Point
  at: Point
  side: Side
  /** What it anchors; null for one that fills. */
  anchor: AnchorPlace | null
  /** By number of the strip's places. */
  place: number
}

/** What lies between two tacks that stand beside each other. */
export interface Between {
  /** Tacks by their numbers. */
  from: number
  to: number
  /** The middle of it, on the feather line. */
  on: Point
  side: Side
  apart: number
  /** How much the strip has to shrink there at the depth that must lie flat, and how much of that stays as a tuck, mm. */
  surplus: number
  tuck: number
  /** The same by the simulated strip: what it closes up before it folds, what stays, and how high that stands, mm. */
  simulated: GapBuckling
}

export interface TackPlan {
  tacks: Tack[]
  between: Between[]
}

/** Gaps between anchors in the order in which they are filled: the toe last, where most has to go and all else must hold. */
const FILLING = ['toe side joint', 'joint waist', 'waist seat', 'toe toe side'] as const
/** How often the search for a denser row is halved: to a millionth. */
const HALVINGS = 20
/** What sums of steps are off by. */
const ROUNDING = 1e-6
/** A tuck that cannot be seen, mm. */
const NOTHING = 0.05

interface Gap {
  from: Anchor
  to: Anchor
  side: Side
  /** Places of the tacks between them, in the order of the ring. */
  fill: number[]
  rank: number
}

/**
 * Tacks for a strip that goes round a ring of places, `step` mm apart: the anchors, and between each two of them as few more
 * as keep all apart by no more than `tackSpacing` allows there (spacing is read as tacks per millimetre and summed along the
 * strip, so that they crowd where it bends). Anchors are driven first, then the gaps, in turn on both sides.
 */
export function tackPlan(
  places: readonly StripPlace[],
  step: number,
  anchors: readonly Anchor[],
  figures: TackFigures,
): TackPlan {
  const n = places.length
  const ring = [...anchors].sort((a, b) => a.at - b.at)
  const gaps = ring.flatMap((from, i): Gap[] => {
    const to = ring[(i + 1) % ring.length]!
    const count = (((to.at - from.at) % n) + n) % n
    const inside = Array.from({ length: Math.max(0, count - 1) }, (_, k) => (from.at + 1 + k) % n)
    // A strip that ends does not go on from its last anchor to its first.
    if (count === 0 || inside.some((k) => places[k]!.thickness === 0)) return []
    return [{ from, to, side: places[inside[inside.length >> 1] ?? from.at]!.side, fill: [], rank: rankOf(from, to) }]
  })
  for (const gap of gaps) gap.fill = fillOf(places, step, gap, figures)
  const tacks: Tack[] = []
  const drive = (place: number, anchor: AnchorPlace | null) => {
    const { on, at, side } = places[place]!
    tacks.push({ number: tacks.length + 1, on, at, side, anchor, place })
  }
  const first = [...ring].sort((a, b) => firstOf(a) - firstOf(b) || sideOf(places, a) - sideOf(places, b))
  for (const a of first) drive(a.at, a.place)
  for (const rank of [...new Set(gaps.map((g) => g.rank))].sort((a, b) => a - b)) {
    // Filled from the one of its anchors that was driven first.
    const of = (side: Side) =>
      gaps
        .filter((g) => g.rank === rank && g.side === side)
        .flatMap(({ from, to, fill }) => (firstOf(from) <= firstOf(to) ? fill : [...fill].reverse()))
    for (const place of inTurn(of('medial'), of('lateral'))) drive(place, null)
  }
  const byPlace = new Map(tacks.map((t) => [t.place, t.number]))
  const between = gaps.flatMap((gap) => {
    const line = [gap.from.at, ...gap.fill, gap.to.at]
    return line.slice(1).map((to, i): Between => {
      const from = line[i]!
      const run = spanOf(from, to, n)
      const surplus = step * run.reduce((sum, k) => sum + surplusOf(places[k]!), 0)
      const thickness = run.reduce((sum, k) => sum + places[k]!.thickness, 0) / run.length
      const left = surplus - figures.takes * thickness
      const { on, side } = places[run[run.length >> 1]!]!
      const [a, b] = [byPlace.get(from)!, byPlace.get(to)!]
      const apart = step * run.length
      const simulated = simulateGap({
        length: apart,
        thickness: run.map((k) => places[k]!.thickness),
        surplus: run.map((k) => surplusOf(places[k]!)),
      })
      return { from: a, to: b, on, side, apart, surplus, tuck: left > NOTHING ? left : 0, simulated }
    })
  })
  return { tacks, between }
}

const firstOf = ({ place }: Anchor): number => (place === 'end' ? anchorPlaces.length : anchorPlaces.indexOf(place))
const sideOf = (places: readonly StripPlace[], { at }: Anchor): number => (places[at]!.side === 'medial' ? 0 : 1)

function rankOf(a: Anchor, b: Anchor): number {
  const [first, second] = firstOf(a) <= firstOf(b) ? [a.place, b.place] : [b.place, a.place]
  const rank = (FILLING as readonly string[]).indexOf(`${first} ${second}`)
  // Of a strip that ends, what is nearer to its ends is filled after what is held on both sides.
  return rank < 0 ? FILLING.length : rank
}

/** Places from one to another along the ring, the last left out. */
const spanOf = (from: number, to: number, n: number): number[] =>
  Array.from({ length: (((to - from) % n) + n) % n }, (_, k) => (from + k) % n)

/**
 * Where the tacks between two anchors stand: at even parts of the sum of tacks per millimetre. The sum is made a whole number
 * by a few more where there is room for them, and none closer than they can stand; where there is none, by one less.
 */
function fillOf(places: readonly StripPlace[], step: number, { from, to }: Gap, figures: TackFigures): number[] {
  const run = spanOf(from.at, to.at, places.length)
  const closest = step / figures.closest
  const asked = run.map((k) => step / tackSpacing(places[k]!, figures))
  const denser = (times: number) => asked.map((p) => Math.min(closest, times * p))
  const wanted = Math.max(1, Math.ceil(sum(asked) - ROUNDING))
  const most = Math.max(1, Math.floor(run.length * closest + ROUNDING))
  const intervals = Math.min(wanted, most)
  let [low, high] = [1, figures.farthest / figures.closest]
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (low + high) / 2
    let whole = 0
    for (const p of asked) whole += Math.min(closest, middle * p)
    if (whole < intervals) low = middle
    else high = middle
  }
  const per = denser(high)
  const whole = sum(per)
  const fill: number[] = []
  let reached = 0
  for (const [i, p] of per.entries()) {
    if (fill.length < intervals - 1 && reached + p / 2 >= (whole * (fill.length + 1)) / intervals) fill.push(run[i]!)
    reached += p
  }
  return fill
}

const sum = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0)

/** Two rows merged evenly, the first of the one before the first of the other. */
function inTurn(one: readonly number[], other: readonly number[]): number[] {
  const ranked = [one, other].flatMap((row, side) =>
    row.map((place, i) => ({ place, key: (i + 0.5) / row.length, side })),
  )
  return ranked.sort((a, b) => a.key - b.key || a.side - b.side).map((r) => r.place)
}
