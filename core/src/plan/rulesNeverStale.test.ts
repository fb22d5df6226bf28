import { beforeAll, describe, expect, it } from 'vitest'
import { AnewFor, ColdCache, difference, pairOfEachStyle, planned, Witness } from '../../test/warmAndCold.ts'
import type { PlanInput } from '../model/pair.ts'
import type { Rule } from '../trade/rules.ts'
import { patternKinds } from '../model/upper.ts'
import { ruleChapters, ruleOf } from './ruleRegistry.ts'
import { keptCache } from '../../test/keptCache.ts'
import { THOROUGH } from '../../test/thorough.ts'

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

/** Each style planned with its rule book watched. */
const watched = patternKinds.map((style) => {
  const witness = new Witness(keptCache(40))
  const plan = witness.watch(() => planned(pairOfEachStyle[style], witness))
  return { style, witness, plan }
})
/**
 * Whether a rule is tried on a style that reads it: on one of its readers, the next one for the next rule, so that each
 * style has its share of rules. `npm run test:all` tries all.
 */
function isTried(rule: Rule, style: string): boolean {
  const readers = watched.filter((w) => w.witness.rules.has(rule.key)).map((w) => w.style as string)
  return readers.includes(style) && (THOROUGH || readers[rules.indexOf(rule) % readers.length] === style)
}

it('every rule that has a say anywhere is tried somewhere', () => {
  const read = rules.filter((r) => watched.some((w) => w.witness.rules.has(r.key)))
  expect(read.length).toBeGreaterThan(140)
  expect(read.filter((r) => !watched.some((w) => isTried(r, w.style))).map((r) => r.key)).toEqual([])
})

describe.each(watched)('after any house rule was changed: $style', ({ style, witness, plan }) => {
  const input = pairOfEachStyle[style]
  /** What a page or a thread would have: kept results, found again by what they remember of themselves. */
  const warm = new Witness(witness.ground)
  // One style from nothing at all; the others from what was witnessed to be untouched by the rule.
  const anew = (changed: readonly Rule[]) =>
    style === 'court'
      ? new ColdCache(witness.ground)
      : new AnewFor(
          changed.map((r) => r.key),
          witness,
        )
  /** The pair with these rules changed: by turns the workshop's figure and the pair's own. */
  const withChanged = (changed: readonly Rule[]): PlanInput => {
    const figures = (own: boolean) =>
      Object.fromEntries(changed.flatMap((r) => ((rules.indexOf(r) % 2 === 1) === own ? [[r.key, another(r)]] : [])))
    return { ...input, houseRules: figures(false), decisions: { ...input.decisions, rules: figures(true) } }
  }
  /** Where what is kept differs from what is made anew, after rules were changed one after the other; null where nowhere. */
  const staleAfter = (changed: readonly Rule[]): string | null => {
    planned(input, warm)
    const kept = changed.map((_, k) => planned(withChanged(changed.slice(0, k + 1)), warm)).at(-1)
    return difference(kept, planned(withChanged(changed), anew(changed)))
  }
  const read = witness.rules
  beforeAll(() => {
    expect(plan).toBeTypeOf('object')
    expect(difference(planned(input, warm), planned(input, witness))).toBeNull()
  })

  it('what is kept is what would be made anew, for each rule that has a say', () => {
    const tried = rules.filter((r) => isTried(r, style))
    const stale = witness.chains(tried).flatMap((chain) => {
      if (staleAfter(chain) === null) return []
      // Which of them it was is told by each alone.
      const alone = chain.flatMap((rule) => {
        const off = staleAfter([rule])
        return off === null ? [] : [`${rule.key}: ${off}`]
      })
      return alone.length > 0 ? alone : [`only together: ${chain.map((r) => r.key).join(', ')}`]
    })
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
