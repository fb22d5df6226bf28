import { ruleChapters } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { ruleLines, rulesFound } from './rulesFound.ts'

const every = ruleChapters.flatMap((c) => c.rules)
const rule = every.find((r) => r.max - r.value >= 1 && r.unit === 'mm')!

describe('house rules in a table', () => {
  it('stand once each, in the order of the book, as far from it as they were set', () => {
    const lines = ruleLines({ [rule.key]: rule.value + 1 })
    expect(lines.map((l) => l.rule.key)).toEqual(every.map((r) => r.key))
    expect(lines.filter((l) => l.off !== 0)).toEqual([
      expect.objectContaining({ rule, figure: rule.value + 1, off: 1, share: 1 / (rule.max - rule.min) }),
    ])
    expect(ruleLines({}).every((l) => l.off === 0 && l.figure === l.rule.value)).toBe(true)
    // At its ends a rule is no further off than its range is wide.
    for (const r of every) {
      const [low, high] = [r.min, r.max].map((v) => ruleLines({ [r.key]: v }).find((l) => l.rule === r)!.share)
      expect(high! - low!).toBeCloseTo(1, 6)
    }
  })
  it('are found by words of their name, their chapter or their reason, in any order', () => {
    const lines = ruleLines({})
    expect(rulesFound(lines, '')).toHaveLength(every.length)
    for (const { name, rules } of ruleChapters) {
      expect(rulesFound(lines, name.toUpperCase()).map((l) => l.rule)).toEqual(expect.arrayContaining([...rules]))
    }
    const words = rule.name.split(' ').reverse().join('  ')
    expect(rulesFound(lines, words).map((l) => l.rule)).toContain(rule)
    expect(rulesFound(lines, `${rule.name} zyx`)).toEqual([])
  })
})
