import {
  remedied,
  ruleOf,
  setByHand,
  setRule,
  type HandDecision,
  type PairDecisions,
  type Remedy,
} from '@gentle-awl/core'
import type { Ref } from 'vue'
import { useWorkshop } from './workshopStore.ts'

/** Figures and rules of the pair on the bench, set one by one: each becomes a change of its decisions. */
export function usePairFigures(
  decisions: Readonly<Ref<PairDecisions | null>>,
  /** Whether they are set for the left shoe alone. */
  ownLeft: Readonly<Ref<boolean>>,
  change: (next: PairDecisions) => void,
) {
  const workshop = useWorkshop()
  const setFigure = (decision: HandDecision, value: number | null) => {
    const d = decisions.value
    if (!d) return
    if (d.left && ownLeft.value)
      change({ ...d, left: { ...d.left, figures: { ...d.left.figures, [decision]: value } } })
    else change(setByHand(d, decision, value))
  }
  /** What the button of a finding does, for the shoe that is looked at. */
  const mend = (remedy: Remedy) => {
    if (decisions.value) change(remedied(decisions.value, remedy, ownLeft.value))
  }
  const setPairRule = (key: string, value: number | null) => {
    if (decisions.value) change(setRule(decisions.value, key, value))
  }
  /** The workshop's figure for a rule, where it has one of its own. */
  const houseRuleOf = (key: string): number | undefined => workshop.houseRules[key]
  /** The figure of a rule that holds for this pair: its own, the workshop's, or the usual one. */
  const ruleInForce = (key: string): number =>
    decisions.value?.rules[key] ?? houseRuleOf(key) ?? ruleOf(key)?.value ?? 0
  return { setFigure, mend, setPairRule, houseRuleOf, ruleInForce }
}
