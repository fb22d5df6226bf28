import { counterClockwise, signedArea } from '../geometry/path.ts'
import { seeded } from '../geometry/random.ts'
import type { Candidate, Exchange } from './candidate.ts'
import { bringTogether } from './bringTogether.ts'
import { Contacts } from './contacts.ts'
import { fill } from './fill.ts'
import { greedy } from './greedy.ts'
import type { NestInstance, Placement } from './instance.ts'
import { copyOf, Layout, type Places } from './layout.ts'
import type { Stock } from './shapes.ts'
import { alikeIn, swapAlike } from './swapAlike.ts'
import { shorten } from './shorten.ts'

/** The share of the time after which only mates are brought together. */
const BEFORE_MATES = 0.7

/** One search on one sheet. */
export interface SheetSearch {
  contacts: Contacts
  /** Items to be laid, by number. */
  among: readonly number[]
  /** mm2, without flaws. */
  sheetArea: number
  random: () => number
  /** The share of the time that is gone. */
  progress: () => number
  exchange: Exchange
  /** Hears of the first layout while its pieces are still being laid, one after the other. */
  beginning?: (soFar: Candidate) => void
}

/**
 * Lays items on one sheet: all of them as far to the left as can be, or as much as it holds. Yields often, so that
 * whoever runs it can stop or look; what was found is with `exchange`.
 */
export function* searchSheet(search: SheetSearch): Generator<void> {
  const { contacts, among, sheetArea, random, progress, exchange, beginning } = search
  const { items } = contacts.stock
  const layout = new Layout(contacts)
  const alike = alikeIn(contacts.stock)
  const asItLies = (): Candidate => ({
    places: copyOf(layout.places),
    area: layout.active.reduce((sum, i) => sum + items[i]!.area, 0),
    reach: layout.reach(),
    apart: layout.apart(),
  })
  const tell = () => {
    swapAlike(layout, alike)
    exchange.tell(asItLies())
  }
  const hasMates = among.some((i) => items[i]!.mate >= 0)
  const first = () => (hasMates ? Math.min(1, progress() / BEFORE_MATES) : progress())
  // Mates, which are as large but for rounding, one after the other.
  const area = (i: number) => Math.round(items[i]!.area)
  const bySize = [...among].sort((a, b) => area(b) - area(a) || a - b)
  const laying = greedy(layout, bySize, random)
  let laid = laying.next()
  for (; !laid.done; laid = laying.next()) {
    beginning?.(asItLies())
    yield
  }
  const out = laid.value
  tell()
  if (out.length > 0) yield* fill({ layout, among, sheetArea, random, progress: first, tell, other: exchange.best })
  if (layout.active.length === among.length) {
    const whole = () => {
      const best = exchange.best()
      return best && among.every((i) => best.places.laid[i]) ? best : null
    }
    yield* shorten({ layout, random, progress: first, tell, other: whole })
  }
  if (hasMates) yield* bringTogether({ layout, random, progress, tell, other: exchange.best })
}

/** Lays a whole stock on one sheet, in one thread. */
export const searchWhole = (
  stock: Stock,
  bin: NestInstance['bin'],
  how: { seed: number } & Pick<SheetSearch, 'progress' | 'exchange' | 'beginning'>,
): Generator<void> =>
  searchSheet({
    contacts: new Contacts(stock, bin),
    among: stock.items.map((_, i) => i),
    sheetArea: areaOf(bin),
    random: seeded(how.seed),
    progress: how.progress,
    exchange: how.exchange,
    beginning: how.beginning,
  })

/** Area of a sheet without its flaws, mm2 (flaws are taken not to lie on each other). */
export const areaOf = ({ outline, holes }: Pick<NestInstance['bin'], 'outline' | 'holes'>): number =>
  Math.abs(signedArea(outline)) - holes.reduce((sum, h) => sum + signedArea(counterClockwise(h)), 0)

/** Places as they are written down. */
export function placementsOf(stock: Stock, places: Places, bin: number): Placement[] {
  return stock.items.flatMap((item, i): Placement[] => {
    if (!places.laid[i]) return []
    const { rotation, mirrored } = stock.turned[places.turn[i]!]!
    return [{ id: item.id, copy: item.copy, bin, x: places.x[i]!, y: places.y[i]!, rotation, mirrored }]
  })
}
