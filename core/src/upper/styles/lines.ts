import { cumulative, nearest, pointAt } from '../../geometry/polyline.ts'
import { offsetLine } from '../../geometry/offsetLine.ts'
import { subpathBetween, joined, subpath } from '../../geometry/subpath.ts'
import { pchip } from '../../geometry/interpolate.ts'
import { distance, pathLength, type Path, type Point } from '../../geometry/path.ts'
import { smoothLine } from '../../geometry/smoothLine.ts'
import { cross, dot, sub } from '../../geometry/vec3.ts'
import type { Side } from '../../trade/side.ts'
import { topLineRules } from '../topLine.ts'
import { takenIn } from '../backTaper.ts'
import type { DesignBoard } from '../designPoints.ts'
import type { EdgeDraft } from '../pieceMaker.ts'
import type { PointPlaces } from '../pointPlaces.ts'
import type { EdgeRole } from '../../model/edgeRoles.ts'
import type { Sentence } from '../../units/sentence.ts'
import { ROUNDING } from '../../geometry/tolerance.ts'

/** Lines that most styles share. All run on the forme as seen from the lateral side. */

export const perSide = <T>(of: (side: Side) => T): Record<Side, T> => ({ lateral: of('lateral'), medial: of('medial') })

export const flipped = (line: Path): Path => [...line].reverse()

/** The back line with what was moved and taken in, and its top. */
export interface BackLine {
  top: Point
  /** From the feather up to the top. */
  line: Path
  /** The same before the taper was taken in. */
  before: Path
  foot: Point
}

/**
 * The back line: the back curve, moved by what was drawn by hand at the foot and at mid-height, and taken in below
 * mid-height by the taper (docs/trade.md, "Base pattern and its fit").
 */
export function drawBack(board: DesignBoard, height: number, why: Sentence): BackLine {
  const top = board.onBack('backTop', 'Top of the back', height, why, topLineRules.shrinkage)
  const reach = nearest(board.back, top).at
  const curve = subpath(board.back, 0, reach)
  const foot = board.shared(
    'backFoot',
    'Foot of the back line',
    curve[0]!,
    'The back line follows the back curve of the last; what is moved here makes it steeper or flatter.',
  )
  const middle = pointAt(curve, reach / 2)
  const mid = board.shared(
    'backMiddle',
    'Middle of the back line',
    middle,
    'Half-way up, on the back curve of the last.',
  )
  const atFoot = foot[0] - curve[0]![0]
  const atMiddle = mid[0] - middle[0]
  const shift = pchip([
    [0, atFoot],
    [0.5, atMiddle],
    [1, 0],
  ])
  const sums = cumulative(curve)
  const before = curve.map(([x, y], i): Point => [x + shift(sums[i]! / reach), y])
  const line = takenIn(before, board.decisions.backTaper)
  return { top, line, before, foot: line[0]! }
}

/**
 * The way forwards and square to the back line at one of its places: a line that leaves so makes one curve with its
 * mirror image.
 */
export function squareToBack(back: Path, at: Point): Point {
  const [dx, dy] = directionAt(back, at)
  const sign = dy >= 0 ? 1 : -1
  return [sign * dy, -sign * dx]
}

/** The way in which a top line comes up to the back: square to the back line. */
export const ontoBack = (back: BackLine): Point => flippedWay(squareToBack(back.line, back.top))

/** The same way gone backwards. */
export const flippedWay = ([x, y]: Point): Point => [-x, -y]

/** Back height by rule: a fifth of the last length and something for shrinkage. */
export const backHeight = (board: DesignBoard): number => board.length / 5 + board.book.value(topLineRules.shrinkage)

/** The ankle points: below the ankle bones, the medial one higher. */
export function ankles(board: DesignBoard): Record<Side, Point> {
  const low = board.book.value(topLineRules.ankleShare) * board.length
  return board.above(
    'ankle',
    'Ankle point',
    board.book.value(topLineRules.ankleStation) * board.length,
    { lateral: low, medial: low + board.book.value(topLineRules.medialRise) },
    'Below the ankle bone; the inner bone stands higher, so the medial line may too.',
    topLineRules.ankleShare,
  )
}

/** The feather line of a side from the foot of the back to the toe, beginning on the back line. */
export function featherFrom(board: PointPlaces, side: Side, foot: Point): Path {
  const line = board.feather[side]
  const at = nearest(line, foot).at
  // The forme has a point of it every few millimetres: between them the curve goes on round.
  return joined([foot], smoothLine(subpath(line, at + 0.5, pathLength(line))))
}

/** The feather line of a side with the curve going on round between the points of the forme. */
export const roundFeather = (board: PointPlaces, side: Side): Path => smoothLine(board.feather[side])

/** A line beside the ridge, `inside` mm into the wall, running forwards. */
export const besideRidge = (board: DesignBoard, inside: number): Path =>
  inside > 0.05 ? offsetLine(board.ridge, -inside) : board.ridge

/** The front edge of a facing between two places of the ridge, running forwards. */
export function facing(board: DesignBoard, halfGap: number, top: Point, front: Point): Path {
  return subpathBetween(besideRidge(board, halfGap), top, front)
}

/**
 * A line straight across the shoe: where the plane through a point of the ridge and one of each side's feather line
 * cuts the walls. Between its ends every point is slid along the forme until it lies in the plane.
 */
export function across(board: DesignBoard, top: Point, feet: Record<Side, Point>): Record<Side, Path> {
  const { map } = board
  const [l, m] = [map.toLast('lateral', feet.lateral), map.toLast('medial', feet.medial)]
  const head = map.toLast('lateral', top)
  const normal = cross(sub(m, l), sub(head, l))
  const off = (side: Side, p: Point) => dot(normal, sub(map.toLast(side, p), l))
  return perSide((side) => {
    const foot = feet[side]
    const between = [0.2, 0.4, 0.6, 0.8].map((t): Point => {
      const p: [number, number] = [top[0] + (foot[0] - top[0]) * t, top[1] + (foot[1] - top[1]) * t]
      // On the medial wall the head of the plane lies a little beside the ridge; the error there fades with t.
      const rest = (1 - t) * off(side, top)
      for (let k = 0; k < 4; k++) {
        const here = off(side, p) - rest
        const slope = off(side, [p[0] + 0.5, p[1]]) - off(side, [p[0] - 0.5, p[1]])
        if (Math.abs(slope) < ROUNDING) break
        p[0] -= Math.max(-6, Math.min(6, here / slope))
      }
      return p
    })
    return smoothLine([top, ...between, foot])
  })
}

/** Unit direction of a line at the place nearest to a point. */
export function directionAt(line: Path, p: Point): Point {
  const { at } = nearest(line, p)
  const a = pointAt(line, Math.max(0, at - 3))
  const b = pointAt(line, Math.min(pathLength(line), at + 3))
  const l = distance(a, b) || 1
  return [(b[0] - a[0]) / l, (b[1] - a[1]) / l]
}

/** An edge of the feather line between two of its points, running forwards. */
export function bottomEdge(feather: Path, from: Point, to: Point, role: EdgeRole): EdgeDraft {
  return { name: 'feather', role, line: pinned(subpathBetween(feather, from, to), from, to) }
}

/** Nearer to an end than this, mm, a point of the line would make a kink with it once the end is moved by a hair. */
const KINK = 0.05

/** A line whose ends are put exactly on two points. */
export function pinned(line: Path, from: Point, to: Point): Path {
  const between = line.slice(1, -1).filter((p) => distance(p, from) > KINK && distance(p, to) > KINK)
  return [from, ...between, to]
}
