import { curvatures } from '../geometry/polyline.ts'
import { distance, type Path } from '../geometry/path.ts'
import type { Remedy } from '../trade/remedy.ts'
import { edgeRules } from '../upper/edgeRules.ts'
import type { FeatherPlace, LayerFinding, LayerNeeds } from './needs.ts'
import { layerRules } from './layerRules.ts'
import { listed, thicknessOf } from './turnedStack.ts'
import { DEPTHS } from '../trade/wallArea.ts'
import { mm, say } from '../units/sentence.ts'

/** The curvature of the tightest place is the mean of so much of the feather line either way of it, mm. */
const TIGHT = 12

/**
 * Leather turned outwards: what lies over the feather there, and how much its edge must stretch: a strip of width d outside
 * a line of curvature k grows by the share k d (arc of radius 1/k + d against 1/k).
 */
export function turnedOutFindings({ map, bottom, turned, areas, book }: LayerNeeds, width: number): LayerFinding[] {
  const upper = new Set(areas.filter((a) => a.depth >= DEPTHS.upper).map((a) => a.part))
  const places = bottom.stations
    .filter((_, i) => i % 3 === 0)
    .map(({ side, x }): FeatherPlace => {
      const layers = turned.atFeather(side, x).filter((l) => upper.has(l.part))
      return { side, x, layers, thickness: thicknessOf(layers) }
    })
  const thickest = places.reduce((a, b) => (b.thickness > a.thickness ? b : a))
  const limit = book.value(layerRules.turnShare) * width
  const folds = thickest.thickness <= limit
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
      level: folds ? 'fine' : 'stop',
      where: say`turned-out edge, ${thickest.side} side, ${mm(thickest.x, 0)} from the heel back`,
      sentence: folds
        ? say`At most ${mm(thickest.thickness, 1)} are turned outwards (${listed(thickest.layers)}); of ${mm(width, 0)} up to ${mm(limit, 1)} will fold.`
        : say`${mm(thickest.thickness, 1)} are turned outwards (${listed(thickest.layers)}): of ${mm(width, 0)} only ${mm(limit, 1)} will fold flat.`,
      measured: thickest.thickness,
      limit,
      unit: 'mm',
      mend: folds ? '' : 'Thin cover and section over the span they share, or turn out more.',
      remedy: folds
        ? undefined
        : turnOut(Math.ceil((2 * thickest.thickness) / book.value(layerRules.turnShare)) / 2, 'upper'),
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
