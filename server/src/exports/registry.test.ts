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
type Made = ReturnType<(typeof pairExports)[number]['make']>
/** Every file is made once of either pair, whoever asks. */
const made = new Map<string, Made>()
function filesOf(id: string): Promise<Awaited<Made>[]> {
  const { make, takes } = exportOf(id)
  return Promise.all(
    pairs.map(({ file, plan }, n) => {
      const known = made.get(`${id} ${n}`) ?? make(file, plan, query(takes))
      made.set(`${id} ${n}`, known)
      return known
    }),
  )
}

it('no two files share an address or a title', () => {
  expect(new Set(pairExports.map((e) => e.id)).size).toBe(pairExports.length)
  expect(new Set(pairExports.map((e) => e.title)).size).toBe(pairExports.length)
})

describe.each(pairExports)('$id', ({ id, type }) => {
  it('is what it says it is, for mirrored and for different feet', async () => {
    for (const { bytes } of await filesOf(id)) {
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
    for (const [n, { parts }] of (await filesOf(id)).entries()) {
      const { plan } = pairs[n]!
      const on = parts.flatMap((p) => p.feet.map(({ foot }) => ({ part: p.record, foot })))
      const record = makeablesOf(plan, on)
      expect(new Set(record.map((m) => partOfMade(m.part)))).toEqual(new Set(parts.map((p) => p.record)))
    }
  })
})

it('parts and upper together are all that can be made', async () => {
  const [ofParts, ofUpper] = await Promise.all(['parts.svg', 'upper.svg'].map(filesOf))
  for (const [n, { plan }] of pairs.entries()) {
    const on = [ofParts![n]!, ofUpper![n]!].flatMap(({ parts }) =>
      parts.flatMap((p) => p.feet.map(({ foot }) => ({ part: p.record, foot }))),
    )
    expect(makeablesOf(plan, on)).toEqual(makeables(plan))
  }
})

it('one print holds the whole pair: all that can be made of it, each once', async () => {
  for (const [n, { parts }] of (await filesOf('pair.pdf')).entries()) {
    const { plan } = pairs[n]!
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
