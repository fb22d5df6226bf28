import { describe, expect, it } from 'vitest'
import { plainStep } from '../../test/plainStep.ts'
import type { CardStep } from '../model/pairCard.ts'
import { usualWeek, WorkshopDays } from '../model/workshopDays.ts'
import { daysProblem } from './daysProblem.ts'
import { decidingChain, Reasons } from './decidingChain.ts'
import type { OpenPair } from './openPairs.ts'

// A Monday, eight in the morning.
const NOW = Date.parse('2026-05-04T08:00:00Z')
const pair = (id: string, steps: CardStep[]): OpenPair => ({
  id,
  order: id,
  name: id,
  due: null,
  weight: 1,
  lasts: [],
  steps,
  log: [],
})
const maker = (id: string, skills: string[]) => ({ id, name: id, skills, hours: usualWeek() })
const workshop = WorkshopDays.parse({ zone: 'UTC', makers: [maker('window', ['close']), maker('door', ['last'])] })
const step = (id: string, group: CardStep['group'], minutes: number, more: Partial<CardStep> = {}) =>
  plainStep(id, { group, minutes, ...more })

/** The chain of one step where all begin when it is said, minutes after eight: step, minutes it stood idle, what held it. */
function chain(pairs: OpenPair[], begins: Record<string, number>, last: string) {
  const days = daysProblem(pairs, workshop, () => 1, NOW)
  const at = (id: string) => days.tasks.findIndex((t) => t?.step.id === id)
  const start = Int32Array.from(days.tasks, (t) => days.now + begins[t!.step.id]!)
  const mode = Int32Array.from(start, (_, i) => days.problem.modes.first[i]!)
  return decidingChain(days, new Reasons(days, start, mode), at(last)).map(({ step, idle, held }) => ({
    step,
    idle,
    held,
  }))
}

describe('what decides when a step ends', () => {
  const glued = (max: number) =>
    pair('a', [step('cement', 'close', 10, { wait: { min: 0, max } }), step('join', 'last', 20, { after: ['cement'] })])
  const pressed = pair('b', [step('press', 'last', 120)])
  const trimmed = pair('c', [step('trim', 'close', 30)])
  const all = [glued(30), pressed, trimmed]

  it('is, behind glue that was spread no sooner than it is wanted, whoever kept it from being wanted sooner', () => {
    // The door presses until ten; joined is at ten, so that nothing is cemented before half past nine.
    expect(chain(all, { press: 0, cement: 80, join: 120, trim: 90 }, 'trim')).toEqual([
      { step: 'trim', idle: 0, held: { by: 'maker', maker: 'window', pair: 'a', step: 'cement' } },
      { step: 'cement', idle: 0, held: { by: 'fresh', step: 'join', max: 30 } },
      { step: 'press', idle: 0, held: { by: 'now' } },
    ])
  })
  it('is of the glued pair itself the press, and not the glue', () => {
    expect(chain(all, { press: 0, cement: 80, join: 120, trim: 0 }, 'join').map((l) => l.step)).toEqual([
      'join',
      'press',
    ])
  })
  it('is the glue where that came as soon as it could: its maker was at other work', () => {
    expect(chain(all, { press: 0, trim: 60, cement: 90, join: 120 }, 'join')).toEqual([
      { step: 'join', idle: 0, held: { by: 'maker', maker: 'door', pair: 'b', step: 'press' } },
      { step: 'press', idle: 0, held: { by: 'now' } },
    ])
    expect(chain(all, { press: 0, trim: 90, cement: 120, join: 130 }, 'join').map((l) => l.held.by)).toEqual([
      'step',
      'maker',
      'now',
    ])
  })
  it('is nothing else where the glue stays open long enough: then it only was begun late', () => {
    expect(chain([glued(200), pressed, trimmed], { press: 0, cement: 80, join: 120, trim: 90 }, 'trim')).toEqual([
      { step: 'trim', idle: 0, held: { by: 'maker', maker: 'window', pair: 'a', step: 'cement' } },
      { step: 'cement', idle: 80, held: { by: 'now' } },
    ])
  })
  it('goes on over several that each must follow the one before', () => {
    const long = pair('a', [
      step('cement', 'close', 10, { wait: { min: 0, max: 30 } }),
      step('stretch', 'close', 10, { after: ['cement'], wait: { min: 0, max: 15 } }),
      step('join', 'last', 20, { after: ['stretch'] }),
    ])
    expect(
      chain([long, pressed, trimmed], { press: 0, cement: 70, stretch: 95, join: 120, trim: 105 }, 'trim'),
    ).toMatchObject([
      { step: 'trim', held: { by: 'maker', step: 'stretch' } },
      { step: 'stretch', held: { by: 'fresh', step: 'join', max: 15 } },
      { step: 'press', held: { by: 'now' } },
    ])
  })
})
