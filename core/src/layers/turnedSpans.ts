import { outwardNormals, resample } from '../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'
import { Inside } from '../geometry/pointInPolygon.ts'
import type { Side } from '../trade/side.ts'
import { withAllowances } from '../upper/allowance.ts'
import type { Piece, PlacedEdge } from '../upper/piece.ts'

/** Distance between the places at which an edge is looked at, mm. */
const STEP = 1
/** So far inside its line an edge is asked what else lies there, mm. */
const WITHIN = 1
/** Two stretches nearer than this are one, and one shorter than this is none, mm. */
const SHORTEST = 6

/** What of an edge's allowance lies on the wall, beyond the finished line. */
export const onWall = (e: PlacedEdge): number => (e.role === 'lap under' ? e.allowance : 0)

/** A piece's ground on the wall: its finished area with what laps under a neighbour. */
export const groundOf = (piece: Piece, place: Piece['places'][number]): Path =>
  withAllowances(
    place.forme,
    place.edges.map((e) => ({ ...e, allowance: onWall(e) })),
    piece.name,
  )

/** Stretches of an edge as shares of its length, in the direction in which it runs on the forme. */
export type Stretches = readonly (readonly [from: number, to: number])[]
/** Where margins that are turned outwards lie on each other, by piece, side and edge. */
export type TurnedSpans = Readonly<Record<string, Stretches>>

export const spanKey = (piece: string, side: Side, edge: string): string => `${piece}|${side}|${edge}`

/**
 * The common spans of leather that is turned outwards: along each turned-out edge, where another piece lies on the same
 * place of the wall (a cover on its section, a lap under its neighbour).
 */
export function turnedSpans(pieces: readonly Piece[]): TurnedSpans {
  const turned = pieces.flatMap((piece) =>
    piece.places.flatMap((place) =>
      place.edges.filter((e) => e.role === 'turned-out margin').map((edge) => ({ piece, side: place.side, edge })),
    ),
  )
  if (turned.length === 0) return {}
  const grounds = pieces.flatMap((piece) =>
    piece.places.map((place) => ({ id: piece.id, side: place.side, inside: new Inside(groundOf(piece, place)) })),
  )
  return Object.fromEntries(
    turned.map(({ piece, side, edge }) => {
      const others = grounds.filter((g) => g.id !== piece.id && g.side === side).map((g) => g.inside)
      return [spanKey(piece.id, side, edge.name), covered(edge.line, others)]
    }),
  )
}

function covered(line: Path, others: readonly Inside[]): Stretches {
  const whole = pathLength(line)
  const n = Math.max(2, Math.ceil(whole / STEP))
  const places = resample(line, n + 1)
  const normals = outwardNormals(places, false)
  const within = places.map((p, i): Point => [p[0] - normals[i]![0] * WITHIN, p[1] - normals[i]![1] * WITHIN])
  const has = within.map((p) => others.some((o) => o.has(p)))
  const runs: [number, number][] = []
  has.forEach((here, i) => {
    if (!here) return
    const last = runs[runs.length - 1]
    // A place stands for half a step either way of it.
    const [from, to] = [Math.max(0, i - 0.5) / n, Math.min(n, i + 0.5) / n]
    if (last && (from - last[1]) * whole < SHORTEST) last[1] = to
    else runs.push([from, to])
  })
  return runs.filter(([from, to]) => (to - from) * whole >= SHORTEST)
}
