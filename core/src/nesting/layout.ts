import type { Contacts } from './contacts.ts'

/** Where all items lie: plain arrays by item, to be copied and handed on. */
export interface Places {
  turn: Int32Array
  x: Float64Array
  y: Float64Array
  /** 1 where the item lies on the sheet, 0 where it is left out. */
  laid: Uint8Array
}

export const copyOf = ({ turn, x, y, laid }: Places): Places => ({
  turn: turn.slice(),
  x: x.slice(),
  y: y.slice(),
  laid: laid.slice(),
})

/**
 * Items on a sheet that may lie on each other for a while, and what that costs: for every two that overlap, and every
 * one that leaves the sheet, how deep times the size of the smaller times a weight. Weights of what stays in conflict
 * grow (guided local search, Voudouris and Tsang 1999).
 */
export class Layout {
  readonly places: Places
  readonly weights: Float32Array
  readonly sheetWeights: Float64Array
  /** Nothing may reach further than this in x, mm. */
  limit = Infinity
  /** What it costs that mates lie a millimetre apart, beside overlaps. */
  pull = 0
  /** Of the items that are laid, in no order. */
  active: number[] = []
  private readonly size: Float64Array
  /** Boxes of the items where they lie: from x, from y, to x, to y. */
  private readonly boxes: Float64Array

  constructor(readonly contacts: Contacts) {
    const { items } = contacts.stock
    const n = items.length
    this.places = {
      turn: Int32Array.from(items, (i) => i.turns[0]!),
      x: new Float64Array(n),
      y: new Float64Array(n),
      laid: new Uint8Array(n),
    }
    this.size = Float64Array.from(items, (i) => i.size)
    this.weights = new Float32Array(n * n).fill(1)
    this.sheetWeights = new Float64Array(n).fill(1)
    this.boxes = new Float64Array(4 * n)
  }

  get count(): number {
    return this.size.length
  }

  lay(i: number, turn: number, x: number, y: number): void {
    const { places, boxes } = this
    places.turn[i] = turn
    places.x[i] = x
    places.y[i] = y
    if (!places.laid[i]) {
      places.laid[i] = 1
      this.active.push(i)
    }
    const { box } = this.contacts.stock.turned[turn]!
    boxes[4 * i] = x + box.minX
    boxes[4 * i + 1] = y + box.minY
    boxes[4 * i + 2] = x + box.maxX
    boxes[4 * i + 3] = y + box.maxY
  }

  leaveOut(i: number): void {
    this.places.laid[i] = 0
    this.active = this.active.filter((j) => j !== i)
  }

  /** Lays all as it was once. */
  restore(places: Places): void {
    this.active = []
    this.places.laid.fill(0)
    places.laid.forEach((laid, i) => {
      if (laid) this.lay(i, places.turn[i]!, places.x[i]!, places.y[i]!)
    })
  }

  forgetWeights(): void {
    this.weights.fill(1)
    this.sheetWeights.fill(1)
  }

  /** Furthest reach of anything in x, mm, without the gap. */
  reach(): number {
    const { turn, x } = this.places
    return this.active.reduce(
      (m, i) => Math.max(m, x[i]! + this.contacts.stock.turned[turn[i]!]!.bareBox.maxX),
      -Infinity,
    )
  }

  /** How far an item at a place has to move to be on the sheet, on no flaw, and within the limit, mm. */
  off(turn: number, x: number, y: number): number {
    const over = x + this.contacts.stock.turned[turn]!.bareBox.maxX - this.limit
    return this.contacts.offSheet(turn, x, y) + (over > 0 ? over : 0)
  }

  /** Whether the box of an item lies clear of another box. */
  private isClear(j: number, x0: number, y0: number, x1: number, y1: number): boolean {
    const { boxes } = this
    const b = 4 * j
    return x0 >= boxes[b + 2]! || boxes[b]! >= x1 || y0 >= boxes[b + 3]! || boxes[b + 1]! >= y1
  }

  /** How deep two items lie in each other, mm. */
  between(i: number, j: number): number {
    const { boxes } = this
    const { turn, x, y } = this.places
    const b = 4 * i
    return this.isClear(j, boxes[b]!, boxes[b + 1]!, boxes[b + 2]!, boxes[b + 3]!)
      ? 0
      : this.contacts.depth(turn[i]!, turn[j]!, x[i]! - x[j]!, y[i]! - y[j]!)
  }

  smaller(i: number, j: number): number {
    return Math.min(this.size[i]!, this.size[j]!)
  }

  /** Whether an item at a place would lie on the sheet, within the limit, and on nothing that is laid. */
  hasRoom(i: number, turn: number, x: number, y: number): boolean {
    const { places, contacts } = this
    const { box, bareBox } = contacts.stock.turned[turn]!
    if (x + bareBox.maxX > this.limit || !contacts.isOnSheet(turn, x, y)) return false
    return this.active.every(
      (j) =>
        j === i ||
        this.isClear(j, x + box.minX, y + box.minY, x + box.maxX, y + box.maxY) ||
        !contacts.overlaps(turn, places.turn[j]!, x - places.x[j]!, y - places.y[j]!),
    )
  }

  /** How far the middle of an item at a place would lie from its mate's, mm; 0 where that is not laid. */
  fromMate(i: number, turn: number, x: number, y: number): number {
    const { mate } = this.contacts.stock.items[i]!
    if (mate < 0 || !this.places.laid[mate]) return 0
    const { boxes } = this
    const { box } = this.contacts.stock.turned[turn]!
    const b = 4 * mate
    const dx = x + (box.minX + box.maxX) / 2 - (boxes[b]! + boxes[b + 2]!) / 2
    const dy = y + (box.minY + box.maxY) / 2 - (boxes[b + 1]! + boxes[b + 3]!) / 2
    return Math.sqrt(dx * dx + dy * dy)
  }

  /** How far the middles of mates lie apart, all of them together, mm. */
  apart(): number {
    const { turn, x, y } = this.places
    return this.active.reduce((sum, i) => sum + this.fromMate(i, turn[i]!, x[i]!, y[i]!), 0) / 2
  }

  /** What it would cost to have item `i` at a place; Infinity as soon as it is more than `most`. */
  cost(i: number, turn: number, x: number, y: number, most: number): number {
    const { places, weights, size, contacts, active } = this
    const n = size.length
    const own = size[i]!
    let cost = this.sheetWeights[i]! * own * this.off(turn, x, y)
    if (this.pull > 0) cost += this.pull * this.fromMate(i, turn, x, y)
    if (cost > most) return Infinity
    const { box } = contacts.stock.turned[turn]!
    const x0 = x + box.minX
    const y0 = y + box.minY
    const x1 = x + box.maxX
    const y1 = y + box.maxY
    for (let k = 0; k < active.length; k++) {
      const j = active[k]!
      if (j === i || this.isClear(j, x0, y0, x1, y1)) continue
      const depth = contacts.depth(turn, places.turn[j]!, x - places.x[j]!, y - places.y[j]!)
      if (depth === 0) continue
      const other = size[j]!
      cost += weights[i * n + j]! * depth * (other < own ? other : own)
      if (cost > most) return Infinity
    }
    return cost
  }
}
