import fc from 'fast-check'
import { planPair } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { sample } from '../../../../../test/pair.ts'
import { graphSpots } from './graphLayout.ts'

describe('the graph of the steps', () => {
  const { steps } = planPair(sample)
  it('has every step once, right of all that it waits for, and none on another', () => {
    const spots = new Map(graphSpots(steps).map((s) => [s.id, s]))
    expect([...spots.keys()]).toEqual(steps.map((s) => s.id))
    for (const s of steps) for (const a of s.after) expect(spots.get(s.id)!.x).toBeGreaterThan(spots.get(a.id)!.x)
    const places = [...spots.values()].map((s) => `${s.x} ${s.y.toFixed(3)}`)
    expect(new Set(places).size).toBe(places.length)
    // The right shoe's steps lie above the left one's.
    for (const s of steps.filter((x) => x.foot === 'right')) {
      const left = spots.get(s.id.replace(/right$/, 'left'))!
      expect(spots.get(s.id)!.y, s.id).toBeLessThan(left.y)
    }
  })
  it('holds for any order: each layer is as far as the longest way to it, rows one apart at least', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.nat(20), { maxLength: 4 }), { minLength: 1, maxLength: 20 }), (lists) => {
        const any = lists.map((after, i) => ({
          id: String(i),
          foot: null,
          after: [...new Set(after.filter((a) => a < i))].map((a) => ({ id: String(a), name: '', why: '' })),
        }))
        const spots = graphSpots(any)
        for (const [i, s] of any.entries()) {
          expect(spots[i]!.x).toBe(Math.max(0, ...s.after.map((a) => spots[Number(a.id)]!.x + 1)))
        }
        for (const a of spots) {
          for (const b of spots) if (a !== b && a.x === b.x) expect(Math.abs(a.y - b.y)).toBeGreaterThan(1 - 1e-9)
        }
      }),
    )
  })
})
