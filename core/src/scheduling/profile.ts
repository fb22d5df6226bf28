/** A time that never comes, minutes. */
export const NEVER = 1 << 30

/** So many minutes lie between two moments for which the breakpoint is kept: 2 to this power. */
const SHIFT = 7

/** No breakpoint. */
const NONE = -1

/**
 * How many units of one resource are taken at what time: breakpoints in a list, each with the level from it to the next, in
 * arrays that nothing is allocated for while a search runs. Nothing is asked before time 0.
 * Two units of which one is taken in [10, 20) and both in [20, 30): breakpoints 0 10 20 30, levels 0 1 2 0.
 * The breakpoint that a time lies behind is found from the one kept for the last full moment before it.
 * Closed hours are taken by all units; they are written down only as far as somebody has asked.
 */
export class Profile {
  private at: Int32Array
  private level: Int32Array
  private next: Int32Array
  private prev: Int32Array
  /** The last breakpoint; the first is number 0, at time 0. */
  private last = 0
  /** Numbers that were given out; those that were given back begin a list by `next`. */
  private given = 1
  private spare = NONE
  /** For moments 0, 128, 256 ...: the last breakpoint at or before each, as far as they are known. */
  private moment = new Int32Array(64)
  private moments = 1
  /** So many of the closed times are written down. */
  private known = 0

  /** `closed`: [from, to) in their order and apart, in which no unit is to be had. */
  constructor(
    private readonly capacity: number,
    private readonly closed: readonly (readonly [number, number])[],
    room: number,
  ) {
    this.at = new Int32Array(room)
    this.level = new Int32Array(room)
    this.next = new Int32Array(room)
    this.prev = new Int32Array(room)
    this.clear()
  }

  clear(): void {
    this.at[0] = 0
    this.level[0] = 0
    this.next[0] = NONE
    this.prev[0] = NONE
    this.last = 0
    this.given = 1
    this.spare = NONE
    this.moment[0] = 0
    this.moments = 1
    this.known = 0
  }

  /** The last breakpoint at or before a time. */
  private find(time: number): number {
    const { at, next } = this
    if (time >= at[this.last]!) return this.last
    const m = time >> SHIFT
    if (m >= this.moments) this.learnMoments(m)
    let i = this.moment[m]!
    for (let n = next[i]!; n !== NONE && at[n]! <= time; n = next[i]!) i = n
    return i
  }

  private learnMoments(until: number): void {
    if (until >= this.moment.length) this.moment = longer(this.moment, 2 * until)
    const { at, next, moment } = this
    let i = moment[this.moments - 1]!
    for (; this.moments <= until; this.moments++) {
      const time = this.moments << SHIFT
      for (let n = next[i]!; n !== NONE && at[n]! <= time; n = next[i]!) i = n
      moment[this.moments] = i
    }
  }

  private knows(time: number): boolean {
    return this.known === this.closed.length || this.closed[this.known]![0] >= time
  }

  /** Writes down the closed times that begin before a time. */
  private learn(time: number): void {
    const { closed } = this
    while (!this.knows(time)) {
      const [from, to] = closed[this.known++]!
      this.change(Math.max(0, from), to, this.capacity)
    }
  }

  /** The earliest start from `time` on with a unit free for so many minutes; NEVER when there is none. */
  earliest(time: number, minutes: number): number {
    this.learn(time + minutes)
    const { capacity } = this
    let start = time
    for (let i = this.find(time); ;) {
      const n = this.next[i]!
      if (this.level[i]! >= capacity) {
        if (n === NONE) return NEVER
        start = this.at[n]!
        i = n
        if (this.knows(start + minutes)) continue
        // What is learned may have joined what lies here: it is looked at again.
        this.learn(start + minutes)
        i = this.find(start)
      } else if (n === NONE || this.at[n]! >= start + minutes) return start
      else i = n
    }
  }

  /** The earliest time from `time` on after which a unit is free for ever; NEVER when none ever is. */
  freeFrom(time: number): number {
    const { at, level, prev, capacity } = this
    let i = this.last
    if (level[i]! >= capacity) return NEVER
    while (i > 0 && level[prev[i]!]! < capacity && at[i]! > time) i = prev[i]!
    return Math.max(time, at[i]!)
  }

  /** Takes so many units in [from, to), or gives them back: by less than nothing. */
  change(from: number, to: number, by: number): void {
    if (to <= from) return
    const first = this.split(from)
    const last = to >= NEVER ? NONE : this.split(to)
    const { level, next, prev } = this
    for (let i = first; i !== last; i = next[i]!) level[i]! += by
    // Ends that are no steps any more are merged.
    if (last !== NONE && level[last] === level[prev[last]!]) this.drop(last)
    if (first > 0 && level[first] === level[prev[first]!]) this.drop(first)
  }

  /** The breakpoint at a time, put there when there is none. */
  private split(time: number): number {
    const i = this.find(time)
    if (this.at[i] === time) return i
    const made = this.number()
    const { at, level, next, prev } = this
    const after = next[i]!
    at[made] = time
    level[made] = level[i]!
    next[made] = after
    prev[made] = i
    next[i] = made
    if (after === NONE) this.last = made
    else prev[after] = made
    this.keepFor(time, i, made)
    return made
  }

  private drop(i: number): void {
    const { next, prev } = this
    const [before, after] = [prev[i]!, next[i]!]
    next[before] = after
    if (after === NONE) this.last = before
    else prev[after] = before
    this.keepFor(this.at[i]!, i, before)
    next[i] = this.spare
    this.spare = i
  }

  /** Moments from a time on for which one breakpoint was kept have another. */
  private keepFor(time: number, was: number, is: number): void {
    const { moment, moments } = this
    for (let m = (time + (1 << SHIFT) - 1) >> SHIFT; m < moments && moment[m] === was; m++) moment[m] = is
  }

  /** A number for a breakpoint. */
  private number(): number {
    const i = this.spare
    if (i !== NONE) {
      this.spare = this.next[i]!
      return i
    }
    if (this.given === this.at.length) {
      const length = 2 * this.given
      this.at = longer(this.at, length)
      this.level = longer(this.level, length)
      this.next = longer(this.next, length)
      this.prev = longer(this.prev, length)
    }
    return this.given++
  }
}

function longer(list: Int32Array, length: number): Int32Array<ArrayBuffer> {
  const out = new Int32Array(length)
  out.set(list)
  return out
}
