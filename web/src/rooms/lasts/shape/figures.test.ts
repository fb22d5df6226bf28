import { backCurve, featherLine, generateLast, type LastMeasures, type Vec3 } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { START } from './figures.ts'

const at = (line: readonly Vec3[], x: number) =>
  line.reduce((a, b) => (Math.abs(b[0] - x) < Math.abs(a[0] - x) ? b : a))
const last = (change: Partial<LastMeasures>) => generateLast({ ...START, ...change })
const L = START.length

describe('what is said beside a figure is what the figure does', () => {
  it('swing lays the joint to the little toe by so much of its own width', () => {
    const lateral = (swing: number) => at(featherLine(last({ swing }), 'lateral'), 0.66 * L)[1]
    expect((lateral(0) - lateral(0.1)) / (0.1 * START.jointWidth)).toBeCloseTo(1, 0)
    expect(lateral(0.1)).toBeLessThan(lateral(0))
  })
  it('the arch takes a tenth of the waist’s width inside at 0.2, and puts it outside', () => {
    const waist = (arch: number, side: 'medial' | 'lateral') =>
      Math.abs(at(featherLine(last({ arch }), side), 0.45 * L)[1])
    const tenth = START.waistWidth / 10
    expect((waist(0.05, 'medial') - waist(0.25, 'medial')) / tenth).toBeCloseTo(1, 0)
    expect((waist(0.25, 'lateral') - waist(0.05, 'lateral')) / tenth).toBeCloseTo(1, 0)
  })
  it('the back stands out and comes in as far as it is said to', () => {
    const back = (change: Partial<LastMeasures>) => {
      const line = backCurve(last({ length: 290, ...change }))
      const out = Math.min(...line.map((p) => p[0]))
      return { swell: line[0]![0] - out, top: line.at(-1)![0] - out }
    }
    expect(back({ backBulge: 4.2 }).swell).toBeCloseTo(2, 0)
    expect(back({ backBulge: 6.2 }).swell - back({ backBulge: 4.2 }).swell).toBeCloseTo(1.5, 0)
    const closer = back({ backIn: 0.34 }).top - back({ backIn: 0.24 }).top
    expect(Math.abs(closer - 0.7)).toBeLessThan(0.15)
  })
})
