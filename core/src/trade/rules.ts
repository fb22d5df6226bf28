import { SaidError } from '../units/saidError.ts'
import type { Origin, Unit } from './because.ts'
import type { RuleFigures } from '../model/pair.ts'
import { type Sentence } from '../units/sentence.ts'

/** A figure the trade works by: a default within a range, and why it is so. */
export interface Rule {
  key: string
  name: string
  value: number
  min: number
  max: number
  unit: Unit
  why: Sentence
}

/** A rule's figure as it stands for this pair, and who set it. */
export interface RuleInForce {
  value: number
  origin: Origin
}

/** Thrown when a house rule is changed to something the book does not allow; `field` is the rule's key. */
export class RuleError extends SaidError {
  override readonly name = 'RuleError'
  constructor(
    readonly field: string,
    sentence: Sentence,
  ) {
    super(sentence)
  }
}

/** The rules in force: the pair's own figures before the workshop's before the book's. */
export class RuleBook {
  /** `hear` is told of every rule that is read. */
  constructor(
    private readonly workshop: RuleFigures,
    private readonly pair: RuleFigures,
    private readonly hear?: (rule: Rule) => void,
  ) {}

  /** A rule's figure as it stands, without anybody having read it. */
  standing(rule: Rule): RuleInForce {
    const own = this.pair[rule.key]
    if (own !== undefined) return { value: own, origin: 'this pair' }
    const house = this.workshop[rule.key]
    if (house !== undefined) return { value: house, origin: 'this workshop' }
    return { value: rule.value, origin: 'house rule' }
  }

  /** Reads a rule: what is derived from it depends on it from now on. */
  inForce(rule: Rule): RuleInForce {
    this.hear?.(rule)
    return this.standing(rule)
  }

  value(rule: Rule): number {
    return this.inForce(rule).value
  }
}
