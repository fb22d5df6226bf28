import { unite } from '../geometry/polygonClip.ts'
import { offsetLine } from '../geometry/offsetLine.ts'
import { outwardNormals, resample } from '../geometry/polyline.ts'
import { distance, pathLength, type Path, type Point } from '../geometry/path.ts'
import { allowanceAt, type PieceEdge } from './piece.ts'
import { ROUNDING } from '../geometry/tolerance.ts'

/** A corner is drawn out to its point up to this many allowances, then cut off square. */
const LONGEST_CORNER = 1.7

const unitNormal = (a: Point, b: Point): Point => {
  const l = distance(a, b) || 1
  return [(b[1] - a[1]) / l, -(b[0] - a[0]) / l]
}

/** Where two straight lines meet, each through a point square to its normal; null when they are nearly parallel. */
function corner(p: Point, n: Point, q: Point, m: Point): Point | null {
  const det = n[0] * m[1] - n[1] * m[0]
  if (Math.abs(det) < 0.17) return null
  const c = n[0] * p[0] + n[1] * p[1]
  const d = m[0] * q[0] + m[1] * q[1]
  return [(c * m[1] - d * n[1]) / det, (n[0] * d - m[0] * c) / det]
}

type Grown = Pick<PieceEdge, 'line' | 'allowance' | 'more' | 'role'>

/** Between the places at which a margin that differs is laid beside its edge, mm. */
const STEP = 2

/** The strip outside one edge: the edge, and the line beside it. */
function strip(edge: Grown): Path {
  const { line } = edge
  if (!edge.more) return [...line, ...offsetLine(line, -edge.allowance).reverse()]
  const whole = pathLength(line)
  const even = resample(line, Math.max(4, Math.ceil(whole / STEP)))
  const out = [...outwardNormals(even, false)]
  // At its ends it is square to the edge itself, as the corners are that go on from there.
  out[0] = unitNormal(line[0]!, line[1]!)
  out[out.length - 1] = unitNormal(line[line.length - 2]!, line[line.length - 1]!)
  const beside = even.map(([x, y], i): Point => {
    const by = allowanceAt(edge, i / (even.length - 1))
    return [x + out[i]![0] * by, y + out[i]![1] * by]
  })
  return [...line, ...beside.reverse()]
}

/**
 * The cut outline: the finished one grown by each edge's own allowance. Where two edges with allowances meet, both are
 * drawn out to their common corner, so that turned margins still cover the corner; very pointed corners are cut off.
 * Throws GeometryError when nothing is left.
 */
export function withAllowances(net: Path, edges: readonly Grown[], what: string): Path {
  const grown = edges.filter((e) => e.allowance > 0 && e.role !== 'fold')
  if (grown.length === 0) return net
  const added: Path[] = grown.map(strip)
  edges.forEach((edge, i) => {
    const next = edges[(i + 1) % edges.length]!
    const [a, b] = [allowanceAt(edge, 1), allowanceAt(next, 0)]
    if ((a <= 0 && b <= 0) || edge.role === 'fold' || next.role === 'fold') return
    const at = edge.line[edge.line.length - 1]!
    const n = unitNormal(edge.line[edge.line.length - 2]!, at)
    const m = unitNormal(next.line[0]!, next.line[1]!)
    // Only a corner that sticks out leaves a gap between the two strips.
    if (n[0] * m[1] - n[1] * m[0] <= 0) return
    const p: Point = [at[0] + n[0] * a, at[1] + n[1] * a]
    const q: Point = [at[0] + m[0] * b, at[1] + m[1] * b]
    const tip = corner(p, n, q, m)
    const most = LONGEST_CORNER * Math.max(a, b)
    // With very different allowances the lines may meet behind their own ends: then there is no corner to draw out.
    const ahead = (t: Point) =>
      (t[0] - p[0]) * -n[1] + (t[1] - p[1]) * n[0] >= -ROUNDING &&
      (t[0] - q[0]) * -m[1] + (t[1] - q[1]) * m[0] <= ROUNDING
    if (tip && ahead(tip) && distance(tip, at) <= most) added.push([at, p, tip, q])
    else added.push([at, p, q])
  })
  return unite([net, ...added], what)
}
