import type { Path, Point } from '../src/geometry/path.ts'
import type { OwnPattern, OwnPiece } from '../src/model/upper.ts'
import type { Piece } from '../src/upper/piece.ts'

/** Somewhere else on a sheet of paper. */
export const moved = ([x, y]: Point, turn: number): [number, number] => {
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  return [c * x - s * y + 310, s * x + c * y - 95]
}

/** A piece as somebody may have drawn it: its finished line, turned and moved; what is folded as a half. */
function drawnAs(p: Piece, turn: number): OwnPiece {
  const edges = p.fold ? p.edges.filter((e) => e.side === 'lateral') : p.edges
  const lines: { name: string; role: string; seam: string; line: Path }[] = edges.map((e) => ({
    name: e.name,
    role: e.role,
    seam: (e.seam ?? '').replace(/\.(lateral|medial)$/, ''),
    line: e.line,
  }))
  if (p.fold) lines.push({ name: 'fold', role: 'fold', seam: '', line: [p.fold[1], p.fold[0]] })
  const outline: [number, number][] = []
  const corners: number[] = []
  for (const { line } of lines) {
    corners.push(outline.length)
    outline.push(...line.slice(0, -1).map((q) => moved(q, turn)))
  }
  return {
    id: p.id.replace(/[^a-z0-9-]/gi, '-').toLowerCase(),
    name: p.name,
    side: p.side,
    outline,
    corners,
    edges: lines.map(({ name, role, seam }) => ({ name, role: role as never, seam })),
  }
}
/** A style's own pieces as a drawing of its own: what was laid out on the forme has to be found there again. */
export function asDrawing({ pieces }: { pieces: readonly Piece[] }, ids: readonly string[]): OwnPattern {
  const piece = (id: string) => pieces.find((p) => p.id === id)!
  return { drawn: 'finished line', placed: true, pieces: ids.map((id, n) => drawnAs(piece(id), 0.4 + 0.9 * n)) }
}
