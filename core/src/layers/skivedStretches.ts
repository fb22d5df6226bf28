import { pathLength, type Path } from '../geometry/path.ts'
import { subpath } from '../geometry/subpath.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Side } from '../trade/side.ts'
import { isOfOpening, type OpeningFinish } from '../upper/opening.ts'
import type { PieceEdge } from '../upper/piece.ts'
import { edgeSkive, type EdgeSkive, type Sheet, type SkivedEdge } from './edgeSkive.ts'
import { spanKey, type TurnedSpans } from './turnedSpans.ts'

/** How the edges of a set of pieces are seen, and where they are turned out together: a lining's edge does not show inside a binding. */
export interface EdgeSight extends OpeningFinish {
  /** Linings are seen by the foot. */
  facing: 'out' | 'foot'
  spans: TurnedSpans
}

/** A stretch of an edge that is thinned: its finished line, and how. */
export interface SkivedStretch<E> {
  edge: E
  line: Path
  skive: EdgeSkive
}

type Edge = Pick<PieceEdge, 'name' | 'role' | 'line' | 'allowance'>

/** An edge as it is skived; `doubled` where it is turned out together with another. */
export const asSkived = (
  { name, role, allowance }: Omit<Edge, 'line'>,
  { facing, finish, onFacings }: EdgeSight,
  doubled: boolean,
): SkivedEdge => ({ role, allowance, facing, doubled, shows: finish !== 'bound' || !isOfOpening(name, onFacings) })

/**
 * The thinned stretches of a piece's edges. `sideOf` says which side an edge is on and whether its line runs against the
 * one on the forme, as a medial edge does once its piece is mirrored to be seen from outside.
 */
export function skivedStretches<E extends Edge>(
  piece: string,
  edges: readonly E[],
  sheet: Sheet,
  sight: EdgeSight,
  book: RuleBook,
  sideOf: (edge: E) => { side: Side | 'whole'; against: boolean },
): SkivedStretch<E>[] {
  return edges.flatMap((edge): SkivedStretch<E>[] => {
    const { side, against } = sideOf(edge)
    const of = (doubled: boolean) => edgeSkive(asSkived(edge, sight, doubled), sheet, book)
    if (edge.role !== 'turned-out margin') {
      const skive = of(false)
      return skive ? [{ edge, line: edge.line, skive }] : []
    }
    const skive = of(true)
    const shares = side === 'whole' ? [] : (sight.spans[spanKey(piece, side, edge.name)] ?? [])
    if (!skive) return []
    const whole = pathLength(edge.line)
    return shares.map(([from, to]) => ({
      edge,
      line: against
        ? subpath(edge.line, (1 - to) * whole, (1 - from) * whole)
        : subpath(edge.line, from * whole, to * whole),
      skive,
    }))
  })
}
