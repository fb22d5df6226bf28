import { describe, expect, it } from 'vitest'
import { sayReason, saySize } from './sayCopy.ts'

describe('what is said of a backup', () => {
  it('sizes as one reads them', () => {
    expect([12, 1400, 640_200, 999_600, 2_400_000].map(saySize)).toEqual([
      '1 kB',
      '1 kB',
      '640 kB',
      '1000 kB',
      '2.4 MB',
    ])
  })
  it('a reason in words, or the word in its name where none is known', () => {
    expect(sayReason('before-migration')).toMatch(/newer version/)
    expect(sayReason('by-someone')).toBe('by-someone')
  })
})
