import { featherOf } from '../../forme/charts.ts'
import { nearest, outwardNormals, pointsAt } from '../../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../../geometry/path.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import { edgeRules } from '../edgeRules.ts'
import { throatShift } from '../throat.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'
import { mm, say, bare } from '../../units/sentence.ts'
import { SAME } from '../../geometry/tolerance.ts'

/** Ends of the feather line are left out: there the halves meet. */
const ENDS = 12

/**
 * Margin that is left under the feather line at evenly spaced places, mm: the allowance, less what the pattern's
 * feather line lies above the last's own, and the shift of a mirrored throat.
 */
export function marginLeft(needs: CheckNeeds, side: Side, allowance: number): { at: Point; left: number }[] {
  const pattern = needs.board.feather[side]
  const { forme } = needs.map
  // The side's feather line as the last has it, laid on the mean forme.
  const own = featherOf(forme, forme.flat[side])
  const whole = pathLength(pattern)
  const { shift, added } = throatShift(needs)
  const moved = side === 'medial' ? added - shift : shift
  const places = Array.from({ length: 41 }, (_, k) => ENDS + ((whole - 2 * ENDS) * k) / 40)
  return pointsAt(pattern, places).map((at) => {
    const near = nearest(own, at)
    // The pattern ends above the last's feather where the last's lies lower on the sheet.
    const short = near.point[1] < at[1] ? near.away : -near.away
    return { at, left: allowance - short + moved }
  })
}

/** What is left of the lasting margin all round one side, as the line to which it reaches past the feather; mm on the forme. */
export function marginLine(needs: CheckNeeds, side: Side): Path {
  const places = marginLeft(needs, side, needs.book.value(edgeRules.lasting))
  const normals = outwardNormals(
    places.map((p) => p.at),
    false,
  )
  return places.map(({ at, left }, i): Point => [at[0] + normals[i]![0] * left, at[1] + normals[i]![1] * left])
}

/** Is there margin enough all round on both sides? */
export function marginFindings(needs: CheckNeeds): UpperFinding[] {
  const { book, bottom } = needs
  if (bottom !== 'lasting margin') return []
  const allowance = book.value(edgeRules.lasting)
  const least = book.value(edgeRules.leastMargin)
  return wallSides.map((side): UpperFinding => {
    const places = marginLeft(needs, side, allowance)
    const worst = places.reduce((a, b) => (b.left < a.left ? b : a))
    const short = places.filter((p) => p.left < least - SAME).length
    const mean = needs.decisions.forme.feather === 'mean'
    return {
      id: `upper.margin.${side}`,
      level: short === 0 ? 'fine' : worst.left >= least - 3 ? 'watch' : 'stop',
      where: `lasting margin, ${side} side`,
      sentence:
        short === 0
          ? say`The ${side} margin is ${mm(worst.left, 1)} where it is narrowest; pliers need ${bare(least)}.`
          : say`The ${side} margin is only ${mm(worst.left, 1)} at its narrowest, ${mm(least - worst.left, 1)} too little, and short over ${Math.round((100 * short) / places.length)} % of the side.`,
      measured: worst.left,
      limit: least,
      unit: 'mm',
      ...(short === 0 ? { mend: '' } : widerMargin(allowance + least - worst.left, mean)),
      at: { side, point: worst.at },
    }
  })
}

/** What makes a margin wide enough: each side's own feather line where both have the mean one, or more leather. */
function widerMargin(wanted: number, mean: boolean): Pick<UpperFinding, 'mend' | 'remedy'> {
  if (mean) {
    return {
      mend: 'Let each side keep its own feather line, or widen the margin.',
      remedy: {
        kind: 'choice',
        name: 'own feather line on each side',
        decisions: { upper: { forme: { feather: 'own' } } },
      },
    }
  }
  const value = Math.ceil(2 * wanted) / 2
  if (value > edgeRules.lasting.max) return { mend: say`No margin up to ${mm(edgeRules.lasting.max)} does it.` }
  return {
    mend: say`Widen the lasting margin to ${mm(value)}.`,
    remedy: { kind: 'rule', key: edgeRules.lasting.key, value },
  }
}
