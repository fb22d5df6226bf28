import { outwardNormals, nearest, pointAt, pointsAt, resample } from '../geometry/polyline.ts'
import { contains, pathLength, type Path, type Point } from '../geometry/path.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import type { Side } from '../trade/side.ts'
import type { Piece } from '../upper/piece.ts'
import type { RowOnPiece, Seam } from './seam.ts'
import { throughSole } from './throughSole.ts'

export const cupSeamRules = {
  pitch: {
    key: 'work.cupPitch',
    name: 'Stitch through the wall of a cup',
    value: 6,
    min: 3,
    max: 12,
    unit: 'mm',
    why: 'Wide, so that the rubber does not tear along the holes.',
  },
  height: {
    key: 'seam.cupHeight',
    name: 'Stitches through the wall of a cup above the feather',
    value: 8,
    min: 3,
    max: 25,
    unit: 'mm',
    why: 'In the groove of the wall, where it is thinnest, and over the insole’s edge, so that the needle comes out inside.',
  },
  wall: {
    key: 'seam.cupWall',
    name: 'Thickness of a cup’s wall in its groove',
    value: 3.5,
    min: 1.5,
    max: 8,
    unit: 'mm',
    why: 'The thread goes through it with every stitch.',
  },
  onInsole: {
    key: 'seam.cupOnInsole',
    name: 'Marks of the cup’s stitches inside the insole’s edge',
    value: 3,
    min: 1,
    max: 8,
    unit: 'mm',
    why: 'Ticked on the insole, every stitch is found from inside.',
  },
  needle: {
    key: 'seam.cupNeedle',
    name: 'Needle for the wall of a cup, longer than what it goes through by',
    value: 30,
    min: 10,
    max: 80,
    unit: 'mm',
    why: 'So much of it has to stand out inside, down in the toe, to be taken hold of.',
  },
} satisfies Record<string, Rule>

/** The seam of a cup, by its id. */
export const CUP_SEAM = 'cup.wall seam'

export interface CupSeamNeeds {
  pieces: readonly Piece[]
  feathers: Record<Side, Path>
  insole: Path
  /** Upper and lining together, mm. */
  upper: number
  book: RuleBook
}

/** A place of the feather line all round: of which side, and how far from the heel as a share of it. */
interface Place {
  side: Side
  share: number
}

/**
 * Places all round a shoe, evenly: from the heel along the lateral side to the toe and back along the medial one, half
 * a step off either end.
 */
function placesRound({ lateral, medial }: Record<Side, Path>, count: number): Place[] {
  const [out, back] = [pathLength(lateral), pathLength(medial)]
  return Array.from({ length: count }, (_, k): Place => {
    const at = ((k + 0.5) * (out + back)) / count
    return at < out ? { side: 'lateral', share: at / out } : { side: 'medial', share: 1 - (at - out) / back }
  })
}

/** Where a hole lies on a piece: so high over a place of the feather line, whose piece it is by what lies there on the forme. */
function holeOn(pieces: readonly Piece[], side: Side, foot: Point, hole: Point): { piece: string; at: Point } | null {
  const near = pieces
    .flatMap((piece) =>
      piece.places
        .filter((p) => p.side === side)
        .flatMap((place) =>
          place.edges
            .filter((e) => e.role === 'lasting margin')
            .map((edge) => ({ piece, place, edge, near: nearest(edge.line, foot) })),
        ),
    )
    .sort((a, b) => a.near.away - b.near.away)
  // Beside a seam the hole may lie in another piece than the feather under it.
  const found = near.find(({ place }) => contains(place.forme, hole)) ?? near[0]
  if (!found || found.near.away > MOST_ASIDE) return null
  const { piece } = found
  // What is cut off one side of the forme lies on the piece as on the forme, mirrored on the medial side.
  if (piece.fold === null) return { piece: piece.id, at: side === 'medial' ? [-hole[0], hole[1]] : hole }
  const edge = piece.edges.find((e) => e.name === found.edge.name && e.role === found.edge.role && e.side === side)
  if (!edge) return null
  const share = found.near.at / (pathLength(found.edge.line) || 1)
  const up = nearest(found.edge.line, hole).away
  return { piece: piece.id, at: inside(edge.line, side === 'medial' ? 1 - share : share, up) }
}

/** A hole lies so far beside the end of its piece's bottom edge at most, mm: as far as seams slant over its height. */
const MOST_ASIDE = 20

/** A place of a piece so far inside its bottom edge. */
function inside(line: Path, share: number, by: number): Point {
  const at = share * pathLength(line)
  const p = pointAt(line, at)
  const [a, b] = [pointAt(line, Math.max(0, at - 1)), pointAt(line, at + 1)]
  const l = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
  return [p[0] - ((b[1] - a[1]) / l) * by, p[1] + ((b[0] - a[0]) / l) * by]
}

/**
 * The seam through the wall of a cup, all round at one height: as many holes in the upper's pieces together as marks on the
 * insole and stitches in the wall, hole by hole at the same share of the way round, pierced when all is joined.
 */
export function cupSeam({ pieces, feathers, insole, upper, book }: CupSeamNeeds): Seam {
  const length = pathLength(feathers.lateral) + pathLength(feathers.medial)
  const stitches = Math.max(3, Math.round(length / book.value(cupSeamRules.pitch)))
  const pitch = length / stitches
  const height = book.value(cupSeamRules.height)
  const thickness = upper + book.value(cupSeamRules.wall)
  const rows = new Map<string, Point[]>()
  for (const { side, share } of placesRound(feathers, stitches)) {
    const line = feathers[side]
    // Seen from the lateral side a feather line runs forwards with the wall on its left.
    const hole = inside(line, share, height)
    const found = holeOn(pieces, side, pointAt(line, share * pathLength(line)), hole)
    if (found) rows.set(found.piece, [...(rows.get(found.piece) ?? []), found.at])
  }
  return throughSole(
    {
      id: CUP_SEAM,
      name: 'Upper to the wall of the cup',
      stitches,
      pitch,
      length,
      fromEdge: height,
      thickness,
      on: [
        { piece: 'insole', ...onInsole(insole, stitches, book.value(cupSeamRules.onInsole)), punched: 'later' },
        ...[...rows].map(([piece, holes]): RowOnPiece => ({ piece, line: holes, holes, punched: 'later' })),
      ],
    },
    book,
  )
}

/** Marks all round the insole, as many as there are stitches, beginning at the heel and running as the feather does. */
function onInsole(outline: Path, count: number, by: number): { line: Path; holes: Path } {
  const heel = outline.reduce((best, p, i) => (p[0] < outline[best]![0] ? i : best), 0)
  const ring = [...outline.slice(heel), ...outline.slice(0, heel), outline[heel]!]
  const even = resample(ring, 4 * count)
  const out = outwardNormals(even.slice(0, -1), true)
  const line = even.slice(0, -1).map(([x, y], i): Point => [x - out[i]![0] * by, y - out[i]![1] * by])
  const closed = [...line, line[0]!]
  const whole = pathLength(closed)
  return {
    line: closed,
    holes: pointsAt(
      closed,
      Array.from({ length: count }, (_, k) => ((k + 0.5) * whole) / count),
    ),
  }
}
