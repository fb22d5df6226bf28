import type { Layout } from './layout.ts'

/** Exchanges two of the larger items, middle for middle: near-solutions that are stuck begin anew from there. */
export function exchangeTwo(layout: Layout, random: () => number): void {
  const { items, turned } = layout.contacts.stock
  const bySize = [...layout.active].sort((a, b) => items[b]!.area - items[a]!.area)
  const large = bySize.slice(0, Math.max(2, Math.ceil(bySize.length / 2)))
  if (large.length < 2) return
  const pick = () => large[Math.floor(random() * large.length)]!
  const a = pick()
  let b = pick()
  for (let k = 0; k < 20 && (b === a || items[a]!.id === items[b]!.id); k++) b = pick()
  if (a === b) return
  const { turn, x, y } = layout.places
  const middle = (i: number) => {
    const { box } = turned[turn[i]!]!
    return [x[i]! + (box.minX + box.maxX) / 2, y[i]! + (box.minY + box.maxY) / 2] as const
  }
  const [ma, mb] = [middle(a), middle(b)]
  const [ta, tb] = [turn[a]!, turn[b]!]
  layout.lay(a, ta, x[a]! + mb[0] - ma[0], y[a]! + mb[1] - ma[1])
  layout.lay(b, tb, x[b]! + ma[0] - mb[0], y[b]! + ma[1] - mb[1])
}
