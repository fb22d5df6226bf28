import { nearest, pointAt } from '../geometry/polyline.ts'
import { distance, pathLength, type Path } from '../geometry/path.ts'
import type { TopFinish } from '../model/upper.ts'
import { wallSides, type Side } from '../trade/side.ts'
import type { Piece, PieceEdge } from './piece.ts'
import type { DrawnUpper } from './style.ts'

/** How an upper's opening is finished. */
export interface OpeningFinish {
  finish: TopFinish
  /** Whether it runs on down the facings. */
  onFacings: boolean
}

const TOP = 'top line'
const FACING = 'facing'

/** Whether an edge of this name belongs to the opening that is finished. */
export const isOfOpening = (name: string, onFacings: boolean): boolean => name === TOP || (onFacings && name === FACING)

/** One edge of the opening on its piece, seen from outside: on either side it runs so that the piece lies on its left. */
export interface OpeningEdge {
  piece: Piece
  edge: PieceEdge
}

/** The edge of the opening from the top of the back to its front, and on along the lacing; on the forme. */
export function openingFromBack(drawn: Pick<DrawnUpper, 'topLine' | 'facings'>, side: Side): Path {
  const back = [...drawn.topLine[side]].reverse()
  return drawn.facings ? [...back, ...drawn.facings[side].slice(1)] : back
}

/** How far from the top of the back the middle of an edge lies along the opening, mm; a drawn pattern's keep their order. */
function fromBack({ piece, edge }: OpeningEdge, drawn: Pick<DrawnUpper, 'topLine' | 'facings'> | null): number {
  const place = piece.places.find((p) => p.side === edge.side)?.edges.find((e) => e.name === edge.name)
  if (!drawn || !place || edge.side === 'whole') return 0
  return nearest(openingFromBack(drawn, edge.side), pointAt(place.line, pathLength(place.line) / 2)).at
}

/**
 * The edges of the opening in the order in which a strip is laid along them: on a laced shoe from the front of the
 * lateral side round the back to the front of the medial one; on a slip-on it begins and ends at the back, or at the
 * feather where it is open there; on a shaft with a zip at the zip. What is laid on a piece of the opening has the same
 * edge once more and is left out.
 */
export function openingEdges(
  pieces: readonly Piece[],
  onFacings: boolean,
  drawn: Pick<DrawnUpper, 'topLine' | 'facings' | 'zip' | 'straps'> | null,
): OpeningEdge[] {
  const all = pieces
    .filter((p) => p.edges.some((e) => e.name === TOP))
    .flatMap((piece) =>
      piece.edges.filter((e) => isOfOpening(e.name, onFacings)).map((edge): OpeningEdge => ({ piece, edge })),
    )
  if (!drawn) return all
  if (drawn.straps) return pieces.flatMap((piece) => inRuns(all.filter((e) => e.piece === piece)))
  const [lateral, medial] = wallSides.map((side) =>
    all
      .filter((e) => e.edge.side === side)
      .map((e) => ({ ...e, at: fromBack(e, drawn) }))
      .sort((a, b) => (side === 'lateral' ? b.at - a.at : a.at - b.at)),
  )
  const inOrder = drawn.facings ? [...lateral!, ...medial!] : [...medial!, ...lateral!]
  const zip = drawn.zip ? inOrder.findIndex((e, i) => i > 0 && hasZip(e) && hasZip(inOrder[i - 1]!)) : 0
  return [...inOrder.slice(Math.max(0, zip)), ...inOrder.slice(0, Math.max(0, zip))].map(({ piece, edge }) => ({
    piece,
    edge,
  }))
}

/** Edges whose ends are so near follow each other, mm. */
const ON = 1

/** Whether an edge goes on on the same piece where another ends. */
export const follows = (a: OpeningEdge, b: OpeningEdge): boolean =>
  a.piece === b.piece && distance(a.edge.line[a.edge.line.length - 1]!, b.edge.line[0]!) < ON

/** The edges of one piece round it, from one with which a run begins. */
function inRuns(edges: readonly OpeningEdge[]): OpeningEdge[] {
  const first = Math.max(
    0,
    edges.findIndex((e) => !edges.some((other) => other !== e && follows(other, e))),
  )
  return [...edges.slice(first), ...edges.slice(0, first)]
}

const hasZip = ({ piece }: OpeningEdge): boolean => piece.edges.some((e) => e.role === 'zip')
