import { styleBook, styles, type Plan } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { suggestionsFor } from './suggestions.ts'

const plan = (...names: [id: string, name: string][]) =>
  ({ upper: { pieces: names.map(([id, name]) => ({ id, name })) }, parts: [] }) as unknown as Plan

describe('what a style suggests', () => {
  it('is told of the pieces that are there, each once, and of no others', () => {
    const oxford = plan(
      ['cap', 'Toe cap'],
      ['quarter.lateral', 'Quarter, lateral'],
      ['quarter.medial', 'Quarter, medial'],
    )
    expect(suggestionsFor('oxford', oxford).map((s) => s.names)).toEqual([['Toe cap', 'Quarter']])
    expect(suggestionsFor('stitch-down', oxford)).toEqual([])
    expect(suggestionsFor('own pattern', oxford)).toEqual([])
  })
  it('is there for every style', () => {
    for (const style of styles) expect(styleBook[style].suggests.length, style).toBeGreaterThan(0)
  })
})
