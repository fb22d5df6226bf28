import type { Graph } from './graph.ts'
import { KeyHeap } from './keyHeap.ts'
import { costOf, Measure } from './measure.ts'
import type { Problem } from './problem.ts'
import { NEVER, Profile } from './profile.ts'
import { Reach } from './reach.ts'

/** So often may greatest waits be mended in one schedule, and twice for each that there is. */
const MENDS = 400

/** Of two that are eager the one that may wait less comes first: so much of its wait stands in its key. */
const HASTE = 1e-6

/**
 * The serial generator of schedules (Kolisch 1996): of all operations whose forerunners are placed, the one with the smallest
 * key comes next, at its earliest place, gaps included.
 * A greatest wait that is broken is mended: the operation that it counts from is put off so far that it would hold, and
 * all that had followed it is placed again. A resource that is held is taken to be gone for ever until the operation that
 * gives it back is placed; who finds none waits aside until then.
 */
export class Decoder {
  readonly start: Int32Array
  readonly mode: Int32Array
  readonly end: Int32Array
  /** Weighted minutes of tardiness, and the end of the last operation, of the schedule that was made last. */
  tardiness = 0
  makespan = 0
  /** A number to compare schedules by: less is better. */
  cost = 0
  /** The entry in `latest` that could not be kept because it counts from what is begun; -1 none. */
  lost = -1

  private readonly profiles: Profile[]
  private readonly heap: KeyHeap
  private readonly waitsFor: Int32Array
  private readonly waitsAtFirst: Int32Array
  private readonly earliest: Int32Array
  private readonly putOff: Int32Array
  private readonly placed: Uint8Array
  private readonly queued: Uint8Array
  private readonly bound: Int32Array
  private readonly stack: Int32Array
  private readonly mark: Int32Array
  private marking = 0
  /** How many-th an operation was placed. */
  private readonly placing: Int32Array
  private placings = 0
  private keys: ArrayLike<number> = []
  private eager = false
  private aside: number[] = []
  private left = 0
  private readonly measure: Measure
  /** Asked for by what may not cost more than so much alone. */
  private reach: Reach | null = null

  constructor(
    readonly problem: Problem,
    private readonly graph: Graph,
  ) {
    const n = problem.operations
    const ints = () => new Int32Array(n)
    this.start = ints()
    this.mode = ints()
    this.end = ints()
    this.waitsFor = ints()
    this.waitsAtFirst = Int32Array.from(
      { length: n },
      (_, i) => problem.before.first[i + 1]! - problem.before.first[i]!,
    )
    this.earliest = ints()
    this.putOff = ints()
    this.placed = new Uint8Array(n)
    this.queued = new Uint8Array(n)
    this.bound = new Int32Array(problem.pairs)
    this.stack = ints()
    this.mark = ints()
    this.placing = ints()
    this.measure = new Measure(problem)
    this.heap = new KeyHeap(n)
    const room = 2 * n + 2 * problem.holds.length + 4
    this.profiles = Array.from(problem.capacity, (units, r) => new Profile(units, problem.closed[r]!, room))
  }

  /**
   * Makes a schedule by keys, one an operation. Gives false when none came of it: a held resource that nobody gives back,
   * greatest waits that do not come right, or a cost above `most`.
   * `eager`: what must follow something within a greatest wait is placed as soon as it can be, before others take its place.
   */
  decode(keys: ArrayLike<number>, eager: boolean, most = Infinity): boolean {
    const { problem, heap } = this
    const n = problem.operations
    this.keys = keys
    this.eager = eager
    this.placings = 0
    for (const profile of this.profiles) profile.clear()
    heap.clear()
    this.waitsFor.set(this.waitsAtFirst)
    this.earliest.set(problem.release)
    this.putOff.fill(0)
    this.placed.fill(0)
    this.queued.fill(0)
    this.bound.fill(0)
    this.aside.length = 0
    this.left = n
    this.lost = -1
    const reach = most === Infinity ? null : (this.reach ??= new Reach(problem, this.graph))
    let late = 0
    let length = 0
    let mends = 0
    for (let i = 0; i < n; i++) if (this.waitsFor[i] === 0) this.queue(i)
    if (problem.begun) this.placeBegun()
    while (this.left > 0) {
      const i = heap.pop()
      if (i < 0) return false
      this.queued[i] = 0
      if (this.placed[i] === 1 || this.waitsFor[i]! > 0) continue
      if (!this.findPlace(i)) {
        this.aside.push(i)
        continue
      }
      const broken = this.brokenWait(i)
      if (broken >= 0) {
        const from = problem.latest.item[broken]!
        if (problem.begun && problem.begun.start[from]! >= 0) {
          this.lost = broken
          return false
        }
        if (++mends > MENDS + 2 * problem.latest.item.length) return false
        const until = this.start[i]! - problem.latest.minutes[broken]! - (this.end[from]! - this.start[from]!)
        this.queue(i)
        this.takeOut(from)
        this.putOff[from] = Math.max(this.putOff[from]!, until)
        continue
      }
      this.place(i)
      if (!reach) continue
      const p = problem.pair[i]!
      const reaches = reach.at(i, this.start[i]!)
      if (reaches <= this.bound[p]!) continue
      const due = problem.due[p]!
      late += problem.weight[p]! * (Math.max(0, reaches - due) - Math.max(0, this.bound[p]! - due))
      this.bound[p] = reaches
      length = Math.max(length, reaches)
      if (costOf(problem.objective, late, length) > most) return false
    }
    const { tardiness, makespan, cost } = this.measure.of(this)
    this.tardiness = tardiness
    this.makespan = makespan
    this.cost = cost
    return cost <= most
  }

  private queue(i: number): void {
    if (this.queued[i] === 1) return
    this.queued[i] = 1
    this.heap.push(i, this.keyOf(i))
  }

  /** What is begun stands where it stands, whatever else is taken there. */
  private placeBegun(): void {
    const { begun, modes } = this.problem
    if (!begun) return
    for (const i of this.graph.order) {
      if (begun.start[i]! < 0) continue
      this.start[i] = begun.start[i]!
      this.mode[i] = modes.first[i]! + begun.mode[i]!
      this.end[i] = this.start[i] + modes.minutes[this.mode[i]]!
      this.waitsFor[i] = 0
      this.place(i)
    }
  }

  /** The place where an operation ends soonest, by any who may do it, into `start`, `mode` and `end`. */
  private findPlace(i: number): boolean {
    const { modes, uses, takes, holds } = this.problem
    const from = Math.max(this.earliest[i]!, this.putOff[i]!)
    let best = NEVER
    for (let m = modes.first[i]!; m < modes.first[i + 1]!; m++) {
      const minutes = modes.minutes[m]!
      const who = this.profiles[modes.item[m]!]!
      let at = from
      for (let moved = true; moved;) {
        moved = false
        let then = who.earliest(at, minutes)
        for (let u = uses.first[i]!; u < uses.first[i + 1]!; u++) {
          then = Math.max(then, this.profiles[uses.item[u]!]!.earliest(then, minutes))
        }
        for (let h = takes.first[i]!; h < takes.first[i + 1]!; h++) {
          then = Math.max(then, this.profiles[holds[takes.item[h]!]!.resource]!.freeFrom(then))
        }
        if (then >= NEVER) at = NEVER
        else if (then > at) {
          at = then
          moved = uses.first[i + 1]! > uses.first[i]! || takes.first[i + 1]! > takes.first[i]!
        }
      }
      if (at >= NEVER || at + minutes >= best) continue
      best = at + minutes
      this.start[i] = at
      this.mode[i] = m
    }
    if (best >= NEVER) return false
    this.end[i] = best
    return true
  }

  /** The entry in `latest` that a place would break, -1 for none. */
  private brokenWait(i: number): number {
    const { latest } = this.problem
    for (let k = latest.first[i]!; k < latest.first[i + 1]!; k++) {
      if (this.start[i]! > this.end[latest.item[k]!]! + latest.minutes[k]!) return k
    }
    return -1
  }

  private place(i: number): void {
    const { problem, profiles } = this
    const { modes, uses, takes, gives, holds, after } = problem
    const [from, to] = [this.start[i]!, this.end[i]!]
    this.placed[i] = 1
    this.placing[i] = this.placings++
    this.left--
    profiles[modes.item[this.mode[i]!]!]!.change(from, to, 1)
    for (let u = uses.first[i]!; u < uses.first[i + 1]!; u++) profiles[uses.item[u]!]!.change(from, to, 1)
    for (let h = takes.first[i]!; h < takes.first[i + 1]!; h++) {
      profiles[holds[takes.item[h]!]!.resource]!.change(from, NEVER, 1)
    }
    for (let h = gives.first[i]!; h < gives.first[i + 1]!; h++) {
      const { resource } = holds[gives.item[h]!]!
      profiles[resource]!.change(to, NEVER, -1)
    }
    if (gives.first[i + 1]! > gives.first[i]!) this.callBack()
    for (let k = after.first[i]!; k < after.first[i + 1]!; k++) {
      const next = after.item[k]!
      const ready = to + after.minutes[k]!
      if (ready > this.earliest[next]!) this.earliest[next] = ready
      if (--this.waitsFor[next]! === 0 && this.placed[next] === 0) this.queue(next)
    }
  }

  /** A held resource came back: who waited aside for one asks again. */
  private callBack(): void {
    for (const waiting of this.aside) this.queue(waiting)
    this.aside.length = 0
  }

  /** An eager one comes as soon as what it must follow within a greatest wait is placed. */
  private keyOf(i: number): number {
    const { keys, eager } = this
    const { latest } = this.problem
    let key = keys[i]!
    if (!eager) return key
    for (let k = latest.first[i]!; k < latest.first[i + 1]!; k++) {
      key = Math.min(key, keys[latest.item[k]!]! + HASTE * latest.minutes[k]!)
    }
    return key
  }

  /** Takes an operation out, with all that was placed because it was; what is begun stays. */
  private takeOut(first: number): void {
    const { after, begun, takes } = this.problem
    const { stack, mark } = this
    const round = ++this.marking
    let size = 0
    stack[size++] = first
    mark[first] = round
    if (!this.eager) {
      // Whatever came after it may have taken the place that it needs now.
      for (let i = 0; i < this.problem.operations; i++) {
        if (this.placed[i] === 0 || this.placing[i]! <= this.placing[first]!) continue
        if (begun && begun.start[i]! >= 0) continue
        stack[size++] = i
        mark[i] = round
      }
    }
    // Each with all that follows it: those that are placed lie on the stack once.
    for (let read = 0; read < size; read++) {
      const i = stack[read]!
      for (let k = after.first[i]!; k < after.first[i + 1]!; k++) {
        const next = after.item[k]!
        if (mark[next] === round || this.placed[next] === 0) continue
        if (begun && begun.start[next]! >= 0) continue
        mark[next] = round
        stack[size++] = next
      }
    }
    let freed = false
    for (let s = 0; s < size; s++) {
      const i = stack[s]!
      this.unplace(i)
      freed ||= takes.first[i + 1]! > takes.first[i]!
    }
    if (freed) this.callBack()
    for (let s = 0; s < size; s++) {
      const i = stack[s]!
      for (let k = after.first[i]!; k < after.first[i + 1]!; k++) {
        const next = after.item[k]!
        this.waitsFor[next]!++
        if (mark[next] === round) continue
        // Not placed itself: what it must wait for is asked anew.
        this.earliest[next] = this.readyAt(next)
      }
    }
    for (let s = 0; s < size; s++) {
      this.earliest[stack[s]!] = this.readyAt(stack[s]!)
    }
    for (let s = 0; s < size; s++) if (this.waitsFor[stack[s]!] === 0) this.queue(stack[s]!)
  }

  private readyAt(i: number): number {
    const { before, release } = this.problem
    let at = release[i]!
    for (let k = before.first[i]!; k < before.first[i + 1]!; k++) {
      const b = before.item[k]!
      if (this.placed[b] === 1) at = Math.max(at, this.end[b]! + before.minutes[k]!)
    }
    return at
  }

  private unplace(i: number): void {
    const { profiles } = this
    const { modes, uses, takes, gives, holds } = this.problem
    const [from, to] = [this.start[i]!, this.end[i]!]
    this.placed[i] = 0
    this.left++
    profiles[modes.item[this.mode[i]!]!]!.change(from, to, -1)
    for (let u = uses.first[i]!; u < uses.first[i + 1]!; u++) profiles[uses.item[u]!]!.change(from, to, -1)
    for (let h = takes.first[i]!; h < takes.first[i + 1]!; h++) {
      profiles[holds[takes.item[h]!]!.resource]!.change(from, NEVER, -1)
    }
    for (let h = gives.first[i]!; h < gives.first[i + 1]!; h++) {
      profiles[holds[gives.item[h]!]!.resource]!.change(to, NEVER, 1)
    }
  }
}
