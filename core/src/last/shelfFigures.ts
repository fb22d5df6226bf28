import type { LastShape, ShelfShape } from '../model/last.ts'

/** What a list says of a last without building it, mm. */
export function shelfFigures(shape: LastShape | ShelfShape): { length: number; heelHeight: number } {
  if (shape.kind !== 'kept') return { length: shape.measures.length, heelHeight: shape.measures.heelHeight }
  const { surface } = shape
  if (!('points' in surface)) return { length: surface.length, heelHeight: surface.heelHeight }
  return { length: surface.length, heelHeight: surface.points[heelPlace(surface)]! / 100 }
}

/** Where in a packed surface the height of the heel stands: the bottom's first column is the heel end of its centre line. */
const heelPlace = ({ columns, rows }: { columns: number; rows: number }): number => 2 * columns * rows * 3 + 2
