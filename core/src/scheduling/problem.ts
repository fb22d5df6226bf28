/**
 * What is to be scheduled, packed for the search. Times are whole minutes. Operations, resources, pairs, lags and holds are
 * numbers; a list for each operation lies in one array, with where it begins in another (`first`), one entry longer.
 */
export interface Packed {
  first: Int32Array
  /** What the entry is about: an operation, a resource, a lag or a hold. */
  item: Int32Array
  /** The minutes of each entry; 0 where none are meant. */
  minutes: Int32Array
}

/** Aims: weighted tardiness first, then the end of the last operation; or the other way round. */
export type Objective = 'tardiness' | 'makespan'

export interface Problem {
  operations: number
  pairs: number
  objective: Objective
  pair: Int32Array
  /** Units of each resource; hands are resources like others. */
  capacity: Int32Array
  /** Times at which a resource is not to be had, [from, to) in their order. */
  closed: readonly (readonly (readonly [number, number])[])[]
  /** Who may do an operation (a resource), and how long they take; one of them does it. */
  modes: Packed
  /** Resources that an operation takes besides. */
  uses: Packed
  /** Operations that come after each, and the least wait from its end to their start. */
  after: Packed
  /** Operations that come before each, and the least wait. */
  before: Packed
  /** For each operation, those before it that it must follow within a greatest wait from their end to its start. */
  latest: Packed
  /** Resources that an operation takes and does not give back: hold by hold. */
  takes: Packed
  /** Holds that end with an operation. */
  gives: Packed
  holds: readonly Hold[]
  /** Not before; 0 where nothing is said. */
  release: Int32Array
  /** When each pair is to be ready; Infinity where nobody waits for it. */
  due: Float64Array
  weight: Float64Array
  /** What a minute sooner of each pair is worth in minutes of the whole's length; 0 where it is to be in time and no more. */
  haste: Float64Array
  /** Starts of what is begun or done, with who does it; null where all is still to be placed. */
  begun: Begun | null
  /** Same numbers are the same kind of work, -1 none; a change from one kind to another on one mode's resource costs so much. */
  kind: Int32Array
  changeMinutes: number
}

/** A resource is taken from the start of one operation to the end of another, waits included. */
export interface Hold {
  resource: number
  from: number
  to: number
}

/** -1 where an operation is still to be placed. */
export interface Begun {
  start: Int32Array
  mode: Int32Array
}

/** A lag from the end of one operation to the start of another. */
export interface Lag {
  from: number
  to: number
  min: number
  max: number | null
}

/** Lists by operation, packed. */
export function packed(lists: readonly (readonly (readonly [item: number, minutes: number])[])[]): Packed {
  const first = new Int32Array(lists.length + 1)
  lists.forEach((list, i) => (first[i + 1] = first[i]! + list.length))
  const flat = lists.flat()
  return { first, item: Int32Array.from(flat, ([a]) => a), minutes: Int32Array.from(flat, ([, m]) => m) }
}

/** A problem as it is said, before it is packed; what is left out is not asked for. */
export interface Said {
  objective: Objective
  operations: readonly {
    pair: number
    modes: readonly { resource: number; minutes: number }[]
    uses?: readonly number[]
    release?: number
    kind?: number
    begun?: { start: number; mode: number }
  }[]
  capacity: readonly number[]
  closed?: readonly (readonly (readonly [number, number])[])[]
  lags: readonly Lag[]
  holds: readonly Hold[]
  pairs: readonly { due: number | null; weight: number; haste?: number }[]
  changeMinutes?: number
}

export function problemOf(said: Said): Problem {
  const { operations: ops, lags, holds } = said
  const lists = <T>(of: readonly T[], at: (t: T) => number, entry: (t: T, i: number) => readonly [number, number]) => {
    const all: (readonly [number, number])[][] = ops.map(() => [])
    of.forEach((t, i) => all[at(t)]!.push(entry(t, i)))
    return packed(all)
  }
  const anyBegun = ops.some((o) => o.begun)
  return {
    operations: ops.length,
    pairs: said.pairs.length,
    objective: said.objective,
    pair: Int32Array.from(ops, (o) => o.pair),
    capacity: Int32Array.from(said.capacity),
    closed: said.capacity.map((_, r) => said.closed?.[r] ?? []),
    modes: packed(ops.map((o) => o.modes.map((m) => [m.resource, m.minutes] as const))),
    uses: packed(ops.map((o) => (o.uses ?? []).map((r) => [r, 0] as const))),
    after: lists(
      lags,
      (l) => l.from,
      (l) => [l.to, l.min],
    ),
    before: lists(
      lags,
      (l) => l.to,
      (l) => [l.from, l.min],
    ),
    latest: lists(
      lags.filter((l) => l.max !== null),
      (l) => l.to,
      (l) => [l.from, l.max ?? 0],
    ),
    takes: lists(
      holds,
      (h) => h.from,
      (_, i) => [i, 0],
    ),
    gives: lists(
      holds,
      (h) => h.to,
      (_, i) => [i, 0],
    ),
    holds,
    release: Int32Array.from(ops, (o) => o.release ?? 0),
    due: Float64Array.from(said.pairs, (p) => p.due ?? Infinity),
    weight: Float64Array.from(said.pairs, (p) => p.weight),
    haste: Float64Array.from(said.pairs, (p) => p.haste ?? 0),
    begun: anyBegun
      ? {
          start: Int32Array.from(ops, (o) => o.begun?.start ?? -1),
          mode: Int32Array.from(ops, (o) => o.begun?.mode ?? -1),
        }
      : null,
    kind: Int32Array.from(ops, (o) => o.kind ?? -1),
    changeMinutes: said.changeMinutes ?? 0,
  }
}

/** The least minutes of an operation, whoever does it. */
export function leastMinutes({ modes }: Problem, operation: number): number {
  let least = Infinity
  for (let i = modes.first[operation]!; i < modes.first[operation + 1]!; i++) least = Math.min(least, modes.minutes[i]!)
  return least
}

/** Holds by number, for each resource that more than one wants. */
export function wantedHolds({ holds }: Problem): number[][] {
  const by = new Map<number, number[]>()
  holds.forEach(({ resource }, h) => by.set(resource, [...(by.get(resource) ?? []), h]))
  return [...by.values()].filter((list) => list.length > 1)
}
