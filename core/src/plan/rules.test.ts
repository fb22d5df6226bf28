import { describe, expect, it } from 'vitest'
import { RuleBook, RuleError, type Rule } from '../trade/rules.ts'
import { PAIR_VERSION, PairDecisions, PairFile } from '../model/pair.ts'
import { samplePair } from '../../test/samplePair.ts'
import { setByHand, setRule } from '../model/byHand.ts'
import { handDecisions } from '../model/handFigures.ts'
import { checkRuleFigures, ruleChapters, ruleOf } from './ruleRegistry.ts'
import { spoken } from '../units/sentence.ts'

const all = ruleChapters.flatMap((c) => c.rules)

const modules = import.meta.glob(['../**/*.ts', '!../**/*.test.ts'], { eager: true }) as Record<
  string,
  Record<string, unknown>
>

const isRule = (v: unknown): v is Rule =>
  typeof v === 'object' && v !== null && ['key', 'name', 'value', 'min', 'max', 'unit', 'why'].every((k) => k in v)
const isSet = (v: unknown): v is Record<string, Rule> =>
  typeof v === 'object' && v !== null && Object.values(v).length > 0 && Object.values(v).every(isRule)

describe('the house rules', () => {
  it('have keys of their own, defaults inside their ranges, and a reason each', () => {
    expect(new Set(all.map((r) => r.key)).size).toBe(all.length)
    for (const r of all) {
      expect(r.value, r.key).toBeGreaterThanOrEqual(r.min)
      expect(r.value, r.key).toBeLessThanOrEqual(r.max)
      expect(spoken(r.why), r.key).toMatch(/[.!]$/)
      expect(ruleOf(r.key)).toBe(r)
    }
  })
  it('are all there: whatever any module exports as a rule can be set by the workshop', () => {
    const exported = Object.entries(modules).flatMap(([file, module]) =>
      Object.values(module).flatMap((v) =>
        isRule(v) ? [[file, v] as const] : isSet(v) ? Object.values(v).map((r) => [file, r] as const) : [],
      ),
    )
    expect(exported.length).toBeGreaterThanOrEqual(all.length)
    expect(
      exported.filter(([, rule]) => ruleOf(rule.key) !== rule).map(([file, rule]) => `${file}: ${rule.key}`),
    ).toEqual([])
  })
  it('a wait is never over before it may begin', () => {
    for (const name of ['soak', 'mellow', 'contact', 'rubber']) {
      const [min, max] = [ruleOf(`wait.${name}Min`), ruleOf(`wait.${name}Max`)]
      expect(min?.value).toBeLessThan(max?.value ?? 0)
    }
  })
  it('take the ends of their range and nothing past them', () => {
    for (const r of all) {
      expect(() => checkRuleFigures({ [r.key]: r.min })).not.toThrow()
      expect(() => checkRuleFigures({ [r.key]: r.max })).not.toThrow()
      expect(() => checkRuleFigures({ [r.key]: r.max + 1e-6 })).toThrow(RuleError)
      expect(() => checkRuleFigures({ [r.key]: r.min - 1e-6 })).toThrow(r.name)
    }
  })
  it("the pair's own figure goes before the workshop's, and that before the book's", () => {
    const [rule] = all
    expect(new RuleBook({}, {}).inForce(rule!)).toEqual({ value: rule!.value, origin: 'house rule' })
    expect(new RuleBook({ [rule!.key]: 1 }, {}).inForce(rule!)).toEqual({ value: 1, origin: 'this workshop' })
    expect(new RuleBook({ [rule!.key]: 1 }, { [rule!.key]: 0 }).inForce(rule!)).toEqual({
      value: 0,
      origin: 'this pair',
    })
  })
})

describe('decisions', () => {
  const { decisions } = samplePair()
  it('set by hand and given back are as they were, each in its own place', () => {
    for (const d of handDecisions) {
      const figure = d === 'heel.lifts' ? 3 : 12.5
      const set = setByHand(decisions, d, figure)
      const [group, field] = d.split('.')
      expect(set).toMatchObject({ [group!]: { [field!]: figure } })
      expect(setByHand(set, d, null)).toEqual(decisions)
    }
    expect(setRule(setRule(decisions, 'puff.sweep', 5), 'puff.sweep', null)).toEqual(decisions)
    expect(decisions.rules).toEqual({})
  })
  it('left out are left to the rules', () => {
    const { stiffener, puff, sock, midsole, lining, insole, heel, lasted, rules, ...needed } = decisions
    expect(PairDecisions.parse(needed)).toEqual({
      ...needed,
      stiffener,
      puff,
      sock,
      midsole,
      lining,
      insole,
      heel,
      lasted,
      rules,
    })
  })
  it('a pair file says which field is wrong', () => {
    const file = {
      format: 'gentle-awl-pair',
      version: PAIR_VERSION,
      id: decisions.lastId,
      revision: 1,
      label: { order: '1', name: 'x' },
      ...samplePair(),
    }
    expect(PairFile.safeParse(file).success).toBe(true)
    const wrong = (change: object) => PairFile.safeParse({ ...file, ...change }).error?.issues[0]!.path.join('.')
    expect(wrong({ version: PAIR_VERSION + 1 })).toBe('version')
    expect(wrong({ materials: [] })).toBe('materials')
    expect(wrong({ decisions: { ...decisions, midsole: { room: -1 } } })).toBe('decisions.midsole.room')
    expect(wrong({ log: [{ step: 'print', what: 'started', at: 'yesterday' }] })).toBe('log.0.at')
  })
})
