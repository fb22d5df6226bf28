import type { Layout } from './layout.ts'

/** Where a turn is barred from most of the sheet, so many places are drawn for one that it may have. */
const DRAWS = 16

/** A random place for one of several turns, its right end no farther than `rightmost`, mm; null where the draw was no place. */
export function drawPlace(
  { contacts }: Layout,
  turns: readonly number[],
  random: () => number,
  rightmost: number,
): { turn: number; x: number; y: number } | null {
  for (let k = 0; k < DRAWS; k++) {
    const turn = turns.length === 1 ? turns[0]! : turns[Math.floor(random() * turns.length)]!
    const { bareBox, barred } = contacts.stock.turned[turn]!
    const room = contacts.room(turn)
    const most = room ? Math.min(room.maxX, rightmost - bareBox.maxX) : -Infinity
    if (room && most >= room.minX) {
      const x = room.minX + random() * (most - room.minX)
      const y = room.minY + random() * (room.maxY - room.minY)
      if (barred.length === 0 || contacts.isOnSheet(turn, x, y)) return { turn, x, y }
    }
    if (barred.length === 0) return null
  }
  return null
}
