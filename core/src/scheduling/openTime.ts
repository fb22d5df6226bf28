import type { Problem } from './problem.ts'

/** The hours that somebody works, for one who may do an operation: closed times in their order, [from, to). */
export type Closed = readonly (readonly [number, number])[]

/** The earliest start from a time on that lies in open hours for so many minutes. */
export function openFrom(closed: Closed, time: number, minutes: number): number {
  let at = time
  for (const [from, to] of closed) {
    if (to <= at) continue
    if (from >= at + minutes) return at
    at = to
  }
  return at
}

/** The latest start of so many minutes in open hours that ends by a time. Hours before time 0 count as open. */
export function openUntil(closed: Closed, time: number, minutes: number): number {
  let at = time - minutes
  for (let i = closed.length - 1; i >= 0; i--) {
    const [from, to] = closed[i]!
    if (from >= at + minutes) continue
    if (to <= at) return at
    at = from - minutes
  }
  return at
}

/** The earliest start of an operation from a time on in the open hours of anybody who may do it. */
export function soonestOpen({ modes, closed }: Problem, operation: number, time: number): number {
  let soonest = Infinity
  for (let m = modes.first[operation]!; m < modes.first[operation + 1]!; m++) {
    soonest = Math.min(soonest, openFrom(closed[modes.item[m]!]!, time, modes.minutes[m]!))
  }
  return soonest
}

/** The hours of whoever may do an operation and is open most of all. */
export function hoursOf({ modes, closed }: Problem, operation: number): Closed {
  let least: Closed = closed[modes.item[modes.first[operation]!]!]!
  for (let m = modes.first[operation]! + 1; m < modes.first[operation + 1]!; m++) {
    const list = closed[modes.item[m]!]!
    if (minutesOf(list) < minutesOf(least)) least = list
  }
  return least
}

const minutesOf = (closed: Closed): number => closed.reduce((sum, [from, to]) => sum + to - from, 0)
