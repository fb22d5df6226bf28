import { traitsOf } from '../model/construction.ts'
import { lineLength, stitchCount, type Facts } from './facts.ts'
import { SOLE_SEAM } from '../parts/sole/soleParts.ts'
import { present } from './preparing.ts'
import { coats, coatsOf } from './coats.ts'
import { fixed, sewing, type BookStep } from './bookStep.ts'
import { waitRules } from './waits.ts'

const way = (f: Facts) => traitsOf(f.construction)
const welted: BookStep['when'] = (f) => way(f).welted
const sewnDown: BookStep['when'] = (f) => way(f).sewnDown
/** The turned margin itself is what the sole is cemented to. */
const onMargin: BookStep['when'] = (f) => way(f).onMargin
const cut: BookStep['when'] = (f) => way(f).cutsSoles
const cup: BookStep['when'] = (f) => way(f).inCup
const contact = (f: Facts) => ({
  min: f.book.value(waitRules.contactMin),
  max: f.book.value(waitRules.contactMax),
  why: 'Cement on both faces; tacky, no longer wet.',
})

/** What goes under the lasted upper. */
export const bottoming: BookStep[] = [
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
    effort: (f) => sewing(f, lineLength(f, 'insole', 'holdfast'), stitchCount(f, 'insole', 'holdfast')),
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
    when: onMargin,
    effort: fixed(15, 'To the edge of the sole and no further.'),
    after: [['last-toe', 'the margin must be down']],
    cautions: ['dust'],
  },
  {
    id: 'shank-filler',
    name: (f) => (cup(f) ? 'Fill the bottom level' : 'Set the shanks and fill the bottom level'),
    group: 'bottom',
    effort: (f) =>
      cup(f)
        ? { minutes: 12, sentence: 'Cork and glue inside the margin, so that the cup is felt nowhere.' }
        : { minutes: 25, sentence: 'Shank from the seat to behind the joint; cork and glue inside the seam.' },
    wait: (f) => ({
      min: f.book.value(waitRules.whiteGlueMin),
      max: null,
      why: 'The filler has to set before it is levelled.',
    }),
    after: [
      ['peg-rand', 'welt, rand, shank, filler, then level'],
      ['rough-margin', 'the filler would clog the rough face'],
      ['cut-shank', 'cut and bent'],
      ['shave-puff', 'stiffener, puff and lining are fixed under the insole'],
    ],
    cautions: ['dust'],
    parts: ['shank', 'filler'],
  },
  {
    id: 'dye-midsole',
    name: (f) => `Dye the top rim of the midsoles, ${coats(f.materials.midsole)}`,
    group: 'bottom',
    when: cut,
    effort: fixed(15, 'Only the rim that will show; sides are sanded later.'),
    wait: (f) => ({
      min: coatsOf(f.materials.midsole) * f.book.value(waitRules.dyeCoat),
      max: null,
      why: 'Each coat dry before the next.',
    }),
    after: [['cut-midsole', 'the rim must be cut']],
    cautions: ['dye'],
    parts: ['midsole'],
  },
  {
    id: 'cement-midsole',
    name: 'Cement the midsoles and the bottoms',
    group: 'bottom',
    when: cut,
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
    when: cut,
    effort: fixed(15, 'From the waist outwards; nails only to hold, and out again.'),
    after: [['cement-midsole', 'while the cement is open']],
    cautions: ['hammer', 'tacks'],
    parts: ['midsole'],
  },
  {
    id: 'turn-out',
    name: 'Turn the upper outwards and cement it to the midsoles',
    group: 'bottom',
    when: sewnDown,
    effort: fixed(
      45,
      'Wet the edge, work it over with the hammer’s face from toe and heel to the sides; no fold may run into the wall.',
    ),
    wait: contact,
    after: [
      ['press-midsole', 'the midsole is what it is turned on'],
      ['shave-puff', 'the puff has set and is smooth before the upper comes down'],
    ],
    cautions: ['cement', 'hammer'],
    parts: ['midsole'],
  },
  {
    id: 'sew-down',
    name: 'Punch upper and midsole together and sew them down',
    group: 'bottom',
    when: sewnDown,
    effort: (f) =>
      sewing(f, lineLength(f, 'midsole', 'stitch-down seam'), stitchCount(f, 'midsole', 'stitch-down seam')),
    after: [['turn-out', 'both layers are cemented before they are punched']],
    cautions: ['awl'],
    parts: ['midsole'],
  },
  {
    id: 'prepare-cup',
    name: 'Roughen and prime the inside of the cups',
    group: 'bottom',
    when: cup,
    effort: fixed(
      20,
      'Try the shoe in first and mark the wall’s edge on the upper; prime as the maker of the cup says.',
    ),
    wait: (f) => ({ min: f.book.value(waitRules.contactMin), max: null, why: 'The primer has to dry.' }),
    after: [['last-toe', 'the lasted shoe is tried in its cup']],
    cautions: ['dust', 'cement'],
  },
  {
    id: 'cement-cup',
    name: 'Cement shoes and cups',
    group: 'bottom',
    when: cup,
    effort: fixed(15, 'Bottom and wall up to the mark, and the inside of the cup.'),
    wait: contact,
    after: [
      ['prepare-cup', 'cement does not take on a smooth, unprimed wall'],
      ['rough-margin', 'nor on smooth leather'],
      ['shank-filler', 'the bottom must be level'],
    ],
    cautions: ['cement', 'heat'],
  },
  {
    id: 'press-cup',
    name: 'Set the shoes into the cups and press',
    group: 'bottom',
    when: cup,
    effort: fixed(15, 'Toe first, then heel, then the sides; wall and bottom under pressure.'),
    after: [['cement-cup', 'while the cement is open']],
  },
  {
    id: 'cement-outsole',
    name: 'Cement the outsoles and the midsoles',
    group: 'bottom',
    when: cut,
    effort: fixed(12, 'Both faces.'),
    wait: contact,
    after: [
      ['press-midsole', 'midsole nails are out before closing'],
      ['sew-down', 'its stitches lie between midsole and outsole'],
      ['cut-outsole', 'they must be cut'],
    ],
    cautions: ['cement'],
    parts: ['midsole'],
  },
  {
    id: 'press-outsole',
    name: 'Lay on and press the outsoles',
    group: 'bottom',
    when: cut,
    effort: fixed(15, 'From the waist outwards.'),
    after: [['cement-outsole', 'while the cement is open']],
    cautions: ['hammer'],
  },
  {
    id: 'sew-outsole',
    name: 'Sew outsole and midsole to the welt',
    group: 'bottom',
    when: welted,
    effort: (f) => sewing(f, lineLength(f, 'outsole', SOLE_SEAM), stitchCount(f, 'outsole', SOLE_SEAM)),
    after: [['press-outsole', 'glued, then stitched']],
    cautions: ['awl'],
    parts: ['outsole', 'midsole'],
  },
  {
    id: 'build-heel',
    name: 'Build and fix the heels',
    group: 'bottom',
    when: present('topPiece'),
    effort: fixed(50, 'Lifts, wedge and top piece; left against right on a level board.'),
    after: [
      ['sew-outsole', 'the seam ends under the heel'],
      ['press-outsole', 'the heel stands on the outsole'],
      ['pare-wedge', 'the heel stands level only on a pared wedge'],
    ],
    cautions: ['hammer', 'cement'],
  },
]
