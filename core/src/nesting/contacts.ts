import { boxOf, counterClockwise, type Path } from '../geometry/path.ts'
import { offset } from '../geometry/polygonClip.ts'
import { ContactGrid, type Reach } from './contactGrid.ts'
import { convolution, type Rings } from './convolution.ts'
import type { Stock } from './shapes.ts'
import { flippedOver, turnBy, turnPath, whole } from './turnPath.ts'

/** About so many cells has the table of two shapes, and that of a shape on the sheet. */
const PAIR_CELLS = 3_000
const SHEET_CELLS = 5_000
/** The sheet is taken for so much larger all round that a piece as wide as the sheet still has somewhere to lie, mm. */
const SLACK = 0.01

/** A sheet, hide or roll: where it ends, and what nothing may lie on. */
export interface Sheet {
  outline: Path
  holes: readonly Path[]
  /** What nothing may lie on with that of it which is seen. */
  marks?: readonly Path[]
}

/** The table of two shapes; a step (x, y) between them on the sheet is (xx x + xy y, yx x + yy y) in it. */
interface Pair {
  grid: ContactGrid
  xx: number
  xy: number
  yx: number
  yy: number
}

const edgesOf = (ring: Path): number[] => ring.flatMap((p, i) => [...p, ...ring[(i + 1) % ring.length]!])

const sideFor = ({ minX, minY, maxX, maxY }: Reach, cells: number): number =>
  Math.max(0.05, Math.sqrt(((maxX - minX) * (maxY - minY)) / cells))

/**
 * Tables of all that can touch, each made when it is first asked for. Two shapes share one table for all turns of both
 * that are the same towards each other, and both flipped share it too.
 */
export class Contacts {
  private readonly grids = new Map<string, ContactGrid>()
  private readonly pairs: (Pair | undefined)[]
  private readonly onSheet: (ContactGrid | null | undefined)[]
  private readonly rings: Rings
  private readonly marks: Rings
  readonly sheetBox: Reach
  private readonly rooms: readonly (Reach | null)[]

  constructor(
    readonly stock: Stock,
    sheet: Sheet,
  ) {
    this.pairs = new Array<Pair | undefined>(stock.turned.length ** 2)
    this.onSheet = new Array<ContactGrid | null | undefined>(stock.turned.length)
    const outline = offset(sheet.outline, SLACK, 'the sheet')
    this.sheetBox = boxOf(outline)
    const s = this.sheetBox
    this.rooms = stock.turned.map(({ bareBox: b }) => {
      const reach = { minX: s.minX - b.minX, minY: s.minY - b.minY, maxX: s.maxX - b.maxX, maxY: s.maxY - b.maxY }
      return reach.maxX >= reach.minX && reach.maxY >= reach.minY ? reach : null
    })
    // What is filled is everything outside the sheet, and its flaws.
    this.marks = (sheet.marks ?? []).map(counterClockwise)
    this.rings = [[...outline].reverse(), ...sheet.holes.map(counterClockwise)]
  }

  /** How deep one turned shape lies in another that lies so far from it, mm; exactly 0 where they are apart. */
  depth(moving: number, fixed: number, dx: number, dy: number): number {
    const { grid, xx, xy, yx, yy } = this.pair(moving, fixed)
    return grid.depth(xx * dx + xy * dy, yx * dx + yy * dy)
  }

  /** Whether one turned shape that lies so far from another lies into it. */
  overlaps(moving: number, fixed: number, dx: number, dy: number): boolean {
    const { grid, xx, xy, yx, yy } = this.pair(moving, fixed)
    return grid.isTaken(xx * dx + xy * dy, yx * dx + yy * dy)
  }

  private pair(moving: number, fixed: number): Pair {
    return (this.pairs[moving * this.stock.turned.length + fixed] ??= this.pairOf(moving, fixed))
  }

  /**
   * Both are turned back, and flipped back, until the one that stays lies as its shape does: then the other one lies in
   * one of few ways towards it, whatever the turns of both on the sheet.
   */
  private pairOf(moving: number, fixed: number): Pair {
    const [a, b] = [this.stock.turned[moving]!, this.stock.turned[fixed]!]
    const swapped = a.shape > b.shape
    const [mover, rest] = swapped ? [b, a] : [a, b]
    const flipped = mover.flipped !== rest.flipped
    const side = rest.flipped ? -1 : 1
    const turn = whole(side * (mover.turn - rest.turn))
    const key = `${mover.shape} ${rest.shape} ${flipped} ${turn}`
    let grid = this.grids.get(key)
    if (!grid) this.grids.set(key, (grid = this.gridOf(mover.shape, rest.shape, flipped, turn)))
    const [cos, sin] = turnBy(rest.turn)
    // The step from the one that stays to the other is the other way round where they have changed their parts.
    const way = swapped ? -1 : 1
    return { grid, xx: way * cos, xy: way * sin, yx: -way * side * sin, yy: way * side * cos }
  }

  private gridOf(mover: number, rest: number, flipped: boolean, turn: number): ContactGrid {
    const fixed = this.stock.shapes[rest]!.outline
    const own = this.stock.shapes[mover]!.outline
    const moving = turnPath(flipped ? flippedOver(own) : own, turn)
    const [f, m] = [boxOf(fixed), boxOf(moving)]
    const reach = { minX: f.minX - m.maxX, minY: f.minY - m.maxY, maxX: f.maxX - m.minX, maxY: f.maxY - m.minY }
    return new ContactGrid(convolution([fixed], [moving]), reach, sideFor(reach, PAIR_CELLS), 0, 'free')
  }

  /** Where a turned shape could lie if there were no flaws: null where it is larger than the sheet. */
  room(turned: number): Reach | null {
    return this.rooms[turned]!
  }

  /** How far a turned shape at a place has to move to lie on the sheet and on no flaw, mm; exactly 0 where it does. */
  offSheet(turned: number, x: number, y: number): number {
    return this.sheetOf(turned)?.depth(x, y) ?? Infinity
  }

  /** Whether a turned shape at a place lies on the sheet and on no flaw. */
  isOnSheet(turned: number, x: number, y: number): boolean {
    const grid = this.sheetOf(turned)
    return grid !== null && !grid.isTaken(x, y)
  }

  private sheetOf(turned: number): ContactGrid | null {
    const grid = this.onSheet[turned]
    return grid === undefined ? (this.onSheet[turned] = this.sheetGrid(turned)) : grid
  }

  private sheetGrid(turned: number): ContactGrid | null {
    const reach = this.room(turned)
    if (!reach) return null
    const { bare, avoid, barred, seen } = this.stock.turned[turned]!
    const all = convolution([...this.rings, ...avoid], [bare])
    // Winding numbers add: what is seen is held against the marks beside the rest, and places that are barred as they are.
    const more = [...(this.marks.length > 0 ? convolution(this.marks, [seen]) : []), ...barred.flatMap(edgesOf)]
    const segments = more.length > 0 ? Float64Array.from([...all, ...more]) : all
    // Far from the sheet the winding number is 0; a shape that lies wholly on it and on no flaw is taken away once more.
    return new ContactGrid(segments, reach, sideFor(reach, SHEET_CELLS), -1, 'taken')
  }
}
