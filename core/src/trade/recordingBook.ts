import { RuleBook, type Rule, type RuleInForce } from './rules.ts'

/** A rule that was read, with the figure and the origin it had then. */
export interface RuleRead extends RuleInForce {
  rule: Rule
}

/**
 * A rule book that remembers what was read in it, so that a result can be kept with all it depends on. What it reads
 * counts as read in the book it was opened on too: stages may lie in each other. Once closed it throws: a kept result
 * that still held it would answer with figures of long ago.
 */
export class RecordingBook extends RuleBook {
  private readonly seen = new Map<string, RuleRead>()
  private closed = false

  constructor(
    private readonly from: RuleBook,
    private readonly reader: string,
  ) {
    super({}, {})
  }

  get reads(): RuleRead[] {
    return [...this.seen.values()]
  }

  override standing(rule: Rule): RuleInForce {
    if (this.closed)
      throw new Error(`The rules of "${this.reader}" are closed; a result that was kept reads "${rule.key}".`)
    return this.from.standing(rule)
  }

  override inForce(rule: Rule): RuleInForce {
    const figure = this.standing(rule)
    this.seen.set(rule.key, { rule, ...figure })
    this.from.inForce(rule)
    return figure
  }

  close(): void {
    this.closed = true
  }
}
