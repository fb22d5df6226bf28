import { planPair, signedArea, type Piece } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { samplePair } from '../../../../../../core/test/samplePair.ts'
import { foldedHalves } from './foldedHalves.ts'
import { keptCache } from '../../../../../../core/test/keptCache.ts'

const pieces = planPair(samplePair(), keptCache()).upper.pieces
const byId = (id: string): Piece => {
  const p = pieces.find((x) => x.id === id)
  if (!p) throw new Error(`no ${id}`)
  return p
}

describe('a folded piece', () => {
  it('is its two halves on one side of the fold, as large together as the whole', () => {
    const [lateral, medial] = foldedHalves(byId('vamp'))
    if (!lateral || !medial) throw new Error('A vamp has a fold.')
    for (const [, y] of [...lateral, ...medial]) expect(y).toBeLessThan(1e-9)
    const whole = Math.abs(signedArea(byId('vamp').outline))
    expect(Math.abs(signedArea(lateral)) + Math.abs(signedArea(medial))).toBeCloseTo(whole, 6)
    // The sides of a last differ, but not by much.
    expect(Math.abs(signedArea(lateral)) / whole).toBeGreaterThan(0.45)
    expect(Math.abs(signedArea(lateral)) / whole).toBeLessThan(0.58)
  })
  it('a piece of one side has none', () => {
    expect(foldedHalves(byId('quarter.lateral'))).toEqual([])
  })
})
