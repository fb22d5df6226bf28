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
    const turn = turns[Math.floor(random() * turns.length)]!
    const room = contacts.room(turn)
    if (!room) continue
    const { bareBox } = contacts.stock.turned[turn]!
    // First within what is used already and a little more; on the whole sheet if that fails.
    const near = reached + 2 * size - bareBox.maxX
    const most = Math.min(
      k < TRIES / 2 ? near : Infinity,
      room.maxX,
      layout.limit - bareBox.maxX,
      best ? best.right - bareBox.maxX : Infinity,
    )
    if (most < room.minX) continue
    let x = room.minX + random() * (most - room.minX)
    let y = room.minY + random() * (room.maxY - room.minY)
    if (!layout.hasRoom(i, turn, x, y)) continue
    for (let step = size / 2; step > PUSHED;) {
      if (layout.hasRoom(i, turn, x - step, y)) x -= step
      else if (layout.hasRoom(i, turn, x, y - step)) y -= step
      else step /= 2
    }
    best = { turn, x, y, right: x + bareBox.maxX }
  }
  if (best) layout.lay(i, best.turn, best.x, best.y)
  return best !== null
}
