import { mmTo, say, shelfFigures, sizeFromLast, type Sentence, type ShelfLast } from '@gentle-awl/core'

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

/** Ways in which the shelf is parted under headings. */
export const lastGroups = {
  none: 'One shelf',
  size: 'By size',
  heel: 'By heel',
  place: 'By place',
} as const
export type LastGroup = keyof typeof lastGroups

/** Heels are parted by so much, mm. */
const HEELS = 10

/** What a last stands under, and where that stands among the others. */
interface Heading {
  order: number
  name: Sentence
}
const headings: Record<LastGroup, (last: Sorted) => Heading> = {
  none: () => ({ order: 0, name: '' }),
  size: ({ shape }) => {
    const size = Math.round(sizeFromLast('paris', shelfFigures(shape).length))
    return { order: size, name: `Paris point ${size}` }
  },
  heel: ({ shape }) => {
    const from = HEELS * Math.floor(shelfFigures(shape).heelHeight / HEELS)
    return { order: from, name: say`Heel of ${mmTo(from, from + HEELS)}` }
  },
  // A last that has no place comes last, as one without a number does.
  place: ({ stock }) => (stock.place === '' ? { order: 1, name: 'No place said' } : { order: 0, name: stock.place }),
}
const textOf = (name: Sentence): string => JSON.stringify(name)

/** Lasts in their order, parted; each part once, so much of them as a page shows: from one number to another, all counted. */
export function lastsParted<L extends Sorted>(
  lasts: readonly L[],
  group: LastGroup,
  from: number,
  to: number,
): { name: Sentence; lasts: L[] }[] {
  const all = lasts.map((last) => ({ last, heading: headings[group](last) }))
  const compare = (a: Heading, b: Heading) =>
    a.order - b.order || textOf(a.name).localeCompare(textOf(b.name), 'en', { numeric: true })
  // Within its part each keeps the order it had.
  all.sort((a, b) => compare(a.heading, b.heading))
  const parts: { name: Sentence; lasts: L[] }[] = []
  for (const { last, heading } of all.slice(from, to)) {
    const part = parts.at(-1)
    if (part && textOf(part.name) === textOf(heading.name)) part.lasts.push(last)
    else parts.push({ name: heading.name, lasts: [last] })
  }
  return parts
}
