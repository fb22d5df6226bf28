import type { HandDecision } from './handDecisions.ts'
import type { PairDecisions } from './pair.ts'

/** The decisions with one figure set by hand (mm), or given back to the rule with null. */
export function setByHand(decisions: PairDecisions, decision: HandDecision, value: number | null): PairDecisions {
  switch (decision) {
    case 'stiffener.backHeight':
      return { ...decisions, stiffener: { ...decisions.stiffener, backHeight: value } }
    case 'stiffener.lateralEnd':
      return { ...decisions, stiffener: { ...decisions.stiffener, lateralEnd: value } }
    case 'stiffener.medialEnd':
      return { ...decisions, stiffener: { ...decisions.stiffener, medialEnd: value } }
    case 'puff.length':
      return { ...decisions, puff: { ...decisions.puff, length: value } }
    case 'midsole.room':
      return { ...decisions, midsole: { ...decisions.midsole, room: value } }
    case 'heel.lifts':
      return { ...decisions, heel: { ...decisions.heel, lifts: value === null ? null : Math.round(value) } }
  }
}

/** The decisions with one house rule changed for this pair, or given back to the workshop with null. */
export function setRule(decisions: PairDecisions, key: string, value: number | null): PairDecisions {
  const rules = { ...decisions.rules }
  if (value === null) delete rules[key]
  else rules[key] = value
  return { ...decisions, rules }
}
