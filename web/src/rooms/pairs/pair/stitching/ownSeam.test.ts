import type { PairDecisions } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { withOwnSeam } from './ownSeam.ts'

const decisions = { stitching: { by: 'machine', own: {} } } as unknown as PairDecisions

describe('one seam of its own', () => {
  it('is set beside the others, and changed without losing what else was set for it', () => {
    const one = withOwnSeam(decisions, 'tab.lateral', { by: 'hand' })
    const two = withOwnSeam(withOwnSeam(one, 'tab.lateral', { pitch: 5 }), 'back', { rows: 2 })
    expect(two.stitching.own).toEqual({
      'tab.lateral': { by: 'hand', pitch: 5, fromEdge: null, stitch: null, rows: null },
      back: { by: null, pitch: null, fromEdge: null, stitch: null, rows: 2 },
    })
    expect(decisions.stitching.own).toEqual({})
  })
  it('goes by the pair again once nothing of it is set', () => {
    const one = withOwnSeam(decisions, 'tab.lateral', { by: 'hand', pitch: 5 })
    const none = withOwnSeam(withOwnSeam(one, 'tab.lateral', { by: null }), 'tab.lateral', { pitch: null })
    expect(none).toEqual(decisions)
  })
  it('takes no figure that no seam can have', () => {
    expect(() => withOwnSeam(decisions, 'back', { pitch: 90 })).toThrow('14 mm at most')
  })
})
