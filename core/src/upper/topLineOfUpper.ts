import { resample } from '../geometry/polyline.ts'
import { pathLength } from '../geometry/path.ts'
import type { FormeMap } from '../forme/formeMap.ts'
import { wallSides, type Side } from '../trade/side.ts'
import { wallPlace } from '../last/wallPlace.ts'
import { openingFromBack } from './opening.ts'
import type { DrawnUpper } from './style.ts'
import type { RuleBook } from '../trade/rules.ts'
import { roundTheHeel, topLineRules, type TopLine } from './topLine.ts'

/** Wanted distance between the places at which the opening's edge is measured on the last, mm. */
const STEP = 7

/**
 * The top line as the upper has it: the edge of its opening, measured on the last straight up the wall. In front of the
 * opening it stays as high as the opening ends.
 */
export function topLineOfUpper(map: FormeMap, drawn: DrawnUpper, book: RuleBook): TopLine {
  const curve = (side: Side) => {
    const path = openingFromBack(drawn, side)
    const points = resample(path, Math.max(8, Math.round(pathLength(path) / STEP))).map((p) =>
      wallPlace(map.surface, side, map.toLast(side, p)),
    )
    // The first is the top of the back itself; what runs backwards says nothing new about heights.
    const knots: [number, number][] = [[0, points[0]!.height]]
    for (const { station, height } of points.slice(1)) {
      if (station > knots[knots.length - 1]![0] + 1) knots.push([station, height])
    }
    const whole = roundTheHeel(knots)
    const last = knots[knots.length - 1]!
    return { height: (at: number) => (at >= last[0] ? last[1] : whole(at)), back: knots[0]![1] }
  }
  const curves = { lateral: curve('lateral'), medial: curve('medial') }
  const { back } = curves.lateral
  const lowest = (side: Side) => {
    const at = book.value(topLineRules.ankleStation) * map.surface.length
    return Math.min(...[0.8, 0.9, 1, 1.1, 1.2].map((k) => curves[side].height(k * at)))
  }
  return {
    back,
    height: (side, at) => curves[side].height(at),
    becauses: [
      {
        id: 'topLine.back',
        quantity: 'Top line at the back',
        value: back,
        unit: 'mm',
        sentence: 'As the upper is drawn, measured up the back curve of the last.',
        inputs: [],
        origin: 'measured on the last',
      },
      ...wallSides.map((side) => ({
        id: `topLine.${side}`,
        quantity: `Top line under the ${side} ankle`,
        value: lowest(side),
        unit: 'mm' as const,
        sentence: `The lowest of the ${side} quarter's edge there, measured straight up the wall.`,
        inputs: [],
        origin: 'measured on the last' as const,
      })),
    ],
  }
}
