/** A time that never comes, minutes. */
export const NEVER = 1 << 30

/**
 * How many units of one resource are taken at what time: sorted breakpoints and the level from each to the next, in arrays
 * that nothing is allocated for while a search runs. Nothing is asked before time 0.
 * Two units of which one is taken in [10, 20) and both in [20, 30): at = 0 10 20 30, level = 0 1 2 0.
 * Closed hours are taken by all units; they are written down only as far as somebody has asked.
 */
export class Profile {
  private at: Int32Array
  private level: Int32Array
  private count = 1
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
    this.clear()
  }

  clear(): void {
    this.at[0] = 0
    this.level[0] = 0
    this.count = 1
    this.known = 0
  }

  /** The last breakpoint at or before a time; most questions are about the end. */
  private find(time: number): number {
    const { at } = this
    let high = this.count - 1
    for (let tries = 0; tries < 4 && high > 0; tries++, high--) if (at[high]! <= time) return high
    let low = 0
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (at[middle]! <= time) low = middle
      else high = middle - 1
    }
    return low
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
    for (let i = this.find(time); i < this.count; i++) {
      if (this.level[i]! >= capacity) {
        if (i + 1 === this.count) return NEVER
        start = this.at[i + 1]!
        if (this.knows(start + minutes)) continue
        // What is learned may have joined what lies here: it is looked at again.
        this.learn(start + minutes)
        i = this.find(start) - 1
      } else if (i + 1 === this.count || this.at[i + 1]! >= start + minutes) return start
    }
    return start
  }

  /** The earliest time from `time` on after which a unit is free for ever; NEVER when none ever is. */
  freeFrom(time: number): number {
    const { at, level, count, capacity } = this
    let i = count - 1
    if (level[i]! >= capacity) return NEVER
    while (i > 0 && level[i - 1]! < capacity && at[i]! > time) i--
    return Math.max(time, at[i]!)
  }

  /** Takes so many units in [from, to), or gives them back: by less than nothing. */
  change(from: number, to: number, by: number): void {
    if (to <= from) return
    const first = this.split(from)
    const last = to >= NEVER ? this.count : this.split(to)
    const { level } = this
    for (let i = first; i < last; i++) level[i]! += by
    // Ends that are no steps any more are merged: the higher first, so that the lower keeps its place.
    if (last < this.count && level[last] === level[last - 1]) this.drop(last)
    if (first > 0 && level[first] === level[first - 1]) this.drop(first)
  }

  /** The breakpoint at a time, put there when there is none. */
  private split(time: number): number {
    const i = this.find(time)
    if (this.at[i] === time) return i
    if (this.count === this.at.length) this.grow()
    const { at, level } = this
    for (let k = this.count; k > i + 1; k--) {
      at[k] = at[k - 1]!
      level[k] = level[k - 1]!
    }
    at[i + 1] = time
    level[i + 1] = level[i]!
    this.count++
    return i + 1
  }

  private drop(i: number): void {
    const { at, level } = this
    this.count--
    for (let k = i; k < this.count; k++) {
      at[k] = at[k + 1]!
      level[k] = level[k + 1]!
    }
  }

  private grow(): void {
    const [at, level] = [this.at, this.level]
    this.at = new Int32Array(2 * at.length)
    this.level = new Int32Array(2 * level.length)
    this.at.set(at)
    this.level.set(level)
  }
}
