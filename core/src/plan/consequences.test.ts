import { describe, expect, it } from 'vitest'
import { samplePair } from '../../test/samplePair.ts'
import { consequences } from './consequences.ts'
import { planPair } from './planPair.ts'
import { spoken } from '../units/sentence.ts'
import { keptCache } from '../../test/keptCache.ts'

const cache = keptCache()
const plan = (rules: Record<string, number> = {}, change: Parameters<typeof samplePair>[0] = {}) =>
  planPair({ ...samplePair(change), houseRules: rules }, cache)
const before = plan()

describe('what a house rule would change', () => {
  it('nothing, when nothing changes', () => {
    expect(consequences(before, plan())).toMatchObject({
      figures: [],
      findings: [],
      shapes: [],
      appeared: [],
      gone: [],
    })
  })
  it('a lower stiffener: its height, its shape, and no part that has nothing to do with it', () => {
    const c = consequences(before, plan({ 'stiffener.topGap': 6 }))
    const height = c.figures.find((f) => f.where === 'Stiffener' && f.quantity === 'Height at the back')
    expect(height && height.to - height.from).toBeCloseTo(-3, 9)
    expect(c.shapes.find((s) => s.part === 'Stiffener')?.most).toBeGreaterThan(2)
    expect(c.shapes.map((s) => s.part)).not.toContain('Toe puff')
    expect(c.minutes.to).not.toBe(Number.NaN)
  })
  it('a longer puff turns a check, and the sentence is the new one', () => {
    const c = consequences(before, plan({ 'puff.base': 70, 'puff.growth': 4 }))
    const crease = c.findings.find((f) => f.where === 'Toe puff' && f.to === 'stop')
    expect(crease?.from).toBe('fine')
    expect(spoken(crease?.sentence ?? '')).toContain('crease')
  })
  it('parts that come and go are named', () => {
    const c = consequences(before, plan({}, { insole: { covered: true }, construction: 'cemented' }))
    expect(c.appeared).toEqual(['Foam on the insole', 'Insole cover'])
    expect(c.gone).toEqual(['Sock liner', 'Welt', 'Rand'])
  })
  it('a wider margin: larger vamps, and longer cutting for linings', () => {
    const c = consequences(before, plan({ 'upper.lastingMargin': 30 }))
    expect(c.shapes.find((s) => s.part === 'Vamp')?.most).toBeGreaterThan(11.9)
    expect(c.figures.some((f) => f.quantity === 'Lasting margin of the lining' && f.to === 30)).toBe(true)
    expect(c.minutes.to).toBeGreaterThan(c.minutes.from)
  })
})
