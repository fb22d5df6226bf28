import { describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { greatestShift } from './buildUp.ts'
import { generateLast } from './generate.ts'
import { girthStations, landmarks } from './landmarks.ts'
import { packSurface, unpackSurface } from './packed.ts'
import { lastReadings } from './readings.ts'
import type { LastSurface } from './surface.ts'

const walking = generateLast(sampleMeasures.walking)
const read = (s: LastSurface) => lastReadings(s, landmarks(s))

describe('a kept surface', () => {
  it('comes back within half a hundredth, with the same girths', () => {
    const back = unpackSurface(packSurface(walking))
    expect(greatestShift(back, walking)).toBeLessThan(0.009)
    for (const s of girthStations) expect(Math.abs(read(back).girths[s] - read(walking).girths[s])).toBeLessThan(0.02)
  })
  it('that is not whole is refused', () => {
    const packed = packSurface(walking)
    expect(() => unpackSurface({ ...packed, points: packed.points.slice(3) })).toThrow(/not whole/)
  })
})
