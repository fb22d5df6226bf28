import { expect, it } from 'vitest'
import { sampleMeasures, samplePair } from '../../test/samplePair.ts'
import { LastFields } from '../model/last.ts'
import { asTheRightBut } from './asTheRightBut.ts'
import { buildLast } from './buildLast.ts'
import { landmarks } from './landmarks.ts'
import { lastReadings } from './readings.ts'

const right = samplePair().last
const same = { length: 0, jointGirth: 0, waistGirth: 0, instepGirth: 0 }
const read = (last: LastFields) => {
  const surface = buildLast(last)
  return lastReadings(surface, landmarks(surface))
}

it('a foot that is no other has a last of the same shape, on a place of its own', () => {
  const left = asTheRightBut(right, 'Left', same)
  expect(left.shape).toEqual(right.shape)
  expect(left.stock).toEqual({ number: '', feet: 'left', count: 1, place: '' })
  expect(LastFields.parse(left)).toEqual(left)
})

it('is read with rule and tape as much shorter and fuller as the foot is', () => {
  const [a, b] = [
    right,
    asTheRightBut(right, 'Left', { length: -4, jointGirth: 3, waistGirth: 2, instepGirth: 2 }),
  ].map(read)
  expect(b!.length - a!.length).toBeCloseTo(-4, 1)
  expect(b!.girths.joint - a!.girths.joint).toBeCloseTo(3, 0)
  expect(b!.girths.waist - a!.girths.waist).toBeCloseTo(2, 0)
  expect(b!.girths.instep - a!.girths.instep).toBeCloseTo(2, 0)
  expect(b!.heelHeight).toBeCloseTo(a!.heelHeight, 1)
  expect(b!.widths.joint).toBeGreaterThan(a!.widths.joint)
})

it('keeps what was glued on: the left one is fuller than it by the difference, not by the leather', () => {
  const built: LastFields = {
    ...right,
    buildUps: [{ station: 'instep', place: 'over the top', thickness: 3, reach: 35 }],
  }
  const [bare, a, b] = [right, built, asTheRightBut(built, 'Left', { ...same, jointGirth: 2 })].map(read)
  expect(a!.girths.instep - bare!.girths.instep).toBeGreaterThan(2)
  expect(b!.girths.instep - a!.girths.instep).toBeCloseTo(0, 0)
  expect(b!.girths.joint - a!.girths.joint).toBeCloseTo(2, 0)
})

it('what no last can be, and what has no measures, is refused with a sentence', () => {
  expect(() => asTheRightBut(right, 'Left', { ...same, length: -200 })).toThrow(
    /^Length: a last has from 150 mm to 350 mm, not 90 mm\. Take a smaller difference\./,
  )
  // The bottom goes with the girth of the joint, and may be what no last can be before the girth is.
  const wide = LastFields.parse({
    ...right,
    shape: { ...right.shape, measures: { ...sampleMeasures.walking, jointWidth: 138 } },
  })
  expect(() => asTheRightBut(wide, 'Left', { ...same, jointGirth: 12 })).toThrow(
    /^Joint width: a last has from 45 mm to 140 mm/,
  )
  const traced = { ...right, shape: { ...right.shape, kind: 'kept' } } as unknown as LastFields
  expect(() => asTheRightBut(traced, 'Left', same)).toThrow(/Only a last by measures/)
})
