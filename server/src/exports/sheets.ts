import {
  boxOf,
  intersect,
  mirror,
  outermost,
  rotate,
  translate,
  type DrawablePart,
  type Path,
  type Point,
  type Foot,
  type PairPart,
} from '@gentle-awl/core'
import { drawnAs, type Face } from './faces.ts'
import { CELL, Raster, shapeOf, type Shape } from './raster.ts'

export const papers = {
  a4: { name: 'A4', width: 210, height: 297 },
  a3: { name: 'A3', width: 297, height: 420 },
  letter: { name: 'Letter', width: 215.9, height: 279.4 },
} as const
export type Paper = keyof typeof papers

/** mm: white edge that every printer can spare, the strip at the foot for bar and words, and how far two sheets of one piece overlap. */
export const MARGIN = 10
export const FOOT = 16
export const OVERLAP = 12
/** A register cross keeps so far from the edge of its sheet, mm, so that all of it is printed. */
const INSIDE = 5

/** A part of one foot, or a stretch of one, where it lies on its page: `move` takes its flat points there. */
export interface Placed {
  part: DrawablePart
  foot: Foot
  move: (path: Path, closed?: boolean) => Path
  /** Of a part that is longer than the paper: the window of the page in which this stretch is drawn, and which it is. */
  stretch: { window: { x: number; y: number; width: number; height: number }; index: number; of: number } | null
  /** Where crosses are drawn to lay this stretch on the next: at the same places of the part on both sheets. */
  crosses: Point[]
}

/** One page, mm, x to the right and y up. */
export interface Sheet {
  placed: Placed[]
}

export const windowOf = (paper: Paper) => ({
  width: papers[paper].width - 2 * MARGIN,
  height: papers[paper].height - 2 * MARGIN - FOOT,
})

/** What is packed: a part as it is turned, or one stretch of it, with its own box at the origin. */
interface Item {
  part: DrawablePart
  foot: Foot
  lay: (path: Path, closed?: boolean) => Path
  width: number
  height: number
  stretch: { index: number; of: number } | null
  /** Crosses in the item's own box. */
  crosses: Point[]
}

const flatOf =
  (drawn: Foot, degrees: number) =>
  (path: Path, closed = true): Path =>
    rotate(drawn === 'left' ? mirror(path, closed) : path, degrees)

/** Every so many degrees a part is tried that fits the paper neither upright nor across. */
const TURNS = 3

/** How a part is turned to go on one page, degrees; null when it is too large for it. */
function turnToFit(outline: Path, drawn: Foot, window: { width: number; height: number }): number | null {
  const fits = (degrees: number) => {
    const b = boxOf(flatOf(drawn, degrees)(outline))
    const [w, h] = [b.maxX - b.minX + 2, b.maxY - b.minY + 2]
    return w <= window.width && h <= window.height
  }
  if (fits(0)) return 0
  if (fits(90)) return 90
  for (let d = TURNS; d < 180; d += TURNS) if (fits(d)) return d
  return null
}

/** The least box of a part that stands upright on the paper: along its own longest way. */
function standing(outline: Path, drawn: Foot): number {
  let best = { degrees: 0, width: Infinity }
  for (let d = 0; d < 180; d += TURNS) {
    const b = boxOf(flatOf(drawn, d)(outline))
    if (b.maxX - b.minX < best.width) best = { degrees: d, width: b.maxX - b.minX }
  }
  return best.degrees
}

/** A cut is looked for so near to where it would part a piece evenly, as a share of a stretch: not at its very ends. */
const NEAR = 0.1

/** Levels at which a part longer than the paper is cut: in stretches of at most `most` mm, each cut where the part is narrowest. */
function cutsOf(upright: Path, most: number): number[] {
  const { minY, maxY } = boxOf(upright)
  const [low, high] = [minY - 1, maxY + 1]
  const half = OVERLAP / 2
  const count = Math.ceil((high - low - OVERLAP) / (most - OVERLAP))
  const wide = (y: number) => {
    const c = outermost(upright, { y })
    return c ? c[1] - c[0] : Infinity
  }
  const cuts: number[] = []
  for (let k = 1; k < count; k++) {
    // What is left on either side must go on its sheets.
    const even = low + ((high - low) * k) / count
    const about = (NEAR * (high - low)) / count
    const from = Math.max(high - (count - k) * (most - OVERLAP) - half, even - about)
    const to = Math.min(k === 1 ? low + most - half : cuts[k - 2]! + most - OVERLAP, even + about)
    let best = (from + to) / 2
    for (let y = from; y <= to; y += 2) if (wide(y) < wide(best) - 1e-9) best = y
    cuts.push(best)
  }
  return cuts
}

/** One part of one foot as what is packed: whole where it fits a page, else in stretches with crosses to join them by. */
function itemsOf(part: DrawablePart, foot: Foot, paper: Paper, face: Face): Item[] {
  const window = windowOf(paper)
  const drawn = drawnAs(foot, face)
  const whole = turnToFit(part.outline, drawn, window)
  const degrees = whole ?? standing(part.outline, drawn)
  const flat = flatOf(drawn, degrees)
  const outline = flat(part.outline)
  const box = boxOf(outline)
  const [width, height] = [box.maxX - box.minX + 2, box.maxY - box.minY + 2]
  const at =
    (dx: number, dy: number) =>
    (path: Path, closed = true): Path =>
      translate(flat(path, closed), dx, dy)
  if (whole !== null) {
    return [{ part, foot, lay: at(1 - box.minX, 1 - box.minY), width, height, stretch: null, crosses: [] }]
  }
  if (width > window.width) return quartered({ part, foot, outline, flat, width, height }, window)
  const cuts = cutsOf(outline, window.height)
  const ends = [box.minY - 1 - OVERLAP / 2, ...cuts, box.maxY + 1 + OVERLAP / 2]
  return ends.slice(1).map((to, i): Item => {
    const from = ends[i]!
    const [low, high] = [
      from - OVERLAP / 2 + (i === 0 ? OVERLAP : 0),
      to + OVERLAP / 2 - (i + 2 === ends.length ? OVERLAP : 0),
    ]
    return {
      part,
      foot,
      lay: at(1 - box.minX, -low),
      width,
      height: high - low,
      stretch: { index: i, of: ends.length - 1 },
      crosses: [...(i > 0 ? [from] : []), ...(i + 2 < ends.length ? [to] : [])].flatMap((y) =>
        crossesOn(outline, y).map(([x]): Point => [x + 1 - box.minX, y - low]),
      ),
    }
  })
}

/** Two places on a level cut, inside the part and well inside the sheet, where crosses lie. */
function crossesOn(outline: Path, y: number): Point[] {
  const c = outermost(outline, { y })
  if (!c) return []
  const inset = Math.min(INSIDE + 3, (c[1] - c[0]) / 4)
  return [
    [c[0] + inset, y],
    [c[1] - inset, y],
  ]
}

/** A part too wide and too long for the paper: in a grid of windows, each with crosses on its cuts. */
function quartered(
  {
    part,
    foot,
    outline,
    flat,
    width,
    height,
  }: Pick<Item, 'part' | 'foot' | 'width' | 'height'> & {
    outline: Path
    flat: (path: Path, closed?: boolean) => Path
  },
  window: { width: number; height: number },
): Item[] {
  const box = boxOf(outline)
  const split = (length: number, most: number) => {
    const n = Math.max(1, Math.ceil((length - OVERLAP) / (most - OVERLAP)))
    const step = (length - OVERLAP) / n
    return Array.from({ length: n }, (_, k) => ({ from: k * step, size: step + OVERLAP }))
  }
  const columns = split(width, window.width)
  const rows = split(height, window.height)
  const of = columns.length * rows.length
  const mid = OVERLAP / 2
  return rows.flatMap((row, j) =>
    columns.map((column, i): Item => {
      const xs = [...(i > 0 ? [mid] : []), ...(i + 1 < columns.length ? [column.size - mid] : [])]
      const ys = [...(j > 0 ? [mid] : []), ...(j + 1 < rows.length ? [row.size - mid] : [])]
      return {
        part,
        foot,
        lay: (path, closed) => translate(flat(path, closed), 1 - box.minX - column.from, 1 - box.minY - row.from),
        width: column.size,
        height: row.size,
        stretch: { index: j * columns.length + i, of },
        crosses: [
          ...xs.flatMap((x): Point[] => [0.25, 0.75].map((t): Point => [x, row.size * t])),
          ...ys.flatMap((y): Point[] => [0.25, 0.75].map((t): Point => [column.size * t, y])),
        ],
      }
    }),
  )
}

/** Quarter turns of a box w x h about its own corner: where its points go. */
const QUARTERS: ((p: Point, w: number, h: number) => Point)[] = [
  (p) => p,
  ([x, y], _w, h) => [h - y, x],
  ([x, y], w, h) => [w - x, h - y],
  ([x, y], w) => [y, w - x],
]

/** An item turned by so many quarters, with the shape that it takes of a page. */
interface Turned {
  item: Item
  turn: (p: Point) => Point
  width: number
  height: number
  shape: Shape
}

function turnedItems(item: Item, window: { width: number; height: number }): Turned[] {
  const outline = item.lay(item.part.outline)
  const box: Path = [
    [0, 0],
    [item.width, 0],
    [item.width, item.height],
    [0, item.height],
  ]
  // Of a part in stretches only what is on this one takes room; a whole one lies inside its box anyway.
  const own = item.stretch ? intersect(outline, box, item.part.name) : outline
  return QUARTERS.flatMap((quarter, k): Turned[] => {
    const [width, height] = k % 2 === 0 ? [item.width, item.height] : [item.height, item.width]
    if (width > window.width || height > window.height) return []
    const turn = (p: Point) => quarter(p, item.width, item.height)
    return [{ item, turn, width, height, shape: shapeOf(own.map(turn), width, height) }]
  })
}

function onPage({ item, turn, width, height }: Turned, x: number, y: number): Placed {
  const place = (p: Point): Point => {
    const [px, py] = turn(p)
    return [x + px, y + py]
  }
  return {
    part: item.part,
    foot: item.foot,
    move: (path, closed) => item.lay(path, closed).map(place),
    stretch: item.stretch && { ...item.stretch, window: { x, y, width, height } },
    crosses: item.crosses.map(place),
  }
}

/** In what order items are laid, and which of the places that are free is taken: the least by these figures. */
interface Way {
  order: (a: Turned, b: Turned) => number
  worth: (way: Turned, at: Point) => number
}
const orders: Way['order'][] = [
  (a, b) => b.shape.cells - a.shape.cells,
  (a, b) => Math.max(b.width, b.height) - Math.max(a.width, a.height),
  (a, b) => b.width * b.height - a.width * a.height,
]
const worths: Way['worth'][] = [
  // As low as it goes, then as far left; or so that its own top lies low, which lays long ones on their side.
  (_, [column, row]) => 1000 * row + column,
  ({ shape }, [column, row]) => 1000 * (row + shape.rows) + column,
]
const strategies = orders.flatMap((order) => worths.map((worth): Way => ({ order, worth })))

/**
 * All parts of both feet on pages: none is cut that fits the paper, turned if need be; what is longer is cut across near
 * its middle, where it is narrowest. Strips are cut by measure and have no sheet. One after the other goes to the first
 * page that has room for its shape, whatever way round; of some orders the one with the fewest pages is taken.
 */
export function layOutAll(parts: readonly PairPart[], paper: Paper, face: Face = 'face'): Sheet[] {
  const window = windowOf(paper)
  const items = parts
    .flatMap((p) => p.feet.map(({ foot, part }) => ({ foot, part })))
    .filter(({ part }) => !part.strip)
    .flatMap(({ foot, part }) => itemsOf(part, foot, paper, face))
    .map((item) => turnedItems(item, window))
  return strategies
    .map((way) => packed(items, window, way))
    .reduce((best, sheets) => (sheets.length < best.length ? sheets : best))
}

function packed(items: readonly Turned[][], window: { width: number; height: number }, { order, worth }: Way): Sheet[] {
  const pages: { taken: Raster; sheet: Sheet }[] = []
  const placeOn = (page: (typeof pages)[number], ways: readonly Turned[]): boolean => {
    let found: { way: Turned; at: Point; worth: number } | null = null
    for (const way of ways) {
      const at = page.taken.room(way.shape)
      if (at && (found === null || worth(way, at) < found.worth)) found = { way, at, worth: worth(way, at) }
    }
    if (found === null) return false
    page.taken.take(found.way.shape, found.at)
    page.sheet.placed.push(onPage(found.way, found.at[0] * CELL, found.at[1] * CELL))
    return true
  }
  for (const ways of [...items].sort((a, b) => order(a[0]!, b[0]!))) {
    if (pages.some((page) => placeOn(page, ways))) continue
    const page = { taken: new Raster(window.width, window.height), sheet: { placed: [] } }
    pages.push(page)
    if (!placeOn(page, ways)) throw new Error(`${ways[0]!.item.part.name} does not fit an empty page.`)
  }
  return pages.map((p) => p.sheet)
}

/** Pages (from 0) on which a part lies, in order. */
export const pagesOf = (sheets: readonly Sheet[], id: string): number[] =>
  sheets.flatMap((s, i) => (s.placed.some((p) => p.part.id === id) ? [i] : []))
