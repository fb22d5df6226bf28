import type { CardStep } from '../model/pairCard.ts'
import { standings, type OpenPair } from './openPairs.ts'

/** A step that is on a bench, or a wait that runs. Instants are ms since the epoch. */
export type BenchClock =
  | { kind: 'running'; pair: string; step: string; since: number }
  | { kind: 'waiting'; pair: string; step: string; readyAt: number; tooLateAt: number | null; next: string[] }

/** Where things stand at all benches: what runs, what waits and for whom, and which steps nothing holds back. */
export interface BenchNow {
  clocks: BenchClock[]
  /** Steps that may be begun once their waits are over, with the instant from which they may. */
  free: { pair: string; step: string; from: number }[]
}

/** Read off steps and logs alone. A wait is over for good once a step that waited for it has begun. */
export function benchNow(pairs: readonly Pick<OpenPair, 'id' | 'steps' | 'log'>[]): BenchNow {
  const clocks: BenchClock[] = []
  const free: BenchNow['free'] = []
  for (const pair of pairs) {
    const stands = standings(pair)
    const followers = new Map<string, CardStep[]>()
    for (const step of pair.steps) {
      for (const id of step.after) followers.set(id, [...(followers.get(id) ?? []), step])
    }
    for (const step of pair.steps) {
      const s = stands.get(step.id)!
      const next = followers.get(step.id) ?? []
      if (s.state === 'started') clocks.push({ kind: 'running', pair: pair.id, step: step.id, since: s.startedAt })
      const begun = next.some((n) => stands.get(n.id)!.state !== 'open')
      if (s.state === 'finished' && step.wait && !begun && next.length > 0) {
        const { min, max } = step.wait
        clocks.push({
          kind: 'waiting',
          pair: pair.id,
          step: step.id,
          readyAt: s.finishedAt + min * 60_000,
          tooLateAt: max === null ? null : s.finishedAt + max * 60_000,
          next: next.map((n) => n.id),
        })
      }
      if (s.state !== 'open') continue
      const before = step.after.flatMap((id) => {
        const of = pair.steps.find((o) => o.id === id)
        return of ? [{ of, stood: stands.get(id)! }] : []
      })
      if (before.some(({ stood }) => stood.state !== 'finished')) continue
      const from = before.map(({ of, stood }) =>
        stood.state === 'finished' ? stood.finishedAt + (of.wait?.min ?? 0) * 60_000 : 0,
      )
      free.push({ pair: pair.id, step: step.id, from: Math.max(0, ...from) })
    }
  }
  return { clocks, free }
}
