import type { Path, Point } from '../src/geometry/path.ts'
import { matSheet, MARK_CELLS, type MatKind } from '../src/photo/mat.ts'
import { CODE_CELLS, markCodes } from '../src/photo/markCodes.ts'

/*
 * Photographs with a known truth: a table with sheets of the mat, paper, lines and flat things on it, seen by a camera of
 * its own with a lens, light, shadow, noise and JPEG. It shares the mat's layout with the code that it tries, nothing else.
 */

export interface StudioSheet {
  kind: MatKind
  number: number
  /** Where its lower left lies on the table, mm, and how it is turned, degrees. */
  x?: number
  y?: number
  degrees?: number
}
export interface StudioLine {
  path: Path
  closed?: boolean
  /** Width of the pencil, mm, and how dark it is, 0 to 1. */
  width: number
  dark: number
}
export interface StudioThing {
  path: Path
  holes?: readonly Path[]
  colour: readonly [number, number, number]
  /** How far its upper face is above the table, mm. */
  height?: number
}
export interface Studio {
  /** The table that is drawn, mm. */
  table: { minX: number; minY: number; maxX: number; maxY: number }
  sheets: readonly StudioSheet[]
  /** White papers that lie over the sheets. */
  papers?: readonly Path[]
  lines?: readonly StudioLine[]
  things?: readonly StudioThing[]
  tableColour?: readonly [number, number, number]
  /** Ink spreads so far over the marks' edges, mm. */
  spread?: number
}
const coverage = (inside: number): number => Math.max(0, Math.min(1, 0.5 + inside))

/** The table from above as a picture of reflectances, `density` pixels a millimetre. */
class Canvas {
  readonly width: number
  readonly height: number
  readonly data: Float32Array
  constructor(
    readonly box: Studio['table'],
    readonly density: number,
    ground: readonly [number, number, number],
  ) {
    this.width = Math.ceil((box.maxX - box.minX) * density)
    this.height = Math.ceil((box.maxY - box.minY) * density)
    this.data = new Float32Array(3 * this.width * this.height)
    for (let i = 0; i < this.data.length; i++) this.data[i] = ground[i % 3]!
  }

  /** Mixes a colour in where `share` of a place (mm) is not 0. */
  paint(
    around: Path,
    grow: number,
    colour: readonly [number, number, number],
    share: (x: number, y: number) => number,
  ): void {
    const xs = around.map((p) => p[0])
    const ys = around.map((p) => p[1])
    const d = this.density
    const i0 = Math.max(0, Math.floor((Math.min(...xs) - grow - this.box.minX) * d))
    const i1 = Math.min(this.width - 1, Math.ceil((Math.max(...xs) + grow - this.box.minX) * d))
    const j0 = Math.max(0, Math.floor((this.box.maxY - Math.max(...ys) - grow) * d))
    const j1 = Math.min(this.height - 1, Math.ceil((this.box.maxY - Math.min(...ys) + grow) * d))
    for (let j = j0; j <= j1; j++) {
      for (let i = i0; i <= i1; i++) {
        const s = share(this.box.minX + (i + 0.5) / d, this.box.maxY - (j + 0.5) / d)
        if (s <= 0) continue
        const at = 3 * (j * this.width + i)
        for (let c = 0; c < 3; c++) this.data[at + c] = this.data[at + c]! * (1 - s) + colour[c]! * s
      }
    }
  }

  /** Fills an outline, with holes, by the share of each pixel that it covers: four lines a row, each covered exactly. */
  polygon(path: Path, colour: readonly [number, number, number], holes: readonly Path[] = []): void {
    const { density: d, width, height, box } = this
    const share = new Float32Array(width + 1)
    const ys = path.map((p) => p[1])
    const from = Math.max(0, Math.floor((box.maxY - Math.max(...ys)) * d))
    const to = Math.min(height - 1, Math.ceil((box.maxY - Math.min(...ys)) * d))
    for (let j = from; j <= to; j++) {
      share.fill(0)
      for (const sub of [0.125, 0.375, 0.625, 0.875]) {
        const y = box.maxY - (j + sub) / d
        const xs: number[] = []
        for (const ring of [path, ...holes]) {
          for (let i = 0, k = ring.length - 1; i < ring.length; k = i++) {
            const [p, q] = [ring[k]!, ring[i]!]
            if (p[1] > y !== q[1] > y) xs.push((((q[0] - p[0]) * (y - p[1])) / (q[1] - p[1]) + p[0] - box.minX) * d)
          }
        }
        xs.sort((u, v) => u - v)
        for (let k = 0; k + 1 < xs.length; k += 2) {
          const [x0, x1] = [Math.max(0, xs[k]!), Math.min(width, xs[k + 1]!)]
          for (let i = Math.floor(x0); i < x1; i++) share[i]! += (Math.min(x1, i + 1) - Math.max(x0, i)) / 4
        }
      }
      for (let i = 0; i < width; i++) {
        const s = share[i]!
        if (s <= 0) continue
        const at = 3 * (j * width + i)
        for (let c = 0; c < 3; c++) this.data[at + c] = this.data[at + c]! * (1 - s) + colour[c]! * s
      }
    }
  }

  stroke({ path, closed = true, width, dark }: StudioLine): void {
    const shade = new Map<number, number>()
    const d = this.density
    for (let k = 0; k < path.length - (closed ? 0 : 1); k++) {
      const [a, b] = [path[k]!, path[(k + 1) % path.length]!]
      const grow = width / 2 + 1 / d
      const i0 = Math.max(0, Math.floor((Math.min(a[0], b[0]) - grow - this.box.minX) * d))
      const i1 = Math.min(this.width - 1, Math.ceil((Math.max(a[0], b[0]) + grow - this.box.minX) * d))
      const j0 = Math.max(0, Math.floor((this.box.maxY - Math.max(a[1], b[1]) - grow) * d))
      const j1 = Math.min(this.height - 1, Math.ceil((this.box.maxY - Math.min(a[1], b[1]) + grow) * d))
      for (let j = j0; j <= j1; j++) {
        for (let i = i0; i <= i1; i++) {
          const away = toSegment(a, b, this.box.minX + (i + 0.5) / d, this.box.maxY - (j + 0.5) / d)
          const s = coverage((width / 2 - away) * d)
          if (s > 0) shade.set(j * this.width + i, Math.max(s, shade.get(j * this.width + i) ?? 0))
        }
      }
    }
    for (const [at, s] of shade) for (let c = 0; c < 3; c++) this.data[3 * at + c]! *= 1 - dark * s
  }

  /** Adds the reflectance at a place, times the light there, to three sums. */
  add(x: number, y: number, light: number, sums: Float64Array): void {
    const { data, width, height, box, density } = this
    let px = (x - box.minX) * density - 0.5
    let py = (box.maxY - y) * density - 0.5
    px = px < 0 ? 0 : px > width - 1.001 ? width - 1.001 : px
    py = py < 0 ? 0 : py > height - 1.001 ? height - 1.001 : py
    const i = px | 0
    const j = py | 0
    const fx = px - i
    const fy = py - j
    const w00 = (1 - fx) * (1 - fy) * light
    const w10 = fx * (1 - fy) * light
    const w01 = (1 - fx) * fy * light
    const w11 = fx * fy * light
    const k = 3 * (j * width + i)
    const l = k + 3 * width
    for (let c = 0; c < 3; c++) {
      sums[c]! += data[k + c]! * w00 + data[k + 3 + c]! * w10 + data[l + c]! * w01 + data[l + 3 + c]! * w11
    }
  }
}

function toSegment(a: Point, b: Point, x: number, y: number): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
  const l = dx * dx + dy * dy
  const t = l > 0 ? Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / l)) : 0
  return Math.hypot(a[0] + dx * t - x, a[1] + dy * t - y)
}
/** Distance to an outline, positive inside, mm. */
function signedDepth(path: Path, x: number, y: number): number {
  let away = Infinity
  let inside = false
  for (let i = 0, j = path.length - 1; i < path.length; j = i++) {
    const [a, b] = [path[j]!, path[i]!]
    away = Math.min(away, toSegment(a, b, x, y))
    if (a[1] > y !== b[1] > y && x < ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]) + a[0]) inside = !inside
  }
  return inside ? away : -away
}

const BLACK = [0.04, 0.04, 0.045] as const
const WHITE = [0.88, 0.88, 0.87] as const

function drawSheet(canvas: Canvas, { kind, number, x = 0, y = 0, degrees = 0 }: StudioSheet, spread: number): void {
  const sheet = matSheet(kind, number)
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)]
  const lay = ([px, py]: Point): Point => [c * px - s * py + x, s * px + c * py + y]
  const box = (x0: number, y0: number, x1: number, y1: number): Path => [
    lay([x0, y0]),
    lay([x1, y0]),
    lay([x1, y1]),
    lay([x0, y1]),
  ]
  canvas.polygon(box(-8, -17, sheet.width + 8, sheet.height + 17), WHITE)
  for (const { mark, corners } of sheet.marks) {
    const [ox, oy] = corners[0]
    const cell = sheet.side / MARK_CELLS
    canvas.polygon(box(ox - spread, oy - spread, ox + sheet.side + spread, oy + sheet.side + spread), BLACK)
    for (let k = 0; k < CODE_CELLS * CODE_CELLS; k++) {
      if (((markCodes()[mark]! >>> k) & 1) === 0) continue
      const column = (k % CODE_CELLS) + 1
      const row = Math.floor(k / CODE_CELLS) + 1
      const [cx, cy] = [ox + column * cell, oy + sheet.side - (row + 1) * cell]
      canvas.polygon(box(cx + spread, cy + spread, cx + cell - spread, cy + cell - spread), WHITE)
    }
  }
}

/** A table with what lies on it, and what stands up from it. */
export interface Table {
  ground: Canvas
  raised: readonly { height: number; colour: readonly [number, number, number]; cover: Canvas }[]
}

/** The table drawn once, for as many shots as are wanted. */
export function layTable(studio: Studio, density = 10): Table {
  const canvas = new Canvas(studio.table, density, studio.tableColour ?? [0.5, 0.42, 0.33])
  for (const sheet of studio.sheets) drawSheet(canvas, sheet, studio.spread ?? 0)
  for (const paper of studio.papers ?? []) {
    canvas.paint(
      paper,
      4,
      [0.7, 0.7, 0.7],
      (x, y) => 0.35 * Math.exp(-Math.abs(signedDepth(paper, x - 0.4, y + 0.4)) / 0.5),
    )
    canvas.polygon(paper, [0.9, 0.9, 0.885])
  }
  for (const line of studio.lines ?? []) canvas.stroke(line)
  const flat = (studio.things ?? []).filter((t) => !t.height)
  for (const thing of flat) canvas.polygon(thing.path, thing.colour, thing.holes)
  const raised = (studio.things ?? [])
    .filter((t) => t.height)
    .map((t) => {
      const cover = new Canvas(studio.table, density, [0, 0, 0])
      cover.polygon(t.path, [1, 1, 1], t.holes)
      return { height: t.height!, colour: t.colour, cover }
    })
  return { ground: canvas, raised }
}
