import type { Because, Finding } from '../trade/because.ts'
import type { Side } from '../trade/side.ts'
import { distance, type Path, type Point } from '../geometry/path.ts'
import { featherArc } from './featherArc.ts'
import type { LastedStrip, LastingNeeds } from './needs.ts'
import { lastingRules } from './rules.ts'
import { lastedThings, placesAlong, stationsOf, stripOf, type LastedId, type Met } from './strip.ts'
import { stripFigures } from './stripFigures.ts'
import { tackPlan, type Anchor } from './tackPlan.ts'
import { tackFigures } from './tackSpacing.ts'

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
  /** What reaches under too little to be tacked. */
  pasted: LastedId[]
  bends: FeatherBend[]
  /** How far inside the feather line a strip must lie flat, mm. */
  flat: number
  /** What is held while it is pulled: heights of the top line, which side looks higher. */
  hold: Because[]
  findings: Finding[]
}

/** An anchor that stands so few steps from a strip's end is that end. */
const BESIDE = 4
/** Every how manieth step is shown in a chart. */
const SHOWN = 4

export function deriveLasting(needs: LastingNeeds): Lasting {
  const { bottom, book } = needs
  const arc = featherArc(bottom.outline)
  const step = arc.length / arc.points.length
  const stations = stationsOf(arc.points, bottom)
  const along = placesAlong(arc, stations, book)
  const figures = tackFigures(book)
  const flat = book.value(lastingRules.flat)
  const trade = tradePlaces(arc.points, stations, needs)
  const pasted: LastedId[] = []
  const strips = lastedThings.flatMap((id): LastedStrip[] => {
    const places = stripOf(id, along, needs)
    const there = places.filter((p) => p.isThere).length
    // A few tacks here and there hold nothing: what can be tacked along less than half of it is pasted.
    if (places.filter((p) => p.thickness > 0).length <= there / 2) {
      if (there > 0) pasted.push(id)
      return []
    }
    const plan = tackPlan(places, step, anchorsOf(places, trade), figures)
    if (plan.between.length === 0) return []
    return [stripFigures(id, places, step, plan, needs)]
  })
  return {
    strips,
    pasted,
    bends: bendsOf(arc.curvature, stations, step, flat),
    flat,
    hold: holdOf(needs.heights),
    findings: strips.flatMap((s) => s.findings),
  }
}

/** The trade's places for anchors, by number along the feather line: the same for all that is lasted. */
function tradePlaces(
  points: Path,
  stations: readonly { side: Side; x: number }[],
  { bottom, length, book }: LastingNeeds,
): Anchor[] {
  const least = (value: (i: number) => number): number => {
    let [best, known] = [0, Infinity]
    for (let i = 0; i < points.length; i++) {
      const v = value(i)
      if (v < known) [best, known] = [i, v]
    }
    return best
  }
  const nearest = (to: Point) => least((i) => distance(points[i]!, to))
  const across = (place: Anchor['place'], x: number): Anchor[] =>
    (['medial', 'lateral'] as const).map((side) => ({
      place,
      at: least((i) => (stations[i]!.side === side ? Math.abs(stations[i]!.x - x) : Infinity)),
    }))
  return [
    { place: 'toe', at: least((i) => -points[i]![0]) },
    ...across('toe side', book.value(lastingRules.toeSides) * length),
    { place: 'joint', at: nearest(bottom.jointMedial) },
    { place: 'joint', at: nearest(bottom.jointLateral) },
    ...across('waist', book.value(lastingRules.waist) * length),
    { place: 'seat', at: least((i) => points[i]![0]) },
  ]
}

/** Where a strip is tacked first: the trade's places that it reaches, and its own ends. */
function anchorsOf(places: readonly Met[], trade: readonly Anchor[]): Anchor[] {
  const n = places.length
  const there = (i: number) => places[((i % n) + n) % n]!.thickness > 0
  const ends = places.flatMap((_, i): Anchor[] =>
    there(i) && (!there(i - 1) || !there(i + 1)) ? [{ place: 'end', at: i }] : [],
  )
  const inside = trade.filter(({ at }) => there(at) && ends.every((e) => Math.abs(e.at - at) > BESIDE))
  return [...inside, ...ends]
}

/** Heights to be measured on the last, left and right alike; and by how much the medial side stands higher. */
function holdOf(heights: readonly Because[]): Because[] {
  const of = (id: string) => heights.find((h) => h.id === `topLine.${id}`)
  const [lateral, medial] = [of('lateral'), of('medial')]
  if (!lateral || !medial) return [...heights]
  const higher = medial.value - lateral.value
  return [
    ...heights,
    {
      id: 'higher',
      quantity: higher >= 0 ? 'Medial side higher' : 'Lateral side higher',
      value: Math.abs(higher),
      unit: 'mm',
      sentence:
        'Measured up the wall on both sides while the back still can be shifted: a shoe that is pulled straight looks like this, and left like right.',
      inputs: [
        { name: 'Lateral', value: lateral.value, unit: 'mm' },
        { name: 'Medial', value: medial.value, unit: 'mm' },
      ],
      origin: 'measured on the last',
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
