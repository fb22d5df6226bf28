import { LastMeasures } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { sayDay, today } from './days.ts'
import { distanceColours } from './last/distanceColours.ts'
import { measureGroups, readTyped, START, typed } from './shape/figures.ts'
import { lengthUnit } from '../../app/settings.ts'
import { readFeet, retyped, typedFoot } from './last/footFields.ts'
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

describe('typed feet', () => {
  const blank = { length: '', jointGirth: '', waistGirth: '', instepGirth: '', heelGirth: '', jointWidth: '' }
  it('leave out what was not measured and come back', () => {
    const right = { ...blank, length: '270', jointGirth: '250.5' }
    const read = readFeet({ order: '1041', trade: '', note: '' }, { right, left: blank })
    if ('problem' in read) throw new Error(read.problem)
    expect(read.fields.right).toMatchObject({ length: 270, jointGirth: 250.5, waistGirth: null })
    expect(typedFoot(read.fields.right)).toEqual(right)
  })
  it('are typed in the unit of the screen, and go over into the other with what is half typed', () => {
    const mm = { ...blank, length: '270', jointGirth: '250.5', waistGirth: 'wide' }
    lengthUnit.value = 'inch'
    const inches = retyped(mm, 'mm')
    expect(inches).toEqual({ ...blank, length: '10 5/8″', jointGirth: '9 7/8″', waistGirth: 'wide' })
    const read = readFeet(
      { order: '1041', trade: '', note: '' },
      { right: { ...blank, length: '10 1/2' }, left: blank },
    )
    expect(read).toMatchObject({ fields: { right: { length: 266.7, waistGirth: null } } })
    expect(readFeet({ order: '1', trade: '', note: '' }, { right: { ...blank, length: '40' }, left: blank })).toEqual({
      problem: 'Right foot, Length: from 4 3/4″ to 13 3/8″.',
    })
    lengthUnit.value = 'mm'
    expect(retyped({ ...blank, length: '10 1/2' }, 'inch').length).toBe('266.7')
  })
  it('say which foot and which figure', () => {
    const left = { ...blank, instepGirth: '2400' }
    expect(readFeet({ order: '1', trade: '', note: '' }, { right: blank, left })).toMatchObject({
      problem: expect.stringMatching(/^Left foot, Instep girth/) as string,
    })
    expect(readFeet({ order: '', trade: '', note: '' }, { right: blank, left: blank })).toMatchObject({
      problem: 'Give the order a number.',
    })
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
