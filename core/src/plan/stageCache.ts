import { RecordingBook, type RuleRead } from '../trade/recordingBook.ts'
import type { RuleBook } from '../trade/rules.ts'
import { contentKey } from './contentKey.ts'

type Inputs = Readonly<Record<string, unknown>>

interface Kept {
  inputs: Inputs
  reads: readonly RuleRead[]
  value: unknown
}

/**
 * Keeps results beyond the cache and the process: on a disk, in a browser. What it gives was put in under the very
 * same key, by this very program.
 */
export interface Keeper {
  /** Undefined when it has none. */
  get: (key: string) => unknown
  put: (key: string, value: unknown) => void
}

/** Plain documents (decisions, materials) are told apart for so many times as many as results are kept. */
const DOCUMENTS = 20

/**
 * Results of the pipeline's stages. A stage is named, names its inputs, and is computed from nothing else; it is
 * computed again only when one of its inputs is another one (compared with Object.is: pass strings, numbers, results of
 * other stages, or documents through `same`), or when a house rule that it read stands differently, by figure or by
 * origin. The last few results of every stage are kept, so that undo and a second pair on the same last cost nothing.
 */
export class StageCache {
  private readonly kept = new Map<string, Kept[]>()
  private readonly lists = new Map<string, (readonly unknown[])[]>()
  private readonly documents = new Map<string, Map<string, unknown>>()
  /** How often each stage was really computed: what the tests and the bench look at. */
  readonly computed = new Map<string, number>()

  /** What stands for a document or the result of a dear stage: its text, or the key it is kept under. */
  private readonly names = new WeakMap<object, string>()

  constructor(
    private readonly keep = 6,
    private readonly keeper: Keeper | null = null,
  ) {}

  /** A stage that reads no house rule. */
  stage<I extends Inputs, T>(name: string, inputs: I, compute: (inputs: I) => T): T {
    const list = this.kept.get(name) ?? []
    const entry = found(list, (e) => sameInputs(e.inputs, inputs))
    if (entry) return entry.value as T
    return this.remember(name, list, { inputs, reads: [], value: compute(inputs) })
  }

  /**
   * A stage that takes long and depends on little: kept by the content of what it comes from as well. Its inputs are
   * plain values, documents through `same`, and results of other dear stages (with any other it is like a plain
   * stage); its result is plain data.
   */
  dear<I extends Inputs, T extends object>(name: string, inputs: I, compute: (inputs: I) => T): T {
    const list = this.kept.get(name) ?? []
    const entry = found(list, (e) => sameInputs(e.inputs, inputs))
    if (entry) return entry.value as T
    const key = this.keyOf(name, inputs)
    // Under this key only this stage puts anything, made from the same content.
    const known = key === null ? undefined : (this.keeper?.get(key) as T | undefined)
    const value = known ?? compute(inputs)
    if (key !== null) {
      if (known === undefined) this.keeper?.put(key, value)
      this.names.set(value, key)
    }
    return this.remember(name, list, { inputs, reads: [], value }, known === undefined)
  }

  /** Null when an input has no name by its content: a graded last is made by house rules, and is kept here alone. */
  private keyOf(name: string, inputs: Inputs): string | null {
    const parts: string[] = []
    for (const n of Object.keys(inputs).sort()) {
      const value = inputs[n]
      const text = typeof value === 'object' && value !== null ? this.names.get(value) : JSON.stringify(value)
      if (text === undefined) return null
      parts.push(`${n}=${text}`)
    }
    return contentKey([name, ...parts].join('\n'))
  }

  /** A stage that reads house rules: the book it is given remembers which, and is closed when the stage has ended. */
  ruled<I extends Inputs, T>(name: string, inputs: I, rules: RuleBook, compute: (inputs: I, rules: RuleBook) => T): T {
    const list = this.kept.get(name) ?? []
    const entry = found(list, (e) => sameInputs(e.inputs, inputs) && e.reads.every((r) => stands(r, rules)))
    if (entry) {
      // What this result read, whoever asked for it has read as well.
      for (const { rule } of entry.reads) rules.inForce(rule)
      return entry.value as T
    }
    const book = new RecordingBook(rules, name)
    try {
      const value = compute(inputs, book)
      return this.remember(name, list, { inputs, reads: book.reads, value })
    } finally {
      book.close()
    }
  }

  /** The very same list as last time while its items are the same ones. */
  list<T>(name: string, items: readonly T[]): readonly T[] {
    const known = this.lists.get(name) ?? []
    const same = known.find((l) => l.length === items.length && l.every((item, i) => Object.is(item, items[i])))
    // Lists of one name hold what was put in under it.
    const list = (same ?? items) as readonly T[]
    this.lists.set(name, [list, ...known.filter((l) => l !== list)].slice(0, this.keep))
    return list
  }

  /** A document as the object that stood for it when it was last seen with the same content: plain data only. */
  same<T>(slot: string, document: T): T {
    if (typeof document !== 'object' || document === null) return document
    const known = this.documents.get(slot) ?? new Map<string, unknown>()
    this.documents.set(slot, known)
    const text = JSON.stringify(document)
    const value = known.get(text) ?? document
    known.delete(text)
    known.set(text, value)
    this.names.set(value, text)
    if (known.size > this.keep * DOCUMENTS) {
      const [oldest] = known.keys()
      known.delete(oldest!)
    }
    // Equal text is equal content: what was put in under it had this type.
    return value as T
  }

  private remember<T>(name: string, list: Kept[], entry: Kept & { value: T }, computed = true): T {
    if (computed) this.computed.set(name, (this.computed.get(name) ?? 0) + 1)
    list.unshift(entry)
    list.length = Math.min(list.length, this.keep)
    this.kept.set(name, list)
    return entry.value
  }
}

/** The first entry that fits, moved to the front. Only the two stage methods write entries, under the name whose computation gave them. */
function found(list: Kept[], fits: (entry: Kept) => boolean): Kept | null {
  const at = list.findIndex(fits)
  if (at < 0) return null
  const entry = list[at]!
  list.splice(at, 1)
  list.unshift(entry)
  return entry
}

function sameInputs(a: Inputs, b: Inputs): boolean {
  const names = Object.keys(a)
  return names.length === Object.keys(b).length && names.every((n) => n in b && Object.is(a[n], b[n]))
}

function stands({ rule, value, origin }: RuleRead, rules: RuleBook): boolean {
  const now = rules.standing(rule)
  return now.value === value && now.origin === origin
}
