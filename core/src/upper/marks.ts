import { cumulative, nearest, pointAt, resample } from '../geometry/polyline.ts'
import { lineThrough } from '../geometry/lineThrough.ts'
import { distance, pathLength, type Path, type Point } from '../geometry/path.ts'
import { grainAlong } from '../trade/grain.ts'
import type { Join } from './joins.ts'
import { openRuns } from './decoration.ts'
import { allowanceAt, type Piece, type PieceEdge, type PieceMark } from './piece.ts'
import type { Side } from '../trade/side.ts'
import { kindOf, type PartKind } from '../trade/partCatalogue.ts'
import { ROUNDING } from '../geometry/tolerance.ts'

/** A seam longer than this gets two match marks instead of one, mm. */
const LONG_SEAM = 90
/** Seams shorter than this need none. */
const SHORT_SEAM = 20

/** A place on the cut edge, over a share of an edge's finished line. */
function onCut(edge: PieceEdge, share: number): { at: Point; inwards: Point } {
  const whole = pathLength(edge.line)
  const p = pointAt(edge.line, share * whole)
  const ahead = pointAt(edge.line, Math.min(whole, share * whole + 1))
  const behind = pointAt(edge.line, Math.max(0, share * whole - 1))
  const l = Math.hypot(ahead[0] - behind[0], ahead[1] - behind[1]) || 1
  const out: Point = [(ahead[1] - behind[1]) / l, -(ahead[0] - behind[0]) / l]
  const by = allowanceAt(edge, share)
  return {
    at: [p[0] + out[0] * by, p[1] + out[1] * by],
    inwards: [-out[0], -out[1]],
  }
}

const isBottom = (e: PieceEdge) => e.role === 'lasting margin' || e.role === 'turned-out margin'

/** Shares of a seam at which both partners are marked. They are symmetrical, because partners run against each other. */
function matchShares(length: number): number[] {
  if (length < SHORT_SEAM) return []
  return length > LONG_SEAM ? [1 / 3, 2 / 3] : [0.5]
}

/**
 * Notches of a piece: the medial side (on its bottom edge, or its longest one), both ends of a centre line, and the
 * match marks of every seam. How many a seam gets is settled by the seam, not by either edge, so that both have the same.
 * `gathered` are places of the forme at which a piece with folds and its lining meet: both are marked there.
 */
export function withMarks(piece: Piece, joins: readonly Join[], gathered: readonly Point[] = []): Piece {
  const marks: PieceMark[] = []
  const medial = piece.edges.filter((e) => e.side === 'medial')
  const longest = (list: readonly PieceEdge[]) =>
    list.reduce<PieceEdge | null>((best, e) => (!best || pathLength(e.line) > pathLength(best.line) ? e : best), null)
  const carrier = longest(medial.filter(isBottom)) ?? longest(medial)
  if (carrier) marks.push({ kind: 'medial', ...onCut(carrier, 0.42) })
  for (const edge of piece.edges) {
    const join = joins.find((j) => j.seam === edge.seam || `${j.seam}.${edge.side}` === edge.seam)
    if (!join) continue
    for (const share of matchShares(Math.min(...join.lengths))) marks.push({ kind: 'match', ...onCut(edge, share) })
  }
  for (const { edge, share } of placesOn(piece, gathered)) marks.push({ kind: 'match', ...onCut(edge, share) })
  if (piece.fold) {
    const [a, b] = piece.fold
    const l = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
    const way: Point = [(b[0] - a[0]) / l, (b[1] - a[1]) / l]
    for (const [end, inwards] of [
      [a, way],
      [b, [-way[0], -way[1]]],
    ] as const) {
      const out: Point = [-inwards[0], -inwards[1]]
      const toothed =
        piece.teeth > 0 &&
        openRuns(piece).some((r) => r.foldAt !== null && distance(pointAt(r.line, r.foldAt), end) < 0.1)
      marks.push(
        toothed
          ? // Between two teeth there is no room for a triangle: a slit goes in from the root.
            { kind: 'centre slit', at: [end[0] + inwards[0] * piece.teeth, end[1] + inwards[1] * piece.teeth], inwards }
          : { kind: 'centre', at: cutOn(piece, end, out), inwards },
      )
    }
  }
  return { ...piece, marks, grain: grainOf(piece) }
}

/** Where places of the forme lie on the edges of a piece: on each half whose edge runs through them. */
function placesOn(piece: Piece, points: readonly Point[]): { edge: PieceEdge; share: number }[] {
  return piece.places.flatMap((place) =>
    points.flatMap((p) => {
      const found = place.edges
        .filter((e) => e.role !== 'fold')
        .map((e) => ({ of: e, ...nearest(e.line, p) }))
        .filter((e) => e.away < ON_EDGE && e.at > CORNER && e.at < pathLength(e.of.line) - CORNER)
        .sort((a, b) => a.away - b.away)[0]
      const edge = found && piece.edges.find((e) => e.name === found.of.name && [place.side, 'whole'].includes(e.side))
      return edge ? [{ edge, share: shareOn(edge, found.of.line, found.at, place.side) }] : []
    }),
  )
}
/**
 * An edge runs through a place that it comes so near to (folds are laid out on the mean of both sides, which differ along the
 * feather), and a mark keeps so far from its ends, mm.
 */
const ON_EDGE = 10
const CORNER = 6

/** Where a place of an edge on the forme lies on the piece, as a share: point by point where both have as many, or by length. */
function shareOn({ line }: PieceEdge, onForme: Path, at: number, side: Side): number {
  const onPiece = side === 'medial' ? [...line].reverse() : line
  const [runs, its] = [cumulative(onForme), cumulative(onPiece)]
  const whole = its[its.length - 1] || 1
  let share = at / (runs[runs.length - 1] || 1)
  if (onPiece.length === onForme.length) {
    const k = Math.max(0, runs.findIndex((r) => r >= at) - 1)
    const t = (at - runs[k]!) / (runs[k + 1]! - runs[k]! || 1)
    share = (its[k]! + t * (its[k + 1]! - its[k]!)) / whole
  }
  return side === 'medial' ? 1 - share : share
}

/** Where a ray from a point of the finished outline leaves the cut one. */
function cutOn(piece: Piece, from: Point, way: Point): Point {
  let best = 0
  const n = piece.outline.length
  for (let i = 0; i < n; i++) {
    const [p, q] = [piece.outline[i]!, piece.outline[(i + 1) % n]!]
    const [ex, ey] = [q[0] - p[0], q[1] - p[1]]
    const det = way[0] * ey - way[1] * ex
    if (Math.abs(det) < ROUNDING) continue
    const t = ((p[0] - from[0]) * ey - (p[1] - from[1]) * ex) / det
    const u = ((p[0] - from[0]) * way[1] - (p[1] - from[1]) * way[0]) / det
    if (u >= -ROUNDING && u <= 1 + ROUNDING && t > best && t < 60) best = t
  }
  return [from[0] + way[0] * best, from[1] + way[1] * best]
}

/** Pieces that keep a length, or are pulled along it, and are cut along their own, whatever way they lie on the shoe. */
const TAPES: ReadonlySet<PartKind | null> = new Set([
  'facingTape',
  'backStay',
  'pullLoop',
  'buckleLoop',
  'frontStrap',
  'instepStrap',
  'heelStrap',
  'frontStrapLining',
  'instepStrapLining',
  'heelStrapLining',
])

/**
 * Tight direction: from toe to heel (docs/trade.md, "Cutting"): along the centre line in front, along the forme on the
 * sides, of which the medial one is drawn mirrored. What stands on the back fold runs round the heel, and tapes along
 * themselves.
 */
export function grainOf({ id, side, net, fold }: Pick<Piece, 'id' | 'side' | 'net' | 'fold'>): Piece['grain'] {
  const upright = fold !== null && Math.abs(fold[0][0] - fold[1][0]) < 1
  const lines: Path[] = fold ? [[fold[0], fold[1]]] : []
  if (TAPES.has(kindOf(id))) return grainAlong(net, longWay(net))
  if (upright) return grainAlong(net, [1, 0])
  return grainAlong(net, [side === 'medial' ? 1 : -1, 0], lines)
}

/** Unit direction in which an outline is longest. */
const longWay = (outline: Path): Point => lineThrough(resample(outline, 200, true)).direction
