import type { Path } from '../geometry/path.ts'

/** Directed straight pieces, four figures each: from x, from y, to x, to y. */
export type Segments = Float64Array

/** Closed paths as they bound a region: what is filled lies to the left of every edge. */
export type Rings = readonly Path[]

interface Corner {
  x: number
  y: number
  /** Directions of the edge that comes in and of the one that goes out, radians. */
  from: number
  to: number
  /** Whether the way turns to the left here. */
  left: boolean
}

interface Edge {
  ax: number
  ay: number
  bx: number
  by: number
  direction: number
}

function cornersAndEdges(rings: Rings): { corners: Corner[]; edges: Edge[] } {
  const corners: Corner[] = []
  const edges: Edge[] = []
  for (const ring of rings) {
    const own = ring.map(([ax, ay], i): Edge => {
      const [bx, by] = ring[(i + 1) % ring.length]!
      return { ax, ay, bx, by, direction: Math.atan2(by - ay, bx - ax) }
    })
    own.forEach((edge, i) => {
      const from = own[(i + own.length - 1) % own.length]!.direction
      const to = edge.direction
      const turn = to - from
      const left = turn > Math.PI ? false : turn > 0 || turn < -Math.PI
      corners.push({ x: edge.ax, y: edge.ay, from, to, left })
    })
    edges.push(...own)
  }
  return { corners, edges }
}

/** Edges in the order of their directions. */
class ByDirection {
  private readonly sorted: readonly Edge[]

  constructor(edges: readonly Edge[]) {
    this.sorted = [...edges].sort((a, b) => a.direction - b.direction)
  }

  /** How many come before a direction, or before it and at it. */
  private before(direction: number, at: boolean): number {
    let [low, high] = [0, this.sorted.length]
    while (low < high) {
      const middle = (low + high) >> 1
      const d = this.sorted[middle]!.direction
      if (d < direction || (at && d === direction)) low = middle + 1
      else high = middle
    }
    return low
  }

  /** All whose direction lies in the turn from one to another to the left, the first or the last of them left out. */
  each(from: number, to: number, out: 'first' | 'last', take: (edge: Edge) => void): void {
    if (from === to) return
    const start = this.before(from, out === 'first')
    const end = this.before(to, out === 'first')
    if (from < to) for (let i = start; i < end; i++) take(this.sorted[i]!)
    else {
      for (let i = start; i < this.sorted.length; i++) take(this.sorted[i]!)
      for (let i = 0; i < end; i++) take(this.sorted[i]!)
    }
  }
}

/**
 * The convolution of the boundary of `fixed` with that of `moving` turned by half a turn about the origin (Guibas,
 * Ramshaw and Stolfi 1983): every edge of either, carried along a corner of the other whose turn holds its direction,
 * forwards where that corner turns to the left and backwards where it turns to the right. Its winding number about a
 * point d is the Euler characteristic of what `fixed` and `moving` moved by d have in common; two outlines without
 * holes therefore overlap exactly where it is not 0. Edges that are parallel are told apart as if those of `fixed` were
 * turned by the least thing to the right, so that each counts once.
 */
export function convolution(fixed: Rings, moving: Rings): Segments {
  const a = cornersAndEdges(fixed)
  const b = cornersAndEdges(moving.map((ring) => ring.map(([x, y]) => [-x, -y] as const)))
  const [edgesOfFixed, edgesOfMoving] = [new ByDirection(a.edges), new ByDirection(b.edges)]
  const out: number[] = []
  const carry = (e: Edge, c: Corner) => {
    if (c.left) out.push(e.ax + c.x, e.ay + c.y, e.bx + c.x, e.by + c.y)
    else out.push(e.bx + c.x, e.by + c.y, e.ax + c.x, e.ay + c.y)
  }
  for (const c of b.corners) {
    const [from, to] = c.left ? [c.from, c.to] : [c.to, c.from]
    edgesOfFixed.each(from, to, 'first', (e) => carry(e, c))
  }
  for (const c of a.corners) {
    const [from, to] = c.left ? [c.from, c.to] : [c.to, c.from]
    edgesOfMoving.each(from, to, 'last', (e) => carry(e, c))
  }
  return Float64Array.from(out)
}
