import { distance, signedArea, type Path, type Point } from '@gentle-awl/core'
import { DOMParser, type Element } from '@xmldom/xmldom'
import DxfParser, { type IEntity } from 'dxf-parser'
import svgpath from 'svgpath'
import { chained, closedOnce } from './chained.ts'
import { countedDxf } from './countedDxf.ts'
import { OutlineError } from './outlineError.ts'

/** Closed outlines of a drawing, mm, y up, the largest first, and how the file's unit was understood. */
export interface ReadOutlines {
  outlines: [Path, ...Path[]]
  unit: string
}
/** As it was read, before it is known whether there is any. */
type Read = Omit<ReadOutlines, 'outlines'> & { outlines: Path[] }

/** Greatest distance between a curve and its chords, mm. */
const CHORD = 0.03
const PER_INCH = 96

/**
 * Reads the closed outlines of an SVG, a DXF, or lines of numbers (x and y in mm, one point a line). A traced bottom has
 * many points; `fewest` lets pieces with straight edges through as well.
 */
export function readOutlines(text: string, name: string, fewest = 8): ReadOutlines {
  const end = name.toLowerCase().split('.').pop()
  const read =
    end === 'svg' || /<svg[\s>]/.test(text)
      ? fromSvg(text)
      : end === 'dxf' || /^\s*0\s*\r?\n\s*SECTION/m.test(text)
        ? fromDxf(text)
        : fromPoints(text)
  const [largest, ...others] = read.outlines
    .filter((p) => p.length >= fewest && Math.abs(signedArea(p)) > 100)
    .sort((a, b) => Math.abs(signedArea(b)) - Math.abs(signedArea(a)))
  if (!largest) {
    throw new OutlineError(
      `${name} holds no closed outline of some size. Draw the line round once, close it, and save it as SVG or DXF in millimetres.`,
    )
  }
  return { ...read, outlines: [largest, ...others] }
}

/** Points typed or pasted: two numbers a line, with comma, semicolon or space between; decimal points. */
export function fromPoints(text: string): ReadOutlines {
  const points: Point[] = []
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    const bare = line.trim()
    if (bare === '' || bare.startsWith('#')) continue
    const parts = bare.split(/[\s,;]+/).map(Number)
    if (parts.length !== 2 || parts.some((v) => !Number.isFinite(v))) {
      throw new OutlineError(`Line ${i + 1} is "${bare.slice(0, 30)}": write two numbers, x and y in millimetres.`)
    }
    points.push([parts[0]!, parts[1]!])
  }
  if (points.length < 8) throw new OutlineError(`There are ${points.length} points; an outline needs at least 8.`)
  return { outlines: [closedOnce(points)], unit: 'mm' }
}

const lengthUnits: Record<string, number> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  pt: 25.4 / 72,
  pc: 25.4 / 6,
  px: 25.4 / PER_INCH,
}

/** Millimetres per user unit of an SVG: from its width and viewBox, else 96 to the inch as the standard says. */
function svgScale(svg: Element): { scale: number; unit: string } {
  const width = /^\s*([\d.]+)\s*([a-z]*)\s*$/i.exec(svg.getAttribute('width') ?? '')
  const box = (svg.getAttribute('viewBox') ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  const per = width ? lengthUnits[width[2]!.toLowerCase() || 'px'] : undefined
  if (width && per !== undefined) {
    const wide = Number(width[1]) * per
    const units = box.length === 4 && box[2]! > 0 ? box[2] : Number(width[1])
    return { scale: wide / units!, unit: width[2] || 'px, 96 to the inch' }
  }
  return { scale: lengthUnits.px!, unit: 'px, 96 to the inch' }
}

const number = (e: Element, name: string): number => Number(e.getAttribute(name) ?? 0) || 0

/** Path data of any closed SVG shape; null for what is no outline. */
function shapeData(e: Element): string | null {
  switch (e.tagName.toLowerCase()) {
    case 'path':
      return e.getAttribute('d')
    case 'polygon':
    case 'polyline': {
      const p = (e.getAttribute('points') ?? '').trim()
      return p ? `M${p}Z` : null
    }
    case 'rect': {
      const [x, y, w, h] = ['x', 'y', 'width', 'height'].map((a) => number(e, a))
      return `M${x} ${y}h${w}v${h}h${-w!}Z`
    }
    case 'circle':
    case 'ellipse': {
      const [cx, cy] = [number(e, 'cx'), number(e, 'cy')]
      const r = number(e, 'r')
      const [rx, ry] = [number(e, 'rx') || r, number(e, 'ry') || r]
      return `M${cx - rx} ${cy}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`
    }
    default:
      return null
  }
}

/** What is drawn only where something else refers to it. */
const APART = new Set(['defs', 'clippath', 'marker', 'pattern', 'mask'])

/** The element itself and those round it, up to the drawing. */
function upTo(svg: Element, e: Element): Element[] {
  const out: Element[] = []
  for (let at: Element | null = e; at && at !== svg; at = at.parentElement) out.push(at)
  return out
}

/** The drawing in a text. A reader of its own, and not the browser's: this runs beside the page, where there is none. */
function svgOf(text: string): Element {
  const broken = new OutlineError('This is not a whole SVG file: it breaks off or has a stray character.')
  let svg: Element | null
  try {
    const onError = (level: string) => {
      if (level !== 'warning') throw broken
    }
    svg = new DOMParser({ onError }).parseFromString(text.replace(/^\uFEFF/, ''), 'image/svg+xml').documentElement
  } catch {
    // Whatever its complaint is about, it is written for programmers.
    throw broken
  }
  if (svg?.tagName.toLowerCase() !== 'svg') throw broken
  return svg
}

function fromSvg(text: string): Read {
  const svg = svgOf(text)
  const { scale, unit } = svgScale(svg)
  const outlines: Path[] = []
  for (const e of Array.from(svg.getElementsByTagName('*'))) {
    const around = upTo(svg, e)
    if (around.some((at) => APART.has(at.tagName.toLowerCase()))) continue
    const d = shapeData(e)
    if (!d) continue
    let path = svgpath(d)
    for (const at of around) {
      const transform = at.getAttribute('transform')
      if (transform) path = path.transform(transform)
    }
    const { err } = path as unknown as { err?: string }
    if (err) throw new OutlineError(`A path of this SVG cannot be read: ${err}.`)
    for (const line of flattened(path, scale)) outlines.push(line)
  }
  return { outlines, unit }
}

/** Straight runs of a path, mm, y up; each subpath on its own. */
function flattened(path: ReturnType<typeof svgpath>, scale: number): Path[] {
  const lines: Point[][] = []
  let line: Point[] = []
  let [sx, sy] = [0, 0]
  const at = (x: number, y: number): Point => [x * scale, -y * scale]
  const curve = (point: (t: number) => Point, rough: number) => {
    const n = Math.max(4, Math.min(400, Math.ceil(Math.sqrt(rough / (8 * CHORD)) * 2)))
    for (let i = 1; i <= n; i++) line.push(point(i / n))
  }
  path
    .abs()
    .unarc()
    .unshort()
    .iterate((s, _i, x, y) => {
      const [kind, ...v] = s as [string, ...number[]]
      const a = at(x, y)
      if (kind === 'M') {
        if (line.length > 2) lines.push(line)
        ;[sx, sy] = [v[0]!, v[1]!]
        line = [at(v[0]!, v[1]!)]
      } else if (kind === 'L') line.push(at(v[0]!, v[1]!))
      else if (kind === 'H') line.push(at(v[0]!, y))
      else if (kind === 'V') line.push(at(x, v[0]!))
      else if (kind === 'Z') line.push(at(sx, sy))
      else {
        const c: Point[] = []
        for (let k = 0; k < v.length; k += 2) c.push(at(v[k]!, v[k + 1]!))
        const all = [a, ...c]
        const rough = all.reduce((m, p) => m + distance(p, a), 0)
        curve((t) => bezier(all, t), rough)
      }
    })
  if (line.length > 2) lines.push(line)
  return lines.filter((l) => distance(l[0]!, l[l.length - 1]!) < 2).map(closedOnce)
}

/** Point of a Bezier curve by de Casteljau's construction. */
function bezier(control: readonly Point[], t: number): Point {
  let p = control
  while (p.length > 1) {
    const next: Point[] = []
    for (let i = 1; i < p.length; i++) {
      next.push([p[i - 1]![0] + (p[i]![0] - p[i - 1]![0]) * t, p[i - 1]![1] + (p[i]![1] - p[i - 1]![1]) * t])
    }
    p = next
  }
  return p[0]!
}

/** Millimetres per drawing unit by the DXF header's $INSUNITS. */
const NO_UNIT: [number, string] = [1, 'no unit given, taken as mm']
const dxfUnits: Record<number, [number, string]> = {
  1: [25.4, 'inch'],
  2: [304.8, 'feet'],
  4: [1, 'mm'],
  5: [10, 'cm'],
  6: [1000, 'm'],
}

interface Vertex {
  x: number
  y: number
  bulge?: number
}

function fromDxf(text: string): Read {
  let dxf: ReturnType<DxfParser['parseSync']>
  try {
    dxf = new DxfParser().parseSync(countedDxf(text))
  } catch (error) {
    if (!(error instanceof Error) || error instanceof OutlineError) throw error
    throw new OutlineError(`This is not a whole DXF file: ${error.message}.`)
  }
  if (!dxf) throw new OutlineError('This DXF file is empty.')
  const code = Number(dxf.header?.['$INSUNITS'] ?? 0)
  const [scale, unit] = dxfUnits[code] ?? NO_UNIT
  const pieces: Point[][] = []
  // The parser promises entities, and leaves them out where the file has no section of that name.
  const { entities = [] }: { entities?: IEntity[] } = dxf
  for (const e of entities) {
    const line = entityLine(e)
    if (line && line.length > 1) pieces.push(line.map(([x, y]): Point => [x * scale, y * scale]))
  }
  return { outlines: chained(pieces), unit }
}

/** Points of a DXF entity in its own unit; null for what is no line. */
function entityLine(e: IEntity): Point[] | null {
  const any = e as unknown as {
    vertices?: Vertex[]
    shape?: boolean
    center?: Vertex
    radius?: number
    startAngle?: number
    endAngle?: number
    controlPoints?: Vertex[]
    fitPoints?: Vertex[]
    degreeOfSplineCurve?: number
    knotValues?: number[]
    closed?: boolean
  }
  switch (e.type) {
    case 'LINE':
      return (any.vertices ?? []).map((v): Point => [v.x, v.y])
    case 'LWPOLYLINE':
    case 'POLYLINE':
      return bulged(any.vertices ?? [], any.shape === true)
    case 'CIRCLE':
      return any.center && any.radius ? arc(any.center, any.radius, 0, 2 * Math.PI) : null
    case 'ARC':
      return any.center && any.radius ? arc(any.center, any.radius, any.startAngle ?? 0, any.endAngle ?? 0) : null
    case 'SPLINE': {
      const fit = any.fitPoints ?? []
      if (fit.length > 2) return fit.map((v): Point => [v.x, v.y])
      return bSpline(
        (any.controlPoints ?? []).map((v): Point => [v.x, v.y]),
        any.degreeOfSplineCurve ?? 3,
        any.knotValues ?? [],
      )
    }
    default:
      return null
  }
}

function arc(c: Vertex, r: number, from: number, to: number): Point[] {
  const sweep = to > from ? to - from : to - from + 2 * Math.PI
  const n = Math.max(8, Math.ceil(sweep / (2 * Math.acos(Math.max(0.9, 1 - CHORD / Math.max(r, 1))))))
  return Array.from({ length: n + 1 }, (_, i): Point => {
    const a = from + (sweep * i) / n
    return [c.x + r * Math.cos(a), c.y + r * Math.sin(a)]
  })
}

/** Polyline with arcs: bulge is the tangent of a quarter of the arc's angle. */
function bulged(v: readonly Vertex[], closed: boolean): Point[] {
  const line: Point[] = v.length > 0 ? [[v[0]!.x, v[0]!.y]] : []
  const last = closed ? v.length : v.length - 1
  for (let i = 0; i < last; i++) {
    const a = v[i]!
    const b = v[(i + 1) % v.length]!
    const bulge = a.bulge ?? 0
    if (Math.abs(bulge) > 1e-9) {
      const chord = Math.hypot(b.x - a.x, b.y - a.y)
      const angle = 4 * Math.atan(bulge)
      const r = chord / (2 * Math.sin(angle / 2))
      const [mx, my] = [(a.x + b.x) / 2, (a.y + b.y) / 2]
      const h = r * Math.cos(angle / 2)
      const [cx, cy] = [mx - ((b.y - a.y) / chord) * h, my + ((b.x - a.x) / chord) * h]
      const start = Math.atan2(a.y - cy, a.x - cx)
      const n = Math.max(4, Math.ceil((Math.abs(angle) * Math.sqrt(Math.abs(r))) / Math.sqrt(8 * CHORD)))
      for (let k = 1; k < n; k++) {
        const t = start + (angle * k) / n
        line.push([cx + Math.abs(r) * Math.cos(t), cy + Math.abs(r) * Math.sin(t)])
      }
    }
    line.push([b.x, b.y])
  }
  return line
}

/** Points of a B-spline by de Boor's algorithm. */
function bSpline(control: readonly Point[], degree: number, knots: readonly number[]): Point[] {
  const n = control.length - 1
  if (n < degree || knots.length < n + degree + 2) return [...control]
  const [from, to] = [knots[degree]!, knots[n + 1]!]
  const count = Math.max(24, control.length * 10)
  return Array.from({ length: count + 1 }, (_, i) => {
    const t = Math.min(from + ((to - from) * i) / count, to - 1e-9 * (to - from))
    let k = degree
    while (k < n && knots[k + 1]! <= t) k++
    const d = Array.from({ length: degree + 1 }, (_, j) => control[j + k - degree]!)
    for (let r = 1; r <= degree; r++) {
      for (let j = degree; j >= r; j--) {
        const span = knots[j + 1 + k - r]! - knots[j + k - degree]!
        const a = span > 0 ? (t - knots[j + k - degree]!) / span : 0
        d[j] = [d[j - 1]![0] + (d[j]![0] - d[j - 1]![0]) * a, d[j - 1]![1] + (d[j]![1] - d[j - 1]![1]) * a]
      }
    }
    return d[degree]!
  })
}
