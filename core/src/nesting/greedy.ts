import { drawPlace } from './drawPlace.ts'
import type { Layout } from './layout.ts'

/** Places tried for each item, and how closely it is pushed up to what lies there already, mm. */
const TRIES = 240
const PUSHED = 0.05

/**
 * Lays one item after the other free of all others, as far to the left as a few tries find, and pushes it there:
 * yields after each. Returns those for which no room was found.
 */
export function* greedy(layout: Layout, order: readonly number[], random: () => number): Generator<void, number[]> {
  const out: number[] = []
  for (const i of order) {
    if (!layLeftmost(layout, i, random)) out.push(i)
    yield
  }
  return out
}

function layLeftmost(layout: Layout, i: number, random: () => number): boolean {
  const { contacts } = layout
  const { turns, size } = contacts.stock.items[i]!
  const { sheetBox } = contacts
  const reached = Math.max(sheetBox.minX, layout.reach())
  let best: { turn: number; x: number; y: number; right: number } | null = null
  for (let k = 0; k < TRIES; k++) {
    // First within what is used already and a little more; on the whole sheet if that fails.
    const near = k < TRIES / 2 ? reached + 2 * size : Infinity
    const drawn = drawPlace(layout, turns, random, Math.min(near, layout.limit, best?.right ?? Infinity))
    if (!drawn) continue
    const { turn } = drawn
    let { x, y } = drawn
    if (!layout.hasRoom(i, turn, x, y)) continue
    for (let step = size / 2; step > PUSHED;) {
      if (layout.hasRoom(i, turn, x - step, y)) x -= step
      else if (layout.hasRoom(i, turn, x, y - step)) y -= step
      else step /= 2
    }
    best = { turn, x, y, right: x + contacts.stock.turned[turn]!.bareBox.maxX }
  }
  if (best) layout.lay(i, best.turn, best.x, best.y)
  return best !== null
}
