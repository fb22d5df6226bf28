import { middle } from '../geometry/quantile.ts'
import type { Step } from './step.ts'

/** A step that was done: what it was planned to take, and what it took, minutes. */
export interface Done {
  key: string
  planned: number
  took: number
}

/** What this workshop takes for a kind of step, as a share of what is planned; and how often it was done. */
export interface Pace {
  factor: number
  times: number
}

/** What a step takes as it goes here, minutes; as planned while nothing of its kind was done. */
export const usualMinutes = (
  { key, minutes }: Pick<Step, 'key' | 'minutes'>,
  pace: Readonly<Record<string, Pace>>,
): number => Math.max(1, Math.round(minutes.value * (pace[key]?.factor ?? 1)))

/** So many times must a step have been done before its own figures weigh as much as the plan. */
const TRUST = 3
/** What lies farther off than this, either way, is a clock that was forgotten. */
const FORGOTTEN = 6
/** Whether a time tells of a clock that was forgotten rather than of the step. */
export const isForgotten = ({ planned, took }: Pick<Done, 'planned' | 'took'>): boolean =>
  planned <= 0 || took <= 0 || Math.abs(Math.log(took / planned)) > Math.log(FORGOTTEN)
/** How much of what was seen is believed: all of it only when it was seen often. */
export const believed = (times: number): number => times / (times + TRUST)

/**
 * The pace of every kind of step: the median of took over planned, on a logarithmic scale, so that twice as long and half
 * as long weigh alike; drawn towards the plan while there are few: n / (n + 3) of it. A clock that was forgotten, six times
 * as long or a sixth, tells nothing. The median of n times resists (n - 1) / 2 of them being wrong.
 * paceOf([{ key: 'a', planned: 10, took: 20 }]) is { a: { factor: 2 ** (1 / 4), times: 1 } }.
 */
export function paceOf(done: readonly Done[]): Record<string, Pace> {
  const logs = new Map<string, number[]>()
  for (const { key, planned, took } of done) {
    if (isForgotten({ planned, took })) continue
    const log = Math.log(took / planned)
    logs.set(key, [...(logs.get(key) ?? []), log])
  }
  return Object.fromEntries(
    [...logs].map(([key, list]) => [
      key,
      { factor: Math.exp(believed(list.length) * middle(list)), times: list.length },
    ]),
  )
}
