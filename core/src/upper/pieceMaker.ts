import { cumulative } from '../geometry/polyline.ts'
import { joined } from '../geometry/subpath.ts'
import { firstSelfIntersection } from '../geometry/selfIntersection.ts'
import { distance, GeometryError, pathLength, signedArea, type Path, type Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import { withAllowances } from './allowance.ts'
import { allowanceRule } from './edgeRules.ts'
import type { EdgeRole } from '../model/edgeRoles.ts'
import type { Piece, PieceEdge } from './piece.ts'
import { mm, say } from '../units/sentence.ts'
import { ROUNDING, SAME } from '../geometry/tolerance.ts'

/** An edge as a style draws it on the forme: running counter-clockwise round the piece seen from the lateral side. */
export interface EdgeDraft {
  name: string
  role: EdgeRole
  line: Path
  seam?: string
  /** Instead of the allowance that belongs to the role. */
  allowance?: number
}

export interface PieceDraft {
  id: string
  name: string
}

/**
 * The fold of a whole piece: walked from `from` to `to`, the half lies on the left. `upright` stands the fold up.
 * `onForme` is the line of the forme that it straightens, in the same direction.
 */
export interface FoldLine {
  from: Point
  to: Point
  upright?: boolean
  onForme: Path
}

const marginOf = (book: RuleBook, draft: EdgeDraft): number => {
  if (draft.allowance !== undefined) return draft.allowance
  const rule: Rule | null = allowanceRule(draft.role)
  return rule ? book.value(rule) : 0
}

const turned = (line: Path): Path => [...line].reverse()

/** Ends of neighbouring edges must meet; a style whose lines do not is told where. */
function closedNet(edges: readonly PieceEdge[], name: string): Path {
  edges.forEach((e, i) => {
    const next = edges[(i + 1) % edges.length]!
    const gap = distance(e.line[e.line.length - 1]!, next.line[0]!)
    if (gap > 0.05) {
      throw new GeometryError(
        say`${name}: between "${e.name}" and "${next.name}" a gap of ${mm(gap, 1)} is left. Move the points there so that the lines meet.`,
      )
    }
  })
  const net = joined(...edges.map((e) => e.line))
  const path = distance(net[0]!, net[net.length - 1]!) < SAME ? net.slice(0, -1) : net
  if (path.length < 3 || signedArea(path) <= 0 || firstSelfIntersection(path) !== null) {
    throw new GeometryError(`${name}: its outline crosses itself. Move its points apart, or mend the drawing.`)
  }
  return path
}

function finished(
  draft: PieceDraft,
  side: Piece['side'],
  edges: PieceEdge[],
  places: Piece['places'],
  fold: Piece['fold'],
): Piece {
  const net = closedNet(edges, draft.name)
  return {
    id: draft.id,
    name: draft.name,
    side,
    edges,
    net,
    outline: withAllowances(net, edges, draft.name),
    marks: [],
    fold,
    holes: [],
    sewn: [],
    slits: [],
    ticks: [],
    grain: { from: net[0]!, to: net[0]! },
    teeth: 0,
    places,
    becauses: [],
  }
}

/** Where drafts lie on the forme. */
const placed = (side: Side, drafts: readonly EdgeDraft[], book: RuleBook): Piece['places'][number] => ({
  side,
  forme: joined(...drafts.map((d) => d.line)),
  edges: drafts
    .filter((d) => pathLength(d.line) > 1e-3)
    .map((d) => ({ name: d.name, role: d.role, line: d.line, allowance: marginOf(book, d) })),
})

/** A piece drawn as it lies, seen from outside, on no forme. */
export function flatPiece(draft: PieceDraft, side: Piece['side'], drafts: readonly EdgeDraft[], book: RuleBook): Piece {
  const edges = drafts.map((d): PieceEdge => ({ ...d, allowance: marginOf(book, d), side }))
  return finished(draft, side, edges, [], null)
}

/**
 * A piece of one side. The medial one is mirrored, so that it is seen from outside as it lies on the shoe. `place` says where what
 * is drawn on the forme comes to lie on the piece, where that is another place.
 */
export function sidePiece(
  draft: PieceDraft,
  side: Side,
  drafts: readonly EdgeDraft[],
  book: RuleBook,
  place: (p: Point) => Point = (p) => p,
): Piece {
  const flip = (line: Path): Path => line.map(([x, y]): Point => [-x, y])
  const edges = drafts
    .filter((d) => pathLength(d.line) > 1e-3)
    .map((d) => ({ ...d, line: d.line.map(place) }))
    .map((d): PieceEdge => ({
      name: d.name,
      role: d.role,
      line: side === 'lateral' ? d.line : turned(flip(d.line)),
      allowance: marginOf(book, d),
      seam: d.seam,
      side,
    }))
  return finished(
    { ...draft, id: `${draft.id}.${side}`, name: `${draft.name}, ${side}` },
    side,
    side === 'lateral' ? edges : edges.reverse(),
    [placed(side, drafts, book)],
    null,
  )
}

/** A piece of the same finished outline whose edges are something else: what lies behind another, cut to it. */
export function likePiece(
  piece: Piece,
  draft: PieceDraft,
  roleOf: (edge: Pick<PieceEdge, 'name' | 'role'>) => EdgeRole,
  book: RuleBook,
): Piece {
  const other = <E extends { name: string; role: EdgeRole; line: Path; allowance: number }>(edge: E): E => {
    const role = edge.role === 'fold' ? edge.role : roleOf(edge)
    return { ...edge, role, allowance: marginOf(book, { name: edge.name, role, line: edge.line }) }
  }
  return finished(
    draft,
    piece.side,
    piece.edges.map(({ seam: _, ...edge }) => other(edge)),
    piece.places.map((place) => ({ ...place, edges: place.edges.map(other) })),
    piece.fold,
  )
}

/** Over how much of an edge it is turned to meet the fold square, mm, and at most what share of it. */
const SQUARE = 36
const SQUARE_SHARE = 0.4
/**
 * An edge that is rounded on to the fold keeps at least so much of either leg of the corner it rounds, as a share of
 * the other.
 */
const ROUND_LEGS = 0.3

/**
 * An edge that ends on the fold is led to it at a right angle, or the unfolded piece would have a corner there. The
 * fold lies along x. A margin that bulges, as round the toe, is rounded on by the parabola that touches both (never
 * hollow); any other edge is turned gradually, its points keeping their distance from the fold: what is sewn must stay
 * as long as its partner.
 */
function squared(path: Path, end: 'first' | 'last', sewn: boolean): Path {
  const line = end === 'first' ? path : turned(path)
  const reach = Math.min(SQUARE, SQUARE_SHARE * pathLength(line))
  const out = (sewn ? null : rounded(line, reach)) ?? eased(line, reach)
  return end === 'first' ? out : turned(out)
}

/**
 * The first `reach` mm of a line as a parabola from its beginning, square to x, to where it goes on; null where that
 * would be hollow.
 */
function rounded(line: Path, reach: number): Path | null {
  const run = cumulative(line)
  const k = run.findIndex((r) => r >= reach)
  if (k < 2 || k + 1 >= line.length) return null
  const [a, p] = [line[0]!, line[k]!]
  const before = line[k - 1]!
  // Where the line of the further end meets the upright through the beginning.
  const [dx, dy] = [before[0] - p[0], before[1] - p[1]]
  if (Math.abs(dx) < ROUNDING) return null
  const s = (a[0] - p[0]) / dx
  const tip: Point = [a[0], p[1] + s * dy]
  const [near, far] = [distance(a, tip), distance(tip, p)]
  const between = s > 0 && (tip[1] - a[1]) * (p[1] - tip[1]) > 0
  if (!between || near < ROUND_LEGS * far || far < ROUND_LEGS * near) return null
  const n = Math.max(4, Math.ceil(run[k]!))
  const curve = Array.from({ length: n }, (_, i): Point => {
    const t = i / n
    const mix = (d: 0 | 1) => (1 - t) ** 2 * a[d] + 2 * t * (1 - t) * tip[d] + t * t * p[d]
    return [mix(0), mix(1)]
  })
  return [...curve, ...line.slice(k)]
}

/**
 * The first `reach` mm of a line turned square to x: what its first chord leans, times the run, is taken off and fades
 * out with (1 - t)^2, so that a line that is square already stays, however it bends further on.
 */
function eased(line: Path, reach: number): Path {
  const run = cumulative(line)
  const k = run.findIndex((r) => r > SAME)
  if (k < 0) return line
  const lean = (line[k]![0] - line[0]![0]) / run[k]!
  return line.map(([x, y], i): Point => [x - lean * run[i]! * Math.max(0, 1 - run[i]! / reach) ** 2, y])
}

/**
 * A whole piece from its two halves, each drawn as on the lateral side and walked from the end of the fold back to its
 * start: unfolded along the fold line. `place` bends a half open first (see openForepart). `ticks` are places of the forme's
 * centre line that are marked on the fold. Seen from outside; the fold
 * lies along x with the medial half above it, or stands upright with the medial half on the left.
 */
export function foldedPiece(
  draft: PieceDraft,
  halves: Record<Side, readonly EdgeDraft[]>,
  fold: FoldLine,
  book: RuleBook,
  place: (p: Point) => Point = (p) => p,
  ticks: readonly Point[] = [],
): Piece {
  const l = distance(fold.from, fold.to)
  if (l < 1) throw new GeometryError(`${draft.name}: its fold line has no length. Move its ends apart.`)
  const [ux, uy] = [(fold.from[0] - fold.to[0]) / l, (fold.from[1] - fold.to[1]) / l]
  // The fold's end becomes the origin, its start lies at x = l; the half then lies below the x axis.
  const lay = (p: Point): Point => {
    const q = place(p)
    const [x, y] = [q[0] - fold.to[0], q[1] - fold.to[1]]
    return [x * ux + y * uy, -x * uy + y * ux]
  }
  const stand = ([x, y]: Point): Point => (fold.upright ? [-y, x] : [x, y])
  const laid = (side: Side, { line, role }: EdgeDraft, end?: 'first' | 'last'): Path => {
    const path = line.map(lay)
    const sewn = role !== 'lasting margin' && role !== 'turned-out margin'
    const square = end === undefined ? path : squared(path, end, sewn)
    return square.map(([x, y]) => stand(side === 'lateral' ? [x, y] : [x, -y]))
  }
  const of = (side: Side): PieceEdge[] => {
    const drafts = halves[side].filter((d) => pathLength(d.line) > 1e-3)
    const edges = drafts.map((d, i): PieceEdge => {
      const line = laid(side, d, i === 0 ? 'first' : i === drafts.length - 1 ? 'last' : undefined)
      return {
        name: d.name,
        role: d.role,
        line: side === 'lateral' ? line : turned(line),
        allowance: marginOf(book, d),
        seam: d.seam && `${d.seam}.${side}`,
        side,
      }
    })
    const ends = [stand([0, 0]), stand([l, 0])]
    // What the fold's ends miss of it by rounding is put right, so that both halves meet on it.
    const first = edges[0]!
    const last = edges[edges.length - 1]!
    if (side === 'lateral') {
      first.line = [ends[0]!, ...first.line.slice(1)]
      last.line = [...last.line.slice(0, -1), ends[1]!]
    } else {
      first.line = [...first.line.slice(0, -1), ends[0]!]
      last.line = [ends[1]!, ...last.line.slice(1)]
    }
    return side === 'lateral' ? edges : edges.reverse()
  }
  const piece = finished(
    draft,
    'whole',
    [...of('lateral'), ...of('medial')],
    (['lateral', 'medial'] as const).map((side) =>
      placed(side, [...halves[side], { name: 'fold', role: 'fold', line: fold.onForme }], book),
    ),
    [stand([0, 0]), stand([l, 0])],
  )
  const marked = ticks.map((p) => lay(p)[0]).filter((x) => x > TICK && x < l - TICK)
  return { ...piece, ticks: marked.map((x): Path => [stand([x, -TICK]), stand([x, TICK])]) }
}

/** Half the length of a tick across the fold, mm; nearer to an end of it there is none. */
const TICK = 3
