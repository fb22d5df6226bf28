import type { StepEvent } from '../model/pair.ts'
import type { CardStep } from '../model/pairCard.ts'
import type { StepWish } from '../model/workshopDays.ts'
import { standingOf, type Standing } from '../work/standing.ts'

/** A pair that is being made, as whoever lays out the days has to know it. */
export interface OpenPair {
  id: string
  order: string
  name: string
  /** By the end of this day it should be done; null where nobody waits for it. */
  due: string | null
  /** How much a day's delay weighs, 1 as usual. */
  weight: number
  /** The lasts that it is made on; a pair of lasts serves one pair of shoes at a time. */
  lasts: readonly string[]
  steps: readonly CardStep[]
  log: readonly StepEvent[]
  /** Where somebody put steps of it; none while it is left to the timetable. */
  wishes?: readonly StepWish[]
}

/** Where each step stands by its log. */
export function standings({ steps, log }: Pick<OpenPair, 'steps' | 'log'>): Map<string, Standing> {
  const byName = new Map<string, StepEvent[]>()
  for (const event of log) {
    const stack = byName.get(event.step) ?? []
    byName.set(event.step, stack)
    stack.push(event)
  }
  const place = new Map(log.map((event, i) => [event, i]))
  return new Map(
    steps.map((step): [string, Standing] => {
      const mine = [step.id, ...step.formerly]
        .flatMap((name) => byName.get(name) ?? [])
        .sort((a, b) => place.get(a)! - place.get(b)!)
      return [step.id, standingOf(mine, step)]
    }),
  )
}

/** Steps with which a pair takes its lasts; where it has none of them, its first step of lasting does. */
const TAKES = ['fix-insole', 'block-insole']
const GIVES = 'last-out'

/** From which steps to which a pair has its lasts; null for one that is made without. */
export function onLasts(steps: readonly CardStep[]): { takes: CardStep[]; gives: CardStep[] } | null {
  const gives = steps.filter((s) => s.key === GIVES)
  const named = steps.filter((s) => TAKES.includes(s.key))
  const first = steps.find((s) => s.group === 'last')
  const takes = named.length > 0 ? named : first ? [first] : []
  return gives.length > 0 && takes.length > 0 ? { takes, gives } : null
}
