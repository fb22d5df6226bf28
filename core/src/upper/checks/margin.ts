import { featherOf } from '../../forme/charts.ts'
import { nearest, outwardNormals, pointsAt } from '../../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../../geometry/path.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import { edgeRules } from '../edgeRules.ts'
import { MARGIN_PLACES, marginPoint, moreAt } from '../marginMore.ts'
import { throatShift } from '../throat.ts'
import type { MovedPoint } from '../../model/upper.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'
import { mm, say, bare } from '../../units/sentence.ts'
import { SAME } from '../../geometry/tolerance.ts'

/** Ends of the feather line are left out: there the halves meet. */
const ENDS = 12

/** A place of the feather line so near to a piece's bottom edge lies on it, mm. */
const ON_FEATHER = 2
/** One of a pattern drawn elsewhere may lie so far aside, mm. */
const DRAWN_ASIDE = 15

/** What of the lasting margin is left at one of the places that are looked at. */
interface MarginPlace {
  place: number
  at: Point
  left: number
}

/**
 * Margin that is left under the feather line at evenly spaced places, mm: the allowance, less what the pattern's
 * feather line lies above the last's own, and the shift of a mirrored throat; of a pattern drawn elsewhere also less what its
 * bottom edge lies above the feather line.
 */
export function marginLeft(needs: CheckNeeds, side: Side, allowance: number): MarginPlace[] {
  const pattern = needs.board.feather[side]
  const { forme } = needs.map
  // The side's feather line as the last has it, laid on the mean forme.
  const own = featherOf(forme, forme.flat[side])
  const whole = pathLength(pattern)
  const { shift, added } = throatShift(needs)
  const moved = side === 'medial' ? added - shift : shift
  const isDrawn = needs.decisions.style === 'own pattern'
  const places = Array.from({ length: 41 }, (_, k) => ENDS + ((whole - 2 * ENDS) * k) / 40)
  const bottoms = needs.pieces.flatMap((p) =>
    p.places.filter((q) => q.side === side).flatMap((q) => q.edges.filter((e) => e.role === 'lasting margin')),
  )
  return pointsAt(pattern, places).flatMap((at, place): MarginPlace[] => {
    // Where nothing of an open shoe comes down to the feather there is no margin.
    const drawn = bottoms
      .map((e) => nearest(e.line, at))
      .reduce<ReturnType<typeof nearest> | null>((a, b) => (a && a.away <= b.away ? a : b), null)
    if (!drawn || drawn.away > (isDrawn ? DRAWN_ASIDE : ON_FEATHER)) return []
    // A pattern drawn elsewhere ends where it was drawn, not on the forme's own feather line.
    const above = isDrawn ? (drawn.point[1] > at[1] ? drawn.away : -drawn.away) : 0
    const near = nearest(own, at)
    // The pattern ends above the last's feather where the last's lies lower on the sheet.
    const short = near.point[1] < at[1] ? near.away : -near.away
    const more = needs.margin ? moreAt(needs.margin[side], nearest(pattern, at).at / whole) : 0
    return [{ place, at, left: allowance + more - short - above + moved }]
  })
}

/** What is left of the lasting margin along one side, as the lines to which it reaches past the feather; mm on the forme. */
export function marginLines(needs: CheckNeeds, side: Side): Path[] {
  const stretches: MarginPlace[][] = []
  for (const here of marginLeft(needs, side, needs.book.value(edgeRules.lasting))) {
    const last = stretches[stretches.length - 1]
    if (last?.[last.length - 1]?.place === here.place - 1) last.push(here)
    else stretches.push([here])
  }
  return stretches
    .filter((places) => places.length > 1)
    .map((places) => {
      const normals = outwardNormals(
        places.map((p) => p.at),
        false,
      )
      return places.map(({ at, left }, i): Point => [at[0] + normals[i]![0] * left, at[1] + normals[i]![1] * left])
    })
}

/** Is there margin enough all round on both sides? */
export function marginFindings(needs: CheckNeeds): UpperFinding[] {
  const { book, bottom } = needs
  if (bottom !== 'lasting margin') return []
  const allowance = book.value(edgeRules.lasting)
  const least = book.value(edgeRules.leastMargin)
  return wallSides.flatMap((side): UpperFinding[] => {
    const places = marginLeft(needs, side, allowance)
    if (places.length === 0) return []
    const worst = places.reduce((a, b) => (b.left < a.left ? b : a))
    const short = places.filter((p) => p.left < least - SAME).length
    const mean = needs.decisions.forme.feather === 'mean'
    const finding: UpperFinding = {
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
      ...(short === 0
        ? { mend: '' }
        : (widerThere(needs, side, places, least) ?? widerMargin(allowance + least - worst.left, mean))),
      at: { side, point: worst.at },
    }
    return [finding]
  })
}

/** A margin that is short along no more of a side than this is mended just there. */
const JUST_THERE = 0.45

/** The margin widened just where it is short, by what it lacks there; null where it is short along much of the side. */
function widerThere(
  { board, margin, decisions }: CheckNeeds,
  side: Side,
  places: readonly MarginPlace[],
  least: number,
): Pick<UpperFinding, 'mend' | 'remedy'> | null {
  const lacking = places.filter((p) => p.left < least - SAME)
  if (decisions.forme.feather === 'mean' || lacking.length > JUST_THERE * places.length) return null
  const whole = pathLength(board.feather[side])
  const step = 1 / (MARGIN_PLACES - 1)
  const by = Array.from({ length: MARGIN_PLACES }, (_, k) =>
    lacking
      .filter((p) => Math.abs(nearest(board.feather[side], p.at).at / whole - k * step) < step)
      .reduce((most, p) => Math.max(most, least - p.left), 0),
  )
  const points = Object.fromEntries(
    by.flatMap((more, k) => {
      if (more === 0) return []
      const key = `${marginPoint(k)}:${k === 0 || k === MARGIN_PLACES - 1 ? 'both' : side}`
      return [[key, [((margin?.[side][k] ?? 0) + more + SPARE) / board.length, 0] as MovedPoint]]
    }),
  )
  const most = Math.max(...by)
  return {
    mend: say`Widen the margin just there, by up to ${mm(most, 1)}.`,
    remedy: {
      kind: 'choice',
      name: say`margin wider just there, by up to ${mm(most, 1)}`,
      decisions: { upper: { points } },
    },
  }
}

/** Widened a little further than asked for, so that rounding does not leave it short, mm. */
const SPARE = 0.3

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
