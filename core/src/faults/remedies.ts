import { ruleOf } from '../plan/ruleRegistry.ts'
import type { PairDecisions } from '../model/pair.ts'
import type { Patch, Remedy } from '../trade/remedy.ts'
import type { Sentence } from '../units/sentence.ts'
import type { FaultCase } from './case.ts'

/** A house rule of this pair moved by so much, as far as the book allows; undefined where it stands there already. */
export function moveRule(c: FaultCase, key: string, by: number): Remedy | undefined {
  const now = c.rule(key)
  const rule = ruleOf(key)!
  const value = Math.min(rule.max, Math.max(rule.min, Number((now + by).toFixed(3))))
  return value === now ? undefined : { kind: 'rule', key, value }
}

/** Another choice of this pair; undefined where it is made already. */
export const choose = (made: boolean, name: Sentence, decisions: Patch<PairDecisions>): Remedy | undefined =>
  made ? undefined : { kind: 'choice', name, decisions }
