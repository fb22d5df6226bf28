import { nearest, pointAt } from '../geometry/polyline.ts'
import { pathLength, signedArea, type Path, type Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { withAllowances } from './allowance.ts'
import type { Piece, PieceEdge, PlacedEdge } from './piece.ts'

/**
 * The lasting margin may be set at so many places of each feather line, evenly from the heel to the toe; between them
 * it goes over evenly.
 */
export const MARGIN_PLACES = 9
/** No margin is cut wider, or narrower, mm. */
export const WIDEST_MARGIN = 60
export const NARROWEST_MARGIN = 4

/** What is added to the margin at those places of a side, mm; less where negative. */
export type MarginMore = Record<Side, readonly number[]>

/** Id of the key point that stands for the margin at one of the places. */
export const marginPoint = (place: number): string => `margin.${place}`
/** The place that such an id stands for; null for another point. */
export function marginPlace(id: string): number | null {
  const [word, place] = id.split('.')
  return word === 'margin' ? Number(place) : null
}
/** Whether a place is one for both sides: the heel and the toe. */
export const isEndPlace = (place: number): boolean => place === 0 || place === MARGIN_PLACES - 1

/** What is added at a share of a feather line, from the heel. moreAt([0, 2, 0], 0.25) is 1. */
export function moreAt(by: readonly number[], share: number): number {
  const at = Math.max(0, Math.min(1, share)) * (by.length - 1)
  const i = Math.min(by.length - 2, Math.floor(at))
  return by[i]! + (by[i + 1]! - by[i]!) * (at - i)
}

/** A place of a feather line with the way square out of it, down past the edge of the last. */
export function marginFoot(feather: Path, place: number): { foot: Point; out: Point } {
  const whole = pathLength(feather)
  const at = (whole * place) / (MARGIN_PLACES - 1)
  const [a, b] = [pointAt(feather, Math.max(0, at - 4)), pointAt(feather, Math.min(whole, at + 4))]
  const l = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
  return { foot: pointAt(feather, at), out: [(b[1] - a[1]) / l, -(b[0] - a[0]) / l] }
}

/** Places at which what is added along an edge is read, evenly. */
const READ = 24

/** What is added along a bottom edge on the forme, against the share of its length. */
function along(line: Path, feather: Path, by: readonly number[]): [number, number][] {
  const [whole, all] = [pathLength(line), pathLength(feather)]
  return Array.from({ length: READ + 1 }, (_, k): [number, number] => {
    const share = k / READ
    return [share, moreAt(by, nearest(feather, pointAt(line, share * whole)).at / all)]
  })
}

const isBottom = ({ role }: Pick<PieceEdge, 'role'>) => role === 'lasting margin'

/** Pieces with their lasting margins wider and narrower, place by place; the very pieces where nothing is added anywhere. */
export function withMargins(pieces: readonly Piece[], feather: Record<Side, Path>, more: MarginMore | null): Piece[] {
  if (!more) return [...pieces]
  return pieces.map((piece) => {
    if (!piece.places.some((p) => p.edges.some(isBottom))) return piece
    const places = piece.places.map((place) => ({
      ...place,
      edges: place.edges.map((e): PlacedEdge =>
        isBottom(e) ? { ...e, more: along(e.line, feather[place.side], more[place.side]) } : e,
      ),
    }))
    // On the piece the medial side runs the other way round.
    const edges = piece.edges.map((e): PieceEdge => {
      const placed = places.find((p) => p.side === e.side)?.edges.find((q) => q.name === e.name && isBottom(q))
      if (!isBottom(e) || !placed?.more) return e
      const own = placed.more
      return { ...e, more: e.side === 'medial' ? [...own].reverse().map(([s, by]) => [1 - s, by]) : own }
    })
    return { ...piece, edges, places, outline: withAllowances(piece.net, edges, piece.name) }
  })
}

/** What the margins set by hand add to the leather of a shoe's pieces, mm2; less where negative. */
export function marginLeather(pieces: readonly Piece[]): number {
  return pieces
    .filter((p) => p.edges.some((e) => e.more))
    .reduce((sum, p) => {
      const even = withAllowances(
        p.net,
        p.edges.map(({ more: _, ...e }) => e),
        p.name,
      )
      return sum + signedArea(p.outline) - signedArea(even)
    }, 0)
}
