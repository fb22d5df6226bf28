import type { Layout } from './layout.ts'
import type { Stock } from './shapes.ts'

const GAIN = 1e-6

/**
 * Of the items that have mates, those that are cut by the same outline in the same turns and kept off the same places:
 * each of a group may lie where another of it does.
 */
export function alikeIn({ items, turned }: Stock): readonly (readonly number[])[] {
  const groups = new Map<string, number[]>()
  const keys = new Map<readonly number[], string>()
  items.forEach(({ turns, mate }, i) => {
    if (mate < 0) return
    let key = keys.get(turns)
    if (key === undefined) {
      key = JSON.stringify(
        turns.map((t) => [turned[t]!.rotation, turned[t]!.bare, turned[t]!.seen, turned[t]!.avoid, turned[t]!.barred]),
      )
      keys.set(turns, key)
    }
    groups.set(key, [...(groups.get(key) ?? []), i])
  })
  return [...groups.values()].filter((g) => g.length > 1)
}

/** Lets items that are alike change places as long as mates come nearer to each other: nothing moves, only what is whose. */
export function swapAlike(layout: Layout, groups: readonly (readonly number[])[]): void {
  const { items } = layout.contacts.stock
  const { turn, x, y, laid } = layout.places
  const from = (i: number) => layout.fromMate(i, turn[i]!, x[i]!, y[i]!)
  const exchange = (i: number, k: number) => {
    const [a, b] = [items[i]!.turns.indexOf(turn[i]!), items[k]!.turns.indexOf(turn[k]!)]
    const [ix, iy] = [x[i]!, y[i]!]
    layout.lay(i, items[i]!.turns[b]!, x[k]!, y[k]!)
    layout.lay(k, items[k]!.turns[a]!, ix, iy)
  }
  for (let gained = true; gained;) {
    gained = false
    for (const group of groups) {
      for (const [n, i] of group.entries()) {
        for (const k of group.slice(0, n)) {
          if (!laid[i] || !laid[k]) continue
          // Two that belong together stay as near as they are.
          const before = from(i) + from(k)
          exchange(i, k)
          if (from(i) + from(k) < before - GAIN) gained = true
          else exchange(i, k)
        }
      }
    }
  }
}
