import { setTimeout as wait } from 'node:timers/promises'
import {
  GeometryError,
  PlanError,
  RuleError,
  type LaidSoFar,
  type LayoutSearch,
  type PairLayout,
} from '@gentle-awl/core'
import { StoreError } from '../db/errors.ts'
import { keepLayout, type StoredLayout } from '../db/layouts.ts'
import type { Store } from '../db/open.ts'
import type { News } from '../http/news.ts'
import { Problem } from '../http/problem.ts'
import type { Jobs } from '../jobs/pool.ts'
import { layInThreads, LayRefusal } from './layInThreads.ts'
import { layMadeFrom, laySources, type LaySources } from './laySources.ts'

/** So soon what was found is written down for the first time, and so often in the end, ms: whoever watches sees something at once. */
const [FIRST, EVERY] = [400, 2000]
/** So many may wait for their turn. */
const MOST_WAITING = 12
/** Searches that are over are remembered up to so many. */
const MOST_OVER = 100

interface Running extends LayoutSearch {
  pair: string
  layout: PairLayout
  began: number
  stop: AbortController
  best: LaidSoFar | null
  written: LaidSoFar | null
  over: Promise<void>
}

const CHANGED =
  'What is cut of the pair, or what it is laid on, was changed meanwhile: what was being looked for does not fit it any more. Lay it out anew.'
const ELSEWHERE = 'The layout was changed elsewhere while it was being looked for, and stays as it was changed.'

const keyOf = (pair: string, material: string): string => `${pair} ${material}`

/**
 * Layouts that are looked for on the server: they go on when the page is closed. One after the other, each in all threads; what
 * one has found is written down every other second, so that a server that dies takes no more than that with it. A search ends
 * when somebody changes the layout, or anything that it is of.
 */
export class LayoutSearches {
  private readonly known = new Map<string, Running>()
  private turn: Promise<void> = Promise.resolve()
  private closed = false

  /** `failed` hears of what is a fault of ours; `program` is what a thread does. */
  constructor(
    private readonly store: Store,
    private readonly jobs: Jobs,
    private readonly news: Pick<News, 'tell'>,
    private readonly failed: (error: unknown) => void,
    private readonly program?: URL,
  ) {}

  /** How the searches for a pair's layouts stand. */
  of(pair: string): LayoutSearch[] {
    return [...this.known.values()].filter((s) => s.pair === pair).map(shown)
  }

  /** Looks for a layout from how it is kept. Throws Problem when it is being looked for already, or too much waits. */
  begin(pair: string, { version, updatedAt: _, ...layout }: StoredLayout, seconds: number): void {
    const { material } = layout
    const key = keyOf(pair, material)
    const active = [...this.known.values()].filter(isActive)
    if (active.some((s) => keyOf(s.pair, s.material) === key)) {
      throw new Problem(409, 'Under way', `${material} of this pair is being laid out already. Stop that first.`)
    }
    if (active.length > MOST_WAITING) {
      throw new Problem(503, 'Busy', `${active.length} layouts are being looked for. Stop one of them, or wait.`)
    }
    const stop = new AbortController()
    const search: Running = {
      ...{ pair, material, layout, seconds, stop, state: 'waits', progress: 0, left: null, why: '', began: 0 },
      ...{ from: version, version, best: null, written: null, over: Promise.resolve() },
    }
    // The newest stand last: those that were over first are forgotten first.
    this.known.delete(key)
    this.known.set(key, search)
    for (const [k, s] of this.known) if (this.known.size > MOST_OVER && !isActive(s)) this.known.delete(k)
    search.over = this.turn.then(() => this.run(search))
    this.turn = search.over
  }

  /** Ends a search; what it has found until then stays. Comes back once it is written. */
  async stop(pair: string, material: string): Promise<void> {
    const search = this.known.get(keyOf(pair, material))
    if (!search || !isActive(search)) return
    search.stop.abort()
    // One that waits for its turn has nothing to end.
    if (search.state === 'waits') search.state = 'stopped'
    else await search.over
  }

  /** Ends all of them, with what they have found. */
  async close(): Promise<void> {
    this.closed = true
    for (const search of this.known.values()) search.stop.abort()
    await this.turn
  }

  private async run(search: Running): Promise<void> {
    if (search.stop.signal.aborted || this.closed) return
    search.state = 'runs'
    this.tell(search)
    try {
      await this.look(search)
      search.state = search.stop.signal.aborted ? 'stopped' : 'done'
    } catch (error) {
      search.state = 'ended'
      search.why = this.reasonOf(error)
    }
    this.tell(search)
  }

  private async look(search: Running): Promise<void> {
    const { pair, layout, seconds, stop } = search
    let sources = await laySources(this.store.db, this.jobs, pair, layout)
    search.began = performance.now()
    const over = new AbortController()
    const looking = layInThreads(
      sources.order,
      { seconds, signal: AbortSignal.any([stop.signal, over.signal]), found: (best) => (search.best = best) },
      this.program,
    )
    const isOver = looking.then(() => true)
    try {
      for (let pause = FIRST, last = false; !last; pause = Math.min(EVERY, 1.5 * pause)) {
        last = await Promise.race([isOver, wait(pause, false, { signal: over.signal })])
        sources = await this.still(search, sources)
        await this.write(search, last)
      }
    } finally {
      over.abort()
      // What it died of was thrown above; what comes of its being ended is nothing.
      await looking.catch(() => undefined)
    }
  }

  /** What it is of, as it is now. Throws StoreError when that is not the same. */
  private async still({ pair, layout }: Running, before: LaySources): Promise<LaySources> {
    const { db } = this.store
    if ((await layMadeFrom(db, pair, layout)) === before.madeFrom) return before
    const now = await laySources(db, this.jobs, pair, layout)
    if (JSON.stringify(now.order) !== JSON.stringify(before.order)) throw ended(CHANGED)
    return now
  }

  private async write(search: Running, last: boolean): Promise<void> {
    const { best, written, pair, layout } = search
    if (!best || best === written) return
    // What is only begun does not take the place of what was laid before, unless no more came of it in all the time.
    const fewer = best.places.length < layout.places.length
    if (fewer && (!last || search.stop.signal.aborted)) return
    const next = { ...layout, places: [...best.places] }
    try {
      search.version = await this.store.write((tx) => keepLayout(tx, pair, search.version, next))
    } catch (error) {
      if (error instanceof StoreError && error.reason === 'changed meanwhile') throw ended(ELSEWHERE)
      // The database is held for the moment: the next time is soon.
      if (error instanceof StoreError && error.reason === 'not now' && !last) return
      throw error
    }
    search.written = best
    this.tell(search)
  }

  private tell({ pair }: Running): void {
    this.news.tell(`/layouts/${pair}`)
  }

  /** Why it ended, in a sentence; what nobody could know is told to the log as well. */
  private reasonOf(error: unknown): string {
    const told = [StoreError, LayRefusal, PlanError, RuleError, GeometryError, Problem]
    if (error instanceof Error && told.some((kind) => error instanceof kind)) return error.message
    this.failed(error)
    return 'The server could not go on with this layout. What was found until then is kept; lay it out again.'
  }
}

const ended = (why: string) => new StoreError('in the way', 'Ended', why)
const isActive = ({ state }: LayoutSearch): boolean => state === 'waits' || state === 'runs'

function shown({ material, state, seconds, best, from, version, why, began }: Running): LayoutSearch {
  const gone = state === 'waits' ? 0 : state === 'runs' ? (performance.now() - began) / (1000 * seconds) : 1
  const progress = began === 0 ? 0 : Math.min(1, gone)
  return { material, state, seconds, progress, left: best?.left ?? null, from, version, why }
}
