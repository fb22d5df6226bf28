import type { Seam } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { lengthUnit, showThread } from '../../../../app/settings.ts'
import { knotWords, rowWords, settableOf, threadWords, toolWords } from './seamWords.ts'
import { threadOfPair } from './threadOfPair.ts'

const on = (...times: ('now' | 'later')[]): Seam['on'] =>
  times.map((punched, i) => ({ piece: `p${i}`, line: [], holes: [], punched }))

describe('a seam in words', () => {
  it('says its rows, how it is sewn, and when its holes are punched', () => {
    expect(rowWords({ rows: 2, way: 'machine', stitch: null, on: on('now', 'later') })).toBe('2 rows by machine')
    expect(rowWords({ rows: 1, way: 'hand', stitch: 'two needles', on: on('now', 'later') })).toBe(
      'by hand, punched now, under it when joined',
    )
    expect(rowWords({ rows: 1, way: 'hand', stitch: 'two needles', on: on('now', 'now') })).toBe('by hand, punched now')
    expect(rowWords({ rows: 1, way: 'hand', stitch: 'two needles', on: on('later') })).toBe(
      'by hand, punched when joined, through both',
    )
  })
  it('says whether it is run or whipped', () => {
    expect(rowWords({ rows: 1, way: 'hand', stitch: 'whip', on: on('now', 'now') })).toBe(
      'by hand, whipped, punched now',
    )
    expect(rowWords({ rows: 1, way: 'hand', stitch: 'running', on: on('later') })).toBe(
      'by hand, a running stitch, punched when joined, through both',
    )
  })
  it('can be set as far as nothing else settles it', () => {
    const of = (kind: Seam['kind'], way: Seam['way'], id = 'a.b') => settableOf({ kind, way, id, sewnWith: way })
    expect(of('lap', 'machine')).toEqual(['by', 'pitch', 'fromEdge', 'rows'])
    expect(of('lap', 'hand')).toContain('stitch')
    expect(of('closed', 'machine')).toEqual(['by', 'pitch'])
    expect(of('butt', 'hand')).toEqual(['pitch', 'fromEdge'])
    expect(of('laidOn', 'hand', 'heel cover seam')).toEqual([])
    expect(settableOf({ kind: 'turnedOut', way: 'hand', id: 'midsole.x', sewnWith: 'sole' })).toEqual([])
  })
  it('names its thread by its reel and its metric number, its tools by what they reach', () => {
    expect(threadWords({ thread: { kind: 'ticket', ticket: 40 }, tex: 75 })).toBe('ticket 40, Nm 13')
    expect(threadWords({ thread: { kind: 'linen', plies: 5, lea: 18 }, tex: 459.4 })).toBe(
      'linen, 5 plies of lea 18, Nm 2.2',
    )
    expect(toolWords({ punch: { tool: 'drive punch', ground: 'shaped block' } })).toContain('take a drive punch')
    expect(toolWords({ punch: { tool: 'edge punch', ground: 'scrap leather' } })).toContain('scrap leather')
    expect(knotWords({ knot: { piece: 'p', at: [0, 0], where: 'bottom edge' } })).toContain('away from the foot')
    expect(knotWords({ knot: null })).toBe('')
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
