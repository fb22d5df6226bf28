import { meet } from '../../geometry/lineCrossing.ts'
import { offsetLine } from '../../geometry/offsetLine.ts'
import { distance, pathLength, type Path, type Point } from '../../geometry/path.ts'
import { nearest, pointAt } from '../../geometry/polyline.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'
import { subpath } from '../../geometry/subpath.ts'
import type { EdgeRole } from '../../model/edgeRoles.ts'
import type { Rule } from '../../trade/rules.ts'
import type { Side } from '../../trade/side.ts'
import type { DesignBoard } from '../designPoints.ts'
import type { Hole, Piece } from '../piece.ts'
import { foldedPiece, type EdgeDraft } from '../pieceMaker.ts'
import { ankles, flipped, flippedWay, ontoBack, perSide, squareToBack, type BackLine } from './lines.ts'

export const heelStrapRules = {
  width: {
    key: 'upper.heelStrap',
    name: 'Width of the strap behind the heel',
    value: 18,
    min: 10,
    max: 32,
    unit: 'mm',
    why: 'Narrower ones cut into the tendon, wider ones rub at the ankle.',
  },
  beyond: {
    key: 'upper.beyondBuckle',
    name: 'Heel strap goes on past the instep strap by',
    value: 58,
    min: 44,
    max: 90,
    unit: 'mm',
    why: 'Room for the holes, for a foot that swells, and an end to take hold of.',
  },
  holes: {
    key: 'upper.buckleHoles',
    name: 'Between the holes of a buckle strap',
    value: 8,
    min: 5,
    max: 9,
    unit: 'mm',
    why: 'Nearer, the leather between two holes tears; further apart, a strap is now too tight and now too loose.',
  },
} satisfies Record<string, Rule>

/** It meets the instep strap at this height of that one's rear edge, share from the feather. */
const MEETS = 0.5
/** How many holes there are for the buckle, how wide, and how far the middle one lies past the instep strap's edge, mm. */
const HOLES = 5
const HOLE = 2.5
const MIDDLE = 22
/** The end stands out so far over its corners, mm. */
const ROUND_END = 6
const CHORDS = 12

export interface HeelStrap {
  piece: Piece
  topLine: Record<Side, Path>
  /** Its other edge, from the instep strap to the back. */
  lower: Record<Side, Path>
  /**
   * The part of the instep strap's rear edge under which its medial end is sewn: how far along that edge it begins and
   * ends, mm.
   */
  under: { from: number; to: number }
}

/** Straight on from the beginning of a line, `by` mm back. */
function ledBack(line: Path, by: number): Point {
  const [a, b] = [line[0]!, pointAt(line, AIM)]
  const l = distance(a, b) || 1
  return [a[0] - ((b[0] - a[0]) / l) * by, a[1] - ((b[1] - a[1]) / l) * by]
}
/** The way of a line's end is read over so much, mm. */
const AIM = 5

/** The end of a strap, rounded from one corner to the other. */
function roundEnd(from: Point, to: Point): Path {
  const middle: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]
  const [x, y] = [from[0] - middle[0], from[1] - middle[1]]
  const half = Math.hypot(x, y) || 1
  return Array.from({ length: CHORDS + 1 }, (_, k): Point => {
    const a = (Math.PI * k) / CHORDS
    const out = (ROUND_END * Math.sin(a)) / half
    return [middle[0] + x * Math.cos(a) - y * out, middle[1] + y * Math.cos(a) + x * out]
  })
}

/** Holes down the middle of a strap's free end; `back` is how far behind the end's corners the middle one lies, mm. */
function buckleHoles({ edges }: Piece, back: number, apart: number): Hole[] {
  const at = edges.findIndex((e) => e.name === 'end')
  const [before, after] = [edges[(at + edges.length - 1) % edges.length]!, edges[(at + 1) % edges.length]!]
  return Array.from({ length: HOLES }, (_, k): Hole => {
    const by = back + (k - (HOLES - 1) / 2) * apart
    const [a, b] = [pointAt(before.line, pathLength(before.line) - by), pointAt(after.line, by)]
    return { at: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], diameter: HOLE, for: 'buckle' }
  })
}

/**
 * The strap behind the heel, folded along the back: its medial end is sewn under the instep strap, whose rear edges are
 * `rear`; its lateral end goes on over it to a buckle.
 */
export function heelStrap(board: DesignBoard, back: BackLine, rear: Record<Side, Path>, finish: EdgeRole): HeelStrap {
  const { book } = board
  const width = book.value(heelStrapRules.width)
  const beyond = book.value(heelStrapRules.beyond)
  const ankle = ankles(board)
  const meets = board.free(
    'heelStrapFront',
    'Heel strap at the instep strap',
    perSide((side) => pointAt(rear[side], (1 - MEETS) * pathLength(rear[side]))),
    'Half-way up the instep strap: higher it would press on the ankle, lower it would draw the strap down.',
  )
  const lowAt = nearest(back.line, back.top).at - width
  const low = pointAt(back.line, lowAt)
  const top = perSide((side): Path => smoothLine([meets[side], ankle[side], back.top], { end: ontoBack(back) }))
  const bottom = perSide((side): Path => {
    const beside = offsetLine(top[side], width)
    const through = [0, 0.25, 0.5, 0.75].map((t) => beside[Math.round(t * (beside.length - 1))]!)
    return smoothLine([...through, low], { end: flippedWay(squareToBack(back.line, low)) })
  })
  const onRear = (side: Side, line: Path) => {
    const hit = meet([ledBack(line, 2 * width), ...line], rear[side], ['heel strap', 'instep strap'])
    return {
      line: [hit.point, ...subpath([ledBack(line, 2 * width), ...line], hit.onA, Infinity).slice(1)],
      at: hit.onB,
    }
  }
  const ends = perSide((side) => ({ upper: onRear(side, top[side]), lower: onRear(side, bottom[side]) }))
  const edge = (line: Path): EdgeDraft => ({ name: 'top line', role: finish, line })
  /** As far as the instep strap; `end` says what its end is there. */
  const upTo = (side: Side, end: Pick<EdgeDraft, 'name' | 'role' | 'seam'>): EdgeDraft[] => {
    const { upper, lower } = ends[side]
    return [
      edge(flipped(lower.line)),
      { ...end, line: flipped(subpath(rear[side], upper.at, lower.at)) },
      edge(upper.line),
    ]
  }
  const medial = upTo('medial', { name: 'under the instep strap', role: 'lap under', seam: 'heel' })
  const [high, deep] = [top.lateral, bottom.lateral].map((line): Path => [ledBack(line, beyond), ...line])
  const free: EdgeDraft[] = [
    edge(flipped(deep!)),
    { name: 'end', role: 'raw', line: roundEnd(deep![0]!, high![0]!) },
    edge(high!),
  ]
  const whole = (lateral: EdgeDraft[]) =>
    foldedPiece(
      { id: 'heelStrap', name: 'Heel strap' },
      { lateral, medial },
      {
        from: back.top,
        to: low,
        upright: true,
        onForme: flipped(subpath(back.line, lowAt, nearest(back.line, back.top).at)),
      },
      book,
    )
  const piece = {
    ...whole(free),
    // What goes on past the instep strap hangs free until it is buckled: it is no layer of the wall.
    places: whole(upTo('lateral', { name: 'end', role: 'raw' })).places,
  }
  return {
    piece: { ...piece, holes: buckleHoles(piece, beyond - MIDDLE, book.value(heelStrapRules.holes)) },
    topLine: perSide((side) => ends[side].upper.line),
    lower: perSide((side) => ends[side].lower.line),
    under: { from: ends.medial.upper.at, to: ends.medial.lower.at },
  }
}
