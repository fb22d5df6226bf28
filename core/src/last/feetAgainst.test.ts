import { expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { Feet } from '../model/foot.ts'
import { RuleBook } from '../trade/rules.ts'
import { feetAgainst } from './feetAgainst.ts'
import { generateLast } from './generate.ts'
import { landmarks } from './landmarks.ts'
import { lastReadings } from './readings.ts'

const surface = generateLast(sampleMeasures.walking)
const readings = lastReadings(surface, landmarks(surface))
const book = new RuleBook({}, {})
const { joint, instep } = readings.girths
const feet = (n: number, right: object, left: object = {}) =>
  Feet.parse({ id: `01930000-0009-7000-8000-00000000000${n}`, order: `${n}`, right, left })

it('says of every foot how much is right and where the last is furthest off, by the tape', () => {
  // By the rules a last is 14 longer than its foot, as wide at the joint, and 2 less at the instep.
  const suits = { length: readings.length - 14, jointGirth: joint, instepGirth: instep + 2 }
  const [suited, high, unmeasured, narrow] = feetAgainst(
    [feet(1, suits, { ...suits, instepGirth: instep + 14 }), feet(2, {}, { jointGirth: joint - 20 })],
    readings,
    book,
  )
  expect(suited).toMatchObject({ order: '1', foot: 'right', length: suits.length, right: 3, of: 3 })
  expect(Math.abs(suited!.worst!.over)).toBeLessThan(0.01)
  expect(high).toMatchObject({ order: '1', foot: 'left', right: 2, of: 3 })
  expect(high!.worst).toMatchObject({ what: 'instep', verdict: 'small' })
  expect(high!.worst!.over).toBeCloseTo(-12, 6)
  expect(unmeasured).toMatchObject({ order: '2', foot: 'right', length: null, worst: null, right: 0, of: 0 })
  expect(narrow!.worst!.over).toBeCloseTo(20, 6)
  // A length may be off by more than a girth and be right: what is wrong comes before it.
  const [longer] = feetAgainst([feet(3, { length: readings.length - 17, jointGirth: joint + 2.5 })], readings, book)
  expect(longer).toMatchObject({ right: 1, of: 2, worst: { what: 'joint', verdict: 'small' } })
})
