import { crossingOf, lineThrough, offLine, type StraightLine } from '../geometry/lineThrough.ts'
import { median } from '../geometry/median.ts'
import type { Point } from '../geometry/path.ts'
import type { SeenMark } from './fitCamera.ts'
import { MARK_CELLS } from './mat.ts'
import { CODE_CELLS, readCode } from './markCodes.ts'
import { brightness, lightAt, type Grey } from './picture.ts'
import { withMats, type Vision, type VisionMat } from './vision.ts'

/** Marks that were read, and how wide the picture draws a sharp edge: the standard deviation of its blur, px. */
export interface FoundMarks {
  marks: SeenMark[]
  blur: number
}

type Quad = readonly [Point, Point, Point, Point]

/** Marks are looked for in a picture of so many pixels along its longer side, and again in the whole one when few are found. */
const LOOK = 2000
const FEW = 4
/** Smaller squares cannot be read, px along a side of the picture that is looked at. */
const LEAST_SIDE = 12

/** Black squares of a picture: quadrilaterals, upper left first as they are seen, clockwise (y runs down). */
function squares(cv: Vision, grey: VisionMat): Quad[] {
  return withMats((keep) => {
    const ink = keep(new cv.Mat())
    const block = (Math.round(Math.max(grey.cols, grey.rows) / 32) | 1) + 2
    cv.adaptiveThreshold(grey, ink, 255, cv.ADAPTIVE_THRESH_MEAN_C, cv.THRESH_BINARY_INV, block, 9)
    const contours = keep(new cv.MatVector())
    cv.findContours(ink, contours, keep(new cv.Mat()), cv.RETR_LIST, cv.CHAIN_APPROX_SIMPLE)
    const out: Quad[] = []
    for (let i = 0; i < contours.size(); i++) {
      const contour = contours.get(i)
      const around = contour.rows < 4 ? 0 : cv.arcLength(contour, true)
      if (around >= 4 * LEAST_SIDE) {
        const corners = new cv.Mat()
        cv.approxPolyDP(contour, corners, 0.04 * around, true)
        if (
          corners.rows === 4 &&
          cv.isContourConvex(corners) &&
          cv.contourArea(corners) > LEAST_SIDE * LEAST_SIDE * 0.4
        ) {
          const p = [...corners.data32S]
          const quad: Quad = [
            [p[0]!, p[1]!],
            [p[2]!, p[3]!],
            [p[4]!, p[5]!],
            [p[6]!, p[7]!],
          ]
          const turn =
            (quad[1][0] - quad[0][0]) * (quad[2][1] - quad[1][1]) -
            (quad[1][1] - quad[0][1]) * (quad[2][0] - quad[1][0])
          out.push(turn > 0 ? quad : [quad[0], quad[3], quad[2], quad[1]])
        }
        corners.delete()
      }
      contour.delete()
    }
    return out
  })
}

/** Takes the unit square (corners in the order of the quadrilateral's) to the quadrilateral (Heckbert 1989). */
function fromUnitSquare([a, b, c, d]: Quad): (s: number, t: number) => Point {
  const [sx, sy] = [a[0] - b[0] + c[0] - d[0], a[1] - b[1] + c[1] - d[1]]
  const [dx1, dy1] = [b[0] - c[0], b[1] - c[1]]
  const [dx2, dy2] = [d[0] - c[0], d[1] - c[1]]
  const det = dx1 * dy2 - dx2 * dy1
  const [g, h] = [(sx * dy2 - dx2 * sy) / det, (dx1 * sy - sx * dy1) / det]
  return (s, t) => {
    const w = 1 + g * s + h * t
    return [
      (a[0] + (b[0] - a[0] + g * b[0]) * s + (d[0] - a[0] + h * d[0]) * t) / w,
      (a[1] + (b[1] - a[1] + g * b[1]) * s + (d[1] - a[1] + h * d[1]) * t) / w,
    ]
  }
}

/** Cells of the black border that may be misread. */
const BORDER_MISREAD = 1

/** The mark that a square shows, its corners from the mat's lower left, counter-clockwise on the mat; null when it shows none. */
function readSquare(picture: Grey, quad: Quad): SeenMark | null {
  const at = fromUnitSquare(quad)
  const cell = (column: number, row: number): number => {
    let sum = 0
    for (const du of [0.3, 0.5, 0.7]) {
      for (const dv of [0.3, 0.5, 0.7]) {
        const p = at((column + du) / MARK_CELLS, (row + dv) / MARK_CELLS)
        sum += brightness(picture, p[0], p[1])
      }
    }
    return sum / 9
  }
  const border: number[] = []
  const around: number[] = []
  for (let k = 0; k < MARK_CELLS; k++) {
    border.push(cell(k, 0), cell(k, MARK_CELLS - 1))
    if (k > 0 && k < MARK_CELLS - 1) border.push(cell(0, k), cell(MARK_CELLS - 1, k))
    around.push(cell(k, -1), cell(k, MARK_CELLS), cell(-1, k), cell(MARK_CELLS, k))
  }
  const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length
  const [dark, light] = [mean(border), mean(around)]
  if (light - dark < 25) return null
  const level = (dark + light) / 2
  if (border.filter((v) => v > level).length > BORDER_MISREAD) return null
  let field = 0
  for (let row = 0; row < CODE_CELLS; row++) {
    for (let column = 0; column < CODE_CELLS; column++) {
      if (cell(column + 1, row + 1) > level) field |= 1 << (row * CODE_CELLS + column)
    }
  }
  const read = readCode(field)
  if (!read) return null
  // The quadrilateral runs clockwise from the seen upper left; the field stands upright after so many quarters clockwise.
  const upright = [0, 1, 2, 3].map((k) => quad[(k + 4 - read.quarters) % 4]!)
  return { mark: read.mark, corners: [upright[3]!, upright[2]!, upright[1]!, upright[0]!] }
}

/** A blurred step has risen so far one standard deviation beyond its middle. */
const ONE_SIGMA = 0.8413
/** Places along a side of a mark at which its edge is read, and steps across it. */
const ALONG = 18
const ACROSS = 24

/** The edge of a mark between two of its corners, read where brightness passes half way from black to white; null when it is not there. */
function edgeOfMark(picture: Grey, a: Point, b: Point, blurs: number[]): StraightLine | null {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1])
  const [dx, dy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
  const [nx, ny] = [-dy, dx]
  const reach = Math.max(2, (0.75 * length) / MARK_CELLS)
  let points: Point[] = []
  for (let k = 0; k < ALONG; k++) {
    const s = 0.1 + (0.8 * k) / (ALONG - 1)
    const [ox, oy] = [a[0] + (b[0] - a[0]) * s, a[1] + (b[1] - a[1]) * s]
    const values: number[] = []
    for (let j = 0; j <= ACROSS; j++) {
      const t = reach * ((2 * j) / ACROSS - 1)
      values.push(lightAt(picture, ox + nx * t, oy + ny * t))
    }
    const [from, to] = [
      (values[0]! + values[1]! + values[2]!) / 3,
      (values[ACROSS]! + values[ACROSS - 1]! + values[ACROSS - 2]!) / 3,
    ]
    const rise = to - from
    if (Math.abs(rise) < 25) continue
    const where = (share: number): number | null => {
      const level = from + share * rise
      for (let j = 0; j < ACROSS; j++) {
        const [u, v] = [values[j]! - level, values[j + 1]! - level]
        if (u * rise <= 0 && v * rise > 0) return reach * ((2 * (j + u / (u - v))) / ACROSS - 1)
      }
      return null
    }
    const [t, late] = [where(0.5), where(ONE_SIGMA)]
    if (t === null) continue
    points.push([ox + nx * t, oy + ny * t])
    // Outwards, where nothing but paper follows: within the mark white cells may be near.
    if (late !== null && rise > 0) blurs.push(late - t)
  }
  if (points.length < ALONG / 2) return null
  for (let pass = 0; pass < 2; pass++) {
    const line = lineThrough(points)
    const off = points.map((q) => Math.abs(offLine(q, line)))
    const limit = Math.max(0.15, 3 * median(off))
    const kept = points.filter((_, i) => off[i]! <= limit)
    if (kept.length >= ALONG / 2) points = kept
  }
  return lineThrough(points)
}

/** Edges of a mark that meet at less than this sine are none of a square. */
const SQUARE = 0.05

/** The corners of a mark where its edges, read across, meet; null when an edge is hidden or bent. */
function refined(picture: Grey, seen: SeenMark, blurs: number[]): SeenMark | null {
  const edges = seen.corners.map((c, k) => edgeOfMark(picture, c, seen.corners[(k + 1) % 4]!, blurs))
  const corners = edges.map((edge, k) => {
    const before = edges[(k + 3) % 4]
    return edge && before ? crossingOf(before, edge, SQUARE) : null
  })
  if (corners.some((c) => c === null)) return null
  const size = Math.hypot(seen.corners[0][0] - seen.corners[1][0], seen.corners[0][1] - seen.corners[1][1])
  if (
    corners.some((c, k) => Math.hypot(c![0] - seen.corners[k]![0], c![1] - seen.corners[k]![1]) > Math.max(4, size / 4))
  )
    return null
  return { mark: seen.mark, corners: corners as [Point, Point, Point, Point] }
}

/** Marks of the mat in a picture, each once, with corners to a fraction of a pixel. */
export function findMarks(cv: Vision, picture: Grey): FoundMarks {
  const long = Math.max(picture.width, picture.height)
  const blurs: number[] = []
  const at = (scale: number): SeenMark[] =>
    withMats((keep) => {
      const whole = keep(new cv.Mat(picture.height, picture.width, cv.CV_8UC1))
      whole.data.set(picture.data)
      const small = scale === 1 ? whole : keep(new cv.Mat())
      if (scale !== 1) {
        cv.resize(
          whole,
          small,
          new cv.Size(Math.round(picture.width / scale), Math.round(picture.height / scale)),
          0,
          0,
          cv.INTER_AREA,
        )
      }
      const [sx, sy] = [picture.width / small.cols, picture.height / small.rows]
      const up = ([x, y]: Point): Point => [(x + 0.5) * sx - 0.5, (y + 0.5) * sy - 0.5]
      const best = new Map<number, { seen: SeenMark; size: number }>()
      for (const [a, b, c, d] of squares(cv, small)) {
        const quad: Quad = [up(a), up(b), up(c), up(d)]
        const seen = readSquare(picture, quad)
        if (!seen) continue
        const size = Math.hypot(quad[0][0] - quad[2][0], quad[0][1] - quad[2][1])
        if (size > (best.get(seen.mark)?.size ?? 0)) best.set(seen.mark, { seen, size })
      }
      return [...best.values()].map(({ seen }) => refined(picture, seen, blurs)).filter((m) => m !== null)
    })
  let marks = at(Math.max(1, long / LOOK))
  if (marks.length < FEW && long > LOOK) {
    blurs.length = 0
    marks = at(1)
  }
  return { marks: marks.sort((a, b) => a.mark - b.mark), blur: median(blurs) }
}
