import { describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { generateLast } from './generate.ts'
import { landmarks } from './landmarks.ts'
import { lastReadings } from './readings.ts'
import type { LastSurface } from './surface.ts'
import { FootMeasures } from '../model/foot.ts'
import { RuleBook } from '../trade/rules.ts'
import { fitRules, footFit } from './footFit.ts'
import { spoken } from '../units/sentence.ts'

const book = new RuleBook({}, {})
const walking = generateLast(sampleMeasures.walking)
const read = (s: LastSurface) => lastReadings(s, landmarks(s))

describe('last against foot', () => {
  const foot = FootMeasures.parse({ length: 275, jointGirth: 257, instepGirth: 250 })
  it('compares what was measured, with the allowance and its sentence', () => {
    const lines = footFit(read(walking), foot, book)
    expect(lines.map((l) => l.what)).toEqual(['length', 'joint', 'instep'])
    const joint = lines[1]!
    expect(joint.over).toBeCloseTo(252 - 257, 1)
    expect(joint.buildUp).toBeCloseTo(5, 1)
    expect(joint.verdict).toBe('small')
    expect(spoken(joint.wanted.sentence)).toContain('257 mm')
    const [length] = lines
    expect(length!.wanted.value).toBe(275 + fitRules.length.value)
    expect(length!.buildUp).toBe(0)
    expect(lines[2]!.verdict).toBe('right')
  })
  it('the workshop may want other allowances', () => {
    const [line] = footFit(
      read(walking),
      FootMeasures.parse({ jointGirth: 257 }),
      new RuleBook({ 'fit.joint': -6 }, {}),
    )
    expect(line!.wanted.value).toBe(251)
    expect(line!.verdict).toBe('right')
    expect(line!.wanted.origin).toBe('this workshop')
  })
})
