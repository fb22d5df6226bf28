import { offsetLine } from '../geometry/offsetLine.ts'
import { distance, pathLength, type Path, type Point } from '../geometry/path.ts'
import { nearest, pointAt } from '../geometry/polyline.ts'
import type { EyeletFitting, LacingDecisions } from '../model/lacing.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import { wallSides, type Side } from '../trade/side.ts'
import { lacingRules } from './lacingRules.ts'
import type { Hole, Piece, PieceEdge } from './piece.ts'
import type { DrawnUpper, ShaftLace } from './style.ts'

/** Where the eyelets go along a facing, and how they are made; it says nothing of any last. */
export interface EyeletRow {
  fitting: EyeletFitting
  /** Along the edge of the facing from its top, mm. */
  along: number[]
  /** From the edge to the middle of the holes, mm. */
  fromEdge: number
  /** Of the holes in the outside, mm. */
  diameter: number
  /** So many of the first are hooks. */
  hooks: number
  /** How far apart they are, mm. */
  spacing: number
  /** Of a laced shaft, see ShaftLace; null on a low shoe. */
  shaft: ShaftLace | null
}

/** The rule for the distance of two eyelets. */
export const spacingOf = (shaft: ShaftLace | null): Rule => (shaft ? lacingRules.shaftSpacing : lacingRules.spacing)

/**
 * The eyelets of a facing so long: the first and the last at their distances from its ends, the others evenly between,
 * as many as come nearest to the house's spacing unless so many are asked for. eyeletRow(72) with 9 and 10 mm at the
 * ends leaves 53 mm: 4 spaces of 13.25 mm, 5 eyelets.
 */
export function eyeletRow(
  facing: number,
  { fitting, pairs, hooks }: LacingDecisions,
  book: RuleBook,
  shaft: ShaftLace | null = null,
): EyeletRow {
  const from = book.value(lacingRules.fromTop)
  const span = Math.max(0, facing - from - book.value(lacingRules.fromFront))
  const count = pairs ?? Math.max(2, Math.round(span / book.value(spacingOf(shaft))) + 1)
  const spacing = span / (count - 1)
  const along = Array.from({ length: count }, (_, i) => from + i * spacing)
  return {
    fitting,
    along,
    fromEdge: book.value(lacingRules.fromEdge),
    diameter: book.value(fitting === 'visible' ? lacingRules.hole : lacingRules.plainHole),
    hooks: Math.min(hooks ?? along.filter((at) => at < (shaft?.bend ?? 0)).length, count - 1),
    spacing,
    shaft,
  }
}

/** A place so far along a line that runs with its piece on the left, and so far into it. */
export function inside(line: Path, at: number, by: number): Point {
  const whole = pathLength(line)
  const place = pointAt(line, at)
  // On the row itself, so that holes keep their distance where the edge bends.
  return nearest(offsetLine(line, by), beside(line, Math.min(whole, at), place, by)).point
}

function beside(line: Path, at: number, [x, y]: Point, by: number): Point {
  const [a, b] = [pointAt(line, Math.max(0, at - 1)), pointAt(line, at + 1)]
  const l = distance(a, b) || 1
  return [x - ((b[1] - a[1]) / l) * by, y + ((b[0] - a[0]) / l) * by]
}

/** Whether a facing begins at its top: where the top line is next to it; else, as pieces lie here, on the medial side. */
function topFirst({ edges }: Piece, facing: PieceEdge): boolean {
  const at = edges.indexOf(facing)
  const isTop = (edge: PieceEdge) => edge.name === 'top line'
  if (isTop(edges[(at + edges.length - 1) % edges.length]!)) return true
  if (isTop(edges[(at + 1) % edges.length]!)) return false
  return facing.side === 'medial'
}

/** Eyelets as they lie on a piece that has an edge of the facing on a side; the uppermost first, none where it has none. */
export function eyeletsOn(piece: Piece, row: EyeletRow): { side: Side; holes: Point[] }[] {
  return wallSides.flatMap((side) => {
    const edge = piece.edges.find((e) => e.name === 'facing' && e.side === side)
    if (!edge) return []
    const whole = pathLength(edge.line)
    const places = row.along.map((at) => (topFirst(piece, edge) ? at : whole - at))
    return [
      {
        side,
        holes: places
          // A lining's facing ends at the throat: what lies in front of it is on the vamp.
          .filter((at) => at >= 0 && at <= whole)
          .map((at) => inside(edge.line, at, row.fromEdge)),
      },
    ]
  })
}

/** The row of eyelets of a drawn upper; null on a shoe without lacing. */
export const eyeletRowOf = (
  { facings, shaftLace }: Pick<DrawnUpper, 'facings' | 'shaftLace'>,
  decisions: LacingDecisions,
  book: RuleBook,
): EyeletRow | null =>
  facings ? eyeletRow(Math.min(...wallSides.map((s) => pathLength(facings[s]))), decisions, book, shaftLace) : null

/** The row of eyelets of pieces that were drawn elsewhere, by the edges that are named "facing"; null where none is. */
export function eyeletRowOn(pieces: readonly Piece[], decisions: LacingDecisions, book: RuleBook): EyeletRow | null {
  const facings = pieces.flatMap((p) => p.edges.filter((e) => e.name === 'facing' && e.side !== 'whole'))
  return facings.length > 0 ? eyeletRow(Math.min(...facings.map((e) => pathLength(e.line))), decisions, book) : null
}

/** A piece with the eyelets that go through it: through its outside, or later through the lining. */
export function withEyelets(piece: Piece, row: EyeletRow | null, later?: true): Piece {
  if (!row) return piece
  const holes = eyeletsOn(piece, row).flatMap(({ holes: places }) =>
    places.map((at, i): Hole => ({
      at,
      diameter: row.diameter,
      for: i < row.hooks ? 'hook' : 'eyelet',
      ...(later ? { later } : {}),
    })),
  )
  return holes.length === 0 ? piece : { ...piece, holes: [...piece.holes, ...holes] }
}

/** The two holes of a lace guard in a tongue, at the height of the middle pair; `above` is how far it stands over the facings. */
export function withGuard(tongue: Piece, row: EyeletRow, above: number, book: RuleBook): Piece {
  const middle = row.along[Math.floor((row.along.length - 1) / 2)]! + above
  const half = book.value(lacingRules.guard) / 2
  const holes = [-half, half].map((y): Hole => ({ at: [middle, y], diameter: row.diameter, for: 'lace guard' }))
  return { ...tongue, holes: [...tongue.holes, ...holes] }
}
