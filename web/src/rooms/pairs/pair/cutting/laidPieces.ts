import {
  grainArrow,
  laidPiece,
  translate,
  whereLaid,
  type LaidPlace,
  type Path,
  type Point,
  type ToLay,
} from '@gentle-awl/core'

/** A piece as it is drawn where it lies, mm on the drawing. */
export interface LaidPiece extends ToLay {
  /** Its number among the places. */
  at: number
  place: LaidPlace
  key: string
  /** Under it, and to be said of it: the pair's order where several are laid out. */
  lines: string[]
  words: string
  path: Path
  arrow: readonly Path[]
  middle: Point
}

/** Of an arrow, mm. */
const TIP = 8

/** Pieces where they lie on the drawing; `orderOf` a pair is said where pieces of several lie there. */
export function laidPieces(
  pieces: readonly ToLay[],
  places: readonly LaidPlace[],
  shifts: readonly Point[],
  orderOf: (pair: string) => string,
): LaidPiece[] {
  const several = new Set(pieces.map((p) => p.pair)).size > 1
  return places.flatMap((place, at): LaidPiece[] => {
    const found = laidPiece(pieces, place)
    const shift = shifts[place.on]
    if (!found || !shift) return []
    const { piece, cut, pair } = found
    const lay = (line: Path): Path => translate(whereLaid(line, place), ...shift)
    const [from, to] = lay([cut.arrow.from, cut.arrow.to]) as [Point, Point]
    const of = several ? ` · ${orderOf(pair)}` : ''
    const copy = cut.count > 1 ? ` ${place.copy + 1}` : ''
    return [
      {
        ...found,
        at,
        place,
        key: `${pair} ${piece.record} ${cut.foot} ${place.copy}`,
        lines: [piece.name, `${cut.foot}${copy}${of}`],
        words: `${piece.name}, ${cut.foot}${copy}${of}`,
        path: lay(cut.outline),
        arrow: grainArrow({ from, to }, TIP),
        middle: [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2],
      },
    ]
  })
}
