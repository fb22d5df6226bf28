import { handFigures, type HandDecision } from './handFigures.ts'
import type { PairDecisions } from './pair.ts'

/** The decisions with one figure set by hand (mm; what is counted is made whole), or given back to the rule with null. */
export function setByHand(decisions: PairDecisions, decision: HandDecision, value: number | null): PairDecisions {
  const [group, field] = decision.split('.') as [string, string]
  const figure = value !== null && handFigures[decision].unit === 'count' ? Math.round(value) : value
  const whole: Record<string, unknown> = decisions
  const changed = { ...(whole[group] as object), [field]: figure }
  return { ...decisions, [group]: changed }
}

/** The decisions with one house rule changed for this pair, or given back to the workshop with null. */
export function setRule(decisions: PairDecisions, key: string, value: number | null): PairDecisions {
  const rules = { ...decisions.rules }
  if (value === null) delete rules[key]
  else rules[key] = value
  return { ...decisions, rules }
}
