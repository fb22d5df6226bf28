import { describe, expect, it } from 'vitest'
import { plainStep } from '../../test/plainStep.ts'
import type { StepEvent } from '../model/pair.ts'
import type { CardStep } from '../model/pairCard.ts'
import { benchNow } from './benchNow.ts'

const AT = Date.parse('2026-05-04T08:00:00Z')
const MINUTE = 60_000
const step = (id: string, after: string[], wait: CardStep['wait'] = null): CardStep =>
  plainStep(id, { after, wait, formerly: id === 'cement.left' ? ['cement'] : [] })
const steps = [
  step('cut', []),
  step('cement.left', ['cut'], { min: 15, max: 40 }),
  step('join', ['cement.left']),
  step('dye', ['cut'], { min: 30, max: null }),
  step('finish', ['join', 'dye']),
]
const event = (id: string, what: StepEvent['what'], minute: number): StepEvent => ({
  step: id,
  what,
  at: new Date(AT + minute * MINUTE).toISOString(),
})
const now = (log: StepEvent[]) => benchNow([{ id: 'p', steps, log }])

describe('where things stand at the benches', () => {
  it('is what nothing holds back while nothing was begun', () => {
    expect(now([])).toEqual({ clocks: [], free: [{ pair: 'p', step: 'cut', from: 0 }] })
  })
  it('has what runs, what waits with its limits, and from when on the next may begin; a log by an earlier name counts', () => {
    const log = [
      event('cut', 'started', 0),
      event('cut', 'finished', 5),
      event('cement', 'started', 5),
      event('cement', 'finished', 9),
      event('dye', 'started', 9),
    ]
    expect(now(log)).toEqual({
      clocks: [
        {
          kind: 'waiting',
          pair: 'p',
          step: 'cement.left',
          readyAt: AT + 24 * MINUTE,
          tooLateAt: AT + 49 * MINUTE,
          next: ['join'],
        },
        { kind: 'running', pair: 'p', step: 'dye', since: AT + 9 * MINUTE, worked: 0 },
      ],
      free: [{ pair: 'p', step: 'join', from: AT + 24 * MINUTE }],
    })
  })
  it('ends a wait when what waited for it is begun, and begins it again when that is taken back', () => {
    const log = [event('cut', 'finished', 5), event('cement', 'finished', 9), event('join', 'started', 30)]
    expect(now(log).clocks.map((c) => c.step)).toEqual(['join'])
    expect(now([...log, event('join', 'undone', 31)]).clocks.map((c) => c.step)).toEqual(['cement.left'])
  })
  it('what rests keeps what was worked on it; heat begins a wait anew; what is found dry may be gone on with', () => {
    const log = [event('cut', 'started', 0), event('cut', 'paused', 4)]
    expect(now(log).clocks).toEqual([{ kind: 'running', pair: 'p', step: 'cut', since: null, worked: 4 * MINUTE }])
    const cemented = [event('cut', 'finished', 5), event('cement', 'finished', 9)]
    const [woken] = now([...cemented, event('cement', 'put right', 90)]).clocks
    expect(woken).toMatchObject({ readyAt: AT + 90 * MINUTE, tooLateAt: AT + 115 * MINUTE })
    const dry = now([...cemented, event('cement', 'ready', 17)])
    expect(dry.clocks[0]).toMatchObject({ readyAt: AT + 17 * MINUTE, tooLateAt: AT + 49 * MINUTE })
    expect(dry.free).toContainEqual({ pair: 'p', step: 'join', from: AT + 17 * MINUTE })
  })
  it('what is sent back is open, and what waits for it is held', () => {
    const log = [event('cut', 'finished', 5), event('cement', 'finished', 9)]
    const back = ['cement.left', 'cut'].map((step) => event(step, 'sent back', 12))
    expect(now([...log, ...back])).toEqual({ clocks: [], free: [{ pair: 'p', step: 'cut', from: 0 }] })
  })
})
