import type { LastShape } from '../model/last.ts'

/** What a list says of a last without building it, mm. */
export function shelfFigures(shape: LastShape): { length: number; heelHeight: number } {
  if (shape.kind !== 'kept') return { length: shape.measures.length, heelHeight: shape.measures.heelHeight }
  const { columns, rows, length, points } = shape.surface
  // The bottom's first column is the heel end of its centre line.
  return { length, heelHeight: points[2 * columns * rows * 3 + 2] / 100 }
}
