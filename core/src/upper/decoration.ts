import { cumulative, nearest, pointAt, pointsAt } from '../geometry/polyline.ts'
import { offsetLine } from '../geometry/offsetLine.ts'
import { joined, subpath } from '../geometry/subpath.ts'
import { distance, pathLength, type Path, type Point } from '../geometry/path.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import type { UpperDecisions } from '../model/upper.ts'
import { withAllowances } from './allowance.ts'
import type { Hole, Piece, PieceEdge } from './piece.ts'
import { ROUNDING } from '../geometry/tolerance.ts'

export const decorationRules = {
  rowFromEdge: {
    key: 'upper.punchFromEdge',
    name: 'Row of punched holes from the edge',
    value: 6,
    min: 4,
    max: 10,
    unit: 'mm',
    why: 'Between two rows of stitches, clear of both.',
  },
  pitch: {
    key: 'upper.punchPitch',
    name: 'Between large punched holes',
    value: 7,
    min: 5,
    max: 12,
    unit: 'mm',
    why: 'A large hole, two small ones between; spread evenly from corner to corner.',
  },
  large: {
    key: 'upper.punchLarge',
    name: 'Large punched hole',
    value: 2.5,
    min: 1.5,
    max: 4,
    unit: 'mm',
    why: 'Larger holes tear out under the strain of lasting.',
  },
  small: {
    key: 'upper.punchSmall',
    name: 'Small punched hole',
    value: 1.2,
    min: 0.8,
    max: 2,
    unit: 'mm',
    why: 'Two of them sit between the large ones.',
  },
  tooth: {
    key: 'upper.gimpTooth',
    name: 'Pitch of gimped teeth',
    value: 4,
    min: 2,
    max: 6,
    unit: 'mm',
    why: 'The teeth are spread so that a whole number fills the edge.',
  },
} satisfies Record<string, Rule>

/** Depth of a tooth as a share of its pitch. */
const DEPTH = 0.45

/** Edges that lie open over a neighbour are punched and gimped; one with a bead is punched alone. */
const OPEN: readonly PieceEdge['role'][] = ['lap over']
const PUNCHED: readonly PieceEdge['role'][] = ['lap over', 'bead']
/** Shorter runs of open edges are left plain, mm. */
const SHORTEST = 25
/** Open edges go on into one another where they turn by no more than this, degrees. */
const GOES_ON = 35

/** Open edges of a piece that run on into one another: decorated as one. */
export interface OpenRun {
  /** Places among the piece's edges, in order. */
  edges: number[]
  line: Path
  /** How far along it crosses the fold, mm; null where it does not. */
  foldAt: number | null
}

const wayAt = (line: Path, end: 'first' | 'last'): number => {
  const [a, b] = end === 'first' ? [line[0], line[1]] : [line[line.length - 2], line[line.length - 1]]
  return Math.atan2(b![1] - a![1], b![0] - a![0])
}

/** Runs of edges of the roles asked for that are long enough to be decorated, each with its place on the fold. */
export function openRuns(
  { edges, fold }: Pick<Piece, 'edges' | 'fold'>,
  isOpen: (edge: PieceEdge) => boolean = ({ role }) => OPEN.includes(role),
): OpenRun[] {
  const n = edges.length
  const goesOn = (i: number): boolean => {
    const [here, next] = [edges[i]!, edges[(i + 1) % n]!]
    if (n < 2 || !isOpen(here) || here.role !== next.role) return false
    const turn = wayAt(next.line, 'first') - wayAt(here.line, 'last')
    return Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn))) < (GOES_ON * Math.PI) / 180
  }
  const runs: OpenRun[] = []
  edges.forEach((edge, i) => {
    if (!isOpen(edge) || goesOn((i + n - 1) % n)) return
    const its = [i]
    while (goesOn(its[its.length - 1]!) && its.length < n) its.push((its[its.length - 1]! + 1) % n)
    const line = joined(...its.map((k) => edges[k]!.line))
    if (pathLength(line) <= SHORTEST) return
    const sums = cumulative(line)
    const at = line.findIndex(
      (p, k) => k > 0 && k + 1 < line.length && (fold?.some((q) => distance(p, q) < 0.1) ?? false),
    )
    runs.push({ edges: its, line, foldAt: at < 0 ? null : sums[at]! })
  })
  return runs
}

/**
 * Holes of one stretch of a row, from a large one at its beginning (`whole`) or half a step before one, to half a step
 * before its end.
 */
function holesAlong(length: number, pitch: number, whole: boolean): { along: number; large: boolean }[] {
  const extra = whole ? 0.5 : 0
  const steps = Math.max(1, Math.round(length / pitch - extra))
  const step = length / (steps + extra)
  const first = whole ? 0 : 0.5
  const holes: { along: number; large: boolean }[] = []
  for (let k = 0; k + first < steps + extra - ROUNDING; k++) {
    holes.push({ along: (k + first) * step, large: true })
    const next = (k + first + 0.5) * step
    // Two small ones where steps meet, a quarter of a step apart.
    if (next + step / 2 < length - step / 4)
      holes.push({ along: next - step / 8, large: false }, { along: next + step / 8, large: false })
  }
  return holes
}

/**
 * A row along an edge, `inside` mm in: equal steps from corner to corner, a large hole in the middle of each, two small
 * ones where steps meet. On a fold it has a large hole, and steps on either side from there to the corner.
 */
export function punchedRow(
  line: Path,
  inside: number,
  pitch: number,
  large: number,
  small: number,
  foldAt: number | null = null,
): Hole[] {
  const row = offsetLine(line, inside)
  const whole = pathLength(row)
  const middle = foldAt === null ? null : nearest(row, pointAt(line, foldAt)).at
  const holes =
    middle === null
      ? holesAlong(whole, pitch, false)
      : [
          ...holesAlong(middle, pitch, true)
            .slice(1)
            .map((h) => ({ ...h, along: middle - h.along }))
            .reverse(),
          ...holesAlong(whole - middle, pitch, true).map((h) => ({ ...h, along: middle + h.along })),
        ]
  const places = pointsAt(
    row,
    holes.map((h) => h.along),
  )
  return places.map((at, i) => ({ at, diameter: holes[i]!.large ? large : small }))
}

/**
 * Teeth along an edge: a whole number of them, points on the line, roots inside it. `root` begins or ends it between
 * two teeth.
 */
export function gimped(line: Path, pitch: number, root: 'first' | 'last' | null = null): Path {
  const whole = pathLength(line)
  // With half a tooth at the end that goes on over the fold, its other half is its mirror image.
  const halves =
    root === null ? 2 * Math.max(1, Math.round(whole / pitch)) : 2 * Math.max(1, Math.round(whole / pitch - 0.5)) + 1
  const step = whole / halves
  const places = pointsAt(
    line,
    Array.from({ length: halves + 1 }, (_, i) => i * step),
  )
  const depth = toothDepth(2 * step)
  return places.map((p, i): Point => {
    const tip = root === 'first' ? i % 2 === 1 : i % 2 === 0
    if (tip) return i === 0 ? line[0]! : i === halves ? line[line.length - 1]! : p
    const [a, b] = [places[Math.max(0, i - 1)]!, places[Math.min(halves, i + 1)]!]
    const l = distance(a, b) || 1
    return [p[0] - ((b[1] - a[1]) / l) * depth, p[1] + ((b[0] - a[0]) / l) * depth]
  })
}

/** Depth of a tooth, mm. */
export const toothDepth = (pitch: number): number => DEPTH * pitch

/** The edges with every run of open ones cut in teeth, from the fold, where there is a root, to the corners. */
function toothed(piece: Piece, runs: readonly OpenRun[], pitch: number): PieceEdge[] {
  const cut = new Map<number, PieceEdge[]>()
  for (const run of runs) {
    const first = piece.edges[run.edges[0]!]
    const lines =
      run.foldAt === null
        ? [gimped(run.line, pitch)]
        : [
            gimped(subpath(run.line, 0, run.foldAt), pitch, 'last'),
            gimped(subpath(run.line, run.foldAt, Infinity), pitch, 'first'),
          ]
    run.edges.forEach((k, i) => cut.set(k, i === 0 ? lines.map((line) => ({ ...first!, line })) : []))
  }
  return piece.edges.flatMap((e, k) => cut.get(k) ?? [e])
}

/** The option by which a style's tongue is cut in teeth at its top. */
export const GIMPED_TONGUE = 'gimpedTongue'
/** Names of the edge at the top of a tongue, cut by itself or in one with the vamp. */
const TONGUE_TOP = ['top', 'top of the tongue']

/** A piece with its open edges punched or gimped. The finished line, and so every seam length, stays. */
export function decorate(
  piece: Piece,
  { decoration, measured, options }: Pick<UpperDecisions, 'decoration' | 'measured' | 'options'>,
  book: RuleBook,
): Piece {
  const punched = decoration.includes('punched') ? openRuns(piece, ({ role }) => PUNCHED.includes(role)) : []
  const tongue = options[GIMPED_TONGUE] === true
  const toothy = ({ name, role }: PieceEdge) =>
    (decoration.includes('gimped') && OPEN.includes(role)) || (tongue && role === 'raw' && TONGUE_TOP.includes(name))
  const runs = openRuns(piece, toothy)
  if (punched.length + runs.length === 0) return piece
  const row = punched.flatMap((r) =>
    punchedRow(
      r.line,
      book.value(decorationRules.rowFromEdge),
      measured.row ?? book.value(decorationRules.pitch),
      book.value(decorationRules.large),
      book.value(decorationRules.small),
      r.foldAt,
    ),
  )
  const holes = [...piece.holes, ...row]
  if (runs.length === 0) return { ...piece, holes }
  const pitch = measured.tooth ?? book.value(decorationRules.tooth)
  const edges = toothed(piece, runs, pitch)
  const net = edges.flatMap((e) => e.line.slice(0, -1))
  return { ...piece, holes, teeth: toothDepth(pitch), outline: withAllowances(net, edges, piece.name) }
}
