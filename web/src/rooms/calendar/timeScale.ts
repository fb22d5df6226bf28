import { closedTimes, type WorkshopDays } from '@gentle-awl/core'
import { scaleLinear } from 'd3-scale'

/** An hour in which nobody works is drawn so much narrower. */
const SQUEEZE = 0.12

/** When a maker does not work, or, for null, when nobody does: ms since the epoch, from a time to another. */
export function closedBetween(days: WorkshopDays, maker: string | null, from: number, to: number): [number, number][] {
  const lists = days.makers
    .filter((m) => maker === null || m.id === maker)
    .map((m) =>
      closedTimes(days, m, from).map(([a, b]): [number, number] => [
        from + a * 60_000,
        Math.min(to, from + b * 60_000),
      ]),
    )
  // Closed for one and open for another is not closed.
  const all = lists.reduce((common, list) =>
    common.flatMap(([a, b]) =>
      list.flatMap(([c, d]): [number, number][] =>
        Math.max(a, c) < Math.min(b, d) ? [[Math.max(a, c), Math.min(b, d)]] : [],
      ),
    ),
  )
  return all.filter(([a, b]) => a < b && a < to)
}

/**
 * Places of instants between two edges (px): open hours have the room, nights and free days are narrow. Nothing is left
 * out, so that a wait over a night is still seen.
 */
export function timeScale(
  from: number,
  to: number,
  closed: readonly (readonly [number, number])[],
  [left, right]: readonly [number, number],
) {
  const domain = [from]
  const widths: number[] = []
  const add = (until: number, share: number) => {
    const last = domain.at(-1)!
    if (until <= last) return
    widths.push((until - last) * share)
    domain.push(until)
  }
  for (const [a, b] of closed) {
    add(Math.min(to, a), 1)
    add(Math.min(to, b), SQUEEZE)
  }
  add(to, 1)
  const whole = widths.reduce((sum, w) => sum + w, 0)
  let at = left
  const range = [left, ...widths.map((w) => (at += (w / whole) * (right - left)))]
  return scaleLinear().domain(domain).range(range)
}
