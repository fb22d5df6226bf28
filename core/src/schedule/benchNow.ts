import type { CardStep } from '../model/pairCard.ts'
import { waitWindow } from '../work/standing.ts'
import { standings, type OpenPair } from './openPairs.ts'

/** A step that is on a bench, or a wait that runs. Instants are ms since the epoch. */
export type BenchClock =
  /** `worked` is how long it was worked on up to `since`, ms; it runs on from there, unless it rests. */
  | { kind: 'running'; pair: string; step: string; since: number | null; worked: number }
  | { kind: 'waiting'; pair: string; step: string; readyAt: number; tooLateAt: number | null; next: string[] }

/** Where things stand at all benches: what runs, what waits and for whom, and which steps nothing holds back. */
export interface BenchNow {
  clocks: BenchClock[]
  /** Steps that may be begun once their waits are over, with the instant from which they may. */
  free: { pair: string; step: string; from: number }[]
}

const NONE = { min: 0, max: null }

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
      if (s.state === 'started')
        clocks.push({ kind: 'running', pair: pair.id, step: step.id, since: s.since, worked: s.worked })
      const begun = next.some((n) => stands.get(n.id)!.state !== 'open')
      if (s.state === 'finished' && step.wait && !begun && next.length > 0) {
        clocks.push({
          kind: 'waiting',
          pair: pair.id,
          step: step.id,
          ...waitWindow(step.wait, s),
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
        stood.state === 'finished' ? waitWindow(of.wait ?? NONE, stood).readyAt : 0,
      )
      free.push({ pair: pair.id, step: step.id, from: Math.max(0, ...from) })
    }
  }
  return { clocks, free }
}
