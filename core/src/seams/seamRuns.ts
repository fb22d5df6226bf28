import { contains, distance, pathLength, type Path } from '../geometry/path.ts'
import { joined, subpath } from '../geometry/subpath.ts'
import { nearest, pointAt } from '../geometry/polyline.ts'
import { SAME } from '../geometry/tolerance.ts'
import { seamsOf } from '../upper/joins.ts'
import type { Piece, PieceEdge } from '../upper/piece.ts'

/** Edges of an opening, which lining and outside are stitched together along. */
const OPEN: readonly PieceEdge['role'][] = ['folded', 'bead', 'bound', 'raw']

/** A leather's edge in a seam, over all the edges of it that the seam runs on along. */
export interface End {
  piece: Piece
  line: Path
}
export interface Lap {
  id: string
  over: End
  under: End
  side: PieceEdge['side']
  /** How far the one lies under the other, mm. */
  lap: number
}

const meets = (a: Path, b: Path): boolean => distance(a[a.length - 1]!, b[0]!) < SAME
export const sidesOf = (edges: readonly PieceEdge[]): PieceEdge['side'] =>
  edges.every((e) => e.side === edges[0]!.side) ? edges[0]!.side : 'whole'
export const longestOf = (edges: readonly PieceEdge[]): PieceEdge =>
  edges.reduce((best, e) => (pathLength(e.line) > pathLength(best.line) ? e : best))

/** Laps between the same two pieces that run on into each other, as over the fold of both, are sewn in one. */
export function chainedLaps(pieces: readonly Piece[]): Lap[] {
  const laps = [...seamsOf(pieces)].flatMap(([id, ends]): Lap[] => {
    const over = ends.find((e) => e.edge.role === 'lap over')
    const under = ends.find((e) => e.edge.role === 'lap under')
    return over && under && ends.length === 2
      ? [
          {
            id,
            over: { piece: over.piece, line: over.edge.line },
            under: { piece: under.piece, line: under.edge.line },
            side: over.edge.side,
            lap: under.edge.allowance,
          },
        ]
      : []
  })
  // Partners run against each other: what comes next on one comes before on the other.
  const next = (a: Lap) =>
    laps.findIndex(
      (b) =>
        b !== a &&
        a.over.piece === b.over.piece &&
        a.under.piece === b.under.piece &&
        meets(a.over.line, b.over.line) &&
        meets(b.under.line, a.under.line),
    )
  for (let i = 0; i < laps.length; i++) {
    for (let j = next(laps[i]!); j >= 0; j = next(laps[i]!)) {
      const [a, b] = [laps[i]!, laps[j]!]
      laps[i] = {
        id: a.id.replace(/\.(lateral|medial)$/, ''),
        over: { ...a.over, line: joined(a.over.line, b.over.line) },
        under: { ...a.under, line: joined(b.under.line, a.under.line) },
        side: a.side === b.side ? a.side : 'whole',
        lap: Math.min(a.lap, b.lap),
      }
      laps.splice(j, 1)
      if (j < i) i--
    }
  }
  return laps
}

/** Runs of a piece's edges that lining and outside are stitched together along, one after the other, as one seam. */
export function openRuns(piece: Piece): PieceEdge[][] {
  const open = piece.edges.filter(
    (e) =>
      e.role === 'zip' ||
      (OPEN.includes(e.role) && !e.seam && (e.role !== 'raw' || e.name === 'top line' || e.name === 'facing')),
  )
  const runs: PieceEdge[][] = []
  for (const e of open) {
    const last = runs[runs.length - 1]
    const before = last?.[last.length - 1]
    if (last && before && before.role !== 'zip' && e.role !== 'zip' && meets(before.line, e.line)) last.push(e)
    else runs.push([e])
  }
  const [first, last] = [runs[0], runs[runs.length - 1]]
  const end = last?.[last.length - 1]
  if (
    first &&
    last &&
    end &&
    first !== last &&
    end.role !== 'zip' &&
    first[0]!.role !== 'zip' &&
    meets(end.line, first[0]!.line)
  ) {
    runs.pop()
    runs[0] = [...last, ...first]
  }
  return runs
}

/** A row's end is looked for in steps of this, and stays so far inside the leather; mm. */
const STEP = 0.25
const INSIDE = 1

/** A row without what of its ends would lie outside of its piece, where two edges meet at a sharp corner. */
export function insidePiece(line: Path, { outline }: Piece): Path {
  const whole = pathLength(line)
  const holds = (at: number): boolean => {
    const p = pointAt(line, at)
    return contains(outline, p) && nearest(outline, p, true).away >= INSIDE
  }
  const first = (from: number, way: 1 | -1): number => {
    for (let gone = 0; gone < whole / 2; gone += STEP) if (holds(from + way * gone)) return from + way * gone
    return from
  }
  return subpath(line, first(0, 1), first(whole, -1))
}
