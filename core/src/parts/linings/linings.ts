import { nearest, pointAt } from '../../geometry/polyline.ts'
import { distance, pathLength, type Path, type Point } from '../../geometry/path.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import type { PairDecisions } from '../../model/pair.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { takenIn } from '../../upper/backTaper.ts'
import type { PointPlaces } from '../../upper/pointPlaces.ts'
import type { Piece } from '../../upper/piece.ts'
import { foldedPiece, likePiece, sidePiece, type EdgeDraft } from '../../upper/pieceMaker.ts'
import { withEyelets, type EyeletRow } from '../../upper/eyelets.ts'
import type { DrawnUpper } from '../../upper/style.ts'
import { withMargins, type MarginMore } from '../../upper/marginMore.ts'
import { openedPiece } from '../../upper/styles/forepart.ts'
import { bottomEdge, featherFrom, flipped, perSide } from '../../upper/styles/lines.ts'
import { meet } from '../../geometry/lineCrossing.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'
import { subpath, subpathBetween } from '../../geometry/subpath.ts'
import { liningRules } from './liningRules.ts'
import { kindOf } from '../../trade/partCatalogue.ts'

export interface LiningNeeds {
  board: PointPlaces
  drawn: DrawnUpper
  /** What is added to the lasting margin place by place: the lining is cut as wide as the upper. */
  margin: MarginMore | null
  /** Eyelets that go through the lining too, once it is joined to the outside. */
  row: EyeletRow | null
  decisions: PairDecisions['lining']
  book: RuleBook
}

/** How far above the feather the lining seam of a low-cut shoe is looked for, share of L. */
const TALL = 0.4

/** The seam between vamp lining and quarter lining: from the opening's edge down to the feather. */
interface Split {
  /** From the opening to the feather. */
  line: Path
  foot: Point
  /** The opening's edge in front of the seam, from the throat to it. */
  front: EdgeDraft[]
  /** And behind it, from the seam to the top of the back. */
  rear: EdgeDraft[]
}

/** Where the lining's seam meets the feather: behind the upper's own seam, or by the rule where the upper has none. */
function seamFoot({ board, drawn, book }: LiningNeeds, side: Side): Point {
  const feather = board.feather[side]
  if (!drawn.foot) {
    return nearest(feather, board.map.featherAt(book.value(liningRules.seamShare) * board.length)).point
  }
  return pointAt(feather, nearest(feather, drawn.foot[side]).at - book.value(liningRules.seamBehind))
}

function split(needs: LiningNeeds, side: Side): Split {
  const { board, drawn } = needs
  const foot = seamFoot(needs, side)
  const topLine = drawn.topLine[side]
  const edge = (line: Path, name = 'top line'): EdgeDraft => ({ name, role: 'trimmed', line })
  if (drawn.facings) {
    const facing = drawn.facings[side]
    if (drawn.tongueOnVamp) return underTongue(drawn.tongueOnVamp[side], facing, topLine, foot)
    const at = nearest(facing, drawn.throat)
    const upTo = subpath(facing, 0, at.at)
    return {
      line: smoothLine([at.point, foot]),
      foot,
      front: [{ name: 'throat', role: 'raw', line: [drawn.throat, at.point] }],
      rear: [edge(flipped([...upTo.slice(0, -1), at.point]), 'facing'), edge(topLine)],
    }
  }
  if (drawn.front) {
    return {
      line: smoothLine([drawn.throat, foot]),
      foot,
      front: [],
      rear: [
        { name: 'front seam', role: 'closed seam', line: flipped(drawn.front), seam: 'liningFront' },
        edge(topLine),
      ],
    }
  }
  // It leans back a little as it rises, so that the edge of the opening does not gape there.
  const x = board.map.toLast(side, foot)[0] + 0.03 * board.length
  const up: Path = [foot, board.map.above(x, TALL * board.length)]
  const hit = meet(up, topLine, ['lining seam', 'top line'])
  return {
    line: [hit.point, foot],
    foot,
    front: [edge([...subpath(topLine, 0, hit.onB).slice(0, -1), hit.point])],
    rear: [edge([hit.point, ...subpath(topLine, hit.onB, Infinity).slice(1)])],
  }
}

/** Where the tongue is one with the vamp its lining is too: the quarter's then reaches down the whole facing. */
function underTongue([top, beside]: readonly Path[], facing: Path, topLine: Path, foot: Point): Split {
  const end = facing[facing.length - 1]!
  return {
    line: smoothLine([end, foot]),
    foot,
    front: [
      { name: 'top of the tongue', role: 'trimmed', line: top! },
      { name: 'side of the tongue', role: 'trimmed', line: beside! },
    ],
    rear: [
      { name: 'facing', role: 'trimmed', line: flipped(facing) },
      { name: 'top line', role: 'trimmed', line: topLine },
    ],
  }
}

/** What stands at the back end of a quarter lining, and the heel grip where there is one. */
function backs(needs: LiningNeeds, splits: Record<Side, Split>, backLine: Path) {
  const { board, book, decisions } = needs
  const foot = backLine[0]
  const top = backLine[backLine.length - 1]
  const feather = perSide((side) => featherFrom(board, side, foot!))
  const lap = book.value(liningRules.lap)
  if (decisions.back !== 'heel grip') {
    const edge = perSide((side): EdgeDraft => ({
      name: 'back',
      role: decisions.back === 'butt seam' ? 'butt seam' : side === 'lateral' ? 'lap over' : 'lap under',
      line: flipped(backLine),
      seam: 'liningBack',
      allowance: decisions.back === 'lapped' && side === 'medial' ? lap : 0,
    }))
    return {
      grip: null,
      quarter: (side: Side): EdgeDraft[] => [
        bottomEdge(feather[side], foot!, splits[side].foot, 'lasting margin'),
        { name: 'vamp lining', role: 'lap over', line: flipped(splits[side].line), seam: `liningVamp.${side}` },
        ...splits[side].rear,
        edge[side],
      ],
    }
  }
  const x = book.value(liningRules.gripReach) * board.length
  const front = perSide((side) => {
    const low = nearest(feather[side], board.map.featherAt(x)).point
    const rear = splits[side].rear[splits[side].rear.length - 1]!.line
    const hit = meet([low, board.map.above(0.92 * x, 0.8 * board.length)], rear, ['front of the heel grip', 'top line'])
    return { low, high: hit.point, onTop: hit.onB, line: [low, hit.point] as Path, rear }
  })
  const grip = foldedPiece(
    { id: 'heelGrip', name: 'Heel grip' },
    perSide((side): EdgeDraft[] => {
      const { low, high, line, rear, onTop } = front[side]
      return [
        bottomEdge(feather[side], foot!, low, 'lasting margin'),
        { name: 'front edge', role: 'lap over', line, seam: 'grip' },
        { name: 'top line', role: 'trimmed', line: [high, ...subpath(rear, onTop, Infinity).slice(1, -1), top!] },
      ]
    }),
    { from: top!, to: foot!, upright: true, onForme: flipped(backLine) },
    book,
  )
  return {
    grip,
    quarter: (side: Side): EdgeDraft[] => {
      const { low, high, line, rear, onTop } = front[side]
      return [
        bottomEdge(feather[side], low, splits[side].foot, 'lasting margin'),
        { name: 'vamp lining', role: 'lap over', line: flipped(splits[side].line), seam: `liningVamp.${side}` },
        ...splits[side].rear.slice(0, -1),
        { name: 'top line', role: 'trimmed', line: [...subpath(rear, 0, onTop).slice(0, -1), high] },
        { name: 'under the grip', role: 'lap under', line: flipped(line), seam: `grip.${side}`, allowance: lap },
      ]
    },
  }
}

/** How far a fold line leaves the curve that it straightens, mm. */
export function offFold(piece: Piece): number {
  const line = piece.places[0]?.edges.find((e) => e.role === 'fold')?.line
  if (!line) return 0
  const [a, b] = [line[0]!, line[line.length - 1]!]
  const l = distance(a, b) || 1
  return line.reduce(
    (most, p) => Math.max(most, Math.abs((b[0] - a[0]) * (a[1] - p[1]) - (a[0] - p[0]) * (b[1] - a[1])) / l),
    0,
  )
}

/**
 * Linings of vamp and quarters and the heel grip, from the base pattern (docs/trade.md, "Linings"): vamp lining without
 * the designed folds, the back eased in at its foot, oversize where the edge is trimmed after stitching. Pieces as the
 * upper's, seen from outside. Throws GeometryError when the opening leaves no room for a seam.
 */
export const liningPieces = (needs: LiningNeeds): Piece[] =>
  withMargins(evenLinings(needs), needs.board.feather, needs.margin)

function evenLinings(needs: LiningNeeds): Piece[] {
  const { board, drawn, book } = needs
  if (drawn.straps) return strapLinings(drawn.plainStraps ?? drawn.pieces, book)
  if (!drawn.backLine) return openLining(needs)
  const backLine = takenIn(drawn.backLine, book.value(liningRules.backEase))
  const splits = perSide((side) => split(needs, side))
  const { grip, quarter } = backs(needs, splits, backLine)
  const toe = board.map.feather[board.map.feather.length - 1]
  const vamp = vampLining(needs, (side): EdgeDraft[] => [
    ...splits[side].front,
    {
      name: 'under the quarter lining',
      role: 'lap under',
      line: splits[side].line,
      seam: 'liningVamp',
      allowance: book.value(liningRules.lap),
    },
    bottomEdge(board.feather[side], splits[side].foot, toe!, 'lasting margin'),
  ])
  return [
    ...vamp,
    ...wallSides.map((side) =>
      withEyelets(
        sidePiece({ id: 'quarterLining', name: 'Quarter lining' }, side, quarter(side), book),
        needs.row,
        true,
      ),
    ),
    ...(grip ? [grip] : []),
  ]
}

/** A strap is lined by its own outline, and trimmed to it all round; where its end is cut free or sewn under it goes with it. */
const strapLinings = (pieces: readonly Piece[], book: RuleBook): Piece[] =>
  pieces
    .filter((p) => p.places.length > 0)
    .map((p) =>
      likePiece(
        p,
        { id: `${p.id}Lining`, name: `${p.name} lining` },
        ({ name, role }) => (name === 'top line' ? 'trimmed' : role === 'lap over' ? 'raw' : role),
        book,
      ),
    )

/** The lining of an upper that is open behind: all of it as it was before the folds. */
function openLining(needs: LiningNeeds): Piece[] {
  const { board, drawn } = needs
  const toe = board.map.feather[board.map.feather.length - 1]!
  return vampLining(needs, (side): EdgeDraft[] => {
    const line = drawn.topLine[side]
    return [
      { name: 'top line', role: 'trimmed', line },
      bottomEdge(board.feather[side], line[line.length - 1]!, toe, 'lasting margin'),
    ]
  })
}

/**
 * The lining of the forepart as it was before the folds, from the edges of its halves, each from the middle down and along the
 * feather to the toe: folded along the straightened middle, or of two halves as they lie on the forme, sewn along it.
 */
function vampLining(needs: LiningNeeds, half: (side: Side) => EdgeDraft[]): Piece[] {
  const { board, drawn, decisions, book } = needs
  if (!drawn.opened) return []
  const draft = { id: 'vampLining', name: 'Vamp lining' }
  if (decisions.front === 'in one') {
    return [openedPiece({ map: board.map, book }, draft, perSide(half), drawn.opened, 'plain')]
  }
  return wallSides.map((side) => {
    const edges = half(side).map((e) => (e.seam ? { ...e, seam: `${e.seam}.${side}` } : e))
    const { centre } = board.map
    const line = [
      ...flipped(subpathBetween(centre, edges[0]!.line[0]!, centre[centre.length - 1]!)).slice(0, -1),
      edges[0]!.line[0]!,
    ]
    return sidePiece(
      draft,
      side,
      [...edges, { name: 'centre seam', role: 'closed seam', line, seam: 'liningCentre' }],
      book,
    )
  })
}

/** Length of the finished seam at the back of the linings, mm. */
export const backLength = (pieces: readonly Piece[]): number =>
  pathLength(pieces.find((p) => kindOf(p.id) === 'quarterLining')?.edges.find((e) => e.name === 'back')?.line ?? [])
