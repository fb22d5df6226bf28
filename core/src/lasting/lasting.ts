import type { DevelopedBottom } from '../last/developedBottom.ts'
import type { TurnedStack } from '../layers/turnedStack.ts'
import type { Because, Finding } from '../trade/because.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Side } from '../trade/side.ts'
import { edgeRules } from '../upper/edgeRules.ts'
import { profileAt } from '../trade/wallArea.ts'
import { distance, type Point } from '../geometry/path.ts'
import { mm, say } from '../units/sentence.ts'
import { featherArc, type FeatherArc } from './featherArc.ts'
import { lastingRules } from './rules.ts'
import { surplusOf, tackFigures } from './tackSpacing.ts'
import { tackPlan, type Anchor, type StripPlace, type TackPlan } from './tackPlan.ts'

/** What is drawn over the last and turned under, one after the other. */
export const lastedThings = ['lining', 'stiffener', 'puff', 'upper'] as const
export type LastedId = (typeof lastedThings)[number]
export const lastedNames: Readonly<Record<LastedId, string>> = {
  lining: 'Lining',
  stiffener: 'Stiffener',
  puff: 'Toe puff',
  upper: 'Upper',
}

/** A stretch of one side, as it is spoken of. */
export const lastingZones = ['seat', 'waist', 'joint', 'toe'] as const
export interface LastingZone {
  zone: (typeof lastingZones)[number]
  side: Side
  /** Its run along the feather line, and by how much its strip is too long at the depth that must lie flat, mm. */
  run: number
  surplus: number
  /** Narrowest of what lies flat under the insole there, mm. */
  flat: number
  tacks: number
}

export interface LastedStrip extends TackPlan {
  id: LastedId
  zones: LastingZone[]
  /** Length of a tack under its head where least and where most leather lies under it, mm. */
  tackLength: { least: number; most: number }
  becauses: Because[]
  findings: Finding[]
}

/** A place of the feather line, for a chart along it. */
export interface FeatherBend {
  side: Side
  /** From the heel back along that side, mm. */
  run: number
  /** Radius of the bend, mm; null where it is straight or hollow. */
  radius: number | null
  /** How much the strip's inner edge has to shrink, percent. */
  shrinks: number
}

/** How a shoe is lasted: tacks of everything that is turned under, in the order in which it is. */
export interface Lasting {
  strips: LastedStrip[]
  bends: FeatherBend[]
  /** How far inside the feather line a strip must lie flat, mm. */
  flat: number
  findings: Finding[]
}

export interface LastingNeeds {
  bottom: DevelopedBottom
  turned: TurnedStack
  /** Thickness of the insole that tacks are driven into, mm. */
  insole: number
  /** Length of the last, mm. */
  length: number
  book: RuleBook
}

/** What of the strip is asked at one place: it, what lies under it towards the insole, and how far it lies flat, mm. */
interface Met extends StripPlace {
  /** From the heel back on the last, mm. */
  x: number
  through: number
  flat: number
}

/** An anchor that stands so few steps from a strip's end is that end. */
const BESIDE = 4
/** The feather line's direction is read over so many steps either way, to set a tack square off it. */
const NORMAL = 3
/** No tack nearer to the feather line or to the strip's own edge, mm. */
const LEAST_INSET = 2
/** Every how manieth step is shown in a chart. */
const SHOWN = 4
/** Stations of the outline are read at places so far apart; between them leather does not change, mm. */
const READ = 2

export function deriveLasting(needs: LastingNeeds): Lasting {
  const { bottom, book } = needs
  const arc = featherArc(bottom.outline)
  const step = arc.length / arc.points.length
  const stations = stationsOf(arc.points, bottom)
  const figures = tackFigures(book)
  const flat = book.value(lastingRules.flat)
  const strips = lastedThings.flatMap((id): LastedStrip[] => {
    const places = stripOf(id, arc, stations, needs)
    if (places.every((p) => p.thickness === 0)) return []
    const plan = tackPlan(places, step, anchorsOf(places, needs), figures)
    if (plan.between.length === 0) return []
    return [stripFigures(id, places, step, plan, needs)]
  })
  return {
    strips,
    bends: bendsOf(arc.curvature, stations, step, flat),
    flat,
    findings: strips.flatMap((s) => s.findings),
  }
}

/** Side and x on the last of every point, from the outline's own stations beside it. */
function stationsOf(points: readonly Point[], { outline, stations }: DevelopedBottom): { side: Side; x: number }[] {
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
function stripOf(
  id: LastedId,
  { points, curvature }: FeatherArc,
  stations: readonly { side: Side; x: number }[],
  { turned, book }: LastingNeeds,
): Met[] {
  const known = new Map<number, Pick<Met, 'thickness' | 'through' | 'flat'>>()
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
    const by = Math.max(LEAST_INSET, Math.min(inset, room, read.flat - LEAST_INSET))
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
  for (const { layer, edge, used } of turned.turns(side, x)) {
    const own = layer.thickness * profileAt(edge.share, used)
    const thing = thingOf(edge.parts)
    if (lastedThings.indexOf(thing) <= lastedThings.indexOf(id)) through += edge.reach > used ? own : 0
    if (thing !== id) continue
    thickness += own
    flat = Math.max(flat, edge.reach - used)
  }
  return { thickness, through, flat }
}

/** Where a strip is tacked first: the trade's places that it reaches, and its own ends. */
function anchorsOf(places: readonly Met[], { bottom, length, book }: LastingNeeds): Anchor[] {
  const n = places.length
  const least = (value: (p: Met) => number) =>
    places.reduce((best, p, i) => (value(p) < value(places[best]!) ? i : best), 0)
  const nearest = (to: Point) => least((p) => distance(p.on, to))
  const across = (place: Anchor['place'], x: number): Anchor[] =>
    (['medial', 'lateral'] as const).map((side) => ({
      place,
      at: least((p) => (p.side === side ? Math.abs(p.x - x) : Infinity)),
    }))
  const all: Anchor[] = [
    { place: 'toe', at: least((p) => -p.on[0]) },
    ...across('toe side', book.value(lastingRules.toeSides) * length),
    { place: 'joint', at: nearest(bottom.jointMedial) },
    { place: 'joint', at: nearest(bottom.jointLateral) },
    ...across('waist', book.value(lastingRules.waist) * length),
    { place: 'seat', at: least((p) => p.on[0]) },
  ]
  const there = (i: number) => places[((i % n) + n) % n]!.thickness > 0
  const ends = places.flatMap((_, i): Anchor[] =>
    there(i) && (!there(i - 1) || !there(i + 1)) ? [{ place: 'end', at: i }] : [],
  )
  const inside = all.filter(({ at }) => there(at) && ends.every((e) => Math.abs(e.at - at) > BESIDE))
  return [...inside, ...ends]
}

const zoneOf = (x: number, length: number): LastingZone['zone'] => {
  const t = x / length
  return t < 0.3 ? 'seat' : t < 0.55 ? 'waist' : t < 0.8 ? 'joint' : 'toe'
}

function zonesOf(places: readonly Met[], step: number, { tacks }: TackPlan, { length }: LastingNeeds): LastingZone[] {
  const zones = new Map<string, LastingZone>()
  const found = (p: Met): LastingZone => {
    const zone = zoneOf(p.x, length)
    const key = `${p.side} ${zone}`
    let known = zones.get(key)
    if (!known) zones.set(key, (known = { zone, side: p.side, run: 0, surplus: 0, flat: Infinity, tacks: 0 }))
    return known
  }
  for (const p of places) {
    if (p.thickness === 0) continue
    const z = found(p)
    z.run += step
    z.surplus += step * surplusOf(p)
    z.flat = Math.min(z.flat, p.flat)
  }
  for (const { place } of tacks) found(places[place]!).tacks++
  return (['medial', 'lateral'] as const).flatMap((side) =>
    lastingZones.flatMap((zone) => zones.get(`${side} ${zone}`) ?? []),
  )
}

function stripFigures(
  id: LastedId,
  places: readonly Met[],
  step: number,
  plan: TackPlan,
  needs: LastingNeeds,
): LastedStrip {
  const { book, insole } = needs
  const name = lastedNames[id]
  const lower = name.toLowerCase()
  const there = places.filter((p) => p.thickness > 0)
  const bent = there.reduce((a, b) => (b.curvature > a.curvature ? b : a))
  const closest = plan.between.reduce((a, b) => (b.apart < a.apart ? b : a))
  const flat = book.inForce(lastingRules.flat)
  const under = there.map((p) => p.through)
  const [thin, thick] = [Math.min(...under), Math.max(...under)]
  const left = book.value(lastingRules.leftOver)
  const into = Math.min(book.value(lastingRules.into), Math.max(0, insole - left))
  const tackLength = { least: thin + into, most: thick + into }
  const surplus = plan.between.reduce((sum, b) => sum + b.surplus, 0)
  const becauses: Because[] = [
    {
      id: 'tacks',
      quantity: `Tacks for the ${lower}`,
      value: plan.tacks.length,
      unit: 'count',
      sentence: say`As few as hold it: closest, ${mm(closest.apart, 1)} apart, where the feather line bends most; at most ${mm(book.value(lastingRules.farthest))} on straights.`,
      inputs: [{ name: 'Along the feather line', value: step * there.length, unit: 'mm' }],
      origin: book.inForce(lastingRules.farthest).origin,
      rule: lastingRules.farthest.key,
    },
    {
      id: 'surplus',
      quantity: 'Shrinks inside the feather',
      value: surplus,
      unit: 'mm',
      sentence: say`Up to ${mm(flat.value)} inside the feather it must lie flat: a strip is longer than that line by the turn of the feather times the depth. The sharpest bend has a radius of ${mm(1 / Math.max(bent.curvature, 1e-6), 0)}.`,
      inputs: [
        { name: 'Thickness there', value: bent.thickness, unit: 'mm' },
        { name: 'Sharpest radius', value: 1 / Math.max(bent.curvature, 1e-6), unit: 'mm' },
      ],
      origin: flat.origin,
      rule: lastingRules.flat.key,
    },
    {
      id: 'tackLength',
      quantity: 'Tack under its head',
      value: tackLength.most,
      unit: 'mm',
      sentence: say`Through ${mm(thick, 1)} of leather where most lies and ${mm(into, 1)} into the insole of ${mm(insole, 1)}; where only ${mm(thin, 1)} lie, one of ${mm(tackLength.least, 1)} does.`,
      inputs: [
        { name: 'Thickest under the head', value: thick, unit: 'mm' },
        { name: 'Insole', value: insole, unit: 'mm' },
      ],
      origin: book.inForce(lastingRules.into).origin,
      rule: lastingRules.into.key,
    },
  ]
  const base = { id, ...plan, zones: zonesOf(places, step, plan, needs), tackLength, becauses }
  return { ...base, findings: [tuckFinding(id, plan, needs), ...flatFinding(id, there, needs)] }
}

const HELPS =
  'Make two small tucks of it, leave more margin to draw on, skive the edge thinner, or warm the leather and hammer it down.'

function tuckFinding(id: LastedId, { between }: TackPlan, { book, length, bottom }: LastingNeeds): Finding {
  const worst = between.reduce((a, b) => (b.tuck > a.tuck ? b : a))
  const fine = worst.tuck === 0
  const name = lastedNames[id].toLowerCase()
  const zone = zoneOf((worst.on[0] / bottom.length) * length, length)
  return {
    id: `lasting.tuck.${id}`,
    level: fine ? 'fine' : 'watch',
    where: `${lastedNames[id]}, ${worst.side} side at the ${zone}`,
    sentence: fine
      ? say`Between any two tacks the ${name} is pressed flat as far as ${mm(book.value(lastingRules.flat))} inside the feather line.`
      : say`Tacks ${worst.from} and ${worst.to} stand ${mm(worst.apart, 1)} apart and the ${name} is ${mm(worst.surplus, 1)} too long between them: a tuck of ${mm(worst.tuck, 1)} stays.`,
    measured: worst.tuck,
    limit: 0,
    unit: 'mm',
    mend: fine ? '' : HELPS,
  }
}

/** What the upper is held by: of the other things no more lies flat than their own rules say. */
function flatFinding(id: LastedId, places: readonly Met[], { book }: LastingNeeds): Finding[] {
  if (id !== 'upper') return []
  const worst = places.reduce((a, b) => (b.flat < a.flat ? b : a))
  const limit = book.value(lastingRules.flat)
  const fine = worst.flat >= limit
  // All that the margin is wider lies flat.
  const wanted = Math.ceil(2 * (book.value(edgeRules.lasting) + limit - worst.flat)) / 2
  const wide = wanted <= edgeRules.lasting.max
  return [
    {
      id: 'lasting.flat',
      level: fine ? 'fine' : 'watch',
      where: `Upper, ${worst.side} side`,
      sentence: fine
        ? say`At least ${mm(worst.flat, 1)} of the upper lie flat under the insole.`
        : say`Only ${mm(Math.max(0, worst.flat), 1)} of the upper lie flat under the insole at its narrowest, ${mm(worst.x, 0)} from the heel: the rest runs down the insole's edge and round the bend.`,
      measured: worst.flat,
      limit,
      unit: 'mm',
      mend: fine
        ? ''
        : wide
          ? say`Widen the lasting margin to ${mm(wanted)}, or thin the insole’s edge.`
          : 'Thin the insole’s edge.',
      remedy: fine || !wide ? undefined : { kind: 'rule', key: edgeRules.lasting.key, value: wanted },
    },
  ]
}

function bendsOf(
  curvature: Float64Array,
  stations: readonly { side: Side; x: number }[],
  step: number,
  depth: number,
): FeatherBend[] {
  const n = curvature.length
  const run: Record<Side, number> = { lateral: 0, medial: 0 }
  const lateral = stations.map(({ side }, i) => ({ side, i })).filter((s) => s.side === 'lateral')
  const medial = stations.map(({ side }, i) => ({ side, i })).filter((s) => s.side === 'medial')
  // The ring runs from the heel along the lateral side to the toe and back along the medial one.
  return [...lateral, ...medial.reverse()].flatMap(({ side, i }): FeatherBend[] => {
    const k = curvature[i % n]!
    run[side] += step
    if (i % SHOWN !== 0) return []
    return [{ side, run: run[side], radius: k > 1e-4 ? 1 / k : null, shrinks: 100 * depth * Math.max(0, k) }]
  })
}
