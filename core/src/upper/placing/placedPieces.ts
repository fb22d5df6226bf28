import { openForepart } from '../../forme/opened.ts'
import { distance, pathLength, type Path, type Point } from '../../geometry/path.ts'
import { nearest, pointAt } from '../../geometry/polyline.ts'
import { procrustes } from '../../geometry/procrustes.ts'
import { joined, subpathBetween } from '../../geometry/subpath.ts'
import type { OwnPattern } from '../../model/upper.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import type { DesignBoard } from '../designPoints.ts'
import type { Gathered } from '../gathers.ts'
import type { Piece, PieceEdge, PlacedEdge } from '../piece.ts'
import { registerOnForme } from './registerOnForme.ts'

/** A drawn piece where it lies on the forme. */
export interface PlacedPiece {
  piece: Piece
  /** How far its bottom edge lies from the feather line, in the mean of squares, mm. */
  off: number
  /** The forepart as it is opened, of a piece that is folded along its middle in front. */
  opened: Gathered | null
}

type Seen = Pick<PieceEdge, 'name' | 'role' | 'line' | 'allowance' | 'more'>

const isBottom = (e: Pick<PieceEdge, 'role'>) => e.role === 'lasting margin' || e.role === 'turned-out margin'
const flip = (line: Path): Path => [...line].reverse().map(([x, y]): Point => [-x, y])

/** Edges as they are seen from the lateral side, in their order round the piece: the bottom runs forwards. */
const seenFrom = (piece: Piece): Seen[] =>
  piece.side === 'medial' ? [...piece.edges].reverse().map((e) => ({ ...e, line: flip(e.line) })) : piece.edges

const placedAs = (side: Side, edges: readonly PlacedEdge[]): Piece['places'][number] => ({
  side,
  forme: joined(...edges.map((e) => e.line)),
  edges: [...edges],
})

/**
 * A piece that goes round one side, or round the heel from its fold: laid with its bottom on the feather and its edges named
 * "back" on the back, then moved by hand by both ends of its bottom edge. Null where it has no bottom edge to be laid by.
 */
function ofSide(board: DesignBoard, piece: Piece, edges: readonly Seen[], sides: readonly Side[]): PlacedPiece | null {
  const bottoms = edges.filter(isBottom)
  if (bottoms.length === 0) return null
  const bottom = joined(...bottoms.map((e) => e.line))
  const [side] = sides as [Side]
  const { place } = registerOnForme(
    { line: bottom, on: board.feather[side] },
    edges.filter((e) => e.name === 'back').map((e) => ({ line: e.line, on: board.back })),
  )
  const ends: [Point, Point] = [bottom[0]!, bottom[bottom.length - 1]!]
  const why = 'Where its bottom edge lies best on the feather line, and its back on the last.'
  const [rear, front] = (['rear', 'front'] as const).map((end, i) =>
    board.shared(`own.${piece.id}.${end}`, `${piece.name}, ${end} end of its bottom edge`, place(ends[i]!), why, side),
  )
  const byHand = procrustes(ends, [rear!, front!])
  const placed = edges.map(({ name, role, line, allowance, more }): PlacedEdge => {
    const edge = { name, role, line: line.map(byHand), allowance }
    return more ? { ...edge, more } : edge
  })
  const off = away(bottom.map(byHand), board.feather[side])
  return { piece: { ...piece, places: sides.map((s) => placedAs(s, placed)) }, off, opened: null }
}

/** How far points lie from a line, in the mean of squares, mm. */
const away = (points: Path, line: Path) =>
  Math.sqrt(points.reduce((s, p) => s + nearest(line, p).away ** 2, 0) / (points.length || 1))

/** How often a place of the opened forepart is led back to the forme; each time the error shrinks by the strain. */
const BACK = 14

/** A piece that is folded along its middle in front, and which end of its fold points to the toe. */
interface Folded {
  piece: Piece
  length: number
  /** Its half in the order in which it runs round, as the lateral one: from the rear end of the fold to the front one. */
  half: readonly PieceEdge[]
  /** The front end of the fold lies at the end of its own x. */
  forwards: boolean
  reachesToe: boolean
}

function folded(piece: Piece): Folded | null {
  const half = (side: Side) => piece.edges.filter((e) => e.side === side)
  const [lateral, medial] = [half('lateral'), half('medial')]
  if (!lateral.some(isBottom)) return null
  // A bottom edge that comes to the fold does so at the toe; behind a cap none does, and a half is drawn as the lateral one.
  const [atEnd, atStart] = [isBottom(lateral[lateral.length - 1]!), isBottom(lateral[0]!)]
  const forwards = atEnd || !atStart
  const length = distance(...piece.fold!)
  return { piece, length, half: forwards ? lateral : medial, forwards, reachesToe: atEnd || atStart }
}

/**
 * What is folded along its middle in front, a vamp and the cap before it: their folds lie one behind the other on the
 * straightened centre line of the opened forepart, the toe on the toe, and are moved by hand along the ridge. Every place is led
 * back from there to the forme.
 */
function ofForepart(board: DesignBoard, pieces: readonly Folded[]): PlacedPiece[] {
  if (pieces.length === 0) return []
  const { map } = board
  const inOrder = [...pieces].sort((a, b) => Number(a.reachesToe) - Number(b.reachesToe))
  const rear = inOrder[0]!.piece
  const long = inOrder.reduce((sum, f) => sum + f.length, 0)
  const byRule = pointAt(map.centre, Math.max(0, pathLength(map.centre) - long))
  const throat = board.onRidge(
    `own.${rear.id}`,
    `${rear.name}, rear end of its middle`,
    map.toLast('lateral', byRule)[0],
    'Where the toe of the pattern lies on the toe of the last.',
  )
  const forepart = openForepart(map, throat, throat, [])
  const opened = { ...forepart, plain: forepart, gained: 0, gathers: null }
  const { from, to } = forepart.fold
  const run = distance(from, to)
  const way: Point = [(to[0] - from[0]) / run, (to[1] - from[1]) / run]
  const toForme = (x: number, y: number): Point => {
    const q: Point = [throat[0] + way[0] * x - way[1] * y, throat[1] + way[1] * x + way[0] * y]
    let p = q
    for (let k = 0; k < BACK; k++) {
      const at = forepart.place(p)
      p = [p[0] + q[0] - at[0], p[1] + q[1] - at[1]]
    }
    return p
  }
  let behind = 0
  return inOrder.map(({ piece, length, half, forwards }): PlacedPiece => {
    const start = behind
    behind += length
    const lay = ([x, y]: Point): Point => (forwards ? toForme(start + x, y) : toForme(start + length - x, -y))
    const edges = half.map(({ name, role, line, allowance, more }): PlacedEdge => {
      const edge = { name, role, line: line.map(lay), allowance }
      return more ? { ...edge, more } : edge
    })
    const ends: [Point, Point] = [edges[0]!.line[0]!, edges[edges.length - 1]!.line.at(-1)!]
    const line = [...subpathBetween(map.centre, ...ends)].reverse()
    const bottoms = edges.filter(isBottom).flatMap((e) => e.line)
    // Its half may be drawn by either side's feather or by the mean of both.
    const feathers = [map.feather, ...wallSides.map((side) => board.feather[side])]
    return {
      piece: {
        ...piece,
        places: wallSides.map((side) => placedAs(side, [...edges, { name: 'fold', role: 'fold', line, allowance: 0 }])),
      },
      off: Math.min(...feathers.map((feather) => away(bottoms, feather))),
      opened,
    }
  })
}

/** Every piece of a drawn pattern that can be laid on the forme, and those that cannot. */
export function placedPieces(
  board: DesignBoard,
  own: OwnPattern,
  pieces: readonly Piece[],
): { placed: PlacedPiece[]; loose: Piece[] } {
  const placed: PlacedPiece[] = []
  const loose: Piece[] = []
  const inFront: Folded[] = []
  for (const piece of pieces) {
    const fold = own.pieces.find((p) => p.id === piece.id)?.edges.find((e) => e.role === 'fold')
    if (piece.fold && fold?.name !== 'back') {
      const front = folded(piece)
      if (front) inFront.push(front)
      else loose.push(piece)
      continue
    }
    const at = piece.fold
      ? ofSide(board, piece, roundHeel(piece), wallSides)
      : piece.side === 'whole'
        ? null
        : ofSide(board, piece, seenFrom(piece), [piece.side])
    if (at) placed.push(at)
    else loose.push(piece)
  }
  return { placed: [...placed, ...ofForepart(board, inFront)], loose }
}

/** Half of a piece that is folded along the back, with its fold as its back. */
function roundHeel(piece: Piece): Seen[] {
  const half = piece.edges.filter((e) => e.side === 'lateral')
  const [from, to] = piece.fold!
  return [...half, { name: 'back', role: 'fold', line: [to, from], allowance: 0 }]
}
