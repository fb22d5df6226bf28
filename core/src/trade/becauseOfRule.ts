import type { Because } from './because.ts'
import type { Rule, RuleBook } from './rules.ts'

/** A figure that is a house rule's own, with the rule's reason. */
export function becauseOfRule(quantity: string, rule: Rule, book: RuleBook): Because {
  const { value, origin } = book.inForce(rule)
  return { id: rule.key, quantity, value, unit: rule.unit, sentence: rule.why, inputs: [], origin, rule: rule.key }
}
