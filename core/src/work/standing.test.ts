import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { stepEvents, type StepEvent } from '../model/pair.ts'
import { eventsStanding, runsOf, standingOf, stepState, waitWindow } from './standing.ts'

const MINUTE = 60_000
const step = { id: 'a', formerly: ['old-a'] }
const event = (what: StepEvent['what'], minute: number, maker: string | null = null, of = 'a'): StepEvent => ({
  step: of,
  what,
  at: new Date(minute * MINUTE).toISOString(),
  maker,
})

describe('standing of a step', () => {
  it('pauses are not worked', () => {
    const log = [event('started', 0), event('paused', 10), event('resumed', 70), event('finished', 75)]
    const [run] = runsOf(log, step)
    expect(run).toMatchObject({ startedAt: 0, finishedAt: 75 * MINUTE, worked: 15 * MINUTE, pausedAt: null })
    expect(standingOf(log.slice(0, 2), step)).toMatchObject({
      state: 'started',
      pausedAt: 10 * MINUTE,
      worked: 10 * MINUTE,
      since: null,
    })
  })
  it('a step that is finished while it rests counts up to its pause', () => {
    const [run] = runsOf([event('started', 0), event('paused', 10), event('finished', 90)], step)
    expect(run?.worked).toBe(10 * MINUTE)
  })
  it('sent back it is open again, and its first time is kept with who did it', () => {
    const log = [
      event('started', 0, 'window'),
      event('finished', 8, 'window'),
      event('sent back', 20),
      event('started', 30, 'stove'),
      event('finished', 35, 'stove'),
    ]
    expect(stepState(log.slice(0, 3), step)).toBe('open')
    expect(runsOf(log, step).map((r) => [r.maker, r.worked / MINUTE, r.undone])).toEqual([
      ['window', 8, true],
      ['stove', 5, false],
    ])
    // Taken back, it is done as it was.
    expect(standingOf([...log.slice(0, 3), event('undone', 21)], step)).toMatchObject({
      state: 'finished',
      finishedAt: 8 * MINUTE,
    })
  })
  it('undone takes back the latest of its own events, under whatever name', () => {
    const log = [event('started', 0, null, 'old-a'), event('finished', 5), event('started', 6, null, 'b')]
    expect(stepState([...log, event('undone', 7)], step)).toBe('started')
    expect(stepState([...log, event('undone', 7), event('undone', 8, null, 'old-a')], step)).toBe('open')
  })
  it('property: as many taken back as were told leave nothing, and one more harms nothing', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...stepEvents.filter((w) => w !== 'undone')), { maxLength: 12 }), (told) => {
        const log = told.map((what, i) => event(what, i))
        const back = [...log, ...[...told, 'one more'].map((_, i) => event('undone', 100 + i))]
        expect(eventsStanding(back, step)).toEqual([])
        expect(standingOf(back, step)).toEqual({ state: 'open' })
        for (const run of runsOf(log, step)) expect(run.worked).toBeGreaterThanOrEqual(0)
      }),
    )
  })
  it('a wait ends when it is found dry, and begins anew when its glue is woken', () => {
    const wait = { min: 15, max: 40 }
    const done = { finishedAt: 0, putRightAt: null, readyAt: null }
    expect(waitWindow(wait, done)).toEqual({ readyAt: 15 * MINUTE, tooLateAt: 40 * MINUTE })
    expect(waitWindow(wait, { ...done, readyAt: 9 * MINUTE })).toEqual({
      readyAt: 9 * MINUTE,
      tooLateAt: 40 * MINUTE,
    })
    // Woken after an hour: at once, and for as long as it was open after it had dried.
    expect(waitWindow(wait, { ...done, putRightAt: 60 * MINUTE })).toEqual({
      readyAt: 60 * MINUTE,
      tooLateAt: 85 * MINUTE,
    })
    expect(waitWindow({ min: 600, max: null }, done)).toEqual({ readyAt: 600 * MINUTE, tooLateAt: null })
  })
})
