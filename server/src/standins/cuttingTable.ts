import { pathLength, readHpgl, type PlotLine } from '@gentle-awl/core'
import { v7 as uuid } from 'uuid'

/** What the table does wrong when it is told to, for practice: as real ones do at times. */
export const tableFaults = ['none', 'stops half way', 'cuts short'] as const
export type TableFault = (typeof tableFaults)[number]

/** How fast its knife goes, and how long it takes from one line to the next: faster than real ones, so that nobody waits. */
const MM_A_SECOND = 1500
const SECONDS_A_LINE = 0.12
/** What its measuring wheel may be off, as a share of a length, and how far short it cuts when it is told to. */
const WHEEL = 0.0004
const SHORT = 0.97

export interface TableJob {
  id: string
  name: string
  began: number
  lines: readonly PlotLine[]
  /** When each line is done, s after it began. */
  done: readonly number[]
  fault: TableFault
  stopped: number | null
}

/** What the table tells of its work. */
export interface TableReport {
  id: string
  name: string
  state: 'cutting' | 'done' | 'stopped'
  /** 0 to 1. */
  progress: number
  /** Length of each line that is cut, mm, as its wheel measured it, in the order in which they were sent. */
  cut: number[]
  lines: readonly PlotLine[]
}

/** A message that the table does not take. */
export class TableRefusal extends Error {
  override readonly name = 'TableRefusal'
}

/** A number in -1 to 1, the same for the same line. */
const wobble = (k: number): number => {
  const q = Math.sin((k + 1) * 12.9898) * 43758.5453
  return 2 * (q - Math.floor(q)) - 1
}

/**
 * The cutting table that ships with the application, for trying and teaching: it reads HPGL, cuts line by line while time goes
 * by, and tells the length of what it has cut. It forgets its work when it is switched off, as real ones do.
 */
export class CuttingTable {
  plugged = true
  fault: TableFault = 'none'
  private job: TableJob | null = null

  constructor(private readonly clock: () => number = () => performance.now()) {}

  /** Takes work. Throws TableRefusal when it is switched off, at work, or cannot read the message to its end. */
  send(name: string, text: string): TableReport {
    if (!this.plugged) throw new TableRefusal('The cutting table does not answer: is it switched on?')
    if (this.report()?.state === 'cutting') {
      throw new TableRefusal('The cutting table is at work: wait until it is done, or stop it there.')
    }
    // A whole message puts the tool away at its end.
    if (!/SP0?;\s*$/i.test(text)) {
      throw new TableRefusal('The message breaks off before its end: nothing was cut. Send it again.')
    }
    const lines = readHpgl(text)
    if (lines.length === 0) throw new TableRefusal('There is nothing to cut in this message.')
    let at = 0
    const done = lines.map((l) => (at += SECONDS_A_LINE + pathLength(l.path, l.closed) / MM_A_SECOND))
    this.job = { id: uuid(), name, began: this.clock(), lines, done, fault: this.fault, stopped: null }
    return this.report()!
  }

  stop(): void {
    const report = this.report()
    if (this.job && report?.state === 'cutting') this.job.stopped = (this.clock() - this.job.began) / 1000
  }

  /** Pulls the plug, or puts it in again: what it was at is lost. */
  plug(plugged: boolean): void {
    this.plugged = plugged
    if (!plugged) this.job = null
  }

  /** Null when it has nothing to tell. */
  report(): TableReport | null {
    const { job } = this
    if (!job) return null
    const whole = job.done[job.done.length - 1]!
    const gives = job.fault === 'stops half way' ? whole / 2 : Infinity
    const gone = Math.min((this.clock() - job.began) / 1000, job.stopped ?? Infinity, gives)
    const count = job.done.filter((d) => d <= gone).length
    const isDone = count === job.lines.length
    const held = job.stopped !== null || gone >= gives
    return {
      id: job.id,
      name: job.name,
      state: isDone ? 'done' : held ? 'stopped' : 'cutting',
      progress: isDone ? 1 : Math.min(1, gone / whole),
      cut: job.lines.slice(0, count).map((l, k) => {
        const length = pathLength(l.path, l.closed) * (1 + WHEEL * wobble(k))
        // A blade that slips shows on every third line.
        return job.fault === 'cuts short' && k % 3 === 1 ? SHORT * length : length
      }),
      lines: job.lines,
    }
  }
}
