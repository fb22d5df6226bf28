import { fixed, type BookStep } from './bookStep.ts'
import { closingEffort } from './closingEffort.ts'
import { present } from './preparing.ts'
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
    name: (f) => (f.upper.finish === 'folded' ? 'Tape and fold the top line' : 'Fold the edges that are turned in'),
    group: 'close',
    when: (f) => f.upper.folds,
    effort: (f) =>
      f.upper.finish === 'folded'
        ? { minutes: 30, sentence: 'Tape exactly on the line, slits where it is hollow, notches where it is round.' }
        : { minutes: 15, sentence: 'Facings and whatever else is folded; the opening is finished in another way.' },
    wait: (f) => ({
      min: f.book.value(waitRules.rubberMin),
      max: f.book.value(waitRules.rubberMax),
      why: 'Rubber solution: touch-dry, then fold.',
    }),
    after: [['skive-upper', 'a fold needs its edge thinned first']],
    cautions: ['cement'],
  },
  {
    id: 'set-bead',
    name: 'Fold the bead and set it behind the edge',
    group: 'close',
    when: (f) => f.upper.finish === 'bead',
    effort: fixed(35, 'Long leg against the outside, mark to mark along the whole edge, the same reveal all round.'),
    wait: (f) => ({
      min: f.book.value(waitRules.rubberMin),
      max: f.book.value(waitRules.rubberMax),
      why: 'Rubber solution on both: touch-dry, then set.',
    }),
    after: [
      ['skive-edging', 'four layers lie at the edge'],
      ['dye-edges-upper', 'edge and bead are coloured before they are joined'],
      ['fold-tape', 'it runs on from what is folded'],
    ],
    cautions: ['cement'],
    parts: ['bead'],
  },
  {
    id: 'tape-facings',
    name: (f) =>
      f.upper.eyelets === 'none' ? 'Lay the backing under the lacing' : 'Lay tape and patches under the lacing',
    group: 'close',
    when: present('facingTape'),
    effort: fixed(8, 'On the flesh side, along the edge of the facing, the patch into the corner.'),
    after: [
      ['cut-stays', 'they are laid as they were cut'],
      ['fold-tape', 'the tape lies up to the fold'],
    ],
    cautions: ['cement'],
    parts: ['facingTape', 'cornerPatch'],
  },
  {
    id: 'close-lining',
    name: 'Close the lining',
    group: 'close',
    effort: closingEffort('close-lining', 5, 'Vamp lining, quarter linings, heel grip.'),
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
    effort: closingEffort('close-outside', 10, 'Back seam first, then quarters to vamp.'),
    after: [
      ['dye-edges-upper', 'edges are coloured before they are joined'],
      ['fold-tape', 'the top line must be folded'],
      ['set-bead', 'the bead lies behind the edge while that is flat'],
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
    effort: closingEffort('join-lining', 10, 'The lining stands proud and is trimmed after stitching.'),
    after: [
      ['hammer-back', 'the back seam is closed and hammered before the lining goes in'],
      ['close-lining', 'outside and lining are stitched apart, then joined'],
      ['cut-foam', 'the foam goes between them'],
      ['tape-facings', 'tape and patches lie between outside and lining'],
    ],
    cautions: ['machine', 'knife'],
  },
  {
    id: 'bind-edge',
    name: 'Bind the edge of the opening',
    group: 'close',
    when: (f) => f.upper.finish === 'bound',
    effort: closingEffort(
      'bind-edge',
      15,
      'Stitched on outside, rolled over upper and lining, turned in and stitched down.',
    ),
    after: [
      ['join-lining', 'it wraps upper and lining together'],
      ['skive-edging', 'thin, it wraps closely'],
    ],
    cautions: ['machine', 'cement'],
    parts: ['binding'],
  },
  {
    id: 'eyelets',
    name: (f) =>
      f.upper.eyelets === 'none'
        ? 'Punch the lace holes'
        : f.upper.eyelets === 'hidden'
          ? 'Punch the facings and set the eyelets inside'
          : 'Punch the facings and set the eyelets',
    group: 'close',
    when: (f) => f.upper.eyelets !== null,
    effort: fixed(
      12,
      'Through all layers together, on scrap leather; the upper pairs first, then in turn on both sides.',
    ),
    after: [
      ['join-lining', 'all layers are punched together'],
      ['tape-facings', 'the tape must lie under the holes'],
    ],
    cautions: ['machine'],
    parts: ['facingTape'],
  },
  {
    id: 'sew-tongue',
    name: 'Stitch the tongue in',
    group: 'close',
    when: (f) => f.upper.tongue,
    effort: closingEffort('sew-tongue', 2, 'Its middle on the middle of the throat.'),
    after: [
      ['eyelets', 'with the tongue in the way the facings cannot be laid on the block and punched'],
      ['join-lining', 'outside and lining are stitched apart, then joined'],
      ['cut-lining', 'its lining goes in with it'],
    ],
    cautions: ['machine'],
    parts: ['tongueLining', 'tongueFoam'],
  },
]
