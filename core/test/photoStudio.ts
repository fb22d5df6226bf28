import jpeg from 'jpeg-js'
import { gaussian, seeded } from '../src/geometry/random.ts'
import type { Path, Point } from '../src/geometry/path.ts'
import { matSheet, MARK_CELLS, type MatKind } from '../src/photo/mat.ts'
import { CODE_CELLS, markCodes } from '../src/photo/markCodes.ts'
import type { Picture } from '../src/photo/picture.ts'

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
export interface Shot {
  width: number
  height: number
  /** Where the camera is and what it looks at, mm; turned about its own axis, degrees. */
  from: readonly [number, number, number]
  at: Point
  roll?: number
  /** Focal length over the longer side. */
  focal?: number
  lens?: readonly [number, number, number]
  /** Standard deviations of blur, px, and noise, levels. */
  blur?: number
  noise?: number
  /** How much darker the far end is lit, 0 to 1. */
  uneven?: number
  /** A shadow's edge: a point on it, its direction, what is left of the light, and how soft it is, mm. */
  shadow?: { at: Point; degrees: number; light: number; soft: number }
  /** A corner of the paper that stands up: its middle, how far it reaches and how high it is, mm. */
  wrinkle?: { at: Point; reach: number; height: number }
  quality?: number
  /** Rays a pixel along each side. */
  fine?: number
  seed?: number
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

type Vec = [number, number, number]
const minus = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const crossed = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
const unit = (a: Vec): Vec => {
  const l = Math.hypot(...a)
  return [a[0] / l, a[1] / l, a[2] / l]
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

/** Takes the photograph. */
export function photograph({ ground: canvas, raised }: Table, shot: Shot): Picture {
  const { width, height, roll = 0, focal = 0.78, lens = [0, 0, 0], blur = 0.8, noise = 2, uneven = 0 } = shot
  const random = seeded(shot.seed ?? 7)
  const from: Vec = [...shot.from]
  const away = unit(minus([shot.at[0], shot.at[1], 0], from))
  const across = unit(crossed(away, Math.abs(away[2]) > 0.999 ? [0, 1, 0] : [0, 0, 1]))
  const down = crossed(away, across)
  const [cr, sr] = [Math.cos((roll * Math.PI) / 180), Math.sin((roll * Math.PI) / 180)]
  const right: Vec = [0, 1, 2].map((k) => cr * across[k]! + sr * down[k]!) as Vec
  const below: Vec = [0, 1, 2].map((k) => -sr * across[k]! + cr * down[k]!) as Vec
  const f = focal * Math.max(width, height)
  const [cx, cy] = [(width - 1) / 2, (height - 1) / 2]
  // Where a bent radius came from, by bisection, in a table.
  const most = Math.hypot(cx, cy) / f + 0.01
  const bent = (r: number) => r * (1 + lens[0] * r ** 2 + lens[1] * r ** 4 + lens[2] * r ** 6)
  const table = Float64Array.from({ length: 2049 }, (_, k) => {
    const want = (most * k) / 2048
    let [lo, hi] = [0, 2 * most]
    for (let i = 0; i < 60; i++) {
      const mid = (lo + hi) / 2
      if (bent(mid) < want) lo = mid
      else hi = mid
    }
    return want > 0 ? lo / want : 1
  })
  const rise = (x: number, y: number): number => {
    const w = shot.wrinkle
    if (!w) return 0
    const away2 = ((x - w.at[0]) ** 2 + (y - w.at[1]) ** 2) / w.reach ** 2
    return away2 < 1 ? w.height * (1 - away2) ** 2 : 0
  }
  const out = new Float32Array(3 * width * height)
  const rgb = new Float64Array(3)
  const share = new Float64Array(3)
  const fine = shot.fine ?? 1
  const first = (1 / fine - 1) / 2
  for (let j = 0; j < height; j++) {
    for (let i = 0; i < width; i++) {
      rgb.fill(0)
      for (let sy = first; sy < 0.5; sy += 1 / fine) {
        for (let sx = first; sx < 0.5; sx += 1 / fine) {
          const du = (i + sx - cx) / f
          const dv = (j + sy - cy) / f
          const r = Math.sqrt(du * du + dv * dv)
          const at = (r / most) * 2048
          const k = at | 0
          const back = table[k]! + (table[k + 1]! - table[k]!) * (at - k)
          const u = du * back
          const v = dv * back
          const ray0 = away[0] + right[0] * u + below[0] * v
          const ray1 = away[1] + right[1] * u + below[1] * v
          const ray2 = away[2] + right[2] * u + below[2] * v
          let t = -from[2] / ray2
          let x = from[0] + ray0 * t
          let y = from[1] + ray1 * t
          if (shot.wrinkle) {
            for (let n = 0; n < 4; n++) {
              t = (rise(x, y) - from[2]) / ray2
              x = from[0] + ray0 * t
              y = from[1] + ray1 * t
            }
          }
          let light = 1
          if (uneven > 0) {
            light -=
              uneven *
              Math.max(
                0,
                Math.min(
                  1,
                  (x - canvas.box.minX + y - canvas.box.minY) /
                    (canvas.box.maxX - canvas.box.minX + canvas.box.maxY - canvas.box.minY),
                ),
              )
          }
          if (shot.shadow) {
            const { at: s, degrees, light: left, soft } = shot.shadow
            const a = (degrees * Math.PI) / 180
            const side = ((x - s[0]) * -Math.sin(a) + (y - s[1]) * Math.cos(a)) / soft
            light *= left + (1 - left) / (1 + Math.exp(-4 * side))
          }
          let left = light
          for (const { height: z, colour, cover } of raised) {
            const up = (z - from[2]) / ray2
            share.fill(0)
            cover.add(from[0] + ray0 * up, from[1] + ray1 * up, 1, share)
            for (let c = 0; c < 3; c++) rgb[c]! += colour[c]! * left * share[0]!
            left *= 1 - share[0]!
          }
          if (left > 0) canvas.add(x, y, left, rgb)
        }
      }
      const o = 3 * (j * width + i)
      for (let c = 0; c < 3; c++) out[o + c] = rgb[c]! / (fine * fine)
    }
  }
  const soft = blur > 0 ? blurred(out, width, height, blur) : out
  const data = new Uint8ClampedArray(4 * width * height)
  // Levels of the screen's curve, and noise drawn once and taken in any order: both are asked for very often.
  const levels = Float32Array.from({ length: 4097 }, (_, k) => 255 * (k / 4096) ** (1 / 2.2))
  const grain = Float32Array.from({ length: 8191 }, () => noise * gaussian(random))
  let next = 0
  for (let p = 0; p < width * height; p++) {
    for (let c = 0; c < 3; c++) {
      next = next > 8100 ? Math.floor(random() * 90) : next + 1
      data[4 * p + c] = levels[Math.max(0, Math.min(4096, Math.round(4096 * soft[3 * p + c]!)))]! + grain[next]!
    }
    data[4 * p + 3] = 255
  }
  if (!shot.quality) return { width, height, data }
  const { data: bytes } = jpeg.encode({ width, height, data }, shot.quality)
  return jpeg.decode(bytes, { useTArray: true, maxMemoryUsageInMB: 2048 })
}

function blurred(from: Float32Array, width: number, height: number, sigma: number): Float32Array {
  const reach = Math.ceil(2.5 * sigma)
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, k) =>
    Math.exp(-((k - reach) ** 2) / (2 * sigma * sigma)),
  )
  const sum = weights.reduce((a, b) => a + b, 0)
  const pass = (source: Float32Array, step: number, along: number, lines: number, lineStep: number) => {
    const out = new Float32Array(source.length)
    for (let l = 0; l < lines; l++) {
      const start = 3 * l * lineStep
      for (let k = 0; k < along; k++) {
        let [r, g, b] = [0, 0, 0]
        for (let w = -reach; w <= reach; w++) {
          const q = k + w
          const at = start + 3 * step * (q < 0 ? 0 : q >= along ? along - 1 : q)
          const share = weights[w + reach]!
          r += share * source[at]!
          g += share * source[at + 1]!
          b += share * source[at + 2]!
        }
        const to = start + 3 * step * k
        out[to] = r / sum
        out[to + 1] = g / sum
        out[to + 2] = b / sum
      }
    }
    return out
  }
  return pass(pass(from, 1, width, height, width), width, height, width, 1)
}

/** A picture as the bytes of a JPEG file. */
export const jpegOf = ({ width, height, data }: Picture, quality: number): Uint8Array =>
  jpeg.encode({ width, height, data }, quality).data
