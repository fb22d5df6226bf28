import { joined } from '../../geometry/subpath.ts'
import type { Path, Point } from '../../geometry/path.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import type { Piece, PlacedEdge } from '../piece.ts'
import type { DrawnUpper } from '../style.ts'
import type { PlacedPiece } from './placedPieces.ts'

const flipped = (line: Path): Path => [...line].reverse()

/** What has to be named on a drawn pattern before the last can be asked about it. */
export type Unnamed = 'top line' | 'back' | 'vamp'

/**
 * The lines of a placed pattern that checks, linings and lasting read, by what its edges are called: "top line" is the
 * opening, "back" the back seam or fold, "facing" the edge of the lacing. Edges run round a piece with its bottom forwards, so a top
 * line runs backwards, a back downwards, a facing upwards. `loose` are pieces that lie nowhere on the forme; `halfGap` is half of
 * what is planned between facings, mm. What is missing is told by its name.
 */
export function placedUpper(
  placed: readonly PlacedPiece[],
  loose: readonly Piece[],
  halfGap: number,
): DrawnUpper | Unnamed {
  const on = (side: Side, name: string): PlacedEdge[] =>
    placed
      .flatMap(({ piece }) => piece.places.filter((p) => p.side === side))
      .flatMap((p) => p.edges.filter((e) => e.name === name))
  const opened = placed.find((p) => p.opened)?.opened ?? null
  const lines = (side: Side, name: string) =>
    on(side, name)
      .map((e) => e.line)
      .sort((a, b) => b[0]![0] - a[0]![0])
  const topLine = { lateral: joined(...lines('lateral', 'top line')), medial: joined(...lines('medial', 'top line')) }
  if (wallSides.some((side) => topLine[side].length < 2)) return 'top line'
  const back = on('lateral', 'back')[0]
  if (!back) return 'back'
  if (!opened) return 'vamp'
  const throat: Point = opened.fold.from
  const facing = (side: Side): Path => flipped(joined(...on(side, 'facing').map((e) => e.line)))
  const laced = wallSides.every((side) => on(side, 'facing').length > 0)
  const behind = (side: Side): Point | null => {
    const rear = placed
      .filter((p) => p.piece.fold === null)
      .flatMap(({ piece }) => piece.places.filter((q) => q.side === side))
      .flatMap((p) => p.edges.filter((e) => e.role === 'lasting margin' || e.role === 'turned-out margin'))
    const ends = rear.map((e) => e.line[e.line.length - 1]!)
    return ends.reduce<Point | null>((a, b) => (!a || b[0] > a[0] ? b : a), null)
  }
  const [lateral, medial] = [behind('lateral'), behind('medial')]
  return {
    pieces: [...placed.map((p) => p.piece), ...loose],
    topLine,
    backLine: flipped(back.line),
    backBefore: flipped(back.line),
    throat,
    facings: laced ? { lateral: facing('lateral'), medial: facing('medial') } : null,
    front: null,
    foot: lateral && medial ? { lateral, medial } : null,
    halfGap: laced ? halfGap : 0,
    seams: placed.flatMap(({ piece }) =>
      piece.places.flatMap(({ side, edges }) =>
        edges
          .filter((e) => (e.role === 'lap over' || e.role === 'closed seam') && e.name !== 'back')
          .map((e) => ({ name: e.name, side, line: e.line })),
      ),
    ),
    opened,
    zip: null,
  }
}
