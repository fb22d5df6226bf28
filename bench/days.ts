import {
  cardStep,
  daysProblem,
  layOut,
  planPair,
  usualWeek,
  WorkshopDays,
  type OpenPair,
  type PlanInput,
  type Timetable,
} from '@gentle-awl/core'
import { summary, type Result } from './measure.ts'

const NOW = Date.parse('2026-05-04T06:00:00Z')
const RUNS = 5

/**
 * Days of so many pairs on two benches, two pairs to a last: how long a first timetable takes, and one after a step that ran
 * over; and by how much the length of the whole is shorter after the 0.8 s that the server gives it.
 */
export function daysFigures(input: PlanInput): Result[] {
  const steps = planPair(input).steps.map(cardStep)
  const days = WorkshopDays.parse({
    zone: 'UTC',
    makers: ['window', 'stove'].map((id) => ({ id, name: id, hours: usualWeek() })),
  })
  const shelf = (count: number): OpenPair[] =>
    Array.from({ length: count }, (_, k) => ({
      id: `pair ${k}`,
      order: String(k),
      name: 'Pair',
      due: new Date(NOW + (14 + 5 * k) * 86_400_000).toISOString().slice(0, 10),
      weight: 1,
      lasts: [`last ${k >> 1}`],
      steps,
      log: [],
    }))
  return [1, 4, 8, 12, 40].flatMap((count): Result[] => {
    const pairs = shelf(count)
    const lay = (now: number, known: Timetable | null, seconds: number, open = pairs) => {
      const began = performance.now()
      // A first schedule is made whatever the clock says.
      const progress = () => (seconds === 0 ? 1 : (performance.now() - began) / (1000 * seconds))
      const table = layOut(
        daysProblem(open, days, () => 1, now),
        { seed: 1, progress, known },
      )
      if (!table) throw new Error('The bench has pairs that cannot be laid out.')
      return { table, ms: performance.now() - began }
    }
    const first = Array.from({ length: RUNS }, () => lay(NOW, null, 0))
    const { table } = lay(NOW, null, 0.8)
    const begun = table.entries[0]!
    const over = pairs.map((p) =>
      p.id === begun.pair
        ? { ...p, log: [{ step: begun.step, what: 'started' as const, at: new Date(begun.start).toISOString() }] }
        : p,
    )
    const again = Array.from({ length: RUNS }, () => lay(begun.end + 30 * 60_000, table, 0, over))
    const length = (t: Timetable) => Math.max(...t.pairs.map((p) => p.ready)) - NOW
    const shorter = 100 * (1 - length(table) / length(first[0]!.table))
    const what = `${count} welted pairs of ${steps.length} steps, two benches`
    return [
      summary(
        `first timetable, ${count} pairs`,
        first.map((f) => f.ms),
        'ms',
        what,
      ),
      summary(
        `timetable after a step ran over, ${count} pairs`,
        again.map((f) => f.ms),
        'ms',
        what,
      ),
      summary(
        `timetable after 0.8 s, ${count} pairs`,
        [shorter],
        '%',
        `${what}: whole length shorter than the first one`,
      ),
    ]
  })
}
