import { shelfFigures, type ShelfLast } from '@gentle-awl/core'

/** Lasts whose name, note, number or place on the shelf hold every word of the search. */
export function lastsFound<L extends Pick<ShelfLast, 'name' | 'note' | 'stock'>>(
  lasts: readonly L[],
  search: string,
): L[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  return lasts.filter(({ name, note, stock }) => {
    const text = [name, note, stock.number, stock.place].join(' ').toLowerCase()
    return words.every((w) => text.includes(w))
  })
}

/** Orders in which the shelf can be read. */
export const lastSorts = { name: 'By name', length: 'By length', heel: 'By heel height', number: 'By number' } as const
export type LastSort = keyof typeof lastSorts

type Sorted = Pick<ShelfLast, 'name' | 'shape' | 'stock'>
const byName = (a: Sorted, b: Sorted) => a.name.localeCompare(b.name, 'en', { numeric: true })
const by: Record<LastSort, (a: Sorted, b: Sorted) => number> = {
  name: byName,
  length: (a, b) => shelfFigures(a.shape).length - shelfFigures(b.shape).length,
  heel: (a, b) => shelfFigures(a.shape).heelHeight - shelfFigures(b.shape).heelHeight,
  // A last without a number comes last.
  number: (a, b) =>
    Number(a.stock.number === '') - Number(b.stock.number === '') ||
    a.stock.number.localeCompare(b.stock.number, 'en', { numeric: true }),
}
/** The shelf in an order; what is equal in it goes by name. */
export const lastsSorted = <L extends Sorted>(lasts: readonly L[], sort: LastSort): L[] =>
  [...lasts].sort((a, b) => by[sort](a, b) || byName(a, b))
