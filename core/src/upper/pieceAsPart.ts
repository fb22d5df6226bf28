import { disc } from '../geometry/disc.ts'
import type { Path, Point } from '../geometry/path.ts'
import type { Material } from '../model/material.ts'
import type { DrawablePart, PartLine, PieceMarking } from '../trade/part.ts'
import type { Piece, PieceMark } from './piece.ts'

/** Depth and half mouth of a notch or match mark as it is drawn, mm. */
const MARKS: Record<PieceMark['kind'], { depth: number; half: number; name: string }> = {
  medial: { depth: 4, half: 1.8, name: 'medial notch' },
  centre: { depth: 3, half: 1, name: 'centre notch' },
  'centre slit': { depth: 3, half: 0, name: 'centre notch' },
  match: { depth: 3, half: 0, name: 'match mark' },
}

/** The line in which a piece ends on the shoe, before its allowances. */
export const FINISHED = 'finished line'
/** Corners of a drawn punched hole. */
const ROUND = 12

/** The short line or small triangle of a mark. */
export function markPath({ kind, at, inwards }: PieceMark): Path {
  const { depth, half } = MARKS[kind]
  const tip: Point = [at[0] + inwards[0] * depth, at[1] + inwards[1] * depth]
  if (half === 0) return [at, tip]
  const side = (by: number): Point => [at[0] - inwards[1] * by, at[1] + inwards[0] * by]
  return [side(half), tip, side(-half)]
}

/** A piece as the sheets draw it: its cut edge, and all else as lines. */
export function pieceAsPart(
  piece: Piece,
  material: Pick<Material, 'name' | 'thickness'>,
  { skives, spans, rows }: PieceMarking = { skives: [], spans: [] },
): DrawablePart {
  const lines: PartLine[] = [
    { name: FINISHED, kind: 'mark', path: piece.net, closed: true },
    ...(piece.fold ? [{ name: 'centre line', kind: 'fold' as const, path: piece.fold, closed: false }] : []),
    ...piece.ticks.map((path): PartLine => ({ name: 'gather mark', kind: 'mark', path, closed: false })),
    ...piece.marks.map((m): PartLine => ({
      name: MARKS[m.kind].name,
      kind: 'cut mark',
      path: markPath(m),
      closed: false,
    })),
    ...(rows ??
      piece.sewn.map((s): PartLine => ({ name: s.name, kind: 'stitch', path: s.line, closed: false, holes: s.holes }))),
    ...piece.slits.map((s): PartLine => ({ name: s.kind, kind: 'cut mark', path: [s.from, s.to], closed: false })),
    ...piece.holes.map((h): PartLine => ({
      name: h.for ?? 'punched hole',
      kind: 'punch',
      path: disc(h.at, h.diameter / 2, ROUND),
      closed: true,
      ...(h.later ? { later: h.later } : {}),
    })),
    ...spans,
  ]
  return {
    id: piece.id,
    name: piece.name,
    role: 'upper',
    materialName: material.name,
    thickness: material.thickness,
    count: 2,
    outline: piece.outline,
    lines,
    skives,
    notches: [],
    dimensions: [],
    grain: piece.grain,
    becauses: piece.becauses,
    findings: [],
  }
}
