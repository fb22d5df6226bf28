import type { CardStep, TimetableEntry } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { plainStep } from '../../../../core/test/plainStep.ts'
import type { Schedule } from '../../api/client.ts'
import { timelineRows, workload } from './timelineRows.ts'

const HOUR = 3_600_000
const step = (id: string, key: string, group: CardStep['group'], wait: CardStep['wait'] = null): CardStep =>
  plainStep(id, { key, name: `Name of ${id}`, group, wait })
const entry = (step: string, maker: string, start: number, pair = 'p'): TimetableEntry => ({
  pair,
  step,
  part: 1,
  parts: 1,
  maker,
  start: start * HOUR,
  end: (start + 0.5) * HOUR,
  begun: false,
})
const steps = [
  step('cut', 'cut', 'cut'),
  step('block', 'block-insole', 'last', { min: 600, max: null }),
  step('out', 'last-out', 'finish'),
]
const pair = (id: string) => ({ id, order: `of ${id}`, name: 'Shoe', due: null, weight: 1, lasts: ['last'], steps })
const schedule: Schedule = {
  timetable: {
    madeAt: 0,
    entries: [entry('cut', 'a', 1), entry('block', 'a', 2), entry('out', 'b', 30), entry('out', 'b', 40, 'q')],
    pairs: [],
    lost: [],
    nobody: [],
  },
  open: [pair('p'), pair('q')],
  leftOut: [],
  more: 0,
  bench: { clocks: [], free: [] },
}
const makers = ['a', 'b'].map((id) => ({ id, name: id, skills: [], pace: 1, hours: [], off: [] }))
const rows = (way: 'maker' | 'pair' | 'last') =>
  timelineRows(schedule, makers, way, { lastName: () => 'Harbour', makerName: (id) => id })
const spans = (row: { bars: { kind: string; start: number; end: number }[] } | undefined) =>
  row?.bars.map((b) => [b.kind, b.start / HOUR, b.end / HOUR])

describe('rows of the timeline', () => {
  it('are one a maker, with that maker’s steps alone', () => {
    expect(rows('maker').map((r) => r.bars.length)).toEqual([2, 2])
    expect(rows('maker')[0]!.bars[1]!.title).toBe('of p Name of block, a')
  })
  it('are one a pair, with its waits behind its steps', () => {
    expect(spans(rows('pair')[0])).toEqual([
      ['wait', 2.5, 12.5],
      ['work', 1, 1.5],
      ['work', 2, 2.5],
      ['work', 30, 30.5],
    ])
  })
  it('are one a last, from the first step on it until it comes out; taken already, from now', () => {
    expect(rows('last')).toHaveLength(1)
    expect(spans(rows('last')[0])).toEqual([
      ['hold', 2, 30.5],
      ['hold', 0, 40.5],
    ])
  })
})

describe('work by week', () => {
  it('adds up the hours of each maker, week by week', () => {
    const monday = (at: number) => (at < 24 * HOUR ? '2026-05-04' : '2026-05-11')
    const { weeks, hours } = workload(schedule.timetable.entries, makers, monday)
    expect(weeks).toEqual(['2026-05-04', '2026-05-11'])
    expect([...hours]).toEqual([
      ['a', [1, 0]],
      ['b', [0, 1]],
    ])
  })
})
