import { shelfFigures, type ShelfLast } from '@gentle-awl/core'
import { showLength } from '../app/settings.ts'

/** A last as it is chosen from a list: with what tells it from the others. */
export function nameOfLast({ name, shape }: Pick<ShelfLast, 'name' | 'shape'>): string {
  const { length, heelHeight } = shelfFigures(shape)
  return `${name}, ${showLength(length, 0)}, heel ${showLength(heelHeight, 0)}`
}
