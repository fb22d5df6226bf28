import type { Layout, Places } from './layout.ts'
import { copyOf } from './layout.ts'
import { bestPlace } from './bestPlace.ts'
import { shuffle } from '../geometry/random.ts'

/** Rounds without an overlap smaller by this share, after which no more is hoped for. */
const PATIENCE = 50
const WORTH = 0.98
const GROW = 1.2
const GROW_BY_DEPTH = 0.8
const FADE = 0.95
/** What stays in conflict for hundreds of rounds must still be a number. */
const HEAVIEST = 1e30

interface Conflicts {
  /** Depth times size over all conflicts, unweighted. */
  total: number
  items: number[]
}

/** All that overlaps or lies off the sheet, with the weights of it raised and those of all else lowered. */
function weigh(layout: Layout): Conflicts {
  const { active, places, weights, sheetWeights, count } = layout
  const { turn, x, y } = places
  const pairs: number[] = []
  const depths: number[] = []
  let deepest = 0
  let total = 0
  const bad = new Set<number>()
  for (let a = 0; a < active.length; a++) {
    const i = active[a]!
    const off = layout.off(turn[i]!, x[i]!, y[i]!)
    if (off > 0) {
      bad.add(i)
      total += off * layout.smaller(i, i)
      const grown = sheetWeights[i]! * (GROW + GROW_BY_DEPTH * Math.min(1, off / layout.smaller(i, i)))
      sheetWeights[i] = Math.min(HEAVIEST, grown)
    } else sheetWeights[i] = Math.max(1, sheetWeights[i]! * FADE)
    for (let b = 0; b < a; b++) {
      const j = active[b]!
      const depth = layout.between(i, j)
      const at = i * count + j
      if (depth === 0) {
        if (weights[at]! > 1) weights[at] = weights[j * count + i] = Math.max(1, weights[at]! * FADE)
        continue
      }
      bad.add(i)
      bad.add(j)
      total += depth * layout.smaller(i, j)
      if (depth > deepest) deepest = depth
      pairs.push(i, j)
      depths.push(depth)
    }
  }
  depths.forEach((depth, k) => {
    const [i, j] = [pairs[2 * k]!, pairs[2 * k + 1]!]
    const at = i * count + j
    const grown = weights[at]! * (GROW + (GROW_BY_DEPTH * depth) / deepest)
    weights[at] = weights[j * count + i] = Math.min(HEAVIEST, grown)
  })
  return { total, items: [...bad] }
}

/**
 * Moves what is in conflict until nothing is, or until rounds no longer help: yields after every round, and returns how
 * much overlap is left in the best of them (0 where all is apart; the layout then lies so).
 */
export function* separate(layout: Layout, random: () => number, patience = PATIENCE): Generator<void, number> {
  let best: { total: number; places: Places } | null = null
  let since = 0
  for (;;) {
    const { total, items } = weigh(layout)
    if (total === 0) return 0
    if (!best || total < WORTH * best.total) since = 0
    if (!best || total < best.total) best = { total, places: copyOf(layout.places) }
    if (since++ >= patience) break
    shuffle(items, random)
    const { turn, x, y } = layout.places
    for (const i of items) {
      const now = layout.cost(i, turn[i]!, x[i]!, y[i]!, Infinity)
      if (now === 0) continue
      const found = bestPlace(layout, i, random, now)
      if (found) layout.lay(i, found.turn, found.x, found.y)
    }
    yield
  }
  layout.restore(best.places)
  return best.total
}
