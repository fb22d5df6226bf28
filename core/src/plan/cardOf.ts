import { distance, type Path, type Point } from '../geometry/path.ts'
import type { PairCard } from '../model/pairCard.ts'
import type { Plan } from './planPair.ts'

/** Parts by which a pair is known at a glance. */
const SHOWN = ['insole', 'stiffener']
/** A picture a hundred pixels wide needs no finer steps, mm. */
const STEP = 2

/** An outline in steps of at least so much, to a tenth of a millimetre. */
function coarse(path: Path): Path {
  const out: Point[] = []
  for (const p of path) {
    if (out.length === 0 || distance(out[out.length - 1], p) >= STEP) out.push(p)
  }
  return out.map(([x, y]): Point => [Math.round(x * 10) / 10, Math.round(y * 10) / 10])
}

/** The card of a pair from its plan. */
export function cardOf(plan: Plan): PairCard {
  return {
    problem: '',
    worst: plan.worst,
    steps: plan.operations.map(({ id, name }) => ({ id, name })),
    shapes: plan.parts
      .filter((p) => SHOWN.includes(p.id))
      .map(({ id, name, outline }) => ({ id, name, outline: coarse(outline) })),
  }
}
