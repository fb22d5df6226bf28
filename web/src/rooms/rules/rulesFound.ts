import { ruleChapters, spoken, type Rule, type RuleFigures } from '@gentle-awl/core'

/** A rule as a line of the table: how it stands, and how far that is from what the book says. */
export interface RuleLine {
  rule: Rule
  chapter: string
  figure: number
  /** In the rule's own unit. */
  off: number
  /** As a share of the rule's range, with its sign: what makes rules of all units comparable. */
  share: number
}

/** Every rule in the order of the work. */
export function ruleLines(figures: RuleFigures): RuleLine[] {
  return ruleChapters.flatMap(({ name, rules }) =>
    rules.map((rule) => {
      const figure = figures[rule.key] ?? rule.value
      const off = Math.round((figure - rule.value) * 1e6) / 1e6
      return { rule, chapter: name, figure, off, share: off / (rule.max - rule.min) }
    }),
  )
}

/** Lines whose name, chapter or reason hold every word of the search. */
export function rulesFound(lines: readonly RuleLine[], search: string): RuleLine[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  return lines.filter(({ rule, chapter }) => {
    const text = [rule.name, chapter, spoken(rule.why)].join(' ').toLowerCase()
    return words.every((w) => text.includes(w))
  })
}
