import { distance, type Path, type Point } from '../geometry/path.ts'
import { pointAt } from '../geometry/polyline.ts'
import { pathLength } from '../geometry/path.ts'
import { SAME } from '../geometry/tolerance.ts'
import type { PartLine } from '../trade/part.ts'
import type { Piece, PieceEdge } from '../upper/piece.ts'

/** A corner of a piece at which a seam ends and is pulled. */
interface TackedCorner {
  where: 'throat' | 'tab' | 'back'
  at: Point
  /** The edges that meet there. */
  edges: readonly [PieceEdge, PieceEdge]
}

/** Ways of the two edges away from the corner are read over so much, mm. */
const AIM = 6

const isBackTop = (a: PieceEdge, b: PieceEdge) =>
  (a.name === 'top line' && b.name === 'back' && b.role === 'closed seam') ||
  (b.name === 'top line' && a.name === 'back' && a.role === 'closed seam')

function cornersOf({ edges }: Piece): TackedCorner[] {
  return edges.flatMap((a, i): TackedCorner[] => {
    const b = edges[(i + 1) % edges.length]!
    const at = a.line[a.line.length - 1]!
    if (distance(at, b.line[0]!) > SAME) return []
    const names = [a.name, b.name]
    const where =
      names.includes('throat') && names.some((n) => n !== 'throat')
        ? 'throat'
        : names.includes('tab') && names.includes('facing')
          ? 'tab'
          : isBackTop(a, b)
            ? 'back'
            : null
    return where === null ? [] : [{ where, at, edges: [a, b] }]
  })
}

/** Where a line is, so far from its beginning or its end. */
const from = (line: Path, end: 'first' | 'last', by: number): Point =>
  pointAt(line, end === 'first' ? Math.min(by, pathLength(line)) : Math.max(0, pathLength(line) - by))

/**
 * Bar tacks of a piece: where seams end at throat, tab and back, a short bar across the end, `inside` mm from the corner
 * along its bisector and `long` mm square to it.
 */
export function barTacks(piece: Piece, inside: number, long: number): PartLine[] {
  return cornersOf(piece).map(({ where, at, edges: [a, b] }) => {
    const [p, q] = [from(a.line, 'last', AIM), from(b.line, 'first', AIM)]
    const way = (to: Point): Point => {
      const l = distance(at, to) || 1
      return [(to[0] - at[0]) / l, (to[1] - at[1]) / l]
    }
    const [u, v] = [way(p), way(q)]
    const sum: Point = [u[0] + v[0], u[1] + v[1]]
    const l = Math.hypot(...sum)
    // Edges that run on straight have no bisector: then square to them, into the piece.
    const half: Point = l > 0.2 ? [sum[0] / l, sum[1] / l] : [-v[1], v[0]]
    // Edges run counter-clockwise: the piece lies on the left of the second one.
    const turned = half[0] * -v[1] + half[1] * v[0] < 0 ? ([-half[0], -half[1]] as Point) : half
    const middle: Point = [at[0] + turned[0] * inside, at[1] + turned[1] * inside]
    const end = (side: 1 | -1): Point => [
      middle[0] - turned[1] * side * (long / 2),
      middle[1] + turned[0] * side * (long / 2),
    ]
    return { name: `bar tack, ${where}`, kind: 'stitch', path: [end(1), end(-1)], closed: false }
  })
}
