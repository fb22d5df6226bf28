import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { GeometryError } from '../geometry/path.ts'
import { FootMeasures } from '../model/foot.ts'
import { LastMeasures } from '../model/last.ts'
import { RuleBook } from '../trade/rules.ts'
import { footFit } from './footFit.ts'
import { generateLast } from './generate.ts'
import { landmarks } from './landmarks.ts'
import { lastForFoot } from './lastForFoot.ts'
import { lastReadings } from './readings.ts'

const base = sampleMeasures.walking
const book = new RuleBook({}, {})
const foot = (measured: Partial<FootMeasures>) => FootMeasures.parse(measured)

describe('a last for a foot', () => {
  it('is longer than the foot by the allowance, and not as long as the foot', () => {
    const { figures, becauses } = lastForFoot(foot({ length: 262 }), base, book)
    expect(figures.length).toBe(276)
    expect(becauses.find((b) => b.id === 'length')).toMatchObject({
      value: 276,
      rule: 'fit.length',
      origin: 'house rule',
    })
    expect(lastForFoot(foot({ length: 262 }), base, new RuleBook({ 'fit.length': 20 }, {})).figures.length).toBe(282)
  })
  it('nothing measured gives nothing, and what a foot does not tell is left as it is', () => {
    expect(lastForFoot(foot({}), base, book)).toEqual({ figures: {}, becauses: [] })
    const { figures } = lastForFoot(foot({ length: 262, jointGirth: 240, instepGirth: 244 }), base, book)
    for (const left of ['heelHeight', 'toeSpring', 'swing', 'toeShape', 'heelGirth'])
      expect(figures).not.toHaveProperty(left)
  })
  it('a foot as the usual last wants it gives that last, from any one of its measures', () => {
    const suits = foot({
      length: base.length - 14,
      jointGirth: base.jointGirth,
      waistGirth: base.waistGirth + 3,
      instepGirth: base.instepGirth + 2,
      jointWidth: base.jointWidth + 4,
    })
    for (const key of ['length', 'jointGirth', 'waistGirth', 'instepGirth', 'jointWidth'] as const) {
      const { figures } = lastForFoot(foot({ [key]: suits[key] }), base, book)
      for (const [name, value] of Object.entries(figures)) {
        if (name === 'length' && key === 'jointWidth') continue
        expect(value, `${name} from ${key}`).toBeCloseTo(base[name as 'length'], 1)
      }
    }
  })
  it('girths alone tell a length and the heights, in proportion', () => {
    const { figures, becauses } = lastForFoot(foot({ jointGirth: base.jointGirth * 0.95 }), base, book)
    expect(figures.length).toBeCloseTo(base.length * 0.95, 0)
    expect(figures.coneHeight).toBeCloseTo(base.coneHeight * 0.95, 0)
    expect(figures.toeBoxHeight).toBeCloseTo(base.toeBoxHeight * 0.95, 0)
    expect(becauses.every((b) => (b.id === 'joint') === (b.rule !== undefined))).toBe(true)
  })
  it('is a last that fits the foot: built, and read with the tape', () => {
    // Feet of grown people whose girths go together as feet's do.
    const feet = fc.record({
      length: fc.integer({ min: 225, max: 290 }),
      joint: fc.integer({ min: -12, max: 12 }),
      waist: fc.integer({ min: -4, max: 4 }),
      instep: fc.integer({ min: -4, max: 8 }),
    })
    let built = 0
    fc.assert(
      fc.property(feet, ({ length, joint, waist, instep }) => {
        const girth = Math.round(0.92 * length) + joint
        const measured = foot({
          length,
          jointGirth: girth,
          waistGirth: girth - 2 + waist,
          instepGirth: girth + instep,
        })
        const { figures } = lastForFoot(measured, base, book)
        try {
          const surface = generateLast(LastMeasures.parse({ ...base, ...figures }))
          const lines = footFit(lastReadings(surface, landmarks(surface)), measured, book)
          expect(lines.map((l) => [l.what, l.verdict])).toEqual(lines.map((l) => [l.what, 'right']))
          built++
        } catch (error) {
          // What no last can be is refused with its figure; that must stay the exception.
          if (!(error instanceof GeometryError)) throw error
        }
      }),
      { numRuns: 16 },
    )
    expect(built).toBeGreaterThan(12)
  })
})
