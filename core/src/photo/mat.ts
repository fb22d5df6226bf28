import type { Point } from '../geometry/path.ts'
import { CODE_CELLS } from './markCodes.ts'

/** Sheets of the mat: `small` goes on A4 and on Letter, `wide` on A3; `floor` has few large marks for what lies far from the camera. */
export const matKinds = ['small', 'wide', 'floor'] as const
export type MatKind = (typeof matKinds)[number]

interface Ring {
  /** Box that the marks fill, mm. */
  width: number
  height: number
  /** Side of a mark, mm, and how many stand across and down. */
  side: number
  across: number
  down: number
  /** Sheets of this kind that can be told apart. */
  sheets: number
}
const rings: Readonly<Record<MatKind, Ring>> = {
  small: { width: 194, height: 263, side: 12, across: 5, down: 8, sheets: 6 },
  wide: { width: 281, height: 404, side: 12, across: 7, down: 11, sheets: 4 },
  floor: { width: 194, height: 263, side: 76, across: 2, down: 3, sheets: 8 },
}
/** Sheets of each kind that can be told apart when they lie in one picture. */
export const matSheets = (kind: MatKind): number => rings[kind].sheets

/** A black square with a coded field: its number, and its corners from the lower left, counter-clockwise. */
export interface MatMark {
  mark: number
  corners: readonly [Point, Point, Point, Point]
}

/** One sheet of the mat, mm; its origin is the lower left of the box that the marks fill, y up. */
export interface MatSheet {
  kind: MatKind
  /** Which of the sheets of its kind, from 1. */
  number: number
  width: number
  height: number
  side: number
  marks: readonly MatMark[]
}

/** Cells of a mark along a side: the coded field and one black cell round it. */
export const MARK_CELLS = CODE_CELLS + 2

/** Marks stand round the edge: in the first and the last row and column. */
function placesOf({ width, height, side, across, down }: Ring): Point[] {
  const out: Point[] = []
  for (let row = 0; row < down; row++) {
    for (let column = 0; column < across; column++) {
      if (row > 0 && row < down - 1 && column > 0 && column < across - 1) continue
      out.push([(column * (width - side)) / (across - 1), (row * (height - side)) / (down - 1)])
    }
  }
  return out
}

/** The first mark of each kind's first sheet. */
const firstOf = (kind: MatKind): number => {
  let first = 0
  for (const before of matKinds) {
    if (before === kind) break
    first += placesOf(rings[before]).length * rings[before].sheets
  }
  return first
}

/** A sheet of the mat with its marks. `number` runs from 1 to `matSheets(kind)`; throws RangeError beyond. */
export function matSheet(kind: MatKind, number: number): MatSheet {
  const ring = rings[kind]
  if (!Number.isInteger(number) || number < 1 || number > ring.sheets) {
    throw new RangeError(`There are ${ring.sheets} sheets of this kind, from 1; ${number} is none.`)
  }
  const places = placesOf(ring)
  const first = firstOf(kind) + (number - 1) * places.length
  const s = ring.side
  return {
    kind,
    number,
    width: ring.width,
    height: ring.height,
    side: s,
    marks: places.map(([x, y], i): MatMark => ({
      mark: first + i,
      corners: [
        [x, y],
        [x + s, y],
        [x + s, y + s],
        [x, y + s],
      ],
    })),
  }
}

let byMark: Map<number, { sheet: MatSheet; corners: MatMark['corners'] }> | null = null
/** The sheet that a mark stands on and where; undefined for a number that no sheet bears. */
export function placeOfMark(mark: number): { sheet: MatSheet; corners: MatMark['corners'] } | undefined {
  byMark ??= new Map(
    matKinds.flatMap((kind) =>
      Array.from({ length: rings[kind].sheets }, (_, k) => matSheet(kind, k + 1)).flatMap((sheet) =>
        sheet.marks.map(({ mark: m, corners }) => [m, { sheet, corners }] as const),
      ),
    ),
  )
  return byMark.get(mark)
}
