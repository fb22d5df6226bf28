import { describe, expect, it } from 'vitest'
import { last } from '../../../test/pair.ts'
import { lastsFound, lastsSorted } from './lastsFound.ts'

if (last.shape.kind !== 'measures') throw new Error('The sample last is made by measures.')
const { measures } = last.shape
const shelf = [
  { name: 'Quay 20', number: '9', place: 'top, left', note: 'round toe', length: 282, heel: 20 },
  { name: 'Harbour 25', number: '', place: 'door', note: '', length: 290, heel: 25 },
  { name: 'Quay 100', number: '10', place: 'door', note: 'high', length: 260, heel: 25 },
].map(({ name, number, place, note, length, heel }) => ({
  ...last,
  name,
  note,
  stock: { ...last.stock, number, place },
  shape: { kind: 'measures' as const, measures: { ...measures, length, heelHeight: heel } },
}))
const names = (lasts: readonly { name: string }[]) => lasts.map((l) => l.name)

describe('the shelf of lasts', () => {
  it.each([
    ['', ['Quay 20', 'Harbour 25', 'Quay 100']],
    ['quay', ['Quay 20', 'Quay 100']],
    ['DOOR quay', ['Quay 100']],
    ['round', ['Quay 20']],
    ['10', ['Quay 100']],
    ['clog', []],
  ])('finds by every word, wherever it stands: “%s”', (words, found) =>
    expect(names(lastsFound(shelf, words))).toEqual(found),
  )

  it.each([
    ['name', ['Harbour 25', 'Quay 20', 'Quay 100']],
    ['length', ['Quay 100', 'Quay 20', 'Harbour 25']],
    ['heel', ['Quay 20', 'Harbour 25', 'Quay 100']],
    ['number', ['Quay 20', 'Quay 100', 'Harbour 25']],
  ] as const)('is sorted by %s, numbers as numbers, equals by name', (sort, sorted) => {
    const before = names(shelf)
    expect(names(lastsSorted(shelf, sort))).toEqual(sorted)
    expect(names(shelf)).toEqual(before)
  })
})
