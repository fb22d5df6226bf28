import {
  boxOf,
  laidPiece,
  offset,
  whereLaid,
  writeHpgl,
  type LaidPlace,
  type LayGround,
  type Path,
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
  place: LaidPlace
}

/** Pieces of a layout on one hide in the order in which a table cuts them: from left to right, so that it goes on as the leather is taken off. */
export function laidOutlines(pieces: readonly ToLay[], places: readonly LaidPlace[], on = 0): LaidOutline[] {
  return places
    .flatMap((p): LaidOutline[] => {
      const found = p.on === on ? laidPiece(pieces, p) : null
      if (!found) return []
      const { pair, piece, cut } = found
      return [
        { pair, record: piece.record, name: piece.name, foot: cut.foot, path: whereLaid(cut.outline, p), place: p },
      ]
    })
    .sort((a, b) => boxOf(a.path).minX - boxOf(b.path).minX)
}

/** For a cutting table: the pieces alone, larger all round by half of what its tool takes away, its origin where the corner of the sheet's box lies. */
export function layoutHpgl(ground: LayGround, laid: readonly LaidOutline[], takes = 0): string {
  const { minX, minY } = boxOf(ground.outline)
  return writeHpgl(
    laid.map(({ path }) => ({
      path: (takes > 0 ? offset(path, takes / 2, 'a piece') : path).map(([x, y]): Point => [x - minX, y - minY]),
      closed: true,
      tool: 1,
    })),
  )
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
