import { expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import type { StyleName } from '../model/upper.ts'
import { planPair } from '../plan/planPair.ts'
import { tackOrder } from './tackOrder.ts'

const cache = keptCache()

it.each([
  ['derby', /from the toe to the seat, with one more at the back/],
  ['mule', /from the toe to the rear edge;/],
  ['sandal', /from the front to the rear edge;/],
] as [StyleName, RegExp][])('says of a %s no place that it has not', (style, words) => {
  const { lasting } = planPair(samplePair({ construction: 'cemented', upper: { style } }), cache)
  expect(tackOrder(lasting.strips.find((s) => s.id === 'upper')!)).toMatch(words)
})
