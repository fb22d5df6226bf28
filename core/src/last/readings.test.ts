import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { BottomTracing, type LastShape } from '../model/last.ts'
import { checkedLast } from './buildLast.ts'
import { generateLast } from './generate.ts'
import { reversals } from './readings.ts'
import { featherLine } from './surface.ts'
import { spoken } from '../units/sentence.ts'

describe('how often a row of figures turns', () => {
  it('is how many half waves of it are joined', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 7 }), fc.double({ min: 0.2, max: 5, noNaN: true }), (halves, height) => {
        const wave = Array.from({ length: 40 * halves + 1 }, (_, i) => height * Math.cos((Math.PI * i) / 40))
        expect(reversals(wave, 0.1 * height)).toBe(halves - 1)
        expect(
          reversals(
            wave.map((v) => -v),
            0.1 * height,
          ),
        ).toBe(halves - 1)
      }),
    )
  })
  it('does not count what is too small to be seen', () => {
    const tremble = Array.from({ length: 200 }, (_, i) => i + 3 * Math.sin(2 * i))
    expect(reversals(tremble, 7)).toBe(0)
    expect(reversals(tremble, 1)).toBeGreaterThan(10)
    expect(reversals([4, 4, 4], 0.1)).toBe(0)
  })
})

const profileOf = (shape: LastShape) => {
  const found = checkedLast({ shape, buildUps: [] }).readings.findings.find((f) => f.id === 'last.profile')
  if (!found) throw new Error('the profile was not looked at')
  return found
}

describe('the ridge of a last', () => {
  it('runs in one hollow on every sample last', () => {
    for (const measures of Object.values(sampleMeasures)) {
      expect(profileOf({ kind: 'measures', measures }).level).toBe('fine')
    }
  })
  it('over a traced bottom a little larger or smaller than the girths go with is fair too', () => {
    const m = sampleMeasures.walking
    const last = generateLast(m)
    const feather = [...featherLine(last, 'lateral'), ...featherLine(last, 'medial').reverse().slice(1, -1)]
    const traced = (scale: number, seatSlope: number | null): LastShape => ({
      kind: 'traced',
      measures: { ...m, seatSlope },
      tracing: BottomTracing.parse({ points: feather.map(([x, y]) => [x * scale, y * scale]), pencil: 0 }),
    })
    for (const scale of [0.96, 0.98, 1.02, 1.04]) expect(profileOf(traced(scale, 0.6)).level, `${scale}`).toBe('fine')
    // Lasts of before keep their ridge, which was met by humps: it is told now.
    expect(profileOf(traced(1.04, null))).toMatchObject({ level: 'watch', measured: 3 })
    expect(spoken(profileOf(traced(0.98, null)).sentence)).toContain('wavy')
  })
})
