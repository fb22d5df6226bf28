import { middle } from '../geometry/quantile.ts'
import { believed } from '../work/pace.ts'

/** A wait that was seen to end: the rule it goes by, what that said, and after how long it was dry, minutes. */
export interface SeenWait {
  rule: string
  planned: number
  took: number
}

/** What this workshop's air does to one kind of wait. */
export interface LearnedWait {
  rule: string
  times: number
  planned: number
  /** The middle of what was seen, minutes. */
  seen: number
  /** What the rule might be set to: what was seen, drawn towards what is planned while it was seen seldom. */
  proposed: number
}

/** As a clock is set: whole minutes, of hours by five minutes, of nights by a quarter of an hour. */
function rounded(minutes: number): number {
  const step = minutes < 60 ? 1 : minutes < 240 ? 5 : 15
  return Math.max(1, step * Math.round(minutes / step))
}

/** Waits by the rule behind them. What was planned otherwise at the time counts by its share of that. */
export function learnedWaits(seen: readonly SeenWait[], now: (rule: string) => number): LearnedWait[] {
  const rules = new Map<string, SeenWait[]>()
  for (const s of seen) if (s.planned > 0 && s.took > 0) rules.set(s.rule, [...(rules.get(s.rule) ?? []), s])
  return [...rules]
    .map(([rule, list]): LearnedWait => {
      const share = Math.exp(middle(list.map((s) => Math.log(s.took / s.planned))))
      const planned = now(rule)
      return {
        rule,
        times: list.length,
        planned,
        seen: planned * share,
        proposed: rounded(planned * share ** believed(list.length)),
      }
    })
    .sort((a, b) => b.times - a.times)
}
