import { LastMeasures, lastRanges } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { lengthUnit } from '../../app/settings.ts'
import { sayDay, today } from './days.ts'
import { distanceColours } from './last/distanceColours.ts'
import { measureGroups, outOfRange, START } from './shape/figures.ts'
import { thinnedOutline } from './shape/thinned.ts'

describe('the figures of a last', () => {
  it('every figure of a last has a field, once', () => {
    const keys = measureGroups.flatMap((g) => g.fields.map((f) => f.key))
    expect(new Set(keys).size).toBe(keys.length)
    expect([...keys, 'toeShape'].sort()).toEqual(Object.keys(LastMeasures.shape).sort())
  })
  it('that no last can have are named, with what one can, in the unit of the screen', () => {
    expect(outOfRange(START)).toBeNull()
    expect(outOfRange({ ...START, heelGirth: 330.5 })).toBeNull()
    expect(outOfRange({ ...START, length: 400 })).toEqual({
      problem: 'Length: a last has from 150.0 mm to 350.0 mm, not 400.0 mm.',
      field: 'length',
    })
    lengthUnit.value = 'inch'
    expect(outOfRange({ ...START, heelHeight: -3 })?.problem).toMatch(
      /^Heel height: a last has from 0″ to 3 [\d/]+″, not .*″\.$/,
    )
    // What the schema takes is what is in range here.
    for (const [key, [min, max]] of Object.entries(lastRanges)) {
      for (const value of [min, max, min - 0.001, max + 0.001]) {
        const measures = { ...START, [key]: value }
        expect(outOfRange(measures) === null, `${key} ${value}`).toBe(LastMeasures.safeParse(measures).success)
      }
    }
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
