import { nearest } from '../../geometry/polyline.ts'
import { distance, type Point } from '../../geometry/path.ts'
import { SAME } from '../../geometry/tolerance.ts'
import { mm, say } from '../../units/sentence.ts'
import { shaftWidth } from '../shaftWidth.ts'
import { styleRules } from '../styleRules.ts'
import { movePoints, nearestPoint } from './movedPoint.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'

/** Under this share of what is wanted nobody gets in any more; above it one does with a shoehorn. */
const FORCED = 0.96
/** Points that the front of a shaft hangs on. */
const OF_THE_FRONT = ['shaftFront', 'shaftInstep', 'vampPoint']
/** Moved a little further than asked for, so that rounding does not leave it short, mm. */
const SPARE = 0.5

/** Does the heel of the foot pass a shaft that has neither zip nor lacing? */
export function pullOnFindings(needs: CheckNeeds): UpperFinding[] {
  const { drawn, heelGirth, book, points } = needs
  if (!drawn.front || !drawn.backLine || drawn.zip || drawn.facings) return []
  const { width, at } = shaftWidth(drawn.front, drawn.backLine)
  const [round, through] = [2 * width, heelGirth * book.value(styleRules.pullOnEase)]
  const passes = round >= through - SAME
  const point = passes
    ? null
    : nearestPoint(
        points.filter((p) => OF_THE_FRONT.includes(p.id)),
        'lateral',
        at,
      )
  const by = through / 2 - width + SPARE
  return [
    {
      id: 'upper.pullOn',
      level: passes ? 'fine' : round >= FORCED * through ? 'watch' : 'stop',
      where: 'shaft',
      sentence: passes
        ? say`Where it is narrowest the shaft measures ${mm(round, 0)} round; the short heel, which has to pass, ${mm(heelGirth, 0)}.`
        : say`Where it is narrowest the shaft measures only ${mm(round, 0)} round; ${mm(through, 0)} let the heel through.`,
      measured: round,
      limit: through,
      unit: 'mm',
      mend: passes
        ? ''
        : say`Move its front out by ${mm(by, 1)} there${point ? `, at its point “${point.name}”` : ''}.`,
      remedy:
        passes || !point
          ? undefined
          : movePoints(needs, say`${point.name} further out by ${mm(by, 1)}`, [
              { point, side: 'lateral', to: further(point.at.lateral, drawn.backLine, by) },
            ]),
      at: { side: 'lateral', point: at },
    },
  ]
}

/** A point moved straight away from a line. */
function further(p: Point, line: readonly Point[], by: number): Point {
  const from = nearest(line, p).point
  const l = distance(from, p) || 1
  return [p[0] + ((p[0] - from[0]) / l) * by, p[1] + ((p[1] - from[1]) / l) * by]
}
