import { traitsOf } from '../model/construction.ts'
import type { TackCounts } from '../lasting/tackCounts.ts'
import { fixed, workRules, type BookStep, type Effort } from './bookStep.ts'
import { soakRules, waitRules } from './waits.ts'
import { partsOf, type Facts } from './facts.ts'
import { isBoard, isSheet } from '../model/material.ts'
import { ROUNDING } from '../geometry/tolerance.ts'

/** Thin leather is only sprayed (docs/trade.md, "Stiffener"); each foot's piece counts. */
const sprayed = (f: Facts, id: string): boolean =>
  partsOf(f, [id]).every((p) => p.thickness <= f.book.value(soakRules.sprayUpTo) + ROUNDING)
const soak =
  (id: string): NonNullable<BookStep['wait']> =>
  (f) =>
    sprayed(f, id)
      ? {
          min: f.book.value(waitRules.sprayMin),
          max: f.book.value(waitRules.sprayMax),
          why: 'Sprayed on both faces: damp through, not wet.',
        }
      : {
          min: f.book.value(waitRules.soakMin),
          max: f.book.value(waitRules.soakMax),
          why: 'Wet through, but not waterlogged.',
        }
const soaking =
  (id: string): BookStep['effort'] =>
  (f) => ({
    minutes: 3,
    sentence: sprayed(f, id) ? 'A spray and a few minutes: it is thin.' : 'About half an hour in water.',
  })
const soakName =
  (id: string, name: string): BookStep['name'] =>
  (f) =>
    `${sprayed(f, id) ? 'Spray' : 'Soak'} ${name}`
const mellow = (f: Facts) => ({
  min: f.book.value(waitRules.mellowMin),
  max: f.book.value(waitRules.mellowMax),
  why: 'Wrapped in a damp cloth: between wet and dry it takes shape best.',
})
/** Leather takes its shape wet; a sheet is set by its glue or by heat. */
const wet =
  (role: 'stiffener' | 'puff'): BookStep['when'] =>
  (f) =>
    !isSheet(f.materials[role])
const glued =
  (role: 'stiffener' | 'puff'): BookStep['cautions'] =>
  (f) =>
    isSheet(f.materials[role]) ? ['cement', 'heat'] : []
const SHEET = 'Dry: glue or heat sets it, as the label and data sheet say.'
const under = (f: Facts) => !traitsOf(f.construction).outwards
const leatherInsole: BookStep['when'] = (f) => !isBoard(f.materials.insole)

/** Time for the tacks of both shoes as the lasting plan has them, and `more` minutes for what is said. */
function tacked(
  { tacks, book }: Facts,
  what: 'upper' | 'lining',
  where: keyof TackCounts,
  more: number,
  said: string,
): Effort {
  const count = tacks[what][where]
  const each = book.value(workRules.tackMinutes)
  return {
    minutes: more + count * each,
    sentence: `${said} ${count} tacks on both shoes at ${each} minutes, and ${more} minutes for the rest.`,
  }
}

/** From the insole on the last to the pulled upper. */
export const lasting: BookStep[] = [
  {
    id: 'block-insole',
    name: 'Block the wet insoles on the lasts',
    group: 'last',
    when: leatherInsole,
    effort: fixed(20, 'Tack, bind, and let them dry to the shape of the bottom.'),
    wait: (f) => ({ min: f.book.value(waitRules.overnight), max: null, why: 'Dry before it is trimmed.' }),
    after: [
      ['soak-insole', 'dry leather will not bed down'],
      ['cut-sock', 'the sock pattern is taken before the insole is fixed'],
    ],
    cautions: ['tacks'],
    parts: ['insole'],
  },
  {
    id: 'fix-insole',
    name: 'Tack the insole boards to the lasts',
    group: 'last',
    when: (f) => isBoard(f.materials.insole),
    effort: fixed(8, 'Three tacks each, heads standing out.'),
    after: [
      ['cut-insole', 'they must be cut'],
      ['cut-sock', 'the sock pattern is taken before the insole is fixed'],
    ],
    cautions: ['tacks'],
    parts: ['insole'],
  },
  {
    id: 'trim-insole',
    name: 'Trim the insoles to the feather line',
    group: 'last',
    when: leatherInsole,
    effort: fixed(15, 'Exactly to the sharp edge of the last.'),
    after: [['block-insole', 'blocked and dry']],
    cautions: ['knife'],
    parts: ['insole'],
  },
  {
    id: 'carve-holdfast',
    name: 'Carve holdfast and channel, pierce the holes',
    group: 'last',
    when: (f) => traitsOf(f.construction).welted,
    effort: fixed(50, 'Along the line marked on the insole, breast to breast.'),
    after: [
      ['trim-insole', 'the holdfast is measured from the finished edge'],
      ['fix-insole', 'the insole must sit on the last'],
    ],
    cautions: ['knife', 'awl'],
    parts: ['insole'],
  },
  {
    id: 'soak-stiffener',
    name: soakName('stiffener', 'the stiffeners'),
    group: 'last',
    when: wet('stiffener'),
    effort: soaking('stiffener'),
    wait: soak('stiffener'),
    after: [['skive-stiffener', 'skived dry']],
    parts: ['stiffener'],
  },
  {
    id: 'wrap-stiffener',
    name: 'Wrap the stiffeners and let them mellow',
    group: 'last',
    when: wet('stiffener'),
    effort: fixed(3, 'Keep them wrapped till they are used.'),
    wait: mellow,
    after: [['soak-stiffener', 'wet through']],
    parts: ['stiffener'],
  },
  {
    id: 'paste-stiffener',
    name: (f) =>
      isSheet(f.materials.stiffener) ? 'Glue the stiffener sheets in' : 'Paste both faces and slip the stiffeners in',
    group: 'last',
    effort: (f) => ({
      minutes: 15,
      sentence: isSheet(f.materials.stiffener)
        ? SHEET
        : 'Upper, stiffener and lining set as one shell; a loose stitch at the top holds it.',
    }),
    after: [
      ['wrap-stiffener', 'mellow leather takes the shape'],
      ['join-lining', 'it goes between lining and upper'],
      ['sew-tongue', 'the upper must be finished'],
      ['bind-edge', 'its edge is bound before it is lasted'],
    ],
    cautions: glued('stiffener'),
    parts: ['stiffener'],
  },
  {
    id: 'last-back',
    name: (f) =>
      under(f)
        ? 'Draft the upper on the last and last the back'
        : 'Draft the upper on the last and last the lining at the back',
    group: 'last',
    effort: (f) =>
      tacked(
        f,
        under(f) ? 'upper' : 'lining',
        'back',
        15,
        'Anchor toe, joints and waist, then the seat; both sides in turn or the shoe twists.',
      ),
    after: [
      ['paste-stiffener', 'before it sets'],
      ['trim-insole', 'the insole must sit on the last'],
      ['fix-insole', 'the insole must sit on the last'],
      ['carve-holdfast', 'the holdfast is carved before the upper hides it'],
    ],
    cautions: ['tacks', 'hammer'],
  },
  {
    id: 'last-lining-toe',
    name: 'Last the lining over the toe and trim it',
    group: 'last',
    effort: (f) => tacked(f, 'lining', 'front', 10, 'Slack enough not to drum, without folds; glued and trimmed.'),
    wait: (f) => ({
      min: f.book.value(waitRules.contactMin),
      max: f.book.value(waitRules.contactMax),
      why: 'Cement on both faces.',
    }),
    after: [['last-back', 'the back holds the lining while the toe is pulled']],
    cautions: ['cement', 'tacks', 'knife'],
  },
  {
    id: 'soak-puff',
    name: soakName('puff', 'the toe puffs'),
    group: 'last',
    when: wet('puff'),
    effort: soaking('puff'),
    wait: soak('puff'),
    after: [['skive-puff', 'skived dry']],
    parts: ['puff'],
  },
  {
    id: 'set-puff',
    name: (f) =>
      isSheet(f.materials.puff)
        ? 'Glue the puffs over the toe and press them down'
        : 'Paste the puffs over the toe and work them down',
    group: 'last',
    effort: (f) => ({
      minutes: isSheet(f.materials.puff) ? 15 : 30,
      sentence: isSheet(f.materials.puff)
        ? `${SHEET} Compare both toes while it still gives.`
        : 'Compare both toes while the leather is still mellow.',
    }),
    wait: (f) =>
      isSheet(f.materials.puff)
        ? null
        : {
            min: f.book.value(waitRules.overnight),
            max: null,
            why: 'The puff is dry before the upper comes down.',
          },
    after: [
      ['soak-puff', 'worked wet'],
      ['last-lining-toe', 'the lining lies slack before the puff'],
    ],
    cautions: glued('puff'),
    parts: ['puff'],
  },
  {
    id: 'shave-puff',
    name: 'Rasp the puffs smooth',
    group: 'last',
    effort: fixed(12, 'No ridge at the back edge; left against right.'),
    after: [['set-puff', 'a puff that has not set tears under the rasp']],
    cautions: ['dust'],
    parts: ['puff'],
  },
  {
    id: 'last-toe',
    name: 'Pull the upper down over the toe',
    group: 'last',
    when: under,
    effort: (f) =>
      tacked(f, 'upper', 'front', 35, 'Cement, pull and turn a few tacks at a time; hammer the feather edge sharp.'),
    wait: (f) => ({
      min: f.book.value(waitRules.contactMin),
      max: f.book.value(waitRules.contactMax),
      why: 'Cement on margin and insole.',
    }),
    after: [['shave-puff', 'the puff has set and is smooth']],
    cautions: ['cement', 'tacks', 'hammer'],
  },
]
