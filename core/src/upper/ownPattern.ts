import { joined } from '../geometry/cutLine.ts'
import { cumulative, pointsAt } from '../geometry/along.ts'
import {
  boxOf,
  counterClockwise,
  distance,
  GeometryError,
  signedArea,
  type Path,
  type Point,
} from '../geometry/path.ts'
import { firstCrossing } from '../geometry/overlap.ts'
import type { OwnPattern, OwnPiece } from '../model/upper.ts'
import type { RuleBook } from '../model/rules.ts'
import { withAllowances } from './allowance.ts'
import type { UpperFinding } from './checks/index.ts'
import { allowanceRule } from './edgeRules.ts'
import { joinsOf } from './joins.ts'
import type { Piece, PieceEdge } from './piece.ts'

/** A corner is a turn of this much over a few millimetres, degrees and mm. */
const CORNER = 38
const REACH = 3
/** Two corners nearer to each other than this are one, mm. */
const APART = 6
/** Partners of a seam may differ by so much, mm. */
const EQUAL = 0.3
/** Points of a kept outline at most; drawings with more are thinned evenly. */
const MOST_POINTS = 1200

/** Vertices where an outline turns sharply: where its edges begin. */
export function cornersOf(outline: Path): number[] {
  const run = cumulative(outline, true)
  const total = run[run.length - 1]
  const reach = Math.min(REACH, total / 12)
  const turns = outline.map((p, i) => {
    const [a, b] = pointsAt(outline, [run[i] - reach, run[i] + reach], true)
    const cross = (p[0] - a[0]) * (b[1] - p[1]) - (p[1] - a[1]) * (b[0] - p[0])
    const dot = (p[0] - a[0]) * (b[0] - p[0]) + (p[1] - a[1]) * (b[1] - p[1])
    return Math.abs((Math.atan2(cross, dot) * 180) / Math.PI)
  })
  const found: number[] = []
  // The sharpest first, so that of two neighbours the real corner stays.
  for (const i of turns.map((_, k) => k).sort((a, b) => turns[b] - turns[a])) {
    if (turns[i] < CORNER) break
    const far = found.every((f) => {
      const d = Math.abs(run[f] - run[i])
      return Math.min(d, total - d) >= APART
    })
    if (far) found.push(i)
  }
  return found.sort((a, b) => a - b)
}

/** Pieces to be named, from the closed outlines of a drawing. Edges begin as raw; those of a round piece are one. */
export function piecesFromOutlines(outlines: readonly Path[]): OwnPiece[] {
  return outlines.map((raw, n): OwnPiece => {
    const step = Math.ceil(raw.length / MOST_POINTS)
    const outline = counterClockwise(raw).filter((_, i) => i % step === 0)
    const corners = cornersOf(outline)
    const starts = corners.length > 0 ? corners : [0]
    return {
      id: `piece-${n + 1}`,
      name: `Piece ${n + 1}`,
      side: 'whole',
      outline: outline.map(([x, y]): [number, number] => [x, y]),
      corners: starts,
      edges: starts.map((_, i) => ({ name: `edge ${i + 1}`, role: 'raw', seam: '' })),
    }
  })
}

/** The line of one edge: from its corner to the next one. */
function edgeLine(piece: OwnPiece, index: number): Path {
  const n = piece.outline.length
  const from = piece.corners[index]
  const to = piece.corners[(index + 1) % piece.corners.length]
  const count = ((to - from + n - 1) % n) + 1
  return Array.from({ length: count + 1 }, (_, k): Point => piece.outline[(from + k) % n])
}

/** Pieces of a drawn pattern. Throws GeometryError naming the piece whose outline cannot be cut. */
export function ownPieces(own: OwnPattern, book: RuleBook): Piece[] {
  return own.pieces.map((drawn): Piece => {
    if (signedArea(drawn.outline) <= 0 || firstCrossing(drawn.outline) !== null) {
      throw new GeometryError(`${drawn.name}: its outline crosses itself. Mend the drawing and bring it in again.`)
    }
    const edges = drawn.edges.map((e, i): PieceEdge => {
      const rule = own.drawn === 'cut edge' ? null : allowanceRule(e.role)
      return {
        name: e.name,
        role: e.role,
        line: edgeLine(drawn, i),
        allowance: rule ? book.value(rule) : 0,
        seam: e.seam || undefined,
        side: drawn.side,
      }
    })
    const net = joined(...edges.map((e) => e.line)).slice(0, -1)
    const b = boxOf(drawn.outline)
    return {
      id: drawn.id,
      name: drawn.name,
      side: drawn.side,
      edges,
      net: distance(net[0], net[net.length - 1]) < 1e-6 ? net.slice(0, -1) : net,
      outline: withAllowances(net, edges, drawn.name),
      marks: [],
      lines: [],
      holes: [],
      slits: [],
      grain: { from: [b.maxX, b.minY], to: [b.minX, b.minY] },
      places: [],
      becauses: [],
      findings: [],
    }
  })
}

/** What can be said of a drawn pattern: do its seams fit, have all of them a partner. */
export function ownFindings(pieces: readonly Piece[]): UpperFinding[] {
  const { joins, unpaired } = joinsOf(pieces)
  const name = (id: string) => pieces.find((p) => p.id === id)?.name ?? id
  return [
    ...unpaired.map((seam): UpperFinding => ({
      id: `upper.unpaired.${seam}`,
      level: 'watch',
      where: `seam ${seam}`,
      sentence: `Seam "${seam}" is named on ${pieces.flatMap((p) => p.edges).filter((e) => e.seam === seam).length === 1 ? 'one edge only' : 'more than two edges'}.`,
      measured: pieces.flatMap((p) => p.edges).filter((e) => e.seam === seam).length,
      limit: 2,
      unit: 'count',
      mend: 'Give the two edges that are joined the same seam name, and no other.',
      at: null,
      change: null,
    })),
    ...joins.map((j): UpperFinding => {
      const fits = Math.abs(j.ease) <= EQUAL
      return {
        id: `upper.join.${j.seam}`,
        level: fits ? 'fine' : Math.abs(j.ease) < 2 ? 'watch' : 'stop',
        where: `seam ${j.seam}`,
        sentence: `${name(j.pieces[0])} and ${name(j.pieces[1])} measure ${j.lengths[0].toFixed(1)} and ${j.lengths[1].toFixed(1)} mm along seam "${j.seam}".`,
        measured: Math.abs(j.ease),
        limit: EQUAL,
        unit: 'mm',
        mend: fits ? '' : 'Ease the longer edge in, or mend the drawing.',
        at: null,
        change: null,
      }
    }),
  ]
}
