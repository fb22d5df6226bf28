import { planPair, signedArea, type Piece } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { samplePair } from '../../../../core/test/samplePair.ts'
import { foldedHalves } from './foldedHalves.ts'
import { piecesInRows } from './pieceLayout.ts'

const pieces = planPair(samplePair()).upper.pieces
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

describe('all pieces on one board', () => {
  it('lie apart and inside it, in any shape of window', () => {
    for (const aspect of [0.6, 1, 2, 4]) {
      const { placed, width, height } = piecesInRows(pieces, aspect)
      const boxes = placed.map(({ piece, dx, dy }) => {
        const xs = piece.outline.map((p) => p[0] + dx)
        const ys = piece.outline.map((p) => p[1] + dy)
        return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) }
      })
      boxes.forEach((a, i) => {
        expect(a.x0).toBeGreaterThan(0)
        expect(a.x1).toBeLessThan(width)
        expect(a.y1).toBeLessThan(0)
        expect(a.y0).toBeGreaterThan(-height)
        for (const b of boxes.slice(i + 1)) expect(a.x1 < b.x0 || b.x1 < a.x0 || a.y1 < b.y0 || b.y1 < a.y0).toBe(true)
      })
    }
    expect(piecesInRows([], 2).placed).toEqual([])
  })
})
