import { beforeAll, describe, expect, it } from 'vitest'
import { AnewFor, ColdCache, difference, pairOfEachStyle, planned, Witness } from '../../test/warmAndCold.ts'
import type { PlanInput } from '../model/pair.ts'
import type { Rule } from '../trade/rules.ts'
import { patternKinds } from '../model/upper.ts'
import { ruleChapters, ruleOf } from './ruleRegistry.ts'
import { StageCache } from './stageCache.ts'

const rules = ruleChapters.flatMap((c) => c.rules)
/** Another figure, half-way to the farther end of the range. */
const another = ({ value, min, max }: Rule) => (max - value > value - min ? (value + max) / 2 : (value + min) / 2)

/** Keys of the rules that reasons, points and findings of a plan name. */
function rulesNamed(plan: unknown, keys = new Set<string>()): Set<string> {
  if (typeof plan !== 'object' || plan === null) return keys
  if (Array.isArray(plan) && typeof plan[0] === 'number') return keys
  for (const [name, value] of Object.entries(plan)) {
    if (name === 'rule' && typeof value === 'string') keys.add(value)
    else rulesNamed(value, keys)
  }
  return keys
}

describe.each(patternKinds)('after any house rule was changed: %s', (style) => {
  const input = pairOfEachStyle[style]
  const witness = new Witness(new StageCache(40))
  /** What a page or a thread would have: kept results, found again by what they remember of themselves. */
  const warm = new Witness(witness.ground)
  // One style from nothing at all; the others from what was witnessed to be untouched by the rule.
  const anew = (rule: Rule) => (style === 'court' ? new ColdCache(witness.ground) : new AnewFor(rule.key, witness))
  let read = new Map<string, Rule>()
  beforeAll(() => {
    expect(witness.watch(() => planned(input, witness))).toBeTypeOf('object')
    read = witness.rules
    expect(difference(planned(input, warm), planned(input, witness))).toBeNull()
  })

  it('what is kept is what would be made anew, for each rule that has a say', () => {
    const stale: string[] = []
    for (const [n, rule] of rules.filter((r) => read.has(r.key)).entries()) {
      const figure = { [rule.key]: another(rule) }
      // By turns the workshop's figure and the pair's own.
      const changed: PlanInput =
        n % 2 === 0 ? { ...input, houseRules: figure } : { ...input, decisions: { ...input.decisions, rules: figure } }
      planned(input, warm)
      const off = difference(planned(changed, warm), planned(changed, anew(rule)))
      if (off !== null) stale.push(`${rule.key}: ${off}`)
    }
    expect(stale).toEqual([])
  })
  it('a rule that was not read changes nothing', () => {
    const unread = Object.fromEntries(rules.filter((r) => !read.has(r.key)).map((r) => [r.key, another(r)]))
    const anew = planned({ ...input, houseRules: unread }, new ColdCache(witness.ground))
    expect(difference(anew, planned(input, warm))).toBeNull()
  })
  it('reasons say whose figure it is, though the figure is the same', () => {
    const stated = { ...input, houseRules: Object.fromEntries(rules.map((r) => [r.key, r.value])) }
    planned(input, warm)
    const kept = planned(stated, warm)
    expect(difference(kept, planned(stated, new ColdCache(witness.ground)))).toBeNull()
    expect(JSON.stringify(kept)).toContain('"origin":"this workshop"')
    expect(JSON.stringify(kept)).not.toContain('"origin":"house rule","rule"')
  })
  it('every rule that is read or named is one that the workshop can set', () => {
    for (const [key, rule] of read) expect(ruleOf(key), key).toBe(rule)
    const named = rulesNamed(planned(input, warm))
    expect([...named].filter((key) => !ruleOf(key))).toEqual([])
    expect(named.size).toBeGreaterThan(20)
  })
})
