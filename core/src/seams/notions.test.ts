import { describe, expect, it } from 'vitest'
import { RuleBook } from '../trade/rules.ts'
import { metricNumber, texOf, threadThickness } from '../units/thread.ts'
import { notionsFor } from './notions.ts'

const book = (rules: Record<string, number> = {}) => new RuleBook(rules, {})

describe('thread by the figures on its reel', () => {
  it('weighs 1654 / lea a ply, 3000 / ticket, and has 1000 / tex as its metric number', () => {
    expect(texOf({ kind: 'linen', plies: 5, lea: 18 })).toBeCloseTo(459.44, 2)
    expect(texOf({ kind: 'linen', plies: 1, lea: 1654 })).toBe(1)
    expect(texOf({ kind: 'ticket', ticket: 40 })).toBe(75)
    expect(metricNumber(75)).toBeCloseTo(13.33, 2)
    expect(metricNumber(texOf({ kind: 'ticket', ticket: 30 }))).toBe(10)
  })
  it('is as thick as a cylinder of its weight', () => {
    // A kilometre of it: area times length times density is its weight again.
    for (const tex of [20, 75, 459]) {
      const area = (Math.PI / 4) * threadThickness(tex) ** 2
      expect((area * 1e6 * 0.9) / 1000).toBeCloseTo(tex, 6)
    }
    expect(threadThickness(4 * 75)).toBeCloseTo(2 * threadThickness(75), 9)
  })
})

describe('needle and awl', () => {
  it('go with the thread: three times as thick by machine, half as much again by hand', () => {
    expect(notionsFor('machine', book())).toMatchObject({ tex: 75, needle: 100, awl: null, hole: 1 })
    const hand = notionsFor('hand', book())
    expect(hand).toMatchObject({ needle: null, awl: 1.2, hole: 1.2 })
    expect(hand.thickness).toBeCloseTo(0.806, 3)
  })
  it('grow with a thicker thread, a needle in the sizes that are sold', () => {
    const needles = [120, 80, 60, 40, 20, 10].map(
      (ticket) => notionsFor('machine', book({ 'seam.machineTicket': ticket })).needle,
    )
    expect(needles).toEqual([60, 70, 80, 100, 140, 200])
    const awls = [2, 5, 9].map((plies) => notionsFor('hand', book({ 'seam.linenPlies': plies })).awl!)
    expect(awls[0]).toBeLessThan(awls[1]!)
    expect(awls[1]).toBeLessThan(awls[2]!)
  })
})
