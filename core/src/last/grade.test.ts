import { describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { generateLast } from './generate.ts'
import { landmarks } from './landmarks.ts'
import { lastReadings } from './readings.ts'
import type { LastSurface } from './surface.ts'
import { RuleBook } from '../trade/rules.ts'
import { gradeMeasures, gradeOf, gradeSurface, sizeRun, type Grade } from './grade.ts'
import { spoken } from '../units/sentence.ts'

const book = new RuleBook({}, {})
const walking = generateLast(sampleMeasures.walking)
const read = (s: LastSurface) => lastReadings(s, landmarks(s))

describe('size runs', () => {
  const paris: Grade = gradeOf('paris', 'kept', book)
  it('a made last grows by the rule in length and girths, by a third of it in width, and keeps its heel', () => {
    const up = gradeMeasures(sampleMeasures.walking, 2, paris)
    expect(up.length).toBeCloseTo(290 + 2 * 6.667, 6)
    expect(up.jointGirth).toBeCloseTo(262, 6)
    expect(up.instepGirth - sampleMeasures.walking.instepGirth).toBeCloseTo(10, 6)
    expect(up.jointWidth - sampleMeasures.walking.jointWidth).toBeCloseTo(3.3, 6)
    expect(up.heelHeight).toBe(25)
    expect(gradeMeasures(sampleMeasures.walking, 2, { ...paris, heel: 'with the length' }).heelHeight).toBeGreaterThan(
      26,
    )
  })
  it('up and down again is where it started', () => {
    const there = gradeMeasures(gradeMeasures(sampleMeasures.walking, 3, paris), -3, paris)
    expect(there.length).toBeCloseTo(290, 9)
    expect(there.jointGirth).toBeCloseTo(252, 9)
    expect(there.coneHeight).toBeCloseTo(80, 9)
  })
  it('a kept surface gets its length and its joint girth, and stands as high as before', () => {
    for (const sizes of [-2, 1.5]) {
      const graded = gradeSurface(walking, sizes, paris)
      expect(graded.length).toBeCloseTo(290 + sizes * 6.667, 2)
      expect(read(graded).girths.joint - read(walking).girths.joint).toBeCloseTo(sizes * 5, 1)
      expect(read(graded).heelHeight).toBeCloseTo(read(walking).heelHeight, 1)
      expect(read(graded).toeSpring).toBeCloseTo(read(walking).toeSpring, 0)
    }
    expect(() => gradeSurface(walking, 40, paris)).toThrow(/too far/)
  })
  it('every size of every sample last comes out, each larger than the one before', () => {
    for (const measures of Object.values(sampleMeasures)) {
      const run = sizeRun({ measures, surface: generateLast(measures) }, [-2, -1, 0, 1, 2], paris)
      const lengths = run.map((r) => ('problem' in r ? Number.NaN : read(r.surface).length))
      for (let i = 1; i < lengths.length; i++) expect(lengths[i]! - lengths[i - 1]!).toBeCloseTo(6.667, 0)
    }
  })
  it('a size that cannot be says so and leaves the others', () => {
    const m = { ...sampleMeasures.walking }
    const run = sizeRun({ measures: m, surface: walking }, [0, 12], { ...paris, girth: 12 })
    expect('problem' in run[0]!).toBe(false)
    expect('problem' in run[1]! && spoken(run[1].problem)).toMatch(/The length would be 370.0 mm/)
  })
  it('a workshop rule changes the step', () => {
    expect(gradeOf('uk', 'kept', new RuleBook({ 'grade.uk.girth': 5 }, {})).girth).toBe(5)
    expect(gradeOf('uk', 'kept', book).length).toBeCloseTo(25.4 / 3, 2)
  })
})
