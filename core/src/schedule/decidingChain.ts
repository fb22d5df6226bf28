import { openFrom } from '../scheduling/openTime.ts'
import type { DaysProblem } from './daysProblem.ts'

/** Why a step is not begun sooner: what it waited for until then. */
export type Held =
  | { by: 'now' }
  /** A step of its own pair and the wait after it. */
  | { by: 'step'; step: string; wait: number }
  /** Its maker was at another step. */
  | { by: 'maker'; maker: string; pair: string; step: string }
  | { by: 'machine'; pair: string; step: string }
  /** Another pair had the lasts. */
  | { by: 'last'; last: string; pair: string }
  /** It could have begun sooner, but what must follow it within so many minutes could not. */
  | { by: 'fresh'; step: string; max: number }

/** One link of what decides when a pair is done, from its end backwards. Instants are ms since the epoch. */
export interface ChainLink {
  pair: string
  step: string
  start: number
  end: number
  held: Held
  /** From what held it to its start, minutes: mostly a night or a weekend. */
  idle: number
}

/** No chain is longer: it ends where nothing holds a step but the clock. */
const MOST_LINKS = 400

/**
 * What decides when an operation ends: the thing that ended last before it could begin, and so on back to now. A path of
 * binding reasons in the schedule as it is (the critical path of Kelley and Walker 1959, with hands and lasts as reasons).
 * A step that was put off so that what follows it does not wait too long decides nothing for that; where others waited for
 * it, what held up its follower decides.
 */
export function decidingChain(days: DaysProblem, reasons: Reasons, last: number): ChainLink[] {
  const { problem, tasks, origin } = days
  const { start, mode } = reasons
  const instant = (minute: number) => origin + minute * 60_000
  const links: ChainLink[] = []
  const seen = new Set<number>()
  for (let i = last; i >= 0 && !seen.has(i) && links.length < MOST_LINKS;) {
    seen.add(i)
    const { held, at, next } = reasons.of(i)
    const task = tasks[i]
    if (task) {
      links.push({
        pair: task.pair.id,
        step: task.step.id,
        start: instant(start[i]!),
        end: instant(start[i]! + problem.modes.minutes[mode[i]!]!),
        held,
        idle: start[i]! - at,
      })
    } else if (held.by === 'last' && links.length > 0) {
      // The taking of the lasts is no step: what waited for it waited for them.
      links[links.length - 1] = { ...links.at(-1)!, held, idle: links.at(-1)!.idle + start[i]! - at }
    }
    i = next
  }
  return links
}

interface Reason {
  held: Held
  /** The minute until which it held. */
  at: number
  /** The operation that held it, -1 when none did. */
  next: number
}

function once(known: Map<number, Reason>, i: number, find: () => Reason): Reason {
  const reason = known.get(i) ?? find()
  known.set(i, reason)
  return reason
}

/** What each operation of a schedule waited for last: found when it is asked for, and once. */
export class Reasons {
  private readonly found = new Map<number, Reason>()
  private readonly held = new Map<number, Reason>()

  constructor(
    private readonly days: DaysProblem,
    readonly start: Int32Array,
    readonly mode: Int32Array,
  ) {}

  of(i: number): Reason {
    return once(this.found, i, () => this.find(i))
  }

  /** What held it, whatever must follow it. */
  private heldBy(i: number): Reason {
    return once(this.held, i, () => this.findHeld(i))
  }

  private find(i: number): Reason {
    const reason = this.heldBy(i)
    const sooner = this.soonest(i, reason.at)
    if (sooner >= this.start[i]!) return reason
    const follower = this.tooSoonFor(i, sooner)
    if (!follower) return reason
    const { tasks, marks } = this.days
    const step = tasks[follower.at]?.step.id ?? marks.get(follower.at) ?? ''
    return { held: { by: 'fresh', step, max: follower.max }, at: this.start[i]!, next: this.of(follower.at).next }
  }

  /** What must follow an operation within a greatest wait and would have come too late had that begun sooner. */
  private tooSoonFor(i: number, sooner: number): { at: number; max: number } | null {
    const { after, latest } = this.days.problem
    const end = sooner + this.end(i) - this.start[i]!
    let found: { at: number; max: number } | null = null
    let until = end
    for (let k = after.first[i]!; k < after.first[i + 1]!; k++) {
      const next = after.item[k]!
      for (let l = latest.first[next]!; l < latest.first[next + 1]!; l++) {
        const max = latest.minutes[l]!
        if (latest.item[l] !== i || this.start[next]! - max <= until) continue
        until = this.start[next]! - max
        found = { at: next, max }
      }
    }
    return found
  }

  private end(i: number): number {
    return this.start[i]! + this.days.problem.modes.minutes[this.mode[i]!]!
  }

  private maker(i: number): number {
    return this.days.problem.modes.item[this.mode[i]!]!
  }

  /** When its maker works long enough for it from a time on. */
  private soonest(i: number, time: number): number {
    return openFrom(this.days.problem.closed[this.maker(i)]!, time, this.end(i) - this.start[i]!)
  }

  /** It begins as soon as what held it lets it and its maker works. */
  private isTight(i: number): boolean {
    return this.soonest(i, this.heldBy(i).at) === this.start[i]!
  }

  private isLimited(from: number, to: number): boolean {
    const { latest } = this.days.problem
    for (let k = latest.first[to]!; k < latest.first[to + 1]!; k++) if (latest.item[k] === from) return true
    return false
  }

  private findHeld(i: number): Reason {
    const { days, start } = this
    const { problem, tasks, makers, lasts } = days
    let best: Reason = { held: { by: 'now' }, at: days.now, next: -1 }
    const consider = (at: number, next: number, held: Held) => {
      if (at > best.at && at <= start[i]!) best = { held, at, next }
    }
    for (let k = problem.before.first[i]!; k < problem.before.first[i + 1]!; k++) {
      const b = problem.before.item[k]!
      const wait = problem.before.minutes[k]!
      if (this.isLimited(b, i) && !this.isTight(b)) continue
      consider(this.end(b) + wait, b, { by: 'step', step: tasks[b]?.step.id ?? days.marks.get(b) ?? '', wait })
    }
    const uses = usesOf(days, i)
    tasks.forEach((task, j) => {
      if (!task || j === i || this.end(j) > start[i]! || this.end(j) <= best.at) return
      const what = { pair: task.pair.id, step: task.step.id }
      const maker = this.maker(i)
      if (this.maker(j) === maker) consider(this.end(j), j, { by: 'maker', maker: makers[maker]!.id, ...what })
      if (uses.length > 0 && usesOf(days, j).some((u) => uses.includes(u))) {
        consider(this.end(j), j, { by: 'machine', ...what })
      }
    })
    for (const { resource } of problem.holds.filter((h) => h.from === i)) {
      for (const other of problem.holds) {
        if (other.resource !== resource || other.from === i) continue
        const pair = tasks.find((t, j) => t && problem.pair[j] === problem.pair[other.to])?.pair.id ?? ''
        consider(this.end(other.to), other.to, { by: 'last', last: lasts.get(resource) ?? '', pair })
      }
    }
    return best
  }
}

function usesOf({ problem }: DaysProblem, i: number): readonly number[] {
  return [...problem.uses.item.subarray(problem.uses.first[i], problem.uses.first[i + 1])]
}
