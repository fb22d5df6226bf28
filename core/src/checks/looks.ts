import type { Sentence } from '../units/sentence.ts'
import type { OpenAt } from '../upper/upper.ts'

/** Something that no figure tells: it is looked at, felt, or tried. */
interface Look {
  id: string
  name: string
  how: Sentence
  /** Keys of the steps at which it is taken: the first that a pair has. */
  at: readonly string[]
  /** What of the shoe it looks at: one that is open there has it not. */
  of?: keyof OpenAt
  /** Or what it is that only a shoe which is open there has. */
  without?: keyof OpenAt
  back: { to: readonly string[]; why: Sentence; mend: Sentence }
}

const FINAL = ['final-check']

/** What is looked at, short: at its step while it can still be mended, and once more before the box. */
export const looks: readonly Look[] = [
  {
    id: 'look.straight',
    name: 'Stands straight from behind',
    how: 'From behind, at the height of the eye: the back seam is upright and in the middle of the heel.',
    at: ['last-back', 'last-upper', 'last-lining'],
    of: 'behind',
    back: {
      to: ['last-back', 'last-upper', 'last-lining'],
      why: 'one side was fully lasted before the other, and the shoe is twisted',
      mend: 'Draw the tacks down to the joints and pull both sides in turn.',
    },
  },
  {
    id: 'look.folds',
    name: 'No folds at the seat',
    how: 'With the thumb over the feather edge from waist to waist: small tucks underneath, none up the wall.',
    at: ['last-back', 'last-upper', 'last-lining'],
    of: 'behind',
    back: {
      to: ['last-back', 'last-upper', 'last-lining'],
      why: 'folds up the wall are felt at the heel and seen through the leather',
      mend: 'Draw the tacks of the seat, damp it, pull in many small tucks with a tack each; cut wedges from what crowds underneath.',
    },
  },
  {
    id: 'look.puff',
    name: 'No line at the puff',
    how: 'With the thumb over the back edge of the puff: nothing is felt, nothing shines through.',
    at: ['shave-puff', 'trim-puff', 'set-puff'],
    back: {
      to: ['shave-puff', 'set-puff', 'trim-puff'],
      why: 'its edge is seen through the vamp for as long as the shoe is worn',
      mend: 'Shave and sand the edge to nothing before the upper comes down over it.',
    },
  },
  {
    id: 'look.tryOn',
    name: 'Soles tried on in paper',
    how: 'The paper sole laid under the lasted shoe: its room all round, the joints on their marks, left as right. What was changed is written down beside it.',
    at: ['try-sole'],
    back: {
      to: ['try-sole'],
      why: 'what is cut by a pattern that does not fit is cut twice',
      mend: 'Trace the lasted shoe, draw its room round that, and try the new paper on both shoes; the soles are cut by it.',
    },
  },
  {
    id: 'look.level',
    name: 'Sole stands level',
    how: 'On a flat plate: it does not rock, a sheet of paper does not go under the top piece anywhere.',
    at: ['build-heel', 'press-cup', 'press-unit'],
    back: {
      to: ['build-heel', 'press-cup', 'press-unit'],
      why: 'a shoe that rocks wears its heel to one side',
      mend: 'Rub it on sanding paper laid on the plate until it is even.',
    },
  },
  {
    id: 'look.inside',
    name: 'Nothing felt inside',
    how: 'With the hand in the shoe to the toe: no tack, no peg, no step, no fold of the lining.',
    at: FINAL,
    back: {
      to: ['fit-sock', 'last-out'],
      why: 'what the hand feels, the foot suffers',
      mend: 'Take the sock liner out; rasp pegs, find the tack, skive the step.',
    },
  },
  {
    id: 'look.closed',
    name: 'Sole lies close to the upper',
    how: 'Along the seam all round, the shoe bent once: no light between upper and sole.',
    at: FINAL,
    back: {
      to: ['press-outsole', 'press-midsole', 'press-cup', 'press-unit'],
      why: 'water and dirt get in, and the gap grows with each step',
      mend: 'Open it as far as it gives, clean and roughen both faces, cement anew and press.',
    },
  },
  {
    id: 'look.toes',
    name: 'Toes alike',
    how: 'Side by side from above and in front: one shape, caps and throats on one line.',
    at: FINAL,
    of: 'toes',
    back: {
      to: ['last-toe', 'last-upper', 'clean-upper'],
      why: 'it is the first thing that anybody sees',
      mend: 'Damp the toe and work it over the last with the hammer’s face; what is lasted unlike has to be lasted again.',
    },
  },
  {
    id: 'look.straps',
    name: 'Straps alike',
    how: 'Side by side from above: every strap as far forward on one as on the other, none drawn askew.',
    at: FINAL,
    without: 'toes',
    back: {
      to: ['last-toe', 'last-upper', 'clean-upper'],
      why: 'a strap that lies askew cuts in at one edge',
      mend: 'Draw the tacks of its ends, lay it to the marks of the other one, tack again.',
    },
  },
  {
    id: 'look.colour',
    name: 'Colour and edges',
    how: 'By daylight: one colour on both, edges dyed through, no glue, no mark of the pen.',
    at: FINAL,
    back: {
      to: ['clean-upper', 'dye-sole', 'trim-unit'],
      why: 'it is not finished',
      mend: 'Another thin coat on the edges; glue is rubbed off with crepe, marks with a damp cloth.',
    },
  },
]
