import type { Timetable } from './timetable.ts'

/** What one timetable does that another did not. */
export interface TimetableChanges {
  /** Pairs that are ready at another time: instants in ms, lateness in minutes. */
  pairs: { pair: string; from: number; to: number; lateFrom: number; lateTo: number }[]
  /** How many other steps begin at another time or at another bench. */
  steps: number
  /** Waits that cannot be kept any more. */
  lost: Timetable['lost']
}

/** Less than half an hour is no change to whoever reads a calendar, ms. */
const SAME = 30 * 60_000

/** What moves between two timetables of the same work, beside the step that was moved itself. */
export function timetableChanges(
  before: Timetable,
  after: Timetable,
  moved: { pair: string; step: string },
): TimetableChanges {
  const was = new Map(before.entries.map((e) => [`${e.pair} ${e.step} ${e.part}`, e]))
  const steps = new Set<string>()
  for (const e of after.entries) {
    if (e.pair === moved.pair && e.step === moved.step) continue
    const old = was.get(`${e.pair} ${e.step} ${e.part}`)
    if (!old || old.maker !== e.maker || Math.abs(old.start - e.start) >= SAME) steps.add(`${e.pair} ${e.step}`)
  }
  const outlook = new Map(before.pairs.map((p) => [p.pair, p]))
  const pairs = after.pairs.flatMap((p) => {
    const old = outlook.get(p.pair)
    return old && Math.abs(old.ready - p.ready) >= SAME
      ? [{ pair: p.pair, from: old.ready, to: p.ready, lateFrom: old.late, lateTo: p.late }]
      : []
  })
  const known = new Set(before.lost.map((l) => `${l.pair} ${l.from} ${l.to}`))
  return {
    pairs: pairs.sort((a, b) => b.to - b.from - (a.to - a.from)),
    steps: steps.size,
    lost: after.lost.filter((l) => !known.has(`${l.pair} ${l.from} ${l.to}`)),
  }
}
