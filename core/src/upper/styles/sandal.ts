import type { Path, Point } from '../../geometry/path.ts'
import { nearest } from '../../geometry/polyline.ts'
import { subpath } from '../../geometry/subpath.ts'
import type { Rule } from '../../trade/rules.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import type { DesignBoard } from '../designPoints.ts'
import { openForepart } from '../../forme/opened.ts'
import type { FoldPlace } from '../../model/upper.ts'
import { joinedGathers } from '../gathers.ts'
import { strapFolds, type StrapFolds } from '../strapFolds.ts'
import type { Piece } from '../piece.ts'
import { foldedPiece, type EdgeDraft } from '../pieceMaker.ts'
import type { DrawnUpper, Strap, Style } from '../style.ts'
import { styleRules } from '../styleRules.ts'
import { heelStrap, heelStrapRules } from './heelStrap.ts'
import { across, backHeight, bottomEdge, drawBack, flipped, perSide, roundFeather } from './lines.ts'
import { openBehind } from './openBehind.ts'
import { buckleLoop } from './pullLoop.ts'

/** Where straps come down to the feather, shares of L. */
const FEET = {
  front: { lateral: 0.7, medial: 0.79 },
  rear: { lateral: 0.565, medial: 0.645 },
  instepFront: { lateral: 0.5, medial: 0.53 },
  instepRear: { lateral: 0.42, medial: 0.45 },
}
/** The instep strap on the ridge, shares of L. */
const INSTEP = { front: 0.585, rear: 0.5 }

const last = (line: Path): Point => line[line.length - 1]!
const finishOf = (board: DesignBoard) => board.decisions.topFinish ?? sandal.topFinish

/** Where places of the forme come to lie on a strap, and those of its middle that are marked. */
interface Placed {
  place: (p: Point) => Point
  ticks: readonly Point[]
}

/** A band straight across the foot, folded along the ridge. `rearEdge` says what becomes of its rear edge, from the ridge down. */
function band(
  board: DesignBoard,
  draft: { id: string; name: string },
  { front, rear }: Strap,
  { place, ticks }: Placed,
  rearEdge: (side: Side) => EdgeDraft[],
): Piece {
  const [a, b] = [rear.lateral[0]!, front.lateral[0]!]
  const half = perSide((side): EdgeDraft[] => [
    ...rearEdge(side),
    bottomEdge(roundFeather(board, side), last(rear[side]), last(front[side]), 'lasting margin'),
    { name: 'top line', role: finishOf(board), line: flipped(front[side]) },
  ])
  const { centre } = board.map
  const between = flipped(subpath(centre, nearest(centre, a).at, nearest(centre, b).at)).slice(1, -1)
  const fold = { from: place(b), to: place(a), onForme: [b, ...between, a] }
  return foldedPiece(draft, half, fold, board.book, place, ticks)
}

/** How far up the back its fullest is, mm. */
function overFullest({ back, map }: DesignBoard): number {
  const fullest = map.back.reduce((a, b) => (b[0] < a[0] ? b : a))
  return nearest(back, fullest).at
}

/** An open sandal: a strap over the joint, one over the instep, and one behind the heel with a buckle. */
function draw(board: DesignBoard): DrawnUpper {
  const { book, length: L } = board
  const finish = finishOf(board)
  const edge = (
    id: string,
    name: string,
    head: number,
    feet: Record<Side, number>,
    whys: { head: string; feet: string },
    rule?: Rule,
  ): Record<Side, Path> =>
    across(
      board,
      board.onRidge(id, name, head * L, whys.head, rule),
      board.onFeather(
        `${id}Foot`,
        `Foot of the ${name.charAt(0).toLowerCase()}${name.slice(1)}`,
        { lateral: feet.lateral * L, medial: feet.medial * L },
        whys.feet,
      ),
    )
  const overJoint = (rule: Rule) => ({
    head: rule.why as string,
    feet: 'Clear of the bones of the joint, which lie under the middle of the strap.',
  })
  const overInstep = {
    head: 'Over the instep, where the foot grows higher: it cannot slide forward under it.',
    feet: 'At the waist, behind the joint.',
  }
  const { strapFront, strapRear } = styleRules
  const front: Strap = {
    name: 'front strap',
    front: edge(
      'strapFront',
      'Front strap, front edge',
      book.value(strapFront),
      FEET.front,
      overJoint(strapFront),
      strapFront,
    ),
    rear: edge(
      'strapRear',
      'Front strap, rear edge',
      book.value(strapRear),
      FEET.rear,
      overJoint(strapRear),
      strapRear,
    ),
  }
  const instep: Strap = {
    name: 'instep strap',
    front: edge('instepFront', 'Instep strap, front edge', INSTEP.front, FEET.instepFront, overInstep),
    rear: edge('instepRear', 'Instep strap, rear edge', INSTEP.rear, FEET.instepRear, overInstep),
  }
  const begins = instep.rear.lateral[0]!
  const flat = openForepart(board.map, begins, begins, [instep.rear.medial])
  const { versions, chosen, where } = board.decisions.folds
  const total = versions[chosen] ?? 0
  const foldsIn = (strap: Strap, places: readonly FoldPlace[]) =>
    total > 0 && places.includes(where) ? strapFolds(board.map, flat, strap, total) : null
  const [inFront, inInstep] = [foldsIn(front, ['toes', 'all along']), foldsIn(instep, ['instep', 'all along'])]
  const gathers = joinedGathers([inFront, inInstep].flatMap((f) => (f ? [f.gathers] : [])))
  const heel = board.option('heelStrap', true)
    ? heelStrap(
        board,
        drawBack(
          board,
          Math.max(
            backHeight(board) - book.value(styleRules.lowBack),
            overFullest(board) + book.value(heelStrapRules.width),
          ),
          'As high as a low-cut shoe, and all of the strap over the fullest of the heel, so that it cannot slide down.',
        ),
        instep.rear,
        finish,
      )
    : null
  const rearOfInstep = (side: Side): EdgeDraft[] => {
    const line = instep.rear[side]
    if (!heel || side === 'lateral') return [{ name: 'top line', role: finish, line }]
    const { from, to } = heel.under
    return [
      { name: 'top line', role: finish, line: subpath(line, 0, from) },
      { name: 'over the heel strap', role: 'lap over', line: subpath(line, from, to), seam: 'heel' },
      { name: 'top line', role: finish, line: subpath(line, to, Infinity) },
    ]
  }
  const rearOfFront = (side: Side): EdgeDraft[] => [{ name: 'top line', role: finish, line: front.rear[side] }]
  const bands = (frontAt: Placed, instepAt: Placed) => [
    band(board, { id: 'frontStrap', name: 'Front strap' }, front, frontAt, rearOfFront),
    band(board, { id: 'instepStrap', name: 'Instep strap' }, instep, instepAt, rearOfInstep),
  ]
  // Linings are cut without the folds, and carry the same marks.
  const plain = (folds: StrapFolds | null): Placed => ({ place: flat.place, ticks: folds?.gathers.marks.centre ?? [] })
  const laid = (folds: StrapFolds | null): Placed => ({ ...plain(folds), ...(folds ? { place: folds.place } : {}) })
  return {
    pieces: [
      ...bands(laid(inFront), laid(inInstep)),
      ...(heel ? [heel.piece, buckleLoop(book.value(heelStrapRules.width), book)] : []),
    ],
    ...(gathers ? { plainStraps: [...bands(plain(inFront), plain(inInstep)), ...(heel ? [heel.piece] : [])] } : {}),
    topLine: heel ? heel.topLine : instep.rear,
    straps: [front, instep],
    throat: begins,
    opened: { ...flat, plain: flat, gained: gathers ? total : 0, gathers },
    ...openBehind,
    edges: heel ? wallSides.map((side) => ({ name: 'heel strap, lower edge', side, line: heel.lower[side] })) : [],
  }
}

export const sandal: Style = {
  sentence: 'Straps over a footbed: one over the joint, one over the instep, one behind the heel.',
  options: [{ key: 'heelStrap', name: 'Strap behind the heel, with a buckle', byDefault: true }],
  topFinish: 'raw',
  facingsFinishedBy: null,
  suggests: [
    {
      kinds: ['heelStrap', 'buckleLoop'],
      why: 'The strap behind the heel carries the pull: a leather that does not stretch.',
    },
  ],
  padded: false,
  without: ['stiffener', 'puff'],
  linedBy: {
    behind: ['heelStrapLining'],
    toes: ['frontStrapLining'],
    sides: ['frontStrapLining', 'instepStrapLining'],
  },
  bottom: 'lasting margin',
  draw,
}
