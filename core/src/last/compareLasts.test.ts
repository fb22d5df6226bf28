import { describe, expect, it } from 'vitest'
import { cylinder } from '../../test/knownBodies.ts'
import { sampleMeasures } from '../../test/samplePair.ts'
import { generateLast } from './generate.ts'
import { compareLasts } from './compareLasts.ts'

const walking = generateLast(sampleMeasures.walking)

describe('two lasts', () => {
  it('that are one differ nowhere', () => {
    const d = compareLasts(walking, walking)
    expect(d.standsOut).toBeLessThan(1e-9)
    expect(d.fallsShort).toBeLessThan(1e-9)
    expect(d.table.every((row) => row.first === row.second)).toBe(true)
  })
  it('of which one is a pipe a millimetre thicker stand that much out, and the other way round', () => {
    const [thin, thick] = [cylinder(40, 300), cylinder(41, 300)]
    // Both stand on the ground, so the thicker one is 2 mm higher and level at the bottom.
    const out = compareLasts(thick, thin)
    expect(out.standsOut).toBeCloseTo(2, 1)
    expect(out.fallsShort).toBeLessThan(0.05)
    expect(compareLasts(thin, thick).fallsShort).toBeGreaterThan(0.95)
    expect(compareLasts(thin, thick).standsOut).toBeLessThan(0.05)
  })
  it('laid together at the joint are moved by the difference of their joints', () => {
    const longer = generateLast({ ...sampleMeasures.walking, length: 300 })
    const d = compareLasts(longer, walking, 'joint')
    expect(d.shift).toBeCloseTo(((0.635 + 0.72) / 2) * 10, 3)
    expect(d.table[0]).toMatchObject({ name: 'Length' })
    expect(d.table[0]!.first - d.table[0]!.second).toBeCloseTo(10, 1)
  })
})
