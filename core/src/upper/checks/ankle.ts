import { nearest } from '../../geometry/polyline.ts'
import { firstCrossing } from '../../geometry/lineCrossing.ts'
import type { Path } from '../../geometry/path.ts'
import type { Rule } from '../../trade/rules.ts'
import { topLineRules } from '../topLine.ts'
import { wallSides } from '../../trade/side.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'
import { movePoints, nearestPoint } from './movedPoint.ts'
import { mm, say } from '../../units/sentence.ts'

export const ankleRules = {
  clear: {
    key: 'upper.ankleClear',
    name: 'Top line below the ankle bone by at least',
    value: 3,
    min: 0,
    max: 10,
    unit: 'mm',
    why: 'An edge that touches the bone rubs it raw.',
  },
} satisfies Record<string, Rule>

/** A point this near to a line is one that it was drawn through, mm. */
const ON_LINE = 1

/** A top line that ends this high over the ankle passes above the bone: a boot, mm. */
const ABOVE_THE_BONE = 35

/** Does the top line pass below the ankle bones, measured or by rule? */
export function ankleFindings({ board, drawn, points, book, decisions, map }: CheckNeeds): UpperFinding[] {
  const x = book.value(topLineRules.ankleStation) * board.length
  const rule = book.value(topLineRules.ankleShare) * board.length
  const rise = book.value(topLineRules.medialRise)
  const clear = book.value(ankleRules.clear)
  return wallSides.flatMap((side): UpperFinding[] => {
    const foot = map.above(x, 0)
    const up: Path = [foot, map.above(x, 160)]
    const hit = firstCrossing(up, drawn.topLine[side])
    if (!hit) return []
    const height = nearest(map.feather, hit.point).away
    const measured = decisions.ankleBone[side]
    const bone = measured ?? (side === 'lateral' ? rule : rule + rise) + clear
    if (height > bone + ABOVE_THE_BONE) return []
    const over = height - (bone - clear)
    const point = nearestPoint(
      points.filter((p) => p.track === 'free' && nearest(drawn.topLine[side], p.at[side]).away < ON_LINE),
      side,
      hit.point,
    )
    const down = mm(over, 1)
    return [
      {
        id: `upper.ankle.${side}`,
        level: over <= 0.5 ? 'fine' : over <= clear ? 'watch' : 'stop',
        where: `top line, ${side} ankle`,
        sentence: say`Under the ${side} ankle the top line is ${mm(height, 1)} above the feather; the bone ${measured === null ? 'is expected' : 'was measured'} at ${mm(bone, 1)}, and ${mm(clear)} below it are wanted.`,
        measured: height,
        limit: bone - clear,
        unit: 'mm',
        mend:
          over <= 0.5 ? '' : say`Lower the top line there by ${down}${point ? `, at its point “${point.name}”` : ''}.`,
        at: { side, point: hit.point },
        remedy:
          over > 0.5 && point
            ? movePoints({ board }, say`${point.name} lower by ${down}`, [
                { point, side, to: [point.at[side][0], point.at[side][1] - over] },
              ])
            : undefined,
      },
    ]
  })
}
