import type { FeatherPlace, LayerFinding, LayerNeeds } from './needs.ts'
import type { FormeMap } from '../forme/formeMap.ts'
import { curvatures } from '../geometry/polyline.ts'
import { Inside } from '../geometry/pointInPolygon.ts'
import { distance, type Path, type Point } from '../geometry/path.ts'
import type { DevelopedBottom } from '../last/developedBottom.ts'
import type { Side } from '../trade/side.ts'
import type { Level } from '../model/level.ts'
import type { MaterialRole } from '../model/material.ts'
import { pieceRole } from '../trade/pieceRole.ts'
import type { Remedy } from '../trade/remedy.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import { edgeRules } from '../upper/edgeRules.ts'
import { layerRules } from './layerRules.ts'
import { feltSteps, type FeltStep } from './ridges.ts'
import { turnedOutFindings } from './turnedOut.ts'
import { listed, thicknessOf, type TurnedEdge } from './turnedStack.ts'
import { DEPTHS, type WallArea } from '../trade/wallArea.ts'
import { thickestPlaces, type ThickestPlace } from './thickestPlace.ts'
import { WallStack } from './wallStack.ts'
import { mm, say, bare } from '../units/sentence.ts'

/** What the layers come to: plain data. */
export interface Layers {
  findings: LayerFinding[]
  /** At the feather line: thinnest and thickest place with what lies there, mm. */
  feather: { thinnest: FeatherPlace; thickest: FeatherPlace }
  /** What is turned there and how much it must shrink, place by place from heel to toe, each side on its own. */
  along: FeatherRun[]
  /** The thickest place of the wall above it, beside seams and folds. */
  wall: ThickestPlace
  /** What lies where, for whoever wants to ask more: see WallStack and TurnedStack. */
  areas: WallArea[]
  turned: TurnedEdge[]
  /** Height of the insole's edge, which the margins run down, mm. */
  insoleEdge: number
}

/** A place of the feather line, `x` mm from the heel back. */
export interface FeatherRun {
  side: Side
  x: number
  /** All that lies there, mm. */
  thickness: number
  /** How much the inner edge of what lies flat under the insole must shrink, percent; nothing where the outline runs straight or hollow. */
  shrinks: number
}

/** Bulk, ridges, stacks too thick to turn and the crowded seat (docs/trade.md, "Layers and bulk"). */
export function deriveLayers(needs: LayerNeeds): Omit<Layers, 'areas' | 'turned' | 'insoleEdge'> {
  const feather = featherPlaces(needs)
  const { beside, whole } = thickestPlaces(needs.map, needs.wall, needs.areas)
  const findings = [
    bulkFinding(beside, whole, needs.book),
    ...stepFindings(needs),
    ...(needs.turnedOut === null ? [turnFinding(feather.thickest, needs)] : turnedOutFindings(needs, needs.turnedOut)),
    seatFinding(needs),
  ]
  return { findings, feather, along: alongFeather(needs), wall: beside }
}

/** Every how manieth station of the bottom's outline is looked at. */
const STATIONS = 3
const looked = ({ stations }: DevelopedBottom) =>
  stations.flatMap((station, at) => (at % STATIONS === 0 ? [{ ...station, at }] : []))

function featherPlaces({ bottom, turned }: LayerNeeds): Layers['feather'] {
  const places = looked(bottom).map(({ side, x }): FeatherPlace => {
    const layers = turned.atFeather(side, x)
    return { side, x, layers, thickness: thicknessOf(layers) }
  })
  return {
    thinnest: places.reduce((a, b) => (b.thickness < a.thickness ? b : a)),
    thickest: places.reduce((a, b) => (b.thickness > a.thickness ? b : a)),
  }
}

/** Thinner than this is as good as nothing, mm. */
const HAIR = 0.05

function bulkFinding(wall: ThickestPlace, whole: ThickestPlace, book: RuleBook): LayerFinding {
  const limit = book.value(layerRules.bulk)
  const fine = wall.thickness <= limit
  return {
    id: 'layers.bulk',
    level: fine ? 'fine' : 'watch',
    where: `thickest place of the wall, ${wall.side} side`,
    sentence:
      whole.thickness > wall.thickness + HAIR
        ? say`Beside its seams and folds the wall is ${mm(wall.thickness, 1)} at its thickest (${listed(wall.layers)}); up to ${mm(limit)} are usual. With what those lay back it is ${mm(whole.thickness, 1)}.`
        : say`The wall is ${mm(wall.thickness, 1)} at its thickest (${listed(wall.layers)}); up to ${mm(limit)} are usual.`,
    measured: wall.thickness,
    limit,
    unit: 'mm',
    mend: fine ? '' : 'Skive what laps there, move a seam aside, or take thinner leather.',
    remedy: fine ? undefined : otherLeather('upper'),
    at: { side: wall.side, point: wall.at },
  }
}

/** The upper's whole outline on one side of the forme. */
function wallOf(areas: readonly WallArea[], side: Side): Inside[] {
  return areas.filter((a) => a.side === side && a.depth >= DEPTHS.upper).map((a) => new Inside(a.area))
}

/** How far inside its grid's outermost lines a wall begins for a step, as a share of a cell. */
const INSET = 0.2

/** Outline of one side of the forme a little inside feather line, back and toe: at those nothing goes on. */
function innerWall(map: FormeMap, side: Side): Path {
  const { columns, rows } = map.forme
  const mix = ([a, b]: [Point, Point], t: number): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]
  const up = (i: number) => mix([map.flatVertex(side, i, 0), map.flatVertex(side, i, 1)], INSET)
  const foot = Array.from({ length: columns - 2 }, (_, i) => up(i))
  const toe = Array.from({ length: rows - 1 }, (_, j) => map.flatVertex(side, columns - 3, j + 1))
  const top = Array.from({ length: columns - 3 }, (_, i) => map.flatVertex(side, columns - 3 - i, rows - 1))
  const back = Array.from({ length: rows }, (_, j) =>
    mix([map.flatVertex(side, 0, rows - 1 - j), map.flatVertex(side, 1, rows - 1 - j)], INSET),
  )
  return [...foot, ...toe, ...top.slice(1), ...back]
}

function stepFindings({ areas, wall, map, book }: LayerNeeds): LayerFinding[] {
  const limit = book.value(layerRules.step)
  const outlines = { lateral: wallOf(areas, 'lateral'), medial: wallOf(areas, 'medial') }
  const inner = { lateral: new Inside(innerWall(map, 'lateral')), medial: new Inside(innerWall(map, 'medial')) }
  const onWall = (side: Side, p: Point) => inner[side].has(p) && outlines[side].some((o) => o.has(p))
  return feltSteps(areas, wall, onWall).map((s): LayerFinding => {
    const level: Level = s.slope <= limit ? 'fine' : 'watch'
    return {
      id: `layers.step.${s.part}`,
      level,
      where: `edge of the ${s.name.toLowerCase()}, ${s.side} side`,
      sentence:
        level === 'fine'
          ? `${s.name}: its edge rises by ${s.slope.toFixed(2)} of its run at the steepest; up to ${limit} is not felt.`
          : `${s.name}: its edge rises by ${s.slope.toFixed(2)} of its run; past ${limit} the foot feels it and it shows as a ridge.`,
      measured: s.slope,
      limit,
      unit: 'share',
      ...(level === 'fine' ? { mend: '' } : wider(s, limit, areas, onWall)),
      at: { side: s.side, point: s.at },
    }
  })
}

/**
 * What takes a step away: the narrowest skive under which it is not felt, where its width is a rule, tried on the wall
 * itself, since other edges that end there count too; else thinner leather.
 */
function wider(
  { part, slope }: FeltStep,
  limit: number,
  areas: readonly WallArea[],
  onWall: (side: Side, p: Point) => boolean,
): Pick<LayerFinding, 'mend' | 'remedy'> {
  const area = areas.find((a) => a.part === part)
  const { profile, widthRule: rule } = area?.thinned.find((t) => t.widthRule) ?? {}
  if (profile && rule) {
    const width = profile[profile.length - 1]![0]
    for (let value = Math.ceil((2 * width * slope) / limit) / 2; value <= rule.max; value += WIDER) {
      const tried = areas.map((a) => (a.part === part ? skivedOver(a, rule, value / width) : a))
      const left = feltSteps(tried, new WallStack(tried), onWall, (id) => id === part)
      if (left.some((s) => s.slope > limit * (1 - SPARE))) continue
      return {
        mend: say`Make its skive ${mm(value)} wide instead of ${bare(width)}.`,
        remedy: { kind: 'rule', key: rule.key, value },
      }
    }
  }
  return {
    mend:
      profile && rule
        ? say`Take thinner leather for it, or move its edge on the upper: no skive up to ${mm(rule.max)} does it.`
        : 'Take thinner leather for it, or move its edge on the upper.',
    remedy: otherLeatherFor(part, area),
  }
}

/** An area with the skives of one rule so many times as wide. */
const skivedOver = (area: WallArea, rule: Rule, times: number): WallArea => ({
  ...area,
  thinned: area.thinned.map((t) =>
    t.widthRule === rule ? { ...t, profile: t.profile.map(([d, thick]) => [d * times, thick] as const) } : t,
  ),
})

const otherLeather = (at: MaterialRole): Remedy => ({ kind: 'open', control: { room: 'decisions', at } })

/** Where another leather is chosen for a layer: for the piece alone where it has its like, else for all that serves so. */
const otherLeatherFor = (part: string, area: WallArea | undefined): Remedy =>
  area && !EVEN.includes(part) && pieceRole(part) !== null
    ? { kind: 'open', control: { room: 'decisions', piece: { id: part, name: area.name } } }
    : otherLeather(leatherOf(part, area))
/** The whole wall of a pattern that lies on no forme, of one leather each. */
const EVEN = ['upper', 'lining']

/** The leather that a layer of the wall is cut from. */
function leatherOf(part: string, area: WallArea | undefined): MaterialRole {
  if (part === 'stiffener' || part === 'puff') return part
  if (!area || area.depth >= DEPTHS.reinforcement) return 'upper'
  return area.depth === DEPTHS.foam ? 'foam' : 'lining'
}

/** Skives are tried in steps of so much, mm, until what is left of the step is by this share under its limit. */
const WIDER = 1
const SPARE = 0.03

function turnFinding(thickest: FeatherPlace, { margin, book }: LayerNeeds): LayerFinding {
  const limit = book.value(layerRules.turnShare) * margin
  const fine = thickest.thickness <= limit
  return {
    id: 'layers.turn',
    level: fine ? 'fine' : 'stop',
    where: say`feather line, ${thickest.side} side, ${mm(thickest.x, 0)} from the heel back`,
    sentence: fine
      ? say`At most ${mm(thickest.thickness, 1)} are turned over the feather (${listed(thickest.layers)}); with a margin of ${mm(margin, 0)} up to ${mm(limit, 1)} will turn.`
      : say`${mm(thickest.thickness, 1)} lie at the feather (${listed(thickest.layers)}): with a margin of ${mm(margin, 0)} only ${mm(limit, 1)} will turn.`,
    measured: thickest.thickness,
    limit,
    unit: 'mm',
    ...(fine ? { mend: '' } : toTurn(thickest.thickness / book.value(layerRules.turnShare))),
    at: null,
  }
}

/** A margin so wide turns what lies at the feather; past what can be cut only less leather helps. */
function toTurn(margin: number): Pick<LayerFinding, 'mend' | 'remedy'> {
  const value = Math.ceil(2 * margin) / 2
  return value > edgeRules.lasting.max
    ? { mend: 'Skive the turned edges, or take thinner leather.', remedy: otherLeather('upper') }
    : {
        mend: say`Skive the turned edges, take thinner leather, or cut the margin ${mm(value)} wide.`,
        remedy: { kind: 'rule', key: edgeRules.lasting.key, value },
      }
}

/** Behind this share of the last length lies the seat. */
const SEAT = 0.2

/** The shrink is read over about as much of the edge as one fold takes, mm. */
const FOLD = 10

/** Folds are cut out at the bench; a margin so narrow makes fewer, where pliers still hold it. */
function lessAtSeat(margin: number, book: RuleBook): Pick<LayerFinding, 'mend' | 'remedy'> {
  const value = Math.floor(2 * margin) / 2
  const least = Math.max(edgeRules.lasting.min, book.value(edgeRules.leastMargin))
  // Where something else is turned under further than the upper, its margin is not what crowds.
  const helps = value >= least && margin < book.value(edgeRules.lasting)
  return helps
    ? {
        mend: say`Cut the folds out flush before gluing, or cut the margin ${mm(value)} wide.`,
        remedy: { kind: 'rule', key: edgeRules.lasting.key, value },
      }
    : { mend: 'Cut the folds out flush before gluing.' }
}

/**
 * How much what lies flat under the insole must shrink where the seat is roundest: a strip at depth d inside an edge of
 * curvature k loses the share k d of its length (arc of radius 1/k - d against 1/k).
 */
function seatFinding({ bottom, turned, margin, book }: LayerNeeds): LayerFinding {
  const worst = roundest(bottom, SEAT * bottom.length)
  const { side, x } = bottom.stations[worst.at]!
  const depth = turned.reachUnder(side, x)
  const shrinks = Math.min(99, 100 * worst.curvature * depth)
  const limit = book.value(layerRules.crowded)
  const fine = shrinks <= limit
  const lies = say`${mm(depth, 1)} of the margin lie flat under the insole; where the seat is roundest`
  return {
    id: 'layers.seat',
    level: fine ? 'fine' : 'watch',
    where: 'margin under the seat',
    sentence: fine
      ? say`${lies} their inner edge has to shrink by ${shrinks.toFixed(0)} %; up to ${limit} % go down in small folds.`
      : say`${lies} their inner edge has to shrink by ${shrinks.toFixed(0)} %: the folds lie on each other and the seat stands proud.`,
    measured: shrinks,
    limit,
    unit: '%',
    ...(fine ? { mend: '' } : lessAtSeat(margin - (depth - limit / (100 * worst.curvature)), book)),
    at: null,
  }
}

/**
 * Thickness and shrink along the feather line, heel to toe: what lies flat `depth` inside an edge of curvature k loses the
 * share k d of its length, as under the seat (see seatFinding).
 */
function alongFeather({ bottom, turned }: LayerNeeds): FeatherRun[] {
  const turn = turnsOf(bottom.outline)
  return looked(bottom)
    .map(({ side, x, at }): FeatherRun => ({
      side,
      x,
      thickness: thicknessOf(turned.atFeather(side, x)),
      shrinks: Math.min(99, Math.max(0, 100 * turn(at) * turned.reachUnder(side, x))),
    }))
    .sort((a, b) => (a.side === b.side ? a.x - b.x : a.side < b.side ? -1 : 1))
}

/** The place behind x at which a bottom's outline turns most over the length of a fold, and how much it turns there, 1/mm. */
function roundest({ outline }: DevelopedBottom, x: number): { at: number; curvature: number } {
  const turn = turnsOf(outline)
  let best = { at: 0, curvature: -Infinity }
  outline.forEach((p, at) => {
    if (p[0] >= x) return
    const curvature = turn(at)
    if (curvature > best.curvature) best = { at, curvature }
  })
  return best
}

/** How much a closed outline turns at each of its points, 1/mm, over about the length of a fold. */
function turnsOf(outline: Path): (at: number) => number {
  const n = outline.length
  const k = curvatures(outline)
  const step = outline.map((p, i) => (distance(outline[(i + n - 1) % n]!, p) + distance(p, outline[(i + 1) % n]!)) / 2)
  return (i) => {
    let [turned, run] = [k[i]! * step[i]!, step[i]!]
    for (let d = 1; run < FOLD && d < n / 2; d++) {
      for (const j of [(i + d) % n, (i + n - d) % n]) {
        turned += k[j]! * step[j]!
        run += step[j]!
      }
    }
    return turned / run
  }
}
