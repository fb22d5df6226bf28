import type { Path, Point } from '../geometry/path.ts'
import { simplify } from '../geometry/simplify.ts'
import type { PairCard } from '../model/pairCard.ts'
import type { Plan } from './plan.ts'

/** Parts by which a pair is known at a glance. */
const SHOWN = ['insole', 'stiffener']
/** A picture a hundred pixels wide shows no less, mm. */
const TOLERANCE = 0.4

/** An outline with few points, to a tenth of a millimetre. */
const coarse = (path: Path): Path =>
  simplify([...path, path[0]!], TOLERANCE)
    .slice(0, -1)
    .map(([x, y]): Point => [Math.round(x * 10) / 10, Math.round(y * 10) / 10])

/** The card of a pair from its plan. */
export function cardOf(plan: Plan): PairCard {
  return {
    problem: '',
    worst: plan.worst,
    steps: plan.steps.map(({ id, name }) => ({ id, name })),
    shapes: plan.parts
      .filter((p) => SHOWN.includes(p.id))
      .map(({ id, name, outline }) => ({ id, name, outline: coarse(outline) })),
  }
}
