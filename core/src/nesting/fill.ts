import { shuffle } from '../geometry/random.ts'
import { bestPlace } from './bestPlace.ts'
import { separate } from './separate.ts'
import { copyOf, type Layout, type Places } from './layout.ts'

/** How much more than is laid is tried at a time, as a share of the sheet. */
const STEP = 0.003
/** Pieces smaller than this share of the mean go in last, as fillers. */
const FILLER = 0.2
const PATIENCE = 60
/** After so many failures in a row other pieces are tried. */
const STUBBORN = 3

const areaLaid = (layout: Layout): number =>
  layout.active.reduce((sum, i) => sum + layout.contacts.stock.items[i]!.area, 0)

/**
 * The order in which items are wanted on a sheet that cannot hold all: the compact ones first, since they leave the
 * least between them, the very small ones last, since they go into what the others leave.
 */
function wanted(layout: Layout, among: readonly number[]): number[] {
  const { items } = layout.contacts.stock
  const mean = among.reduce((sum, i) => sum + items[i]!.area, 0) / Math.max(1, among.length)
  const filler = (i: number) => (items[i]!.area < FILLER * mean ? 1 : 0)
  return [...among].sort(
    (a, b) => filler(a) - filler(b) || items[b]!.compact - items[a]!.compact || items[b]!.area - items[a]!.area,
  )
}

/** What a search for a fuller layout goes by. */
export interface Filling {
  /** Lies without overlaps. */
  layout: Layout
  /** Items to be laid, by number. */
  among: readonly number[]
  /** mm2, without flaws. */
  sheetArea: number
  random: () => number
  /** The share of the time that is gone. */
  progress: () => number
  /** Told whenever the layout is fuller than ever. */
  tell: () => void
  /** A layout that was found elsewhere; null where there is none. */
  other: () => { places: Places; area: number } | null
}

/** Gets as much as it can onto a sheet: yields after every round, and ends when all is laid or the time is gone. */
export function* fill({ layout, among, sheetArea, random, progress, tell, other }: Filling): Generator<void> {
  const { items } = layout.contacts.stock
  const order = wanted(layout, among)
  let best = { places: copyOf(layout.places), area: areaLaid(layout) }
  let failures = 0
  while (progress() < 1 && among.some((i) => !best.places.laid[i])) {
    const elsewhere = other()
    if (elsewhere && elsewhere.area > best.area + 1e-6) {
      best = elsewhere
      failures = 0
    }
    layout.restore(best.places)
    layout.forgetWeights()
    const outside = order.filter((i) => !best.places.laid[i])
    // What is wanted most goes in first; where that fails again and again, whatever else would be gained by.
    if (failures >= STUBBORN) shuffle(outside, random)
    if (failures >= STUBBORN && random() < 0.5) {
      const goes = layout.active[Math.floor(random() * layout.active.length)]
      if (goes !== undefined) layout.leaveOut(goes)
    }
    const goal = best.area + (failures >= STUBBORN ? 0 : STEP * sheetArea)
    let area = areaLaid(layout)
    for (const i of outside) {
      if (area > goal) break
      // More than a few steps at once are not to be had by chance.
      if (failures >= STUBBORN && area + items[i]!.area > best.area + 4 * STEP * sheetArea) continue
      const place = bestPlace(layout, i, random, Infinity, 60)
      if (!place) continue
      layout.lay(i, place.turn, place.x, place.y)
      area += items[i]!.area
    }
    if (area <= best.area + 1e-6) {
      failures++
      yield
      continue
    }
    const rest = yield* separate(layout, random, PATIENCE)
    if (rest > 0) {
      failures++
      continue
    }
    failures = 0
    best = { places: copyOf(layout.places), area }
    tell()
  }
  layout.restore(best.places)
}
