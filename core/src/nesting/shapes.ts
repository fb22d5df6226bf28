import { convexHull } from '../geometry/convexHull.ts'
import { boxOf, counterClockwise, GeometryError, signedArea, translate, type Box, type Path } from '../geometry/path.ts'
import { offset } from '../geometry/polygonClip.ts'
import { isSimple } from '../geometry/selfIntersection.ts'
import { simplify } from '../geometry/simplify.ts'
import { KnownOutlines, type Likeness } from './knownOutlines.ts'
import { flippedOver, turnPath, whole } from './turnPath.ts'

/**
 * A corner is dropped where the outline moves by no more than this before and after it is grown, mm: two outlines lie into
 * each other by twice as much as both at most.
 */
const FINE = 0.004
const ROUGH = 0.016
/**
 * Where an outline has many corners, hollows narrower than twice this are filled (teeth, notches), and then those that are
 * no deeper than the other: nothing that is laid would have gone in there, mm.
 */
const NARROW = 4
const SHALLOW = 0.25
const MANY = 70
/** What covers less is no piece, mm2. */
const LEAST_AREA = 0.01
/** Degrees between the turns of a piece that may lie in any. */
const ANY = 15

/** One outline that pieces are cut by: grown by half the gap, and as it is, with few corners. */
export interface Shape {
  outline: Path
  bare: Path
}

/** A piece in one of its turns: a shape, flipped over the x axis or not, and then turned by so many degrees. */
export interface Turned {
  shape: number
  flipped: boolean
  turn: number
  /** The same as it is said of the piece: mirrored in x or not, and then turned. */
  mirrored: boolean
  rotation: number
  outline: Path
  box: Box
  /** The piece itself, without its share of the gap: it may touch the edge of the sheet. */
  bare: Path
  bareBox: Box
  /** Places of the sheet that it keeps off, counter-clockwise. */
  avoid: readonly Path[]
  /** Where its origin may not lie in this turn; what is barred lies to the left of every edge. */
  barred: readonly Path[]
  /** What of the piece keeps off marks of the sheet. */
  seen: Path
}

/** One piece to be laid, with the places in `turned` that it may lie in. */
export interface Item {
  id: string
  copy: number
  turns: readonly number[]
  /** Its own area, without the gap, and how much of its hull that is. */
  area: number
  compact: number
  /** For weighing: the side of a square so large, mm. */
  size: number
  /** The item that belongs beside it, by number; -1 where there is none. */
  mate: number
}

/** What is laid, each shape once however often it is cut. */
export interface Stock {
  shapes: Shape[]
  turned: Turned[]
  items: Item[]
}

/** A closed outline with as few corners as keep it within `tolerance`, begun where it is widest so that both ends are corners. */
function fewer(path: Path, tolerance: number): Path {
  const first = path.reduce((best, p, i) => (p[0] < path[best]![0] ? i : best), 0)
  const ring = [...path.slice(first), ...path.slice(0, first)]
  const thin = simplify([...ring, ring[0]!], tolerance).slice(0, -1)
  return thin.length >= 3 ? thin : ring
}

/** What other pieces have to keep clear of: an outline grown by so much, its finest hollows filled. */
function kept(own: Path, grow: number, what: string): Path {
  // The fewer corners the sooner it is grown.
  const fine = fewer(own, FINE)
  const grown = fewer(grow > 0 ? offset(fine, grow, what) : fine, ROUGH)
  if (grown.length <= MANY) return grown
  const filled = withoutHollows(fewer(offset(offset(fine, grow + NARROW, what), -NARROW, what), ROUGH))
  return filled.length < grown.length ? filled : grown
}

/** A counter-clockwise outline without the corners that turn inwards and lie no deeper than SHALLOW. */
function withoutHollows(outline: Path): Path {
  const ring = [...outline]
  for (let i = 0, kept = 0; kept < ring.length && ring.length > 3;) {
    const n = ring.length
    const [a, p, b] = [ring[(i + n - 1) % n]!, ring[i % n]!, ring[(i + 1) % n]!]
    const length = Math.sqrt((b[0] - a[0]) ** 2 + (b[1] - a[1]) ** 2) || 1
    // How far the corner lies to the left of the way past it.
    const deep = ((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) / length
    if (deep > 0 && deep <= SHALLOW) {
      ring.splice(i % n, 1)
      i = Math.max(0, (i % n) - 1)
      kept = 0
    } else {
      i = (i + 1) % n
      kept++
    }
  }
  return ring
}

interface Cut {
  id: string
  outline: Path
  count: number
  rotations: readonly number[] | 'any'
  mirror: boolean
  avoid?: readonly Path[]
  mate?: string
  turned_off?: readonly { rotation: number; areas: readonly Path[] }[]
  seen?: Path
}

/** Shapes, turns and items of pieces with `gap` mm between each two. Throws GeometryError where one has no area or crosses itself. */
export function stockOf(pieces: readonly Cut[], gap: number): Stock {
  const stock: Stock = { shapes: [], turned: [], items: [] }
  const known = new KnownOutlines()
  const sameTurned = new Map<string, number>()
  for (const piece of pieces) {
    const own = counterClockwise(piece.outline)
    const area = signedArea(own)
    if (area < LEAST_AREA) throw new GeometryError(`Piece ${piece.id} covers nothing: its outline is a line.`)
    const like = known.find(own)
    if (like.shape === stock.shapes.length) {
      if (!isSimple(own)) throw new GeometryError(`The outline of piece ${piece.id} crosses itself.`)
      stock.shapes.push({ outline: kept(own, gap / 2, `piece ${piece.id}`), bare: fewer(own, ROUGH) })
    }
    const off = keptOff(piece)
    // What keeps off other places of the sheet is another one there.
    const where = JSON.stringify(off)
    const turns: number[] = []
    for (const mirrored of piece.mirror ? [false, true] : [false]) {
      for (const rotation of turnsOf(piece.rotations)) {
        const way = { ...wayOf(like, mirrored, rotation), mirrored, rotation }
        const key = JSON.stringify(way) + where
        const at = sameTurned.get(key) ?? stock.turned.push(turnedOf(stock.shapes[like.shape]!, way, off)) - 1
        sameTurned.set(key, at)
        turns.push(at)
      }
    }
    const compact = area / signedArea(convexHull(own))
    for (let copy = 0; copy < piece.count; copy++) {
      stock.items.push({ id: piece.id, copy, turns, area, compact, size: Math.sqrt(area), mate: -1 })
    }
  }
  for (const { id, mate } of pieces) if (mate !== undefined) bringTogether(stock, id, mate)
  return stock
}

/** How a piece that is alike to a shape lies towards it when it is mirrored in x, or not, and turned then. */
function wayOf({ shape, flipped, turn }: Likeness, mirrored: boolean, rotation: number) {
  // Mirrored in x is flipped over the x axis and turned by half a turn; what was turned before is turned back by it.
  return mirrored
    ? { shape, flipped: !flipped, turn: whole(rotation + 180 - turn) }
    : { shape, flipped, turn: whole(rotation + turn) }
}

type Way = Pick<Turned, 'shape' | 'flipped' | 'turn' | 'mirrored' | 'rotation'>

/** What of the sheet a piece keeps off, and with what of it. */
const keptOff = ({ avoid = [], turned_off = [], seen }: Cut) => ({
  avoid: avoid.map(counterClockwise),
  barred: turned_off,
  seen: seen ? fewer(counterClockwise(seen), ROUGH) : null,
})

/** A piece in one of its turns. */
function turnedOf(of: Shape, way: Way, { avoid, barred, seen }: ReturnType<typeof keptOff>): Turned {
  const lay = (path: Path, { flipped, turn }: Pick<Way, 'flipped' | 'turn'>) =>
    turnPath(flipped ? flippedOver(path) : path, turn)
  const [outline, bare] = [lay(of.outline, way), lay(of.bare, way)]
  const b = boxOf(bare)
  const here = barred.filter((t) => whole(t.rotation) === way.rotation).flatMap(({ areas }) => areas)
  return {
    ...way,
    outline,
    box: boxOf(outline),
    bare,
    bareBox: b,
    avoid,
    barred: here.map((a) => translate(a, -(b.minX + b.maxX) / 2, -(b.minY + b.maxY) / 2)),
    // It is said of the piece itself, which need not lie as its shape does.
    seen: seen ? lay(seen, wayOf({ shape: way.shape, flipped: false, turn: 0 }, way.mirrored, way.rotation)) : bare,
  }
}

function bringTogether({ items }: Stock, id: string, mate: string): void {
  items.forEach((item, i) => {
    const other = item.id === id ? items.findIndex((o) => o.id === mate && o.copy === item.copy) : -1
    if (other < 0) return
    item.mate = other
    items[other]!.mate = i
  })
}

const turnsOf = (rotations: readonly number[] | 'any'): readonly number[] =>
  rotations === 'any' ? Array.from({ length: 360 / ANY }, (_, i) => i * ANY) : [...new Set(rotations.map(whole))]
