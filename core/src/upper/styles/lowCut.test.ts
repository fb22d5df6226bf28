import { describe, expect, it } from 'vitest'
import { samplePair } from '../../../test/samplePair.ts'
import type { StyleName } from '../../model/upper.ts'
import { planPair } from '../../plan/planPair.ts'
import { spoken } from '../../units/sentence.ts'
import { keptCache } from '../../../test/keptCache.ts'

const cache = keptCache()
/** The top of the back as it is shown with its reason. */
function backOf(style: StyleName, lower?: number) {
  const rules: Record<string, number> = lower === undefined ? {} : { 'upper.lowBack': lower }
  const found = planPair(samplePair({ upper: { style }, rules }), cache).upper.points.find((p) => p.id === 'backTop')
  if (!found) throw new Error(`${style} shows no top of the back`)
  return { height: found.figures[0]!.value, sentence: found.sentence }
}

describe.each(['court', 'ballet flat'] as const)('the back of a %s', (style) => {
  it('ends lower than a laced one by the rule', () => {
    const laced = backOf('derby').height
    expect(laced - backOf(style).height).toBeCloseTo(4, 6)
    expect(laced - backOf(style, 9).height).toBeCloseTo(9, 6)
    expect(backOf(style, 0).height).toBeCloseTo(laced, 6)
  })
  it('says by how much, and why', () => {
    expect(spoken(backOf(style, 7).sentence)).toContain('less 7 mm')
    expect(spoken(backOf(style, 7).sentence)).toContain('top edge')
  })
})
