import { makeables, makeablesOf, partOfMade, planPair } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { demoFile } from '../../test/demoFile.ts'
import { demoPairs } from '../demo/workshop.ts'
import { exportOf, pairExports } from './registry.ts'
import { keptCache } from '../../../core/test/keptCache.ts'

const cache = keptCache()
/** One pair whose feet are mirrors, one with a left shoe of its own. */
const pairs = [demoPairs[0], demoPairs.find((p) => p.decisions.left)].map((pair) => {
  if (!pair) throw new Error('No demo pair has a left shoe of its own.')
  const file = demoFile(pair)
  return { file, plan: planPair(file, cache) }
})
const query = (takes: readonly string[]) => (takes.includes('part') ? { part: 'insole' } : {})

it('no two files share an address or a title', () => {
  expect(new Set(pairExports.map((e) => e.id)).size).toBe(pairExports.length)
  expect(new Set(pairExports.map((e) => e.title)).size).toBe(pairExports.length)
})

describe.each(pairExports)('$id', ({ type, takes, make }) => {
  it('is what it says it is, for mirrored and for different feet', async () => {
    for (const { file, plan } of pairs) {
      const { bytes } = await make(file, plan, query(takes))
      const begin = new TextDecoder().decode(bytes.slice(0, 200)).replaceAll('\r', '')
      const begins = {
        'application/pdf': /^%PDF-/,
        'image/svg+xml': /^<\?xml.*\n<svg /,
        'image/vnd.dxf': /^\s*0\nSECTION/,
      }
      expect(begin).toMatch(begins[type as keyof typeof begins])
    }
  })
  it('shows parts that can be put on record, every one of them', async () => {
    for (const { file, plan } of pairs) {
      const { parts } = await make(file, plan, query(takes))
      const on = parts.flatMap((p) => p.feet.map(({ foot }) => ({ part: p.record, foot })))
      const record = makeablesOf(plan, on)
      expect(new Set(record.map((m) => partOfMade(m.part)))).toEqual(new Set(parts.map((p) => p.record)))
    }
  })
})

it('parts and upper together are all that can be made', async () => {
  for (const { file, plan } of pairs) {
    const both = await Promise.all(['parts.svg', 'upper.svg'].map((id) => exportOf(id).make(file, plan, {})))
    const on = both.flatMap(({ parts }) => parts.flatMap((p) => p.feet.map(({ foot }) => ({ part: p.record, foot }))))
    expect(makeablesOf(plan, on)).toEqual(makeables(plan))
  }
})

it('one print holds the whole pair: all that can be made of it, each once', async () => {
  for (const { file, plan } of pairs) {
    const { parts } = await exportOf('pair.pdf').make(file, plan, {})
    const on = parts.flatMap((p) => p.feet.map(({ foot }) => ({ part: p.record, foot })))
    expect(makeablesOf(plan, on)).toEqual(makeables(plan))
    expect(new Set(parts.map((p) => p.record)).size).toBe(parts.length)
  }
})

it('one foot of a part that differs is put on record for that foot alone', () => {
  const { plan } = pairs[1]!
  const different = makeables(plan).find((m) => m.part.startsWith('left.'))
  if (!different) throw new Error('The feet of this pair do not differ.')
  const part = partOfMade(different.part)
  expect(makeablesOf(plan, [{ part, foot: 'left' }])).toEqual([different])
})
