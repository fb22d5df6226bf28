import { traitsOf } from '../model/construction.ts'
import { partsOf } from './facts.ts'
import { fixed, type BookStep } from './bookStep.ts'
import { coats, coatsOf } from './coats.ts'
import { waitRules } from './waits.ts'

const cut: BookStep['when'] = (f) => traitsOf(f.construction).cutsSoles

/** From the built bottom to the box. */
export const finishing: BookStep[] = [
  {
    id: 'trim-sole',
    name: 'Trim and sand the sole edges and heels',
    group: 'finish',
    when: cut,
    effort: fixed(40, 'Back to the room that stays, even on both feet.'),
    after: [['build-heel', 'sole and heel are trimmed as one']],
    cautions: ['dust', 'knife'],
  },
  {
    id: 'dye-sole',
    name: 'Dye and wax the sole edges',
    group: 'finish',
    when: cut,
    effort: (f) => ({
      minutes: 25,
      sentence: `Dye, ${coats(f.materials.outsole)}, then wax with the hot iron.`,
    }),
    wait: (f) => ({
      min: coatsOf(f.materials.outsole) * f.book.value(waitRules.dyeCoat),
      max: null,
      why: 'Each coat dry before the next.',
    }),
    after: [['trim-sole', 'sanding would take the colour off']],
    cautions: ['dye', 'heat'],
  },
  {
    id: 'settle',
    name: 'Leave the shoes on the lasts',
    group: 'finish',
    effort: fixed(1, 'Note the day.'),
    wait: (f) => ({
      min: f.book.value(waitRules.settle),
      max: null,
      why: 'The leather has to forget that it was flat.',
    }),
    after: [
      ['last-toe', 'counted from the pulling over'],
      ['turn-out', 'counted from the turning out'],
    ],
  },
  {
    id: 'last-out',
    name: 'Take the lasts out, feel for tacks',
    group: 'finish',
    effort: fixed(10, 'Count the tacks; run a hand round inside.'),
    after: [
      ['dye-sole', 'the edges are finished on the last'],
      ['press-cup', 'the last gives the press something to press on'],
      ['settle', 'not before the leather has set'],
    ],
    cautions: ['tacks'],
  },
  {
    id: 'glue-padding',
    name: (f) =>
      partsOf(f, ['sock']).length > 0
        ? 'Glue the padding to the sock liners and trim it'
        : 'Glue the padding under the insole covers and trim it',
    group: 'finish',
    when: (f) => partsOf(f, ['padding']).length > 0,
    effort: fixed(12, 'On the flesh side, up to the marked line; trimmed to the leather.'),
    wait: (f) => ({
      min: f.book.value(waitRules.contactMin),
      max: f.book.value(waitRules.contactMax),
      why: 'Cement on both faces.',
    }),
    after: [
      ['cut-padding', 'it must be cut'],
      ['skive-padding', 'skived before it is glued'],
      ['cut-sock', 'it is glued to the sock'],
    ],
    cautions: ['cement', 'knife'],
    parts: ['padding', 'sock'],
  },
  {
    id: 'fit-sock',
    name: 'Fit and glue the sock liners',
    group: 'finish',
    when: (f) => partsOf(f, ['sock']).length > 0,
    effort: fixed(12, 'Glue at the toe or all over; keep it off the lining.'),
    after: [
      ['last-out', 'the last must be out'],
      ['glue-padding', 'the padding is on the sock'],
      ['skive-sock', 'its front edge must not be felt'],
      ['cut-sock', 'it must be cut'],
    ],
    cautions: ['cement'],
    parts: ['sock'],
  },
  {
    id: 'final-check',
    name: 'Clean, lace, compare left and right, box',
    group: 'finish',
    effort: fixed(25, 'Paper in the toe; puff, back height, ankle heights and heels side by side.'),
    after: [['fit-sock', 'the shoe must be whole']],
  },
]
