import { curvatures } from '../geometry/polyline.ts'
import { distance, type Path } from '../geometry/path.ts'
import type { Remedy } from '../trade/remedy.ts'
import { edgeRules } from '../upper/edgeRules.ts'
import type { FeatherPlace, LayerFinding, LayerNeeds } from './needs.ts'
import { layerRules } from './layerRules.ts'
import { listed, thicknessOf } from './turnedStack.ts'
import type { Level } from '../model/level.ts'
import type { RuleBook } from '../trade/rules.ts'
import { edgeSkiveRules } from './edgeSkive.ts'
import { familyOf } from '../trade/partCatalogue.ts'
import { DEPTHS } from '../trade/wallArea.ts'
import { mm, say } from '../units/sentence.ts'

/** The curvature of the tightest place is the mean of so much of the feather line either way of it, mm. */
const TIGHT = 12

/** A stack bends outwards round its own thickness: its middle runs on a quarter circle of 1.5 times that. */
const BEND = (Math.PI / 2) * 1.5

/**
 * What of a margin of so many mm lies flat once a stack is turned outwards in it, mm: bent round its own thickness T its
 * middle goes round on (pi / 2) (T + T / 2), and the rest lies down (docs/trade.md, "Layers and bulk").
 */
export const liesFlat = (margin: number, thickness: number): number => margin - BEND * thickness

/** The thickest stack of which so large a share of the margin still lies flat, mm. */
export const turnsOut = (margin: number, share: number): number => (margin * (1 - share)) / BEND

/**
 * Leather turned outwards: what lies over the feather there, and how much its edge must stretch: a strip of width d outside
 * a line of curvature k grows by the share k d (arc of radius 1/k + d against 1/k).
 */
export function turnedOutFindings({ map, bottom, turned, areas, book }: LayerNeeds, width: number): LayerFinding[] {
  // Backers lie under their pieces and go with them.
  const upper = new Set(areas.filter((a) => a.depth > DEPTHS.reinforcement).map((a) => a.part))
  const places = bottom.stations
    .filter((_, i) => i % 3 === 0)
    .map(({ side, x }): FeatherPlace => {
      const layers = turned.atFeather(side, x).filter((l) => upper.has(l.part))
      return { side, x, layers, thickness: thicknessOf(layers) }
    })
  const thickest = places.reduce((a, b) => (b.thickness > a.thickness ? b : a))
  const limit = turnsOut(width, book.value(layerRules.turnedFlat))
  const flat = liesFlat(width, thickest.thickness)
  const level: Level = thickest.thickness <= limit ? 'fine' : flat > 0 ? 'watch' : 'stop'
  const stack = say`${mm(thickest.thickness, 1)} are turned outwards (${listed(thickest.layers)})`
  const turn = say`Bent round its own thickness it takes ${mm(width - Math.max(0, flat), 1)} of the ${mm(width, 0)}`
  const gives = book.value(layerRules.stretch)
  const k = curvatures(bottom.outline)
  const tightest = bottom.outline.reduce((best, _, i) => (k[i]! > k[best]! ? i : best), 0)
  const { sum, run } = around(bottom.outline, k, tightest, TIGHT)
  const grows = (100 * sum * width) / run
  const stretches = grows <= gives
  const toe = bottom.outline[tightest]![0] > bottom.length / 2
  return [
    {
      id: 'layers.turnOut',
      level,
      where: say`turned-out edge, ${thickest.side} side, ${mm(thickest.x, 0)} from the heel back`,
      sentence:
        level === 'fine'
          ? say`At most ${stack}. ${turn}, and ${mm(flat, 1)} lie flat.`
          : level === 'watch'
            ? say`${stack}. ${turn}: ${mm(flat, 1)} lie flat, where ${mm(width * book.value(layerRules.turnedFlat), 1)} are wanted. It is hard to turn and stands up again.`
            : say`${stack}. ${turn}: nothing is left to lie flat.`,
      measured: thickest.thickness,
      limit,
      unit: 'mm',
      ...(level === 'fine' ? { mend: '' } : toTurnOut(thickest, limit, book)),
      at: { side: thickest.side, point: map.featherAt(thickest.x) },
    },
    {
      id: 'layers.stretch',
      level: stretches ? 'fine' : 'watch',
      where: `turned-out edge round the ${toe ? 'toe' : 'heel'}`,
      sentence: stretches
        ? `Round the ${toe ? 'toe' : 'heel'} the turned-out edge has to stretch by ${grows.toFixed(0)} %; wet leather gives up to ${gives} %.`
        : `Round the ${toe ? 'toe' : 'heel'} the turned-out edge has to stretch by ${grows.toFixed(0)} %: past ${gives} % it tears or will not lie flat.`,
      measured: grows,
      limit: gives,
      unit: '%',
      mend: stretches ? '' : 'Turn out less there, work it wet over several days, or take a rounder last.',
      remedy: stretches ? undefined : turnOut(Math.floor((2 * width * gives) / grows) / 2, 'last'),
      at: null,
    },
  ]
}

/** Two leathers are thinned where they lie on each other; one alone wants a wider margin, or another leather. */
function toTurnOut(
  { layers, thickness }: FeatherPlace,
  limit: number,
  book: RuleBook,
): Pick<LayerFinding, 'mend' | 'remedy'> {
  const { key, min } = edgeSkiveRules.turnedShare
  const share = book.value(edgeSkiveRules.turnedShare)
  const value = Math.floor((20 * share * limit) / thickness) / 20
  // A backer is no second leather.
  const leathers = new Set(layers.map((l) => l.part).filter((part) => familyOf(part) !== 'backer'))
  if (leathers.size > 1 && value >= min) {
    return {
      mend: say`Skive both to ${value} of their thickness over the span they share.`,
      remedy: { kind: 'rule', key, value },
    }
  }
  const wide = Math.ceil((2 * BEND * thickness) / (1 - book.value(layerRules.turnedFlat))) / 2
  return {
    mend: 'Turn out more, or take thinner leather.',
    remedy: turnOut(wide, 'upper'),
  }
}

/** The turned-out margin made so wide, mm; where it cannot be, the choice that helps instead. */
function turnOut(value: number, at: 'last' | 'upper'): Remedy {
  const { key, min, max } = edgeRules.turnedOut
  return value >= min && value <= max
    ? { kind: 'rule', key, value }
    : { kind: 'open', control: { room: 'decisions', at } }
}

/** Curvature times length, and length, of what lies within so many mm along an outline either way of a point. */
function around(outline: Path, k: ArrayLike<number>, middle: number, reach: number): { sum: number; run: number } {
  const n = outline.length
  const at = (i: number) => outline[(i + 2 * n) % n]
  let [sum, run] = [0, 0]
  for (const way of [1, -1]) {
    let gone = 0
    for (let j = 0; gone < reach && j < n; j++) {
      const i = middle + way * j
      const step = distance(at(i)!, at(i + way)!)
      gone += step
      sum += (step * (k[(i + 2 * n) % n]! + k[(i + way + 2 * n) % n]!)) / 2
      run += step
    }
  }
  return { sum, run }
}
