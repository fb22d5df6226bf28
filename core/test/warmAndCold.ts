import { GeometryError } from '../src/geometry/path.ts'
import { LeftShoe, type PlanInput } from '../src/model/pair.ts'
import { RuleBook, type Rule } from '../src/trade/rules.ts'
import { OwnPattern, type UpperDecisions, type PatternKind } from '../src/model/upper.ts'
import type { Plan } from '../src/plan/plan.ts'
import { planPair } from '../src/plan/planPair.ts'
import { StageCache } from '../src/plan/stageCache.ts'
import { sampleMeasures, samplePair } from './samplePair.ts'

/** The dear ones: made of the last and of plain figures, and given no rule book. Shared, so that a cold plan costs less. */
const GROUND = ['landmarks', 'readings', 'bottom', 'formeMap', 'heelSheet', 'toeSheet']

/** A cache that is empty but for the last, its forme and its sheets. */
export class ColdCache extends StageCache {
  constructor(private readonly ground: StageCache) {
    super()
  }

  override stage<I extends Readonly<Record<string, unknown>>, T>(name: string, inputs: I, compute: (i: I) => T): T {
    return GROUND.includes(name) ? this.ground.stage(name, inputs, compute) : super.stage(name, inputs, compute)
  }

  override dear<I extends Readonly<Record<string, unknown>>, T extends object>(
    name: string,
    inputs: I,
    compute: (i: I) => T,
  ): T {
    return this.ground.dear(name, inputs, compute)
  }

  override same<T>(slot: string, document: T): T {
    return this.ground.same(slot, document)
  }
}

/** The plan, or the sentence that says why there is none. */
export function planned(input: PlanInput, cache: StageCache): Plan | string {
  try {
    return planPair(input, cache)
  } catch (error) {
    if (error instanceof GeometryError || (error instanceof Error && error.name === 'PlanError')) return error.message
    throw error
  }
}

type Inputs = Readonly<Record<string, unknown>>
interface Seen {
  name: string
  inputs: Inputs
  value: unknown
  /** Keys of the rules that were read while it was made, whoever asked. */
  read: Set<string>
}

/**
 * Makes a plan and notes, at the rule book itself and not by what any stage remembers, which rules are read while each
 * stage is made. From that follows what a changed rule cannot have touched.
 */
export class Witness extends StageCache {
  readonly seen: Seen[] = []
  /** Every rule that was read, in a stage or between them. */
  readonly rules = new Map<string, Rule>()
  private readonly open: Seen[] = []

  constructor(readonly ground: StageCache) {
    super(40)
  }

  override dear<I extends Inputs, T extends object>(name: string, inputs: I, compute: (i: I) => T): T {
    return this.ground.dear(name, inputs, compute)
  }

  override same<T>(slot: string, document: T): T {
    return this.ground.same(slot, document)
  }

  override ruled<I extends Inputs, T>(name: string, inputs: I, rules: RuleBook, compute: (i: I, r: RuleBook) => T): T {
    return super.ruled(name, inputs, rules, (i, book) => {
      const entry: Seen = { name, inputs, value: null, read: new Set() }
      this.open.push(entry)
      try {
        const value = compute(i, book)
        entry.value = value
        this.seen.push(entry)
        return value
      } finally {
        this.open.pop()
      }
    })
  }

  /**
   * Rules in chains that can be changed one after the other in one cache: what reads a rule was made before whatever reads one
   * that comes after it in its chain. So no later change makes it anew, and what it failed to notice is still there at the end.
   */
  chains(rules: readonly Rule[]): Rule[][] {
    const spans = rules.map((rule) => {
      const readers = this.seen.flatMap((e, i) => (e.read.has(rule.key) ? [i] : []))
      return { rule, first: Math.min(Infinity, ...readers), last: Math.max(-1, ...readers) }
    })
    const chains: { rules: Rule[]; last: number }[] = []
    for (const { rule, first, last } of spans.sort((a, b) => a.first - b.first)) {
      const chain = chains.find((c) => c.last < first && last >= 0)
      if (chain) [chain.rules, chain.last] = [[...chain.rules, rule], last]
      else chains.push({ rules: [rule], last: last < 0 ? Infinity : last })
    }
    return chains.map((c) => c.rules)
  }

  /** Does some work with the book watched. */
  watch<T>(work: () => T): T {
    const { standing } = RuleBook.prototype
    const { rules, open } = this
    RuleBook.prototype.standing = function (rule: Rule) {
      rules.set(rule.key, rule)
      for (const stage of open) stage.read.add(rule.key)
      return standing.call(this, rule)
    }
    try {
      return work()
    } finally {
      RuleBook.prototype.standing = standing
    }
  }
}

/** Makes anew whatever changed rules may have touched; all else is as it was witnessed. */
export class AnewFor extends StageCache {
  constructor(
    private readonly rules: readonly string[],
    private readonly witness: Witness,
  ) {
    super()
  }

  override stage<I extends Inputs, T>(name: string, inputs: I, compute: (i: I) => T): T {
    return this.witness.stage(name, inputs, compute)
  }

  override dear<I extends Inputs, T extends object>(name: string, inputs: I, compute: (i: I) => T): T {
    return this.witness.dear(name, inputs, compute)
  }

  override list<T>(name: string, items: readonly T[]): readonly T[] {
    return this.witness.list(name, items)
  }

  override same<T>(slot: string, document: T): T {
    return this.witness.same(slot, document)
  }

  override ruled<I extends Inputs, T>(name: string, inputs: I, rules: RuleBook, compute: (i: I, r: RuleBook) => T): T {
    const untouched = this.witness.seen.find(
      (e) =>
        e.name === name &&
        !this.rules.some((key) => e.read.has(key)) &&
        Object.keys(inputs).length === Object.keys(e.inputs).length &&
        Object.entries(inputs).every(([n, v]) => Object.is(e.inputs[n], v)),
    )
    // What was witnessed under this name is what its computation gave.
    return untouched ? (untouched.value as T) : super.ruled(name, inputs, rules, compute)
  }
}

/** Where two plans first differ, as a path; null where they are equal. Plans are plain data. */
export function difference(a: unknown, b: unknown, at = 'plan'): string | null {
  if (Object.is(a, b)) return null
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) {
    return `${at}: ${String(a)} | ${String(b)}`
  }
  if (Array.isArray(a) && Array.isArray(b)) {
    if (a.length !== b.length) return `${at}: ${a.length} | ${b.length} entries`
    for (let i = 0; i < a.length; i++) {
      // Most of a plan is points: they are looked at without a path being written for each.
      if (Object.is(a[i], b[i])) continue
      const found = difference(a[i], b[i], at)
      if (found !== null) return `[${i}] ${found}`
    }
    return null
  }
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>]
  const names = Object.keys(x)
  if (names.length !== Object.keys(y).length) return `${at}: ${names.join()} | ${Object.keys(y).join()}`
  for (const name of names) {
    if (Object.is(x[name], y[name])) continue
    const found = difference(x[name], y[name], name)
    if (found !== null) return `${at}.${found}`
  }
  return null
}

const own = OwnPattern.parse({
  pieces: [
    {
      id: 'vamp',
      name: 'Vamp',
      side: 'whole',
      outline: [
        [0, 0],
        [140, 0],
        [140, 90],
        [0, 90],
      ],
      corners: [0, 1, 2, 3],
      edges: [
        { name: 'feather', role: 'lasting margin' },
        { name: 'side', role: 'lap under', seam: 'side' },
        { name: 'top line', role: 'folded' },
        { name: 'other side', role: 'lap over', seam: 'side' },
      ],
    },
  ],
})

const on = (
  last: keyof typeof sampleMeasures,
  construction: PlanInput['decisions']['construction'],
  style: PatternKind,
  upper: Partial<UpperDecisions> = {},
): PlanInput => samplePair({ construction, upper: { style, ...upper } }, sampleMeasures[last])

const flat = on('flat', 'cemented', 'ballet flat')

/** One pair of each style, over all ways of making; one of them with a left shoe that has figures of its own. */
export const pairOfEachStyle: Record<PatternKind, PlanInput> = {
  derby: on('walking', 'welted', 'derby'),
  oxford: on('walking', 'welted', 'oxford', {
    options: { toeCap: true, counter: true },
    decoration: 'punched and gimped',
  }),
  'ballet flat': {
    ...flat,
    decisions: { ...flat.decisions, left: LeftShoe.parse({ figures: { 'puff.length': 40, 'heel.lifts': 2 } }) },
  },
  court: on('heeled', 'cemented', 'court'),
  trainer: on('walking', 'cup sole', 'trainer'),
  'stitch-down': on('walking', 'stitch-down', 'stitch-down'),
  'ankle boot': on('boot', 'welted', 'ankle boot'),
  'pull-on boot': on('boot', 'welted', 'pull-on boot'),
  mule: on('flat', 'cemented', 'mule', { topFinish: 'bead' }),
  sandal: on('flat', 'cemented', 'sandal', { topFinish: 'folded' }),
  'laced boot': on('boot', 'cemented', 'laced boot', { options: { toeCap: true } }),
  'own pattern': on('walking', 'cemented', 'own pattern', { own }),
}
