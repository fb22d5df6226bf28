import type { Facts } from './facts.ts'
import { cutLength, holeCount, lineLength } from './facts.ts'
import { fixed, sewing, workRules, type Step } from './step.ts'
import { waitRules } from './waits.ts'

const welted: Step['when'] = (f) => f.construction === 'welted'
const cemented: Step['when'] = (f) => f.construction === 'cemented'
const contact = (f: Facts) => ({
  min: f.book.value(waitRules.contactMin),
  max: f.book.value(waitRules.contactMax),
  why: 'Cement on both faces; tacky, no longer wet.',
})

/** What goes under the lasted upper. */
export const bottoming: Step[] = [
  {
    id: 'soak-welt',
    name: 'Soak the welts',
    group: 'bottom',
    when: welted,
    effort: fixed(3, 'A wet welt bends round the toe without cracking.'),
    wait: (f) => ({
      min: f.book.value(waitRules.soakMin),
      max: f.book.value(waitRules.soakMax),
      why: 'Wet through.',
    }),
    after: [
      ['last-toe', 'the upper must be down'],
      ['cut-welt', 'they must be cut'],
    ],
  },
  {
    id: 'sew-welt',
    name: 'Sew welt, upper and lining to the holdfast',
    group: 'bottom',
    when: welted,
    effort: (f) => sewing(f, lineLength(f, 'insole', 'holdfast'), holeCount(f, 'insole', 'holdfast')),
    after: [
      ['soak-welt', 'the welt is sewn damp'],
      ['last-toe', 'tacks come out as the seam goes on'],
    ],
    cautions: ['awl', 'tacks'],
    parts: ['insole'],
  },
  {
    id: 'peg-rand',
    name: 'Peg the rand at the seat',
    group: 'bottom',
    when: welted,
    effort: fixed(25, 'A horseshoe that levels the seat behind the welt.'),
    after: [['sew-welt', 'it meets the ends of the welt']],
    cautions: ['hammer'],
    parts: ['rand'],
  },
  {
    id: 'rough-margin',
    name: 'Rough the lasting margin',
    group: 'bottom',
    when: cemented,
    effort: fixed(15, 'To the edge of the sole and no further.'),
    after: [['last-toe', 'the margin must be down']],
    cautions: ['dust'],
  },
  {
    id: 'shank-filler',
    name: 'Set the shanks and fill the bottom level',
    group: 'bottom',
    effort: fixed(25, 'Shank from the seat to behind the joint; cork and glue inside the seam.'),
    wait: (f) => ({
      min: f.book.value(waitRules.whiteGlueMin),
      max: null,
      why: 'The filler has to set before it is levelled.',
    }),
    after: [
      ['peg-rand', 'welt, rand, shank, filler, then level'],
      ['rough-margin', 'the filler would clog the rough face'],
      ['cut-shank', 'cut and bent'],
    ],
    cautions: ['dust'],
    parts: ['shank', 'filler'],
  },
  {
    id: 'dye-midsole',
    name: 'Dye the top rim of the midsoles, two coats or more',
    group: 'bottom',
    effort: fixed(15, 'Only the rim that will show; sides are sanded later.'),
    wait: (f) => ({ min: 2 * f.book.value(waitRules.dyeCoat), max: null, why: 'Two coats, each dry.' }),
    after: [['cut-midsole', 'the rim must be cut']],
    cautions: ['dye'],
    parts: ['midsole'],
  },
  {
    id: 'cement-midsole',
    name: 'Cement the midsoles and the bottoms',
    group: 'bottom',
    effort: fixed(12, 'Both faces; unglued layers squeak.'),
    wait: contact,
    after: [
      ['dye-midsole', 'the top rim is dyed before gluing'],
      ['shank-filler', 'the bottom must be level'],
    ],
    cautions: ['cement'],
    parts: ['midsole'],
  },
  {
    id: 'press-midsole',
    name: 'Lay on, press and hammer the midsoles',
    group: 'bottom',
    effort: fixed(15, 'From the waist outwards; nails only to hold, and out again.'),
    after: [['cement-midsole', 'while the cement is open']],
    cautions: ['hammer', 'tacks'],
    parts: ['midsole'],
  },
  {
    id: 'cement-outsole',
    name: 'Cement the outsoles and the midsoles',
    group: 'bottom',
    effort: fixed(12, 'Both faces.'),
    wait: contact,
    after: [
      ['press-midsole', 'midsole nails are out before closing'],
      ['cut-outsole', 'they must be cut'],
    ],
    cautions: ['cement'],
    parts: ['midsole'],
  },
  {
    id: 'press-outsole',
    name: 'Lay on and press the outsoles',
    group: 'bottom',
    effort: fixed(15, 'From the waist outwards.'),
    after: [['cement-outsole', 'while the cement is open']],
    cautions: ['hammer'],
  },
  {
    id: 'sew-outsole',
    name: 'Sew outsole and midsole to the welt',
    group: 'bottom',
    when: welted,
    effort: (f) => {
      // Breast to breast is about four fifths of the way round.
      const run = 0.8 * cutLength(f, ['midsole'])
      return sewing(f, run, Math.round(run / f.book.value(workRules.solePitch)))
    },
    after: [['press-outsole', 'glued, then stitched']],
    cautions: ['awl'],
    parts: ['midsole'],
  },
  {
    id: 'build-heel',
    name: 'Build and fix the heels',
    group: 'bottom',
    effort: fixed(50, 'Lifts, wedge and top piece; left against right on a level board.'),
    after: [
      ['sew-outsole', 'the seam ends under the heel'],
      ['press-outsole', 'the heel stands on the outsole'],
      ['pare-wedge', 'the heel stands level only on a pared wedge'],
    ],
    cautions: ['hammer', 'cement'],
  },
]
