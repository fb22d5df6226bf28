import { pathLength } from '../geometry/path.ts'
import { pointAt, outwardNormals } from '../geometry/polyline.ts'
import { Inside } from '../geometry/pointInPolygon.ts'
import { buttBevel, edgeSkive, type Sheet } from '../layers/edgeSkive.ts'
import { pieceOrder } from '../layers/pieceAreas.ts'
import { asSkived, type EdgeSight } from '../layers/skivedStretches.ts'
import { groundOf, spanKey } from '../layers/turnedSpans.ts'
import { backerOf } from '../trade/partCatalogue.ts'
import { inSentence, withoutSide } from '../trade/pieceName.ts'
import type { RuleBook } from '../trade/rules.ts'
import { profileAt } from '../trade/wallArea.ts'
import { seamsOf, type EdgeOfPiece } from '../upper/joins.ts'
import type { Piece, PieceEdge } from '../upper/piece.ts'
import type { Ply } from './lays.ts'
import {
  beaded,
  bound,
  butted,
  closed,
  cutAt,
  ending,
  lapped,
  sectionOf,
  turnedIn,
  turnedOut,
  type Cut,
  type Meeting,
  type SeamKind,
  type SeamSection,
  type StripLegs,
} from './seamSection.ts'

/** A bead or binding as it lies on the edge of the opening. */
export interface OpeningStrip {
  ply: Ply
  legs: StripLegs
  /** What a binding wraps besides the leather itself. */
  lining: Ply
}

/** Pieces that are sewn to each other: the upper's, or the linings'. */
export interface SewnPieces {
  pieces: readonly Piece[]
  sight: EdgeSight
  sheetOf: (piece: string) => Sheet
  /** How thick the backer of a piece is; null where it has none. */
  backerOf: (piece: string) => number | null
  /** What is laid along the opening; null where nothing is, or where it belongs to others. */
  strip: OpeningStrip | null
  book: RuleBook
}

function plyOf(needs: SewnPieces, { piece, edge }: EdgeOfPiece, doubled = false): Ply {
  const sheet = needs.sheetOf(piece.id)
  const skive = edgeSkive(asSkived(edge, needs.sight, doubled), sheet, needs.book)
  const backer = needs.backerOf(piece.id)
  return {
    part: piece.id,
    name: withoutSide(piece.name),
    thickness: sheet.thickness,
    skive,
    backer:
      backer === null
        ? null
        : { part: backerOf(piece.id), name: `Backer of the ${inSentence(withoutSide(piece.name))}`, thickness: backer },
  }
}

/** What of a ply and its backer is left so far from its cut edge, mm. */
const leftAt = ({ skive, thickness, backer }: Ply, distance: number): number =>
  (skive ? profileAt(skive.profile, distance) : thickness) + (backer?.thickness ?? 0)

/** How an edge and its partner meet, and who lies over whom. */
function met(a: EdgeOfPiece, b: EdgeOfPiece): { kind: SeamKind; ends: [EdgeOfPiece, EdgeOfPiece] } | null {
  const roles = [a.edge.role, b.edge.role]
  if (roles.every((r) => r === 'closed seam')) return { kind: 'closed', ends: [a, b] }
  if (roles.every((r) => r === 'butt seam')) return { kind: 'butt', ends: [a, b] }
  if (roles.includes('lap under') && roles.includes('lap over')) {
    return { kind: 'lap', ends: a.edge.role === 'lap over' ? [a, b] : [b, a] }
  }
  return null
}

/** Where an edge lies on the wall, seen from its middle. */
function cutOf({ piece, edge }: EdgeOfPiece): Cut | null {
  if (edge.side === 'whole') return null
  const place = piece.places.find((p) => p.side === edge.side)?.edges.find((e) => e.name === edge.name)
  return place ? cutAt(edge.side, place.line) : null
}

/** A section with the side it is on; `whole` where it is on both. */
type Sided = SeamSection & { side: PieceEdge['side'] }

/** Sections of all seams and edges of pieces that are sewn to each other; those that are alike are one. */
export function seamSections(needs: SewnPieces): SeamSection[] {
  const { pieces, sight, book } = needs
  const seen = sight.facing === 'foot' ? 'foot' : 'outside'
  const order = pieceOrder(pieces)
  const sections: Sided[] = []

  const add = (
    id: string,
    name: string,
    kind: SeamKind,
    length: number,
    plies: readonly Ply[],
    meeting: Meeting,
    cuts: readonly [Cut | null, Cut | null],
    side: PieceEdge['side'],
    more: Partial<Pick<SeamSection, 'sewn' | 'reach'>> = {},
  ) => {
    sections.push({ ...sectionOf({ id, name, kind, seen, length, cuts, ...more }, plies, meeting), side })
  }

  for (const [seam, ends] of seamsOf(pieces)) {
    const meeting = ends.length === 2 ? met(ends[0]!, ends[1]!) : null
    if (!meeting) continue
    const [a, b] = meeting.ends
    const [x, y] = [plyOf(needs, a), plyOf(needs, b)]
    const length = pathLength(a.edge.line)
    const cuts = [cutOf(a), cutOf(b)] as const
    const [first, second] = [withoutSide(a.piece.name), inSentence(withoutSide(b.piece.name))]
    switch (meeting.kind) {
      case 'lap':
        add(
          seam,
          `${first} over ${second}`,
          'lap',
          length,
          [x, y],
          lapped(x, y, b.edge.allowance, seen),
          cuts,
          a.edge.side,
        )
        break
      case 'closed':
        add(
          seam,
          first.toLowerCase() === second ? `${first}, ${a.edge.name}` : `${first} and ${second}, ${a.edge.name}`,
          'closed',
          length,
          [x, y],
          closed(x, y, [a.edge.allowance, b.edge.allowance], seen),
          cuts,
          a.edge.side === b.edge.side ? a.edge.side : 'whole',
          { sewn: leftAt(x, a.edge.allowance) + leftAt(y, b.edge.allowance) },
        )
        break
      default:
        add(
          seam,
          `${first}, ${a.edge.name}`,
          'butt',
          length,
          [x, y],
          butted(x, y, buttBevel(Math.max(x.thickness, y.thickness), book)),
          cuts,
          'whole',
        )
    }
  }
  for (const piece of pieces) {
    for (const edge of piece.edges) {
      const end = { piece, edge }
      const ply = plyOf(needs, end)
      const id = `${piece.id}.${edge.name}.${edge.side}`
      const name = `${withoutSide(piece.name)}, ${edge.name}`
      const length = pathLength(edge.line)
      const cuts = [cutOf(end), null] as const
      if ((edge.role === 'folded' || edge.role === 'zip') && edge.allowance > 0) {
        add(id, name, 'fold', length, [ply], turnedIn(ply, edge.allowance), cuts, edge.side)
      } else if (edge.role === 'bead' && needs.strip) {
        const { ply: strip, legs } = needs.strip
        // As far as the longer leg reaches behind the edge.
        const reach = legs.outer - legs.reveal
        add(id, name, 'bead', length, [ply, strip], beaded(ply, strip, legs), cuts, edge.side, { reach })
      } else if (edge.role === 'bound' && needs.strip) {
        const { ply: strip, legs, lining } = needs.strip
        // It wraps the lining too: there is nothing else on the wall at the edge.
        const wraps = bound(ply, lining, strip, legs)
        add(id, name, 'bound', length, [ply, strip], wraps, [null, null], edge.side, { reach: legs.inner })
      } else if (edge.role === 'lap over' && !edge.seam) {
        add(id, name, 'laidOn', length, [ply], ending(ply, 0), cuts, edge.side)
      } else if (edge.role === 'trimmed' && ply.skive) {
        add(id, name, 'trimmed', length, [ply], ending(ply, edge.allowance), cuts, edge.side)
      } else if (edge.role === 'turned-out margin') {
        sections.push(...turnedTogether(needs, end, order))
      }
    }
  }
  return alike(sections)
}

/** Where a piece's margin is turned out with others that lie under it: told once, by the piece that lies on top. */
function turnedTogether(needs: SewnPieces, { piece, edge }: EdgeOfPiece, order: Map<string, number>): Sided[] {
  const { side } = edge
  if (side === 'whole') return []
  const placed = piece.places.find((p) => p.side === side)?.edges.find((e) => e.name === edge.name)
  const spans = needs.sight.spans[spanKey(piece.id, side, edge.name)] ?? []
  if (!placed) return []
  const whole = pathLength(placed.line)
  return spans.flatMap(([from, to], i): Sided[] => {
    const middle = pointAt(placed.line, ((from + to) / 2) * whole)
    const [, normal] = outwardNormals([middle, pointAt(placed.line, ((from + to) / 2) * whole + 1)], false)
    const at = [middle[0] - normal![0], middle[1] - normal![1]] as const
    const others = needs.pieces.filter(
      (p) =>
        p.id !== piece.id &&
        p.places.some((place) => place.side === side && new Inside(groundOf(p, place)).has([at[0], at[1]])),
    )
    const under = others.filter((p) => (order.get(p.id) ?? 0) < (order.get(piece.id) ?? 0))
    // A short lap is thinned as a lap is.
    const turned = under.every((p) => (needs.sight.spans[spanKey(p.id, side, edgeOf(p, edge).name)] ?? []).length > 0)
    if (under.length === 0 || under.length < others.length || !turned) return []
    const plies = [...under, piece].map((p) => plyOf(needs, { piece: p, edge: edgeOf(p, edge) }, true))
    return [
      {
        ...sectionOf(
          {
            id: `${piece.id}.${edge.name}.${side}.${i}`,
            name: `${withoutSide(piece.name)} and ${under.map((p) => inSentence(withoutSide(p.name))).join(', ')}, turned out`,
            kind: 'turnedOut',
            seen: 'outside',
            length: (to - from) * whole,
            // What is turned out lies on the midsole, not on the wall.
            cuts: [null, null],
          },
          plies,
          turnedOut(plies, edge.allowance),
        ),
        side,
      },
    ]
  })
}

/** The edge of another piece that is turned out with one. */
const edgeOf = (piece: Piece, edge: PieceEdge): PieceEdge =>
  piece.edges.find((e) => e.role === edge.role && e.side === edge.side) ?? edge

/** Sections that are the same on both sides are told once, with both lengths; where the sides differ, each is named. */
function alike(sections: readonly Sided[]): SeamSection[] {
  const out = new Map<string, Sided>()
  for (const s of sections) {
    const key = [
      s.name,
      s.kind,
      ...[s.thickest.before, s.thickest.after, s.step?.after ?? 0].map((v) => v.toFixed(3)),
    ].join('|')
    const known = out.get(key)
    out.set(
      key,
      known
        ? {
            ...known,
            side: known.side === s.side ? s.side : 'whole',
            length: known.length + s.length,
            pieces: [...new Set([...known.pieces, ...s.pieces])],
          }
        : s,
    )
  }
  const all = [...out.values()]
  return all.map(({ side, ...section }): SeamSection => {
    const twice = side !== 'whole' && all.filter((o) => o.name === section.name).length > 1
    return twice ? { ...section, name: `${section.name}, ${side}` } : section
  })
}
