import { pathLength } from '../../geometry/path.ts'
import { isSheet } from '../../model/material.ts'
import { feet } from '../../trade/foot.ts'
import { familyOf } from '../../trade/partCatalogue.ts'
import type { PartFamily } from '../../trade/partCatalogue.ts'
import type { Part } from '../../trade/part.ts'
import { isPieceRecord, recordOfPiece } from '../../trade/recordName.ts'
import type { Sentence } from '../../units/sentence.ts'
import { cutting, fixed } from '../effort.ts'
import { kindOf, partsOf, piecesOf, sumOfParts, sumOfPieces, type Facts } from '../facts.ts'
import { bring, operation, want, type Operation } from '../operation.ts'
import { PATTERNS } from './patterns.ts'

/** What is laid out and cut in one go. */
interface Cut {
  id: string
  name: (f: Facts, parts: readonly Part[]) => string
  /** Minutes to lay out. */
  layOut: number
  /** What the patterns must have behind them, and why. */
  from: readonly ['printed' | 'checked', Sentence]
  /** Bent to shape as well. */
  bent?: true
  look: Sentence
}

const OUTLINE = ['printed', 'they are cut by the printed outline'] as const
const inherits = (what: string) => ['checked', `${what} inherit every error of the base pattern`] as const
const WHOLE = 'Check each cut before it is lifted: what hangs on is cut again, never torn.'

const cuts = {
  lining: {
    id: 'cut-lining',
    name: () => 'Cut the linings',
    layOut: 4,
    from: inherits('linings'),
    look: WHOLE,
  },
  stays: {
    id: 'cut-stays',
    name: () => 'Cut tapes and patches',
    layOut: 2,
    from: ['checked', 'they follow the lines of the base pattern'],
    look: WHOLE,
  },
  edging: {
    id: 'cut-edging',
    name: (_f, parts) => (parts.some((p) => kindOf(p.id) === 'bead') ? 'Cut the bead strips' : 'Cut the bindings'),
    layOut: 3,
    from: ['checked', 'they are as long as the opening that is drawn'],
    look: 'Of one width from end to end.',
  },
  foam: { id: 'cut-foam', name: () => 'Cut the foam', layOut: 2, from: OUTLINE, look: 'Edges square, not pressed.' },
  insole: { id: 'cut-insole', name: () => 'Cut the insoles', layOut: 3, from: OUTLINE, look: WHOLE },
  sock: { id: 'cut-sock', name: () => 'Cut the sock liners', layOut: 2, from: OUTLINE, look: WHOLE },
  padding: {
    id: 'cut-padding',
    name: (f) => `Cut the ${paddingName(f)}${paddingName(f) === 'heel pad' ? 's' : ''}`,
    layOut: 2,
    from: OUTLINE,
    look: WHOLE,
  },
  stiffener: {
    id: 'cut-stiffener',
    name: ({ materials }) => `Cut the stiffeners from ${isSheet(materials.stiffener) ? 'sheet' : 'belly'}`,
    layOut: 3,
    from: ['checked', 'their top edge follows the top line of the base pattern'],
    look: WHOLE,
  },
  puff: {
    id: 'cut-puff',
    name: ({ materials }) => `Cut the toe puffs from ${isSheet(materials.puff) ? 'sheet' : 'belly'}`,
    layOut: 3,
    from: OUTLINE,
    look: WHOLE,
  },
  midsole: { id: 'cut-midsole', name: () => 'Cut the midsoles', layOut: 4, from: OUTLINE, look: WHOLE },
  welt: {
    id: 'cut-welt',
    name: () => 'Cut the welts and rands',
    layOut: 3,
    from: ['printed', 'length and outline are on the sheet'],
    look: 'The welt has its spare length.',
  },
  shank: {
    id: 'cut-shank',
    name: () => 'Cut and bend the shanks',
    layOut: 10,
    from: ['printed', 'length and bend are on the sheet'],
    bent: true,
    look: 'It lies in the hollow of the waist without rocking.',
  },
  outsole: { id: 'cut-outsole', name: () => 'Cut the outsoles', layOut: 4, from: OUTLINE, look: WHOLE },
  heel: {
    id: 'cut-heel',
    name: () => 'Cut wedges, lifts and top pieces',
    layOut: 4,
    from: OUTLINE,
    look: 'Marked by foot and by place: each lift is smaller than the one above it.',
  },
} as const satisfies Record<string, Cut>
type CutName = keyof typeof cuts

/** With what each family of parts is cut; null is spread, bought, or cut with something else. A new family must answer before this compiles. */
const cutOf: Record<PartFamily, CutName | null> = {
  upper: null,
  lining: 'lining',
  foam: 'foam',
  reinforcement: 'stays',
  edging: 'edging',
  backer: null,
  stiffener: 'stiffener',
  puff: 'puff',
  insole: 'insole',
  sock: 'sock',
  padding: 'padding',
  welt: 'welt',
  shank: 'shank',
  filler: null,
  midsole: 'midsole',
  'bought sole': null,
  outsole: 'outsole',
  wedge: 'heel',
  lift: 'heel',
  'top piece': 'heel',
}

/** A cover is cut from the lining's leather, with the linings. */
const cutName = (id: string): CutName | null => {
  if (kindOf(id) === 'insoleCover') return 'lining'
  return cutOf[familyOf(id)]
}

/** What the padding of the pair is called; feet may have different ones, or one none at all. */
export function paddingName({ paddings: { right, left } }: Facts): string {
  const worn = [...new Set([right, left])].filter((p) => p !== 'none')
  return worn.length === 1 ? (worn[0] === 'heel pad' ? 'heel pad' : `${worn[0]} padding`) : 'padding'
}

/** Said where the two feet are not cut by one pattern. */
const eachByItsOwn = (f: Facts, ids: readonly string[]) =>
  ids.some((id) => f.ownOutline.has(id))
    ? ' Left and right differ: cut each by its own outline and mark it L or R.'
    : ''

const toTheShoe = (f: Facts, name: CutName) =>
  (name === 'midsole' || name === 'outsole') && f.work.ways.soles === 'cut to the lasted shoe'

export function cuttingWork(f: Facts): Operation[] {
  const parts = partsOf(f, [...new Set(partsOf(f, kindsIn(f)).map((p) => kindOf(p.id)))])
  const operations = (Object.keys(cuts) as CutName[]).flatMap((name): Operation[] => {
    const mine = parts.filter((p) => cutName(p.id) === name)
    if (mine.length === 0) return []
    const cut: Cut = cuts[name]
    const kinds = [...new Set(mine.map((p) => kindOf(p.id)))]
    const ids = mine.map((p) => p.id)
    const [phase, why] = cut.from
    const length = sumOfParts(f, feet, kinds, (p) => pathLength(p.outline, true))
    const thickness = Math.max(...mine.map((p) => p.thickness))
    const measured = toTheShoe(f, name)
    return [
      operation({
        id: cut.id,
        name: measured ? `${cut.name(f, mine)} to the lasted shoes` : cut.name(f, mine),
        group: 'cut',
        effort: cut.bent
          ? fixed(cut.layOut, 'To the length, then bent to the hollow of the waist.')
          : cutting(f, length, thickness, cut.layOut, eachByItsOwn(f, ids)),
        makes: bring(ids, 'cut', ''),
        needs: [
          ...want([PATTERNS], phase, why),
          ...(measured ? want(['shoe'], 'tried', 'they are cut to the lasted shoe, tried on in paper') : []),
          ...(name === 'padding'
            ? want(
                partsOf(f, ['sock']).map((p) => p.id),
                'cut',
                'the padding is drawn round the sock',
              )
            : []),
        ],
        cautions: ['knife'],
        tools: name === 'foam' || name === 'stays' ? ['shears', 'rule'] : ['knife', 'rule'],
        look: [cut.look],
        parts: ids,
      }),
    ]
  })
  return [...backersFirst(f), cutUpper(f), ...operations]
}

/** Every kind of part on either foot. */
const kindsIn = (f: Facts): string[] => feet.flatMap((foot) => f.shoes[foot].parts.map((p) => kindOf(p.id)))

const LEATHER = 'leather of the upper'

function cutUpper(f: Facts): Operation {
  const pieces = piecesOf(f)
  const records = pieces.map((p) => recordOfPiece(p.id))
  const length = sumOfPieces(f, feet, (p) => p.cut)
  return operation({
    id: 'cut-upper',
    name: 'Cut the upper',
    group: 'cut',
    effort: cutting(
      f,
      length,
      f.materials.upper.thickness,
      6 + 2 * pieces.length,
      [...f.ownOutline].some(isPieceRecord)
        ? ' Best leather to vamps and toe caps; left and right each by their own patterns, marked L and R.'
        : ' Best leather to vamps and toe caps, pairs side by side, left flipped from right.',
    ),
    makes: [...bring(records, 'cut', ''), ...bring([LEATHER], 'cut', 'the backers are cut with the leather')],
    needs: want([PATTERNS], 'checked', 'lining and stiffener inherit every error of the base pattern'),
    cautions: ['knife'],
    tools: ['knife', 'rule'],
    look: ['Tight direction from toe to heel on both shoes, grain and colour alike, no flaw in sight.', WHOLE],
    parts: records,
  })
}

function backersFirst(f: Facts): Operation[] {
  const ids = partsOf(f, ['backer']).map((p) => p.id)
  if (ids.length === 0) return []
  return [
    operation({
      id: 'back-upper',
      name: 'Stick the backers to the leather of the upper',
      group: 'cut',
      effort: fixed(15, 'Roughly cut, a thin even coat, thread from toe to heel; the pieces are cut through both.'),
      makes: [...bring([LEATHER], 'backed', ''), ...bring(ids, 'cut', '')],
      needs: want([PATTERNS], 'printed', 'the pieces have to find room on what is stuck together'),
      cautions: ['cement', 'knife'],
      tools: ['shears', 'brush'],
      look: ['No bubble, no crease, and the leather still bends as it did.'],
      parts: ids,
    }),
  ]
}
