import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { samplePair } from '../../test/samplePair.ts'
import { useOurWords } from './issueWords.ts'
import { PairDecisions, PairFile, PairLabel } from './pair.ts'

beforeAll(useOurWords)

/** A sentence: a capital, a full stop, and none of the words of a programming language. */
const isSentence = (text: string) =>
  /^[A-Z].*[.!]$/.test(text) &&
  !/undefined|NaN|Invalid input|Too (big|small)|expected|received|regex|\bnull\b/.test(text)

describe('what is wrong with a document', () => {
  it('is said in our words, whatever is put where', () => {
    const decisions = samplePair().decisions
    const paths = [
      ['lastId'],
      ['size'],
      ['size', 'value'],
      ['size', 'system'],
      ['construction'],
      ['materials'],
      ['materials', 'upper'],
      ['stiffener', 'backHeight'],
      ['upper', 'points'],
      ['upper', 'backTaper'],
      ['upper', 'own'],
      ['lasted', 'tracing'],
      ['left'],
      ['rules'],
    ]
    fc.assert(
      fc.property(fc.constantFrom(...paths), fc.jsonValue(), (path, value) => {
        const changed = JSON.parse(JSON.stringify(decisions)) as Record<string, unknown>
        let at = changed
        for (const key of path.slice(0, -1)) at = at[key] as Record<string, unknown>
        at[path[path.length - 1]!] = value
        const result = PairDecisions.safeParse(changed)
        for (const issue of result.error?.issues ?? [])
          expect(issue.message, JSON.stringify(issue)).toSatisfy(isSentence)
      }),
      { numRuns: 500 },
    )
  })
  it('names the field, what is wanted and what was found', () => {
    const message = (value: unknown) => PairLabel.safeParse(value).error?.issues[0]!.message
    expect(message({ order: 12, name: 'Derby' })).toBe('Give a text here; it is 12.')
    expect(message({ order: '1', name: 'x'.repeat(81) })).toMatch(
      /^Give 80 characters at most; it is "x{40} \.\.\."\.$/,
    )
    expect(PairFile.safeParse({}).error?.issues.every((i) => isSentence(i.message))).toBe(true)
  })
})
