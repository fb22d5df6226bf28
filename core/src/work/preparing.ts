import { partsOf, type Facts } from './facts.ts'
import { cutting, fixed, skivedBy, skiving, type BookStep } from './bookStep.ts'
import { waitRules } from './waits.ts'
import { isBoard, isSheet } from '../model/material.ts'
import { isPieceRecord } from '../trade/recordName.ts'

/** What the padding of the pair is called; feet may have different ones, or one none at all. */
function paddingName({ paddings: { right, left } }: Facts): string {
  const worn = [...new Set([right, left])].filter((p) => p !== 'none')
  return worn.length === 1 ? (worn[0] === 'heel pad' ? 'heel pad' : `${worn[0]} padding`) : 'padding'
}
const padded =
  (...kinds: string[]): BookStep['when'] =>
  (f) =>
    [f.paddings.right, f.paddings.left].some((p) => kinds.includes(p))
export const present =
  (...kinds: string[]): BookStep['when'] =>
  (f) =>
    partsOf(f, kinds).length > 0
const skived =
  (...kinds: string[]): BookStep['when'] =>
  (f) =>
    partsOf(f, kinds).some((p) => p.skives.length > 0)
const linings = ['lining', 'vampLining', 'quarterLining', 'heelGrip', 'tongueLining', 'insoleCover']
const foams = ['tongueFoam', 'collarFoam', 'insoleFoam']
const stays = ['sideLining', 'facingTape', 'cornerPatch', 'backStay', 'topTape']
const edgings = ['bead', 'binding']
const heel = ['heelWedge', 'heelLift', 'topPiece']
const leatherInsole: BookStep['when'] = (f) => !isBoard(f.materials.insole)

/** Patterns, cutting and skiving. */
export const preparing: BookStep[] = [
  {
    id: 'print',
    name: 'Print the parts and check the 100 mm bar',
    group: 'prepare',
    effort: fixed(10, 'Print, lay a rule on the bar, join the sheets.'),
    after: [],
  },
  {
    id: 'check-base',
    name: 'Check the base pattern on the last',
    group: 'prepare',
    effort: fixed(15, 'Close it over the last and look at the back line and the margin.'),
    after: [],
  },
  {
    id: 'back-upper',
    name: 'Stick the backers to the leather of the upper',
    group: 'cut',
    when: present('backer'),
    effort: fixed(15, 'Roughly cut, a thin even coat, thread from toe to heel; the pieces are cut through both.'),
    after: [['print', 'the pieces have to find room on what is stuck together']],
    cautions: ['cement', 'knife'],
    parts: ['backer'],
  },
  {
    id: 'cut-upper',
    name: 'Cut the upper',
    group: 'cut',
    effort: (f) => ({
      minutes: 30,
      sentence: [...f.ownOutline].some(isPieceRecord)
        ? 'Best leather to vamps and toe caps, pairs side by side; left and right each by their own patterns, marked L and R.'
        : 'Best leather to vamps and toe caps, pairs side by side, left flipped from right.',
    }),
    after: [
      ['check-base', 'lining and stiffener inherit every error of the base pattern'],
      ['back-upper', 'the backers are cut with the leather'],
    ],
    cautions: ['knife'],
  },
  {
    id: 'cut-lining',
    name: 'Cut the linings',
    group: 'cut',
    when: present(...linings),
    effort: cutting(linings, 4),
    after: [['check-base', 'lining and stiffener inherit every error of the base pattern']],
    cautions: ['knife'],
    parts: linings,
  },
  {
    id: 'cut-stays',
    name: 'Cut side linings, tapes and patches',
    group: 'cut',
    when: present(...stays),
    effort: cutting(stays, 2),
    after: [['check-base', 'they follow the lines of the base pattern']],
    cautions: ['knife'],
    parts: stays,
  },
  {
    id: 'cut-edging',
    name: (f) => (partsOf(f, ['bead']).length > 0 ? 'Cut the bead strips' : 'Cut the bindings'),
    group: 'cut',
    when: present(...edgings),
    effort: cutting(edgings, 3),
    after: [['check-base', 'they are as long as the opening that is drawn']],
    cautions: ['knife'],
    parts: edgings,
  },
  {
    id: 'cut-foam',
    name: 'Cut the foam',
    group: 'cut',
    when: present(...foams),
    effort: cutting(foams, 2),
    after: [['print', 'it is cut by the printed outline']],
    cautions: ['knife'],
    parts: foams,
  },
  {
    id: 'cut-insole',
    name: 'Cut the insoles',
    group: 'cut',
    effort: cutting('insole'),
    after: [['print', 'they are cut by the printed outline']],
    cautions: ['knife'],
    parts: ['insole'],
  },
  {
    id: 'cut-sock',
    name: 'Cut the sock liners',
    group: 'cut',
    when: present('sock'),
    effort: cutting('sock', 2),
    after: [['print', 'they are cut by the printed outline']],
    cautions: ['knife'],
    parts: ['sock'],
  },
  {
    id: 'cut-padding',
    name: (f) => `Cut the ${paddingName(f)}${paddingName(f) === 'heel pad' ? 's' : ''}`,
    group: 'cut',
    when: present('padding'),
    effort: cutting('padding', 2),
    after: [['cut-sock', 'the padding is drawn round the sock']],
    cautions: ['knife'],
    parts: ['padding'],
  },
  {
    id: 'cut-stiffener',
    name: (f) => `Cut the stiffeners from ${isSheet(f.materials.stiffener) ? 'sheet' : 'belly'}`,
    group: 'cut',
    effort: cutting('stiffener'),
    after: [
      ['print', 'they are cut by the printed outline'],
      ['check-base', 'its top edge follows the top line'],
    ],
    cautions: ['knife'],
    parts: ['stiffener'],
  },
  {
    id: 'cut-puff',
    name: (f) => `Cut the toe puffs from ${isSheet(f.materials.puff) ? 'sheet' : 'belly'}`,
    group: 'cut',
    effort: cutting('puff'),
    after: [['print', 'they are cut by the printed outline']],
    cautions: ['knife'],
    parts: ['puff'],
  },
  {
    id: 'cut-midsole',
    name: 'Cut the midsoles',
    group: 'cut',
    when: present('midsole'),
    effort: cutting('midsole', 4),
    after: [['print', 'they are cut by the printed outline']],
    cautions: ['knife'],
    parts: ['midsole'],
  },
  {
    id: 'cut-welt',
    name: 'Cut the welts and rands',
    group: 'cut',
    when: present('welt', 'rand'),
    effort: cutting(['welt', 'rand'], 3),
    after: [['print', 'length and outline are on the sheet']],
    cautions: ['knife'],
    parts: ['welt', 'rand'],
  },
  {
    id: 'cut-shank',
    name: 'Cut and bend the shanks',
    group: 'cut',
    when: present('shank'),
    effort: fixed(10, 'To the length, then bent to the hollow of the waist.'),
    after: [['print', 'length and bend are on the sheet']],
    cautions: ['knife'],
    parts: ['shank'],
  },
  {
    id: 'cut-outsole',
    name: 'Cut the outsoles',
    group: 'cut',
    when: present('outsole'),
    effort: cutting('outsole', 4),
    after: [['print', 'they are cut by the printed outline']],
    cautions: ['knife'],
    parts: ['outsole'],
  },
  {
    id: 'cut-heel',
    name: 'Cut wedges, lifts and top pieces',
    group: 'cut',
    when: present(...heel),
    effort: cutting(heel, 4),
    after: [['print', 'they are cut by the printed outline']],
    cautions: ['knife'],
    parts: heel,
  },
  {
    id: 'skive-upper',
    name: 'Skive laps, folds and seams of the upper',
    group: 'skive',
    when: (f) => f.upperSkives > 0,
    effort: (f) => skivedBy(f, f.upperSkives),
    after: [['cut-upper', 'only what is cut can be skived']],
    cautions: ['knife'],
  },
  {
    id: 'skive-lining',
    name: 'Skive the laps of the linings',
    group: 'skive',
    when: skived(...linings, 'sideLining'),
    effort: skiving([...linings, 'sideLining']),
    after: [
      ['cut-lining', 'only what is cut can be skived'],
      ['cut-stays', 'side linings are skived with them'],
    ],
    cautions: ['knife'],
    parts: [...linings, 'sideLining'],
  },
  {
    id: 'skive-edging',
    name: (f) => (partsOf(f, ['bead']).length > 0 ? 'Skive and dye the bead strips' : 'Skive and dye the bindings'),
    group: 'skive',
    when: present(...edgings),
    effort: skiving(edgings),
    after: [['cut-edging', 'only what is cut can be skived']],
    cautions: ['knife', 'dye'],
    parts: edgings,
  },
  {
    id: 'pare-wedge',
    name: (f) => (partsOf(f, ['heelWedge']).length > 0 ? 'Pare the heel wedges' : 'Pare the top pieces'),
    group: 'skive',
    when: skived('heelWedge', 'topPiece'),
    effort: skiving(['heelWedge', 'topPiece']),
    after: [['cut-heel', 'only what is cut can be pared']],
    cautions: ['knife'],
    parts: ['heelWedge', 'topPiece'],
  },
  {
    id: 'skive-stiffener',
    name: 'Skive the stiffeners',
    group: 'skive',
    effort: skiving('stiffener'),
    after: [['cut-stiffener', 'skive before it is soaked and pasted in']],
    cautions: ['knife'],
    parts: ['stiffener'],
  },
  {
    id: 'skive-puff',
    name: 'Skive the toe puffs',
    group: 'skive',
    effort: skiving('puff'),
    after: [['cut-puff', 'skive before it is soaked and pasted in']],
    cautions: ['knife'],
    parts: ['puff'],
  },
  {
    id: 'skive-sock',
    name: 'Skive the front edge of the sock liners',
    group: 'skive',
    when: skived('sock'),
    effort: skiving('sock'),
    after: [['cut-sock', 'only what is cut can be skived']],
    cautions: ['knife'],
    parts: ['sock'],
  },
  {
    id: 'skive-padding',
    name: (f) => `Skive the front edge of the ${paddingName(f)}`,
    group: 'skive',
    when: padded('heel pad', 'half'),
    effort: skiving('padding'),
    after: [['cut-padding', 'only what is cut can be skived']],
    cautions: ['knife'],
    parts: ['padding'],
  },
  {
    id: 'soak-insole',
    name: 'Soak the insoles',
    group: 'last',
    when: leatherInsole,
    effort: fixed(3, 'Into lukewarm water, weighted down.'),
    wait: (f) => ({
      min: f.book.value(waitRules.soakMin),
      max: f.book.value(waitRules.soakMax),
      why: 'Wet through, but not waterlogged.',
    }),
    after: [['cut-insole', 'cut oversize leather is wasted when soaked whole']],
    parts: ['insole'],
  },
]
