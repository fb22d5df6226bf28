import { Problem } from '../http/problem.ts'
import { Left } from './left.ts'

/**
 * Who goes first: what a hand at the bench waits for, then what will be printed, then scans and other long work that
 * was asked for, then what nobody waits for.
 */
export const ranks = ['hand', 'print', 'long', 'background'] as const
export type Rank = (typeof ranks)[number]

/** So many may wait in a rank; one more is told at once to come back. */
const MOST_WAITING: Record<Rank, number> = { hand: 60, print: 12, long: 6, background: 10_000 }

/** Thrown by what runs jobs when the thread ended under one: the job itself is not to blame. */
export class ThreadEnded extends Error {
  override readonly name = 'ThreadEnded'
}

interface Waiting<J, R> {
  job: J
  rank: Rank
  signal: AbortSignal | undefined
  resolve: (result: R) => void
  reject: (error: unknown) => void
  tries: number
}

interface Options<J, R> {
  /** Runs one job in a free thread; stops it when the signal says so. */
  run: (job: J, signal: AbortSignal) => Promise<R>
  threads: number
  /** Instead of the usual limits, ms. */
  timeLimit?: number
}

/** No job of a rank takes anywhere near as long, ms: what does is stopped, thread and all. */
const LONGEST: Record<Rank, number> = { hand: 20_000, print: 60_000, long: 60_000, background: 20_000 }

/** Seconds that are promised at the least and at the most. */
const [SOONEST, LATEST] = [1, 120]
const TRIES = 2

/**
 * Heavy work by rank, first come first served within each. One thread is always left for hands and prints: long work
 * and what nobody waits for never take all of them. A job whose asker has gone is not begun, and long work that runs
 * for one is stopped; one whose thread ended under it is run once more.
 */
export class JobQueue<J, R> {
  private readonly waiting: Record<Rank, Waiting<J, R>[]> = { hand: [], print: [], long: [], background: [] }
  private readonly running: Record<Rank, number> = { hand: 0, print: 0, long: 0, background: 0 }
  /** How long a job of each rank takes, ms: a running mean. */
  private readonly usual: Record<Rank, number> = { hand: 400, print: 900, long: 2500, background: 400 }

  constructor(private readonly options: Options<J, R>) {}

  /** Runs a job in its turn. Throws Problem 503 at once when too many wait, Left when the asker went. */
  run(job: J, rank: Rank, signal?: AbortSignal): Promise<R> {
    if (signal?.aborted) return Promise.reject(new Left())
    if (this.waiting[rank].length >= MOST_WAITING[rank]) {
      const seconds = this.secondsFor(rank)
      return Promise.reject(
        new Problem(
          503,
          'Busy',
          `The workshop server has its hands full: ${this.waiting[rank].length} jobs of this kind are waiting. Nothing was changed; try again in ${seconds} seconds.`,
          [],
          {},
          seconds,
        ),
      )
    }
    return new Promise<R>((resolve, reject) => {
      const entry: Waiting<J, R> = { job, rank, signal, resolve, reject, tries: 0 }
      signal?.addEventListener('abort', () => this.forget(entry), { once: true })
      this.waiting[rank].push(entry)
      this.next()
    })
  }

  /** Jobs that wait and run, for whoever wants to know. */
  get load(): { waiting: number; running: number } {
    const sum = (of: (rank: Rank) => number) => ranks.reduce((n, rank) => n + of(rank), 0)
    return { waiting: sum((r) => this.waiting[r].length), running: sum((r) => this.running[r]) }
  }

  private forget(entry: Waiting<J, R>): void {
    const at = this.waiting[entry.rank].indexOf(entry)
    if (at < 0) return
    this.waiting[entry.rank].splice(at, 1)
    entry.reject(new Left())
  }

  private secondsFor(rank: Rank): number {
    const before = ranks.slice(0, ranks.indexOf(rank) + 1)
    const ms = before.reduce((sum, r) => sum + (this.waiting[r].length + this.running[r]) * this.usual[r], 0)
    return Math.min(LATEST, Math.max(SOONEST, Math.ceil(ms / this.options.threads / 1000)))
  }

  private mayStart(rank: Rank): boolean {
    const { threads } = this.options
    const { running } = this
    if (running.hand + running.print + running.long + running.background >= threads) return false
    const unhurried = running.long + running.background
    return rank === 'hand' || rank === 'print' || unhurried < Math.max(1, threads - 1)
  }

  private next(): void {
    for (const rank of ranks) {
      while (this.waiting[rank].length > 0 && this.mayStart(rank)) {
        const entry = this.waiting[rank].shift()
        if (entry) void this.start(entry)
      }
    }
  }

  private async start(entry: Waiting<J, R>): Promise<void> {
    const { rank, signal } = entry
    const stop = new AbortController()
    const limit = setTimeout(() => stop.abort('too long'), this.options.timeLimit ?? LONGEST[rank])
    // A plan is done sooner than a thread could be replaced; only long work and prints are worth stopping.
    const gone = () => stop.abort('left')
    if (rank !== 'hand' && rank !== 'background') signal?.addEventListener('abort', gone, { once: true })
    const began = performance.now()
    this.running[rank]++
    try {
      const result = await this.options.run(entry.job, stop.signal)
      this.usual[rank] += 0.2 * (performance.now() - began - this.usual[rank])
      entry.resolve(result)
    } catch (error) {
      if (stop.signal.reason === 'left') entry.reject(new Left())
      else if (stop.signal.reason === 'too long') {
        entry.reject(
          new Problem(503, 'Took too long', 'This took too long and was stopped. Nothing was changed; try again.'),
        )
      } else if (error instanceof ThreadEnded && ++entry.tries < TRIES) this.waiting[rank].unshift(entry)
      else entry.reject(error)
    } finally {
      clearTimeout(limit)
      signal?.removeEventListener('abort', gone)
      this.running[rank]--
      this.next()
    }
  }
}
