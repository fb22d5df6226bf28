import { isBetter, taken, type Candidate } from './candidate.ts'
import { copyOf, type Layout } from './layout.ts'
import { swapAlike, alikeIn } from './swapAlike.ts'
import { separate } from './separate.ts'

/** So much longer a layout may become for mates that lie nearer to each other, as a share of its length. */
const LONGER = 0.03
/** While pieces make room, a millimetre from the mate costs as much as a hundredth of one of overlap or so. */
const PULL = 1
const PATIENCE = 25
/** Of two mates the one that is moved goes to the other's side, or changes places with what lies there. */
const CHANGES = 0.6
const GAIN = 1e-6

/** What a search for mates side by side goes by. */
export interface BringingTogether {
  layout: Layout
  random: () => number
  /** The share of the time that is gone. */
  progress: () => number
  /** Told whenever mates lie better than ever. */
  tell: () => void
  /** The best that was found anywhere. */
  other: () => Candidate | null
}

/**
 * Brings mates nearer to each other in a layout without overlaps that stays as full and nearly as short: one of two that lie
 * far apart goes beside the other, all that is then in conflict makes room, and what is better by `taken` is kept. Yields
 * after every round and ends when the time is gone.
 */
export function* bringTogether({ layout, random, progress, tell, other }: BringingTogether): Generator<void> {
  const { items } = layout.contacts.stock
  const alike = alikeIn(layout.contacts.stock)
  const left = layout.contacts.sheetBox.minX
  const start = other()
  if (!start) return
  let best = start
  const until = left + (best.reach - left) * (1 + LONGER)
  while (progress() < 1) {
    const elsewhere = other()
    if (elsewhere && isBetter(elsewhere, best)) best = elsewhere
    layout.restore(best.places)
    const { turn, x, y, laid } = layout.places
    const couples = layout.active.filter((i) => items[i]!.mate > i && laid[items[i]!.mate])
    const far = pick(
      couples,
      couples.map((i) => layout.fromMate(i, turn[i]!, x[i]!, y[i]!)),
      random,
    )
    if (far === null) return
    const goes = random() < 0.5 ? far : items[far]!.mate
    moveBeside(layout, goes, random)
    layout.limit = until
    layout.pull = PULL
    layout.forgetWeights()
    const rest = yield* separate(layout, random, PATIENCE)
    layout.limit = Infinity
    layout.pull = 0
    if (rest > 0) continue
    swapAlike(layout, alike)
    const found = { places: copyOf(layout.places), area: best.area, reach: layout.reach(), apart: layout.apart() }
    if (taken(found) >= taken(best) - GAIN) continue
    best = found
    tell()
  }
  layout.restore(best.places)
}

/** One of several, each as likely as its weight is large; null where there is none with any. */
function pick(from: readonly number[], weights: readonly number[], random: () => number): number | null {
  let at = random() * weights.reduce((sum, w) => sum + w, 0)
  for (const [k, i] of from.entries()) if ((at -= weights[k]!) < 0) return i
  return from.at(-1) ?? null
}

/** Lays an item beside its mate, or where a neighbour of that lies, which then takes its place. */
function moveBeside(layout: Layout, i: number, random: () => number): void {
  const { items, turned } = layout.contacts.stock
  const { turn, x, y } = layout.places
  const { mate, size } = items[i]!
  const middle = (k: number): [number, number] => {
    const { bareBox: b } = turned[turn[k]!]!
    return [x[k]! + (b.minX + b.maxX) / 2, y[k]! + (b.minY + b.maxY) / 2]
  }
  const lay = (k: number, [mx, my]: readonly [number, number]) => {
    const { turns } = items[k]!
    const t = turns[Math.floor(random() * turns.length)]!
    const { bareBox: b } = turned[t]!
    layout.lay(k, t, mx - (b.minX + b.maxX) / 2, my - (b.minY + b.maxY) / 2)
  }
  const [mx, my] = middle(mate)
  const near = (size + items[mate]!.size) / 2
  if (random() < CHANGES) {
    const beside = layout.active.filter((k) => {
      const [kx, ky] = middle(k)
      return k !== i && k !== mate && Math.hypot(kx - mx, ky - my) < 1.6 * near
    })
    const other = beside[Math.floor(random() * beside.length)]
    if (other !== undefined) {
      const [own, there] = [middle(i), middle(other)]
      lay(other, own)
      lay(i, there)
      return
    }
  }
  const a = 2 * Math.PI * random()
  lay(i, [mx + near * Math.cos(a), my + near * Math.sin(a)])
}
