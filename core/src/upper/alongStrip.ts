import { pointAt } from '../geometry/polyline.ts'
import { pathLength, type Path } from '../geometry/path.ts'
import { inSentence, withoutSide } from '../trade/pieceName.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { OpeningEdge } from './opening.ts'
import { relief } from './slits.ts'
import { topFinishRules } from './topFinishRules.ts'

/** Something on the strip that is laid along the opening, mm from its beginning. */
export interface StripMark {
  name: string
  at: number
}

/** From this turn on two edges that follow each other make a corner, degrees. */
const CORNER = 35

/** Where a strip along the opening is cut open, and where closed, mm from the beginning of the edge. */
export function cutsAlong(edges: readonly OpeningEdge[], book: RuleBook): { at: number; convex: boolean }[] {
  let from = 0
  return edges.flatMap(({ piece, edge }, i) => {
    const before = edges[i - 1]
    const turn = before && before.piece === piece ? turnBetween(before.edge.line, edge.line) : 0
    const corner = Math.abs(turn) > (CORNER * Math.PI) / 180 ? [{ at: from, convex: turn > 0 }] : []
    const along = relief(edge.line, book.value(topFinishRules.slitPitch), book.value(topFinishRules.straight))
    const here = [...corner, ...along.map(({ at, convex }) => ({ at: from + at, convex }))]
    from += pathLength(edge.line)
    return here
  })
}

/** How much a line turns where it goes on in another, to the left in radians. */
function turnBetween(a: Path, b: Path): number {
  const way = (p: Path, from: number): number => {
    const [s, e] = [pointAt(p, from), pointAt(p, from + AIM)]
    return Math.atan2(e[1] - s[1], e[0] - s[0])
  }
  const turn = way(b, 0) - way(a, pathLength(a) - AIM)
  return Math.atan2(Math.sin(turn), Math.cos(turn))
}

/** The way of an end is read over so much, mm. */
const AIM = 3

/** What a strip passes: its ends, the corners and seams of the opening, the back. */
export function marksAlong(edges: readonly OpeningEdge[], laced: boolean): StripMark[] {
  if (edges.length === 0) return []
  let at = 0
  const ends = edges.map(({ edge }) => (at += pathLength(edge.line)))
  const zip = edges[0]!.piece.edges.some((e) => e.role === 'zip')
  const end = (side: string) => (laced ? `front, ${side}` : zip ? 'zip' : 'back')
  const between = edges.slice(1).map(({ piece, edge }, i): StripMark => {
    const before = edges[i]!
    const name =
      before.edge.side !== edge.side
        ? edge.side === 'medial'
          ? 'back'
          : 'front'
        : before.piece === piece
          ? `top of the facing, ${edge.side}`
          : `${inSentence(withoutSide(before.piece.name))} meets ${inSentence(withoutSide(piece.name))}, ${edge.side}`
    return { name, at: ends[i]! }
  })
  return [
    { name: end(edges[0]!.edge.side), at: 0 },
    ...between,
    { name: end(edges[edges.length - 1]!.edge.side), at: ends[ends.length - 1]! },
  ]
}
