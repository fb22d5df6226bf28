import {
  boxOf,
  grainArrow,
  laidPiece,
  lerpPoint,
  offset,
  whereLaid,
  writeHpgl,
  type Grain,
  type LaidPlace,
  type LayGround,
  type Path,
  type PlotLine,
  type Point,
  type ToLay,
} from '@gentle-awl/core'
import { pathData } from '../../../../drawing/svgPath.ts'

/** A piece where it was laid, mm. */
export interface LaidOutline {
  pair: string
  record: string
  name: string
  foot: LaidPlace['foot']
  path: Path
  /** Arrow of its tight direction. */
  arrow: Grain
  place: LaidPlace
}

/** Pieces of a layout on one hide in the order in which a table cuts them: from left to right, so that it goes on as the leather is taken off. */
export function laidOutlines(pieces: readonly ToLay[], places: readonly LaidPlace[], on = 0): LaidOutline[] {
  return places
    .flatMap((p): LaidOutline[] => {
      const found = p.on === on ? laidPiece(pieces, p) : null
      if (!found) return []
      const { pair, piece, cut } = found
      const [from, to] = whereLaid([cut.arrow.from, cut.arrow.to], p) as [Point, Point]
      const { record, name } = piece
      return [{ pair, record, name, foot: cut.foot, path: whereLaid(cut.outline, p), arrow: { from, to }, place: p }]
    })
    .sort((a, b) => boxOf(a.path).minX - boxOf(b.path).minX)
}

/** Tools of a cutting table by number. */
export const KNIFE = 1
const PEN = 2

/** A piece's edge as a tool must go that takes so much away, mm: half of it outside the line, so that the piece keeps its size. */
export const toolPath = (path: Path, takes: number): Path => (takes > 0 ? offset(path, takes / 2, 'a piece') : path)

/** Strokes of a letter, 1 high, from its lower left corner. */
const LETTERS: Readonly<Record<LaidPlace['foot'], Path>> = {
  right: [
    [0, 0],
    [0, 1],
    [0.45, 1],
    [0.6, 0.85],
    [0.6, 0.65],
    [0.45, 0.5],
    [0, 0.5],
    [0.3, 0.5],
    [0.6, 0],
  ],
  left: [
    [0, 1],
    [0, 0],
    [0.55, 0],
  ],
}
const LETTER = 6

/** What a pen draws on a piece: the arrow of its tight direction, and beside its middle R or L. */
function penLines({ arrow, foot }: LaidOutline): PlotLine[] {
  const [mx, my] = lerpPoint(arrow.from, arrow.to, 0.5)
  const letter = LETTERS[foot].map(([x, y]): Point => [mx + LETTER * (x + 0.4), my + LETTER * (y + 0.4)])
  return [...grainArrow(arrow), letter].map((path) => ({ path, closed: false, tool: PEN }))
}

/**
 * For a cutting table: what its pen draws if it has one, then the pieces, larger all round by half of what its tool takes
 * away, its origin where the corner of the sheet's box lies.
 */
export function layoutHpgl(ground: LayGround, laid: readonly LaidOutline[], { takes = 0, pen = false } = {}): string {
  const { minX, minY } = boxOf(ground.outline)
  const lines = [
    ...(pen ? laid.flatMap(penLines) : []),
    ...laid.map(({ path }) => ({ path: toolPath(path, takes), closed: true, tool: KNIFE })),
  ]
  return writeHpgl(lines.map((l) => ({ ...l, path: l.path.map(([x, y]): Point => [x - minX, y - minY]) })))
}

const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;')

/** As a drawing at true size: what it is laid on, and each piece by its name. */
export function layoutSvg(ground: LayGround, laid: readonly LaidOutline[]): string {
  const b = boxOf(ground.outline)
  const [width, height] = [b.maxX - b.minX, b.maxY - b.minY]
  const line = (path: Path, name: string, colour: string) =>
    `<path d="${pathData(path, true)}" fill="none" stroke="${colour}" stroke-width="0.3"><title>${escaped(name)}</title></path>`
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="${b.minX} ${-b.maxY} ${width} ${height}">`,
    line(ground.outline, 'Edge', '#6a7a80'),
    ...ground.flaws.map((f) => line(f.outline, `Flaw: ${f.kind}`, '#a6303c')),
    ...laid.map(({ path, name, foot }) => line(path, `${name}, ${foot}`, '#17262b')),
    '</svg>',
    '',
  ].join('\n')
}
