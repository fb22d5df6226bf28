import { separate } from './separate.ts'
import { copyOf, type Layout, type Places } from './layout.ts'
import { exchangeTwo } from './exchangeTwo.ts'

/** How much shorter is tried while exploring, most and least, as shares of the length; less after so many failures. */
const MOST = 0.03
const LEAST = 0.001
const FAILURES = 4
/** While compressing, from a share to one that is no gain any more. */
const COMPRESS = [0.0005, 0.00001] as const
/** The share of the time that is left for exploring before it is compressed, and near-solutions that are kept. */
const EXPLORING = 0.75
const POOL = 20
const COMPRESS_PATIENCE = 60

/** What a search for a shorter layout goes by. */
export interface Shortening {
  /** Lies without overlaps. */
  layout: Layout
  random: () => number
  /** The share of the time that is gone. */
  progress: () => number
  /** Told whenever the layout is shorter than ever. */
  tell: () => void
  /** A layout that was found elsewhere; null where there is none. */
  other: () => { places: Places; reach: number } | null
}

/**
 * Shortens what a layout without overlaps takes of its sheet from the left. Yields after every round and ends when
 * nothing can be gained any more.
 */
export function* shorten({ layout, random, progress, tell, other }: Shortening): Generator<void> {
  const left = layout.contacts.sheetBox.minX
  let best = { places: copyOf(layout.places), reach: layout.reach() }
  let pool: { places: Places; left: number }[] = []
  const keep = () => {
    best = { places: copyOf(layout.places), reach: layout.reach() }
    pool = []
    tell()
  }
  const adopt = () => {
    const elsewhere = other()
    if (!elsewhere || elsewhere.reach >= best.reach - 1e-6) return
    best = elsewhere
    pool = []
    layout.restore(best.places)
  }
  let step = MOST
  while (progress() < 1) {
    const until = progress() + EXPLORING * (1 - progress())
    for (let failures = 0; progress() < until;) {
      adopt()
      if (pool.length === 0) {
        layout.restore(best.places)
        layout.limit = left + (best.reach - left) * (1 - step)
        cutAcross(layout, best.reach - layout.limit, random)
        failures = 0
      } else {
        // Good ones are taken up more often.
        layout.restore(pool[Math.floor(pool.length * random() ** 2)]!.places)
        exchangeTwo(layout, random)
      }
      layout.forgetWeights()
      const rest = yield* separate(layout, random)
      if (rest === 0) {
        keep()
        step = Math.min(MOST, 1.2 * step)
        continue
      }
      pool.push({ places: copyOf(layout.places), left: rest })
      pool.sort((a, b) => a.left - b.left)
      pool.length = Math.min(pool.length, POOL)
      if (++failures < FAILURES || step <= LEAST) continue
      // Rather a little that can be had than much that cannot.
      step = Math.max(LEAST, 0.6 * step)
      pool = []
    }
    for (let share: number = COMPRESS[0]; share > COMPRESS[1] && progress() < 1;) {
      adopt()
      layout.restore(best.places)
      layout.limit = left + (best.reach - left) * (1 - share)
      layout.forgetWeights()
      const rest = yield* separate(layout, random, COMPRESS_PATIENCE)
      if (rest === 0) keep()
      else share *= 0.7
    }
    pool = []
  }
  layout.limit = Infinity
  layout.restore(best.places)
}

/** Moves all to the right of a line across the sheet to the left by so much. */
function cutAcross(layout: Layout, by: number, random: () => number): void {
  const { minX } = layout.contacts.sheetBox
  const at = minX + random() * (layout.limit - minX)
  const { turn, x, y } = layout.places
  for (const i of [...layout.active]) {
    const { bareBox } = layout.contacts.stock.turned[turn[i]!]!
    const middle = x[i]! + (bareBox.minX + bareBox.maxX) / 2
    if (middle > at) layout.lay(i, turn[i]!, Math.max(x[i]! - by, minX - bareBox.minX), y[i]!)
  }
}
