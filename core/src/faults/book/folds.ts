import { mm, mmTo, say } from '../../units/sentence.ts'
import type { FaultCase } from '../case.ts'
import { byLook, byPlan, byReading, cutShort, given, leftOut, mendOf, thickness } from '../evidence.ts'
import type { Cause, Evidence, Fault } from '../fault.ts'
import { choose, moveRule } from '../remedies.ts'

/** The gap as it was measured, or as the plan has it. */
function gap(c: FaultCase): Evidence | null {
  const finding = c.findings.get('upper.backGap')
  const measured = c.measured('backGap')
  if (!finding || measured === null) return byPlan(c, 'upper.backGap', 'The back line stands off the last', 0.8)
  const factor = Math.min(16, Math.max(1 / 6, 4 ** ((measured - finding.limit) / 0.8)))
  return {
    factor,
    sentence: say`The back line stood ${mm(measured, 1)} off the last when it was measured; at most ${mm(finding.limit, 1)}.`,
  }
}

const flatBack: Cause = {
  id: 'flatBack',
  name: 'The back line is too flat',
  usual: 3,
  evidence: (c) => [
    gap(c),
    given(c.decisions.upper.backTaper >= 2, [
      0.5,
      say`The back line is taken in by ${mm(c.decisions.upper.backTaper)} a side.`,
    ]),
  ],
  helps: [
    ['pattern', 'Take the back line in at its foot before anything is cut, and print the parts anew.'],
    [
      'closing',
      say`Open the back seam and sew it anew: ${mmTo(2, 3)} deeper at the foot, growing out of nothing at mid-height; linings likewise.`,
    ],
    [
      'lasted',
      'Draw the tacks of the seat. Damp the heel, pull the folds into many small tucks, a tack each, and cut wedges out of what crowds under the insole; hammer it while it is damp.',
    ],
    [
      'finished',
      'Damp the heel over a block of its shape and hammer the folds flat with the round face, leather between; what is pressed dry stays better. They can be made smaller, not gone.',
    ],
  ],
  prevents: (c) => {
    const now = c.decisions.upper.backTaper
    const to = Math.min(3, Math.max(2, now + 0.5))
    return {
      sentence:
        'Take the back line in from mid-height down, and close the paper over the last once more before anything is derived from it.',
      remedy:
        mendOf(c, 'upper.backGap') ?? choose(to <= now, say`Take in ${mm(to)} a side`, { upper: { backTaper: to } }),
    }
  },
}

const thickFolds: Fault = {
  id: 'folds',
  name: 'Thick folds at the back',
  sign: 'From the seat up the wall, outside or felt inside: the leather is too long there.',
  causes: [
    flatBack,
    {
      id: 'crowded',
      name: 'What crowds under the seat was not cut out',
      usual: 2,
      evidence: (c) => [
        byPlan(c, 'layers.seat', 'The margin has to shrink at the seat', 0.12),
        leftOut(c, 'trim-margin'),
      ],
      helps: [
        [
          'lasted',
          'Cut wedges out of the tucks at the seat, down to a few millimetres from the edge, cement and hammer flat.',
        ],
        ['finished', 'Under the sole nothing is reached any more: the heel has to come off for it.'],
      ],
      prevents: (c) => ({
        sentence: 'A narrower margin at the seat has less to shrink; wedges are cut before it is glued.',
        remedy: moveRule(c, 'upper.lastingMargin', -2),
      }),
    },
    {
      id: 'thickEdge',
      name: 'Stiffener too thick where it turns under',
      usual: 2,
      evidence: (c) => [
        byPlan(c, 'layers.turn', 'Stack that is turned over the feather', 1.5),
        thickness(c, 'stiffener', 'over', 2.5, 0.4),
        leftOut(c, 'skive-stiffener'),
      ],
      helps: [
        ['closing', 'Skive its turned edge cupped, before it is soaked.'],
        ['lasted', 'Lift the upper at the seat while the paste is damp and thin the turned edge with the knife.'],
        ['finished', 'It is covered now: hammered while damp it goes down a little.'],
      ],
      prevents: () => ({
        sentence: 'The turned edge of the stiffener is skived cupped; a thinner leather for it serves as well.',
        remedy: { kind: 'open', control: { room: 'decisions', at: 'stiffener' } },
      }),
    },
    {
      id: 'fewTacks',
      name: 'Too few pulls at the seat',
      usual: 2,
      evidence: (c) => [
        byPlan(c, 'lasting.tuck.upper', 'Tuck left between two tacks of the plan', 0.6),
        byLook(c, 'look.folds', 'The look for folds when the back was lasted'),
      ],
      helps: [
        ['lasted', 'Draw every second tack, pull what lies between into two tucks, tack again.'],
        ['finished', 'Damp and hammer over a block; the tucks under the sole stay as they are.'],
      ],
      prevents: (c) => ({
        sentence: 'Closer tacks at the seat make more tucks, each of them smaller.',
        remedy: moveRule(c, 'lasting.closest', -1),
      }),
    },
    {
      id: 'dryPull',
      name: 'Pulled dry and at once',
      usual: 1.5,
      evidence: (c) => [
        given(
          c.decisions.work.ways.rest === 'pulled at once',
          [1.5, 'The upper was pulled at once.'],
          [0.4, 'The upper was left on the last, or damped, before it was pulled.'],
        ),
        cutShort(c, ['draft-upper', 'wet-upper']),
      ],
      helps: [
        ['lasted', 'Draw the tacks, damp the leather, leave it over the last for a day and pull again.'],
        ['finished', 'Damp it, block it, let it dry through.'],
      ],
      prevents: (c) => ({
        sentence: 'Drafted loosely and left for a day, the leather takes the shape before it is pulled.',
        remedy: choose(c.decisions.work.ways.rest === 'drafted and left', 'drafted and left', {
          work: { ways: { rest: 'drafted and left' } },
        }),
      }),
    },
    {
      id: 'lowBack',
      name: 'Pulled too far down at the back',
      usual: 1,
      evidence: (c) => [byReading(c, 'backHeight', 'Height at the back', 'under', { tolerance: 1.5, scale: 1.5 })],
      helps: [
        ['lasted', 'Draw the tacks of the seat, push the top line up to its height, tack with less pull.'],
        ['finished', 'It cannot be raised any more.'],
      ],
      prevents: () => ({
        sentence: 'Hold the height with a tack through the top of the back, and measure it before the seat is pulled.',
      }),
    },
  ],
}

export const foldFaults: readonly Fault[] = [thickFolds]
