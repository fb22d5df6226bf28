import { pointAt } from '../geometry/polyline.ts'
import { pathLength, type Path } from '../geometry/path.ts'
import { inSentence, withoutSide } from '../trade/pieceName.ts'
import type { RuleBook } from '../trade/rules.ts'
import { follows, type OpeningEdge } from './opening.ts'
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
    const turn = before && follows(before, { piece, edge }) ? turnBetween(before.edge.line, edge.line) : 0
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

/**
 * How an opening ends: at the fronts of its lacing, at a zip, in itself at the back, or at the feather where the shoe is
 * open behind; straps have edges of their own, one after the other on the strip; a drawn pattern's is not known.
 */
export type OpeningEnds = 'laced' | 'zip' | 'back' | 'feather' | 'straps' | 'unknown'

/** What a strip passes: its ends, the corners and seams of the opening, the back. */
export function marksAlong(edges: readonly OpeningEdge[], ends: OpeningEnds): StripMark[] {
  const [first, last] = [edges[0], edges[edges.length - 1]]
  if (!first || !last) return []
  const end = ({ piece, edge }: OpeningEdge): string => {
    switch (ends) {
      case 'laced':
        return `front, ${edge.side}`
      case 'feather':
        return `feather, ${edge.side}`
      case 'straps':
        return inSentence(piece.name)
      case 'unknown':
        return 'end of the opening'
      case 'zip':
      case 'back':
        return ends
    }
  }
  let at = 0
  const reached = edges.map(({ edge }) => (at += pathLength(edge.line)))
  const between = edges.slice(1).map((next, i): StripMark => {
    const at = reached[i]!
    if (ends !== 'straps') return { name: passed(edges[i]!, next), at }
    return { name: follows(edges[i]!, next) ? 'middle' : `cut, then ${inSentence(next.piece.name)}`, at }
  })
  return [{ name: end(first), at: 0 }, ...between, { name: end(last), at }]
}

/** What lies between two edges of an opening that follow each other. */
function passed(before: OpeningEdge, { piece, edge }: OpeningEdge): string {
  const on = edge.side === 'whole' ? '' : `, ${edge.side}`
  if (before.edge.side !== edge.side) return edge.side === 'medial' ? 'back' : 'front'
  return before.piece === piece
    ? `top of the facing${on}`
    : `${inSentence(withoutSide(before.piece.name))} meets ${inSentence(withoutSide(piece.name))}${on}`
}
