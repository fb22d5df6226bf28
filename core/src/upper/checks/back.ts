import { curvatures, nearest, pointAt, resample } from '../../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../../geometry/path.ts'
import type { Remedy } from '../../trade/remedy.ts'
import type { Rule } from '../../trade/rules.ts'
import { takenIn } from '../backTaper.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'
import { mm, mmTo, say, bare } from '../../units/sentence.ts'
import { ROUNDING, SAME } from '../../geometry/tolerance.ts'

export const backRules = {
  gap: {
    key: 'upper.backGap',
    name: 'Back line may stand off the last by at most',
    value: 2,
    min: 0.5,
    max: 4,
    unit: 'mm',
    why: 'Lining and stiffener need the room; more makes thick folds at the seat when the heel is lasted.',
  },
  taperStart: {
    key: 'upper.taperStart',
    name: 'Taper to begin with',
    value: 2,
    min: 1,
    max: 3,
    unit: 'mm',
    why: say`Begin with ${mm(2)} a side, check again, and go on.`,
  },
  taperMost: {
    key: 'upper.taperMost',
    name: 'Most taper on a side',
    value: 4,
    min: 3,
    max: 5,
    unit: 'mm',
    why: say`More than ${mmTo(3, 4)} a side makes a bump on the back line.`,
  },
  grip: {
    key: 'upper.backGrip',
    name: 'Back comes in at the top by at least',
    value: 2,
    min: 0,
    max: 8,
    unit: 'mm',
    why: 'A little curve inwards at the top of the back keeps the shoe on the foot.',
  },
} satisfies Record<string, Rule>

/**
 * How far a back line stands behind the last's own, at evenly spaced heights from the foot up, mm; drawn forward until
 * it touches.
 */
export function standOff(backLine: Path, curve: Path, steps = 40): { share: number; off: number }[] {
  const line = resample(backLine, steps + 1)
  const off = line.map((p, i) => {
    const near = nearest(curve, p)
    // Behind the curve (smaller x) is off the last, in front of it the leather is stretched over it.
    return { share: i / steps, off: p[0] < near.point[0] ? near.away : -near.away }
  })
  const touch = off.reduce((least, o) => Math.min(least, o.off), Infinity)
  return off.map((o) => ({ share: o.share, off: o.off - touch }))
}

/** Gap below mid-height: where a flat back line makes folds. */
export const lowGap = (backLine: Path, curve: Path) =>
  standOff(backLine, curve)
    .filter((o) => o.share <= 0.5)
    .reduce((most, o) => (o.off > most.off ? o : most))

/**
 * The smallest taper, from the one to begin with in steps of half a millimetre, that brings the gap under the limit;
 * null when none up to `most` does.
 */
export function smallestTaper(untapered: Path, curve: Path, limit: number, from: number, most: number): number | null {
  for (let by = from; by <= most + ROUNDING; by += 0.5) {
    if (lowGap(takenIn(untapered, by), curve).off <= limit + SAME) return by
  }
  return null
}

/** The back line: does it lie on the last, has it a bump, does it hold the heel. */
export function backFindings({
  board,
  drawn: { backLine, backBefore, front },
  book,
  decisions,
  layers,
}: CheckNeeds): UpperFinding[] {
  if (!backLine || !backBefore) return []
  const curve = board.back
  const gap = lowGap(backLine, curve)
  const ceiling = book.value(backRules.gap)
  const room = layers.heelLining + layers.stiffener
  const limit = Math.min(ceiling, room)
  const taper = decisions.backTaper
  const most = book.value(backRules.taperMost)
  const proposal =
    gap.off > limit + SAME
      ? smallestTaper(backBefore, curve, limit, Math.max(book.value(backRules.taperStart), taper), most)
      : null
  const at = resample(backLine, 41)[Math.round(gap.share * 40)]
  const findings: UpperFinding[] = [
    {
      id: 'upper.backGap',
      level: gap.off <= limit + SAME ? 'fine' : gap.off <= limit + 1.5 ? 'watch' : 'stop',
      where: 'back line',
      sentence:
        gap.off <= limit + SAME
          ? say`Closed over the last, the back line stands off it by ${mm(gap.off, 1)} at most; lining and stiffener need up to ${mm(limit, 1)}.`
          : say`The back line is too flat: below mid-height it stands off the last by ${mm(gap.off, 1)}, where ${mm(limit, 1)} are wanted. Thick folds at the seat would follow.`,
      measured: gap.off,
      limit,
      unit: 'mm',
      mend:
        gap.off <= limit + SAME
          ? ''
          : proposal === null
            ? say`No taper up to ${mm(most)} a side does it without a bump: draw the back line anew.`
            : say`Take in ${mm(proposal)} a side at the foot, growing smoothly from nothing at mid-height (${mm(2 * proposal)} in all).`,
      at: { side: 'lateral', point: at! },
      remedy: gap.off <= limit + SAME ? undefined : proposal === null ? showPoint('backMiddle') : takeIn(proposal),
    },
  ]
  if (taper > 0) {
    const bump = bumpOf(backLine, curve)
    const over = taper > most
    findings.push({
      id: 'upper.backBump',
      level: over ? 'stop' : taper > most - 0.5 || bump > 0.02 ? 'watch' : 'fine',
      where: 'back line',
      sentence: over
        ? say`${mm(taper)} taken in a side is more than ${bare(most)}: the back line gets a bump.`
        : say`${mm(taper)} are taken in a side; over ${mm(CHORD)} the line stands out ${mm((bump * CHORD ** 2) / 8, 1)} further than the last’s own.`,
      measured: taper,
      limit: most,
      unit: 'mm',
      mend: over ? say`Take in ${mm(most)} or less, and draw the middle of the back line rounder.` : '',
      at: { side: 'lateral', point: backLine[Math.floor(backLine.length / 4)]! },
      remedy: over ? takeIn(most) : undefined,
    })
  }
  // A shaft holds by the ankle.
  if (front) return findings
  const fullest = backLine.reduce((least, p) => Math.min(least, p[0]), Infinity)
  const topAt = backLine[backLine.length - 1]!
  const grip = topAt[0] - fullest
  const wanted = book.value(backRules.grip)
  findings.push({
    id: 'upper.backGrip',
    level: grip >= wanted - SAME ? 'fine' : 'watch',
    where: 'top of the back',
    sentence: say`At the top the back comes in by ${mm(grip, 1)} from its fullest point; ${mm(wanted)} or more keep the shoe on.`,
    measured: grip,
    limit: wanted,
    unit: 'mm',
    ...(grip >= wanted - SAME ? { mend: '' } : higherBack(board, topAt, fullest, wanted)),
    at: { side: 'lateral', point: topAt },
  })
  return findings
}

const takeIn = (by: number): Remedy => ({
  kind: 'choice',
  name: say`Take in ${mm(by)} a side`,
  decisions: { upper: { backTaper: by } },
})
const showPoint = (point: string): Remedy => ({ kind: 'open', control: { room: 'upper', point } })

/** A bump is told by how far a line stands out over a chord so long, mm: its curvature times the chord squared, by eight. */
const CHORD = 20
/** A back may be raised by so much for its grip, mm. */
const MOST_RAISED = 15

/**
 * The top of the back lies on the last's own back curve, which comes in further up: the least that it must be raised for its
 * grip, and the change that does it. Where the last does not come in, nothing on the pattern helps.
 */
function higherBack(
  board: CheckNeeds['board'],
  top: Point,
  fullest: number,
  wanted: number,
): Pick<UpperFinding, 'mend' | 'remedy'> {
  const now = nearest(board.back, top).at
  for (let by = 0.5; by <= MOST_RAISED; by += 0.5) {
    if (now + by > pathLength(board.back)) break
    if (pointAt(board.back, now + by)[0] - fullest < wanted) continue
    const name = say`Raise the top of the back by ${mm(by)}`
    return {
      mend: say`${name}: the back of this last comes in further up.`,
      remedy: {
        kind: 'choice',
        name,
        decisions: { upper: { points: { 'backTop:both': [(now + by) / board.length, 0] } } },
      },
    }
  }
  return {
    mend: 'The back of this last does not come in enough: choose a last with more grip, or build its seat up.',
    remedy: { kind: 'open', control: { room: 'decisions', at: 'last' } },
  }
}

/** How much sharper the line bends anywhere than the last's own back curve, 1/mm. */
function bumpOf(line: Path, curve: Path): number {
  const sharpest = (p: Path) => {
    const even = resample(p, Math.max(8, Math.round(pathLength(p) / 4)))
    return curvatures(even, false).reduce((most, k) => Math.max(most, Math.abs(k)), 0)
  }
  return Math.max(0, sharpest(line) - sharpest(curve.filter((p) => p[1] <= line[line.length - 1]![1] + 1)))
}
