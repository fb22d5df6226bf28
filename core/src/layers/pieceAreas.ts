import { offsetLine } from '../geometry/offsetLine.ts'
import type { Path } from '../geometry/path.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Piece } from '../upper/piece.ts'
import { profileAt, SEAM_DEPTH, type Profile, type WallArea } from '../trade/wallArea.ts'
import type { Sheet } from './edgeSkive.ts'
import { skivedStretches, type EdgeSight } from './skivedStretches.ts'
import { groundOf, onWall } from './turnedSpans.ts'

/** The strip inside a line that runs counter-clockwise. */
const stripInside = (line: Path, by: number): Path => [...line, ...offsetLine(line, by).reverse()]

/** Edges whose allowance is laid back on the piece itself, as a second layer beside the line. */
const laidBack = ['closed seam', 'folded', 'zip']

/** A profile from the cut edge as it goes on from a line `from` mm inside it. */
const profileFrom = (profile: Profile, from: number): Profile => [
  [0, profileAt(profile, from)],
  ...profile.filter(([d]) => d > from).map(([d, t]) => [d - from, t] as const),
]

/**
 * Where a piece lies on the wall: its finished area with what laps under a neighbour, skived; and what of its closed
 * seams and folded edges is laid back, as a layer of its own beside the line.
 */
export function pieceAreas(piece: Piece, depth: number, sheet: Sheet, sight: EdgeSight, book: RuleBook): WallArea[] {
  return piece.places.flatMap((place): WallArea[] => {
    const base = { part: piece.id, name: piece.name, side: place.side, depth }
    const stretches = skivedStretches(piece.id, place.edges, sheet, sight, book, () => ({
      side: place.side,
      against: false,
    }))
    const { thickness } = sheet
    return [
      {
        ...base,
        thickness,
        area: groundOf(piece, place),
        thinned: stretches.map(({ edge: e, line, skive }) => {
          const beyond = onWall(e)
          return beyond > 0
            ? { edge: offsetLine(line, -beyond), profile: skive.profile }
            : { edge: line, profile: profileFrom(skive.profile, e.allowance) }
        }),
      },
      ...place.edges
        .filter((e) => laidBack.includes(e.role) && e.allowance > 0)
        .map((e): WallArea => {
          const skive = stretches.find((s) => s.edge === e)?.skive
          return {
            ...base,
            name: `${piece.name}, ${e.name}`,
            depth: depth - SEAM_DEPTH,
            // Such an edge is skived level, over all that is laid back.
            thickness: skive ? profileAt(skive.profile, 0) : thickness,
            area: stripInside(e.line, e.allowance),
            thinned: [],
            laidBack: true,
          }
        }),
    ]
  })
}

/**
 * How pieces lie on each other, from the inside outwards: a piece with an edge under a seam lies deeper than the one
 * over it; what is laid on without a seam of its own lies on top.
 */
export function pieceOrder(pieces: readonly Piece[]): Map<string, number> {
  const bySeam = (role: 'lap under' | 'lap over') =>
    pieces.flatMap((p) =>
      p.edges.filter((e) => e.role === role && e.seam).map((e) => ({ id: p.id, seam: e.seam ?? '' })),
    )
  const [under, over] = [bySeam('lap under'), bySeam('lap over')]
  const above = over.flatMap((o) => under.filter((u) => u.seam === o.seam && u.id !== o.id).map((u) => [u.id, o.id]))
  const order = new Map(pieces.map((p) => [p.id, 0]))
  // A chain of laps is no longer than there are pieces; a ring of laps, which cannot be, ends there too.
  for (let round = 0; round < pieces.length; round++) {
    for (const [low, high] of above) {
      order.set(high!, Math.max(order.get(high!) ?? 0, (order.get(low!) ?? 0) + 1))
    }
  }
  const top = Math.max(0, ...order.values())
  for (const p of pieces) {
    const laidOn = p.edges.some((e) => e.role === 'lap over') && p.edges.every((e) => !e.seam)
    if (laidOn) order.set(p.id, top + 1)
  }
  return order
}
