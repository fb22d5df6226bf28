import { cumulative, pointsAt } from '../geometry/polyline.ts'
import { counterClockwise, distance, GeometryError, type Path, type Point } from '../geometry/path.ts'
import type { OwnPattern, OwnPiece } from '../model/upper.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { UpperFinding } from './checks/needs.ts'
import { joinsOf } from './joins.ts'
import type { Piece } from './piece.ts'
import { flatPiece, foldedPiece, type EdgeDraft } from './pieceMaker.ts'
import { mm, say, bare } from '../units/sentence.ts'

/** A corner is a turn of this much over a few millimetres, degrees and mm. */
const CORNER = 38
const REACH = 3
/** Two corners nearer to each other than this are one, mm. */
const APART = 6
/** Partners of a seam may differ by so much, mm. */
const EQUAL = 0.3
/** A fold may leave the straight line by so much, mm. */
const STRAIGHT = 0.5
/** Points of a kept outline at most; drawings with more are thinned evenly. */
const MOST_POINTS = 1200

/** Vertices where an outline turns sharply: where its edges begin. */
export function cornersOf(outline: Path): number[] {
  const run = cumulative(outline, true)
  const total = run[run.length - 1]!
  const reach = Math.min(REACH, total / 12)
  const turns = outline.map((p, i) => {
    const [a, b] = pointsAt(outline, [run[i]! - reach, run[i]! + reach], true)
    const cross = (p[0] - a![0]) * (b![1] - p[1]) - (p[1] - a![1]) * (b![0] - p[0])
    const dot = (p[0] - a![0]) * (b![0] - p[0]) + (p[1] - a![1]) * (b![1] - p[1])
    return Math.abs((Math.atan2(cross, dot) * 180) / Math.PI)
  })
  const found: number[] = []
  // The sharpest first, so that of two neighbours the real corner stays.
  for (const i of turns.map((_, k) => k).sort((a, b) => turns[b]! - turns[a]!)) {
    if (turns[i]! < CORNER) break
    const far = found.every((f) => {
      const d = Math.abs(run[f]! - run[i]!)
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
  const from = piece.corners[index]!
  const to = piece.corners[(index + 1) % piece.corners.length]!
  const count = ((to - from + n - 1) % n) + 1
  return Array.from({ length: count + 1 }, (_, k): Point => piece.outline[(from + k) % n]!)
}

/** A drawn half whose edge `at` is its fold, unfolded. Throws GeometryError when that edge is not straight. */
function unfolded(drawn: OwnPiece, drafts: readonly EdgeDraft[], at: number, book: RuleBook): Piece {
  const { line } = drafts[at]!
  const [from, to] = [line[0]!, line[line.length - 1]!]
  const l = distance(from, to) || 1
  const bent = line.reduce((most, p) => {
    const off = ((p[0] - from[0]) * (to[1] - from[1]) - (p[1] - from[1]) * (to[0] - from[0])) / l
    return Math.max(most, Math.abs(off))
  }, 0)
  if (bent > STRAIGHT) {
    throw new GeometryError(
      say`${drawn.name}: "${drafts[at]!.name}" is to be the fold, but it leaves the straight line by ${mm(bent, 1)}. A fold must be straight.`,
    )
  }
  const half = [...drafts.slice(at + 1), ...drafts.slice(0, at)]
  const piece = foldedPiece(
    { id: drawn.id, name: drawn.name },
    { lateral: half, medial: half },
    { from, to, onForme: [from, to] },
    book,
  )
  return { ...piece, places: [] }
}

/** Pieces of a drawn pattern; halves with a fold are unfolded. Throws GeometryError naming the piece that cannot be cut. */
export function ownPieces(own: OwnPattern, book: RuleBook): Piece[] {
  const folds = own.pieces.filter((p) => p.edges.some((e) => e.role === 'fold'))
  /** Seams of which an unfolded piece has one on either side: a piece of one side is joined to its own side's. */
  const doubled = new Set(folds.flatMap((p) => p.edges.map((e) => e.seam).filter((seam) => seam !== '')))
  return own.pieces.map((drawn): Piece => {
    const seamOf = (seam: string) => {
      if (seam === '') return undefined
      return drawn.side !== 'whole' && doubled.has(seam) ? `${seam}.${drawn.side}` : seam
    }
    const drafts = drawn.edges.map((e, i): EdgeDraft => ({
      name: e.name,
      role: e.role,
      line: edgeLine(drawn, i),
      // The line that the knife follows is drawn already.
      allowance: own.drawn === 'cut edge' ? 0 : undefined,
      seam: folds.includes(drawn) ? e.seam || undefined : seamOf(e.seam),
    }))
    const fold = drafts.findIndex((d) => d.role === 'fold')
    return fold >= 0 ? unfolded(drawn, drafts, fold, book) : flatPiece(drawn, drawn.side, drafts, book)
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
    })),
    ...joins.map((j): UpperFinding => {
      const fits = Math.abs(j.ease) <= EQUAL
      return {
        id: `upper.join.${j.seam}`,
        level: fits ? 'fine' : Math.abs(j.ease) < 2 ? 'watch' : 'stop',
        where: `seam ${j.seam}`,
        sentence: say`${name(j.pieces[0])} and ${name(j.pieces[1])} measure ${bare(j.lengths[0], 1)} and ${mm(j.lengths[1], 1)} along seam "${j.seam}".`,
        measured: Math.abs(j.ease),
        limit: EQUAL,
        unit: 'mm',
        mend: fits ? '' : 'Ease the longer edge in, or mend the drawing.',
        at: null,
      }
    }),
  ]
}
