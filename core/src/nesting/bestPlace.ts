import { drawPlace } from './drawPlace.ts'
import type { Layout } from './layout.ts'

/** Places tried all over the sheet, and near where the item lies. */
const OVER_ALL = 20
const NEAR_BY = 10
/** How far near by is, and how a step goes on from there, as shares of the item's size. */
const NEAR = 0.25
const COARSE = 0.12
const FINE = 0.001

export interface Place {
  turn: number
  x: number
  y: number
  cost: number
}

/** The best place of several for an item, better than `now`; null where none is found. */
export function bestPlace(
  layout: Layout,
  i: number,
  random: () => number,
  now: number,
  tries = OVER_ALL,
): Place | null {
  const { contacts, places } = layout
  const { turns, size } = contacts.stock.items[i]!
  const held: Place = { turn: places.turn[i]!, x: places.x[i]!, y: places.y[i]!, cost: now }
  // The two best so far, the better one first.
  let [first, second]: [Place | null, Place | null] = [now < Infinity ? held : null, null]
  const consider = (turn: number, x: number, y: number) => {
    const cost = layout.cost(i, turn, x, y, second?.cost ?? Infinity)
    if (cost === Infinity) return
    const place = { turn, x, y, cost }
    if (!first || cost < first.cost) [first, second] = [place, first]
    else if (!second || cost < second.cost) second = place
  }
  for (let k = 0; k < tries; k++) {
    const drawn = drawPlace(layout, turns, random, layout.limit)
    if (drawn) consider(drawn.turn, drawn.x, drawn.y)
  }
  if (now < Infinity) {
    for (let k = 0; k < NEAR_BY; k++) {
      consider(held.turn, held.x + (random() - 0.5) * 2 * NEAR * size, held.y + (random() - 0.5) * 2 * NEAR * size)
    }
  }
  const refined = [first, second].flatMap((p) => (p ? [descend(layout, i, p, COARSE * size, FINE * size, random)] : []))
  const best = refined.reduce<Place | null>((b, p) => (!b || p.cost < b.cost ? p : b), null)
  return best && best.cost < now ? best : null
}

const AXES = [
  [1, 0],
  [0, 1],
  [Math.SQRT1_2, Math.SQRT1_2],
  [Math.SQRT1_2, -Math.SQRT1_2],
] as const

/** From a place along one axis after another, to both sides, with steps that grow where they help and halve where not. */
function descend(layout: Layout, i: number, from: Place, step: number, least: number, random: () => number): Place {
  let { x, y, cost } = from
  const { turn } = from
  while (cost > 0 && step > least) {
    const [ax, ay] = AXES[Math.floor(random() * 4)]!
    const ahead = layout.cost(i, turn, x + ax * step, y + ay * step, cost)
    const back = layout.cost(i, turn, x - ax * step, y - ay * step, Math.min(cost, ahead))
    if (back < cost && back <= ahead) {
      x -= ax * step
      y -= ay * step
      cost = back
      step *= 1.1
    } else if (ahead < cost) {
      x += ax * step
      y += ay * step
      cost = ahead
      step *= 1.1
    } else step *= 0.6
  }
  return { turn, x, y, cost }
}
