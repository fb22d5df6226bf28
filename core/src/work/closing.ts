import { fixed, type BookStep } from './bookStep.ts'
import { waitRules } from './waits.ts'

/** Assembling the upper. */
export const closing: BookStep[] = [
  {
    id: 'dye-edges-upper',
    name: 'Burn or dye the raw edges of the upper',
    group: 'close',
    effort: fixed(20, 'Every edge that stays in sight.'),
    wait: (f) => ({ min: f.book.value(waitRules.dyeCoat), max: null, why: 'The dye must not mark the next piece.' }),
    after: [['skive-upper', 'a skive would cut the colour off again']],
    cautions: ['heat', 'dye'],
  },
  {
    id: 'fold-tape',
    name: 'Tape and fold the top line',
    group: 'close',
    effort: fixed(30, 'Tape exactly on the line, slits where it is hollow, notches where it is round.'),
    wait: (f) => ({
      min: f.book.value(waitRules.rubberMin),
      max: f.book.value(waitRules.rubberMax),
      why: 'Rubber solution: touch-dry, then fold.',
    }),
    after: [['skive-upper', 'a fold needs its edge thinned first']],
    cautions: ['cement'],
  },
  {
    id: 'close-lining',
    name: 'Close the lining',
    group: 'close',
    effort: fixed(25, 'Vamp lining, quarter linings, heel grip.'),
    after: [
      ['cut-upper', 'they are closed side by side'],
      ['skive-lining', 'a lap that is not thinned is felt'],
    ],
    cautions: ['machine'],
  },
  {
    id: 'close-outside',
    name: 'Stitch the outside together',
    group: 'close',
    effort: fixed(60, 'Back seam first, then quarters to vamp.'),
    after: [
      ['dye-edges-upper', 'edges are coloured before they are joined'],
      ['fold-tape', 'the top line must be folded'],
      ['cut-stays', 'corners and seams are reinforced as they are closed'],
    ],
    cautions: ['machine', 'awl'],
  },
  {
    id: 'hammer-back',
    name: 'Hammer the back seam flat',
    group: 'close',
    effort: fixed(5, 'On the iron, from the inside.'),
    after: [['close-outside', 'the seam must be closed']],
    cautions: ['hammer'],
  },
  {
    id: 'join-lining',
    name: 'Join lining and outside at the top line, trim the lining',
    group: 'close',
    effort: fixed(40, 'The lining stands proud and is trimmed after stitching.'),
    after: [
      ['hammer-back', 'the back seam is closed and hammered before the lining goes in'],
      ['close-lining', 'outside and lining are stitched apart, then joined'],
      ['cut-foam', 'the foam goes between them'],
    ],
    cautions: ['machine', 'knife'],
  },
  {
    id: 'eyelets',
    name: 'Tape under the lacing, punch and set the eyelets',
    group: 'close',
    effort: fixed(15, 'Tape first, then holes, then eyelets.'),
    after: [['join-lining', 'all layers are punched together']],
    cautions: ['machine'],
  },
]
