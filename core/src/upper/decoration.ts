import { pointsAt } from '../geometry/along.ts'
import { beside } from '../geometry/cutLine.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'
import type { Rule, RuleBook } from '../model/rules.ts'
import type { Decoration } from '../model/upper.ts'
import { withAllowances } from './allowance.ts'
import type { Hole, Piece, PieceEdge } from './piece.ts'

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

/** Edges that are decorated: those that lie open over a neighbour. */
const decorated = (e: PieceEdge) => e.role === 'lap over' && pathLength(e.line) > 25

/** A row along an edge, `inside` mm in: equal steps from corner to corner, a large hole in the middle of each, two small ones where steps meet. */
export function punchedRow(line: Path, inside: number, pitch: number, large: number, small: number): Hole[] {
  const row = beside(line, inside)
  const whole = pathLength(row)
  const steps = Math.max(1, Math.round(whole / pitch))
  const step = whole / steps
  const holes: { along: number; diameter: number }[] = []
  for (let k = 0; k < steps; k++) {
    holes.push({ along: (k + 0.5) * step, diameter: large })
    if (k + 1 < steps) {
      // The two stand a quarter of a step apart.
      holes.push({ along: (k + 1) * step - step / 8, diameter: small })
      holes.push({ along: (k + 1) * step + step / 8, diameter: small })
    }
  }
  const places = pointsAt(
    row,
    holes.map((h) => h.along),
  )
  return places.map((at, i) => ({ at, diameter: holes[i].diameter }))
}

/** Teeth along an edge: a whole number of them, points on the line, roots inside it. */
export function gimped(line: Path, pitch: number): Path {
  const whole = pathLength(line)
  const teeth = Math.max(1, Math.round(whole / pitch))
  const step = whole / teeth
  const out: Point[] = [line[0]]
  const places = pointsAt(
    line,
    Array.from({ length: 2 * teeth + 1 }, (_, i) => (i * step) / 2),
  )
  for (let k = 0; k < teeth; k++) {
    const [a, m, b] = [places[2 * k], places[2 * k + 1], places[2 * k + 2]]
    const l = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
    const depth = DEPTH * step
    out.push(
      [m[0] - ((b[1] - a[1]) / l) * depth, m[1] + ((b[0] - a[0]) / l) * depth],
      k + 1 === teeth ? line[line.length - 1] : b,
    )
  }
  return out
}

/** A piece with its open edges punched or gimped. The finished line, and so every seam length, stays. */
export function decorate(piece: Piece, decoration: Decoration, book: RuleBook): Piece {
  if (decoration === 'none' || !piece.edges.some(decorated)) return piece
  const holes = decoration.includes('punched')
    ? piece.edges
        .filter(decorated)
        .flatMap((e) =>
          punchedRow(
            e.line,
            book.value(decorationRules.rowFromEdge),
            book.value(decorationRules.pitch),
            book.value(decorationRules.large),
            book.value(decorationRules.small),
          ),
        )
    : []
  if (!decoration.includes('gimped')) return { ...piece, holes }
  const toothed = piece.edges.map((e) =>
    decorated(e) ? { ...e, line: gimped(e.line, book.value(decorationRules.tooth)) } : e,
  )
  const net = toothed.flatMap((e) => e.line.slice(0, -1))
  return { ...piece, holes, outline: withAllowances(net, toothed, piece.name) }
}
