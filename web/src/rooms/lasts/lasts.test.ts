import { LastMeasures } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { sayDay, today } from './days.ts'
import { distanceColours } from './last/distanceColours.ts'
import { measureGroups, readTyped, START, typed } from './shape/figures.ts'
import { thinnedOutline } from './shape/thinned.ts'

describe('typed measures', () => {
  it('every figure of a last has a field, once', () => {
    const keys = measureGroups.flatMap((g) => g.fields.map((f) => f.key))
    expect(new Set(keys).size).toBe(keys.length)
    expect([...keys, 'toeShape'].sort()).toEqual(Object.keys(LastMeasures.shape).sort())
  })
  it('come back as they went in, an empty heel girth as none', () => {
    expect(readTyped(typed(START))).toEqual({ measures: START })
    expect(readTyped({ ...typed(START), heelGirth: '330,5' })).toEqual({ measures: { ...START, heelGirth: 330.5 } })
  })
  it('that cannot be say which and how far', () => {
    expect(readTyped({ ...typed(START), waistGirth: '' })).toEqual({
      problem: 'Waist girth: write a number.',
      field: 'waistGirth',
    })
    expect(readTyped({ ...typed(START), length: '400' })).toMatchObject({ problem: 'Length: at most 350 mm.' })
    expect(readTyped({ ...typed(START), heelHeight: '-3' })).toMatchObject({ field: 'heelHeight' })
  })
})

it('colours run from short over same to out, and stay there past the end', () => {
  const c = distanceColours(Float64Array.from([-9, -2, 0, 2, 9]), 2)
  const at = (i: number) => [...c.slice(i * 3, i * 3 + 3)]
  expect(at(0)).toEqual(at(1))
  expect(at(3)).toEqual(at(4))
  expect(at(1)[2]).toBeGreaterThan(at(1)[0]!)
  expect(at(3)[0]).toBeGreaterThan(at(3)[2]!)
  expect(Math.max(...at(2)) - Math.min(...at(2))).toBeLessThan(0.05)
})

it('days are those of this place', () => {
  expect(today(new Date(2026, 0, 5, 23, 50))).toBe('2026-01-05')
  expect(sayDay('2026-11-30', new Date(2026, 1, 1))).toBe('30 November')
  expect(sayDay('2027-01-02', new Date(2026, 1, 1))).toBe('2 January 2027')
})

it('a very fine outline is thinned to what can be kept, a coarse one left as it is', () => {
  const ring = (n: number) =>
    Array.from({ length: n }, (_, i): [number, number] => [
      100 * Math.cos((2 * Math.PI * i) / n),
      40 * Math.sin((2 * Math.PI * i) / n),
    ])
  expect(thinnedOutline(ring(9000)).length).toBeLessThan(900)
  expect(thinnedOutline(ring(60))).toHaveLength(60)
})
