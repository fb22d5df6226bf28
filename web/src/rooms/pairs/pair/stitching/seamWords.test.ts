import type { Seam } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { lengthUnit, showThread } from '../../../../app/settings.ts'
import { rowWords } from './seamWords.ts'
import { threadOfPair } from './threadOfPair.ts'

const on = (...times: ('now' | 'later')[]): Seam['on'] =>
  times.map((punched, i) => ({ piece: `p${i}`, line: [], holes: [], punched }))

describe('a seam in words', () => {
  it('says its rows, how it is sewn, and when its holes are punched', () => {
    expect(rowWords({ rows: 2, way: 'machine', on: on('now', 'later') })).toBe('2 rows by machine')
    expect(rowWords({ rows: 1, way: 'hand', on: on('now', 'later') })).toBe(
      'by hand, punched now, under it when joined',
    )
    expect(rowWords({ rows: 1, way: 'hand', on: on('now', 'now') })).toBe('by hand, punched now')
    expect(rowWords({ rows: 1, way: 'hand', on: on('later') })).toBe('by hand, punched when joined, through both')
  })
  it('thread comes off the reel in metres, or feet', () => {
    expect(showThread(14_230)).toBe('14.23 m')
    lengthUnit.value = 'inch'
    expect(showThread(3048)).toBe('10.0 ft')
  })
  it('both shoes take what one takes, or each its own', () => {
    const foot = (...seams: [Seam['way'], number][]) => ({
      stitching: { seams: seams.map(([way, thread]) => ({ way, thread })) },
    })
    type Shoes = Parameters<typeof threadOfPair>[0]
    const one = foot(['machine', 900], ['hand', 700], ['machine', 100])
    expect(threadOfPair({ ...one, left: null } as Shoes)).toEqual({ machine: 2000, hand: 1400 })
    expect(threadOfPair({ ...one, left: foot(['hand', 50]) } as Shoes)).toEqual({ machine: 1000, hand: 750 })
  })
})
