import type { BenchClock, BenchNow, CardStep, TimetableEntry } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { nextSteps, waitsByNeed } from './benchWork.ts'

const MINUTE = 60_000
const wait = (step: string, readyAt: number, tooLateAt: number | null): BenchClock => ({
  kind: 'waiting',
  pair: 'p',
  step,
  readyAt: readyAt * MINUTE,
  tooLateAt: tooLateAt === null ? null : tooLateAt * MINUTE,
  next: [`${step} next`],
})
const entry = (step: string, maker: string, start: number): TimetableEntry => ({
  pair: 'p',
  step,
  part: 1,
  parts: 1,
  maker,
  start: start * MINUTE,
  end: (start + 10) * MINUTE,
  begun: false,
})

describe('waits at the bench', () => {
  it('come by need: too late, running out, ready, then what dries', () => {
    const clocks = [
      wait('paste', 500, null),
      wait('dye', 110, null),
      wait('cement', 60, 140),
      wait('glue', 60, 105),
      wait('old', 10, 99),
      wait('soak', 20, null),
    ]
    expect(waitsByNeed(clocks, 100 * MINUTE).map(({ clock, state }) => `${clock.step} ${state}`)).toEqual([
      'old late',
      'glue hurry',
      'cement ready',
      'soak ready',
      'dye drying',
      'paste drying',
    ])
  })
})

describe('what can be begun', () => {
  const bench: BenchNow = {
    clocks: [wait('glue', 60, 105)],
    free: [
      { pair: 'p', step: 'cut', from: 0 },
      { pair: 'p', step: 'glue next', from: 60 * MINUTE },
      { pair: 'p', step: 'later', from: 900 * MINUTE },
      { pair: 'p', step: 'other bench', from: 0 },
      { pair: 'p', step: 'nowhere', from: 0 },
    ],
  }
  const entries = [entry('cut', 'a', 100), entry('glue next', 'a', 104), entry('other bench', 'b', 90)]
  const stepOf = () => ({ minutes: 12 }) as CardStep
  it('is first what ends a wait that runs out, then what is laid out for this bench; what nobody has is anybody’s', () => {
    const steps = (maker: string | null) =>
      nextSteps(bench, { entries }, stepOf, maker, 100 * MINUTE).map((s) => s.step)
    expect(steps('a')).toEqual(['glue next', 'cut', 'nowhere'])
    expect(steps('b')).toEqual(['other bench', 'nowhere'])
    expect(steps(null)).toEqual(['glue next', 'other bench', 'cut', 'nowhere'])
    expect(nextSteps(bench, { entries }, stepOf, 'a', 100 * MINUTE)[0]).toMatchObject({
      minutes: 12,
      until: 105 * MINUTE,
    })
  })
})
