import type { BenchClock, BenchNow, CardStep, Timetable, TimetableEntry } from '@gentle-awl/core'

/** A wait as it stands at a moment. */
export type WaitState = 'drying' | 'ready' | 'hurry' | 'late'
/** So long before a wait runs out it is called, ms. */
export const HURRY = 10 * 60_000

export function waitState(clock: Extract<BenchClock, { kind: 'waiting' }>, now: number): WaitState {
  if (now < clock.readyAt) return 'drying'
  if (clock.tooLateAt === null) return 'ready'
  if (now > clock.tooLateAt) return 'late'
  return clock.tooLateAt - now < HURRY ? 'hurry' : 'ready'
}

const URGENT: Record<WaitState, number> = { late: 0, hurry: 1, ready: 2, drying: 3 }

/** Waits, the most urgent first: what is too late, what soon will be, what is ready, what dries and when it is ready. */
export function waitsByNeed(clocks: readonly BenchClock[], now: number) {
  return clocks
    .flatMap((clock) => (clock.kind === 'waiting' ? [{ clock, state: waitState(clock, now) }] : []))
    .sort(
      (a, b) =>
        URGENT[a.state] - URGENT[b.state] ||
        (a.state === 'drying'
          ? a.clock.readyAt - b.clock.readyAt
          : (a.clock.tooLateAt ?? Infinity) - (b.clock.tooLateAt ?? Infinity)),
    )
}

/** A step that can be begun now. */
export interface NextStep {
  pair: string
  step: string
  minutes: number
  /** Whom the timetable gives it to, and for when; null where it is not laid out. */
  entry: TimetableEntry | null
  /** When a wait that it ends runs out, ms since the epoch; null where none does. */
  until: number | null
}

/**
 * What can be begun now at one bench, or at any for null: what ends a wait that runs out comes first, then as it is laid out.
 */
export function nextSteps(
  { free, clocks }: BenchNow,
  { entries }: Pick<Timetable, 'entries'>,
  stepOf: (pair: string, step: string) => CardStep | null,
  maker: string | null,
  now: number,
): NextStep[] {
  const entryOf = new Map(entries.map((e) => [`${e.pair} ${e.step}`, e]).reverse() as [string, TimetableEntry][])
  const until = (pair: string, step: string) =>
    clocks.reduce<number | null>((soonest, c) => {
      if (c.kind !== 'waiting' || c.pair !== pair || !c.next.includes(step) || c.tooLateAt === null) return soonest
      return soonest === null ? c.tooLateAt : Math.min(soonest, c.tooLateAt)
    }, null)
  return free
    .filter((f) => f.from <= now)
    .flatMap(({ pair, step }): NextStep[] => {
      const entry = entryOf.get(`${pair} ${step}`) ?? null
      if (maker !== null && entry !== null && entry.maker !== maker) return []
      return [{ pair, step, minutes: stepOf(pair, step)?.minutes ?? 0, entry, until: until(pair, step) }]
    })
    .sort(
      (a, b) =>
        (a.until ?? Infinity) - (b.until ?? Infinity) || (a.entry?.start ?? Infinity) - (b.entry?.start ?? Infinity),
    )
}
