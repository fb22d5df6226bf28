import type { LayoutSearch } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { searchWords } from './searchWords.ts'

const search = (some: Partial<LayoutSearch>): LayoutSearch => ({
  material: 'Calf',
  state: 'done',
  seconds: 60,
  progress: 1,
  left: 0,
  from: 2,
  version: 5,
  why: '',
  ...some,
})

describe('what is said of a search on the server', () => {
  it.each([
    [1, '1 second'],
    [90, '1 minute 30 seconds'],
    [3600, '1 hour'],
  ])('is how long it took: %s s', (seconds, words) => {
    expect(searchWords(search({ seconds }), 5)).toBe(`The server looked for ${words}, and this is what it found.`)
  })
  it('is how it ended only as long as the layout is what it left', () => {
    const ended = search({ state: 'ended', why: 'The hide was cut.' })
    expect([searchWords(ended, 5), searchWords(ended, 6)]).toEqual(['The hide was cut.', ''])
    expect(searchWords(search({}), 6)).toBe('')
  })
  it('is whatever is written meanwhile that it runs or waits, and nothing of one that was stopped, or of none', () => {
    expect(searchWords(search({ state: 'runs' }), 4)).toContain('This page may be closed')
    expect(searchWords(search({ state: 'waits' }), 4)).toContain('until another layout is done')
    expect([searchWords(search({ state: 'stopped' }), 5), searchWords(null, 5)]).toEqual(['', ''])
  })
})
