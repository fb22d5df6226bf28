import { contentKey, type Keeper, type LastBody, type Plan, type PlanInput } from '@gentle-awl/core'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

interface Kept {
  key: string
  /** The last it belongs to. */
  group: string
  at: number
  value: unknown
}
interface Shelves extends DBSchema {
  dear: { key: string; value: Kept; indexes: { group: string; at: number } }
  plans: { key: string; value: Kept; indexes: { at: number } }
  /** Which program filled the shelves, under 'edition'. */
  about: { key: string; value: string }
}

/** Entries kept: a last has about four, of a megabyte together; a plan is about as large. */
const MOST = { dear: 120, plans: 24 } as const
/** Nobody waits longer than this for shelves that do not open, ms. */
const PATIENCE = 1500
/** And so many of them lie in memory. */
const MOST_OUT = 60

/**
 * What was worked out in this browser, kept for the next time a page is opened: lasts, formes and sheets by what they
 * come from, and whole plans. `edition` is the program's; what another one left is cleared away. Where the browser
 * keeps nothing (private windows, a full disk) all goes on without.
 */
export class Larder implements Keeper {
  private readonly shelf = new Map<string, unknown>()
  private group = ''
  private db: Promise<IDBPDatabase<Shelves> | null>

  constructor(private readonly edition: string) {
    const late = new Promise<null>((resolve) => setTimeout(() => resolve(null), PATIENCE))
    this.db = Promise.race([this.open().catch(nothing), late])
  }

  /** Brings out what is kept of lasts, before they are asked for. */
  async bringOut(lasts: readonly LastBody[]): Promise<void> {
    const groups = lasts.map(({ shape, buildUps }) => contentKey(JSON.stringify([shape, buildUps])))
    this.group = groups[0] ?? ''
    // What was brought out lies in the plan's own cache by now.
    if (this.shelf.size > MOST_OUT) this.shelf.clear()
    const db = await this.db
    for (const group of groups) {
      const found = await db?.getAllFromIndex('dear', 'group', group).catch(nothing)
      for (const { key, value } of found ?? []) this.shelf.set(key, value)
    }
  }

  /** A page of an older program that is still open writes here too: its results bear its own name. */
  private own(key: string): string {
    return `${this.edition} ${key}`
  }

  get(key: string): unknown {
    return this.shelf.get(this.own(key))
  }

  put(key: string, value: unknown): void {
    void this.store('dear', { key: this.own(key), group: this.group, at: Date.now(), value })
  }

  /** The plan of just this input, when it was made here before. */
  async plan(input: PlanInput): Promise<Plan | null> {
    const db = await this.db
    const found = await db?.get('plans', this.own(keyOf(input))).catch(nothing)
    // Only keepPlan writes there, under the key of what the plan was made from.
    return (found?.value as Plan | undefined) ?? null
  }

  async keepPlan(input: PlanInput, plan: Plan): Promise<void> {
    await this.store('plans', { key: this.own(keyOf(input)), group: '', at: Date.now(), value: plan })
  }

  private async store(name: 'dear' | 'plans', entry: Kept): Promise<void> {
    const db = await this.db
    if (!db) return
    try {
      await db.put(name, entry)
      const keys = await db.getAllKeysFromIndex(name, 'at')
      for (const old of keys.slice(0, Math.max(0, keys.length - MOST[name]))) await db.delete(name, old)
    } catch {
      // A browser whose disk is full: nothing here is more than time saved.
      this.db = Promise.resolve(null)
    }
  }

  /** The shelves, emptied where another program filled them. */
  private async open(): Promise<IDBPDatabase<Shelves>> {
    const db = await openDB<Shelves>('gentle-awl-kept', 1, {
      upgrade(fresh) {
        const dear = fresh.createObjectStore('dear', { keyPath: 'key' })
        dear.createIndex('group', 'group')
        dear.createIndex('at', 'at')
        fresh.createObjectStore('plans', { keyPath: 'key' }).createIndex('at', 'at')
        fresh.createObjectStore('about')
      },
    })
    if ((await db.get('about', 'edition')) !== this.edition) {
      const all = db.transaction(['dear', 'plans', 'about'], 'readwrite')
      await Promise.all([
        all.objectStore('dear').clear(),
        all.objectStore('plans').clear(),
        all.objectStore('about').put(this.edition, 'edition'),
        all.done,
      ])
    }
    return db
  }
}

const keyOf = (input: PlanInput) => contentKey(JSON.stringify(input))
/** For where something kept cannot be had: it is made anew. */
const nothing = () => null
