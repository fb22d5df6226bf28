import { describe, expect, it } from 'vitest'
import { last } from '../../../test/pair.ts'
import { spoken } from '@gentle-awl/core'
import { lastsFound, lastsParted, lastsSorted } from './lastsFound.ts'

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

  it.each([
    ['none', [['', 'Harbour 25', 'Quay 20', 'Quay 100']]],
    [
      'size',
      [
        ['Paris point 39', 'Quay 100'],
        ['Paris point 42', 'Quay 20'],
        ['Paris point 44', 'Harbour 25'],
      ],
    ],
    ['heel', [['Heel of 20 to 30 mm', 'Harbour 25', 'Quay 20', 'Quay 100']]],
    [
      'place',
      [
        ['door', 'Harbour 25', 'Quay 100'],
        ['top, left', 'Quay 20'],
      ],
    ],
  ] as const)('is parted by %s, each part in the order of the shelf', (group, parts) => {
    const parted = lastsParted(lastsSorted(shelf, 'name'), group, 0, 12)
    expect(parted.map((p) => [spoken(p.name), ...names(p.lasts)])).toEqual(parts)
  })
  it('parts what a page shows: a part that goes on over the page has its heading there again', () => {
    const page = (from: number, to: number) =>
      lastsParted(lastsSorted(shelf, 'length'), 'place', from, to).map((p) => [spoken(p.name), ...names(p.lasts)])
    expect(page(0, 1)).toEqual([['door', 'Quay 100']])
    expect(page(1, 3)).toEqual([
      ['door', 'Harbour 25'],
      ['top, left', 'Quay 20'],
    ])
    const nowhere = shelf.map((l, i) => (i === 0 ? { ...l, stock: { ...l.stock, place: '' } } : l))
    expect(lastsParted(nowhere, 'place', 0, 9).map((p) => spoken(p.name))).toEqual(['door', 'No place said'])
  })
})
