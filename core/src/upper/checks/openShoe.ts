import { nearest, pointAt } from '../../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../../geometry/path.ts'
import { SAME } from '../../geometry/tolerance.ts'
import { STATIONS } from '../../last/frame.ts'
import type { Rule } from '../../trade/rules.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import { mm, say } from '../../units/sentence.ts'
import { heelStrapRules } from '../styles/heelStrap.ts'
import { movePoints, nearestPoint } from './movedPoint.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'

export const openShoeRules = {
  bones: {
    key: 'upper.boneClear',
    name: 'Edges of an open shoe clear of the bones of the joint by',
    value: 7,
    min: 3,
    max: 15,
    unit: 'mm',
    why: 'The heads of the first and the fifth bone stand out there: an edge on them cuts in at every step.',
  },
  hold: {
    key: 'upper.openHold',
    name: 'An open shoe holds behind the bend of the toes by',
    value: 25,
    min: 10,
    max: 60,
    unit: 'mm',
    why: 'Where the foot grows higher it is held; an upper that ends at the joint is lost at every step.',
  },
} satisfies Record<string, Rule>

/** How high over the feather the heads of the bones stand out most, share of L. */
const BONE = 0.05
/** Moved a little further than asked for, so that rounding does not leave it short, mm. */
const SPARE = 0.5

/** Whether a shoe that is open behind holds the foot, and keeps its edges off the bones. */
export function openShoeFindings(needs: CheckNeeds): UpperFinding[] {
  if (needs.drawn.backLine) return []
  return [...wallSides.map((side) => bones(needs, side)), ...hold(needs)]
}

/** The edges over the joint that a side has. */
const edgesOn = ({ drawn }: CheckNeeds, side: Side): Path[] =>
  drawn.straps ? drawn.straps.flatMap((s) => [s.front[side], s.rear[side]]) : [drawn.topLine[side]]

function bones(needs: CheckNeeds, side: Side): UpperFinding {
  const { map, book, board, points } = needs
  const bone = map.above(map.surface.joints[side], BONE * board.length)
  const places = edgesOn(needs, side).map((line) => ({ line, ...nearest(line, bone) }))
  const edge = places.reduce((a, b) => (b.away < a.away ? b : a))
  const wanted = book.value(openShoeRules.bones)
  const clear = edge.away >= wanted - SAME
  const which = side === 'medial' ? 'big' : 'little'
  const by = wanted - edge.away + SPARE
  // The edge is moved by its foot, along the feather: away from the bone, to the side on which it lies.
  const foot = edge.line[edge.line.length - 1]!
  const ahead = edge.point[0] > bone[0]
  const point = nearestPoint(
    points.filter((p) => p.track === 'feather'),
    side,
    foot,
  )
  return {
    id: `upper.bones.${side}`,
    level: clear ? 'fine' : 'watch',
    where: `joint, ${side} side`,
    sentence: clear
      ? say`The bone behind the ${which} toe is ${mm(edge.away, 1)} clear of every edge.`
      : say`An edge passes the bone behind the ${which} toe by only ${mm(edge.away, 1)}; ${mm(wanted)} are wanted, or it cuts in.`,
    measured: edge.away,
    limit: wanted,
    unit: 'mm',
    mend: clear ? '' : say`Move the foot of that edge ${ahead ? 'forward' : 'back'}.`,
    remedy:
      clear || !point
        ? undefined
        : movePoints(needs, say`${point.name} further ${ahead ? 'forward' : 'back'}`, [
            { point, side, to: along(board.feather[side], point.at[side], (ahead ? 1 : -1) * FOOT_PER_EDGE * by) },
          ]),
    at: { side, point: edge.point },
  }
}

/** Half-way up an edge moves only in part with its foot. */
const FOOT_PER_EDGE = 1.8

const along = (line: Path, from: Point, by: number): Point =>
  pointAt(line, Math.max(0, Math.min(pathLength(line), nearest(line, from).at + by)))

function hold(needs: CheckNeeds): UpperFinding[] {
  const { drawn, map, board, book, points } = needs
  const round = drawn.pieces.some((p) => p.id === 'heelStrap')
  if (!round) {
    const crease = nearest(map.ridge, map.ridgeAt(STATIONS.ridgeJoint * board.length)).at
    const behind = crease - nearest(map.ridge, drawn.throat).at
    const wanted = book.value(openShoeRules.hold)
    const holds = behind >= wanted - SAME
    const point = nearestPoint(
      points.filter((p) => p.track === 'ridge'),
      'lateral',
      drawn.throat,
    )
    return [
      {
        id: 'upper.openHold',
        level: holds ? 'fine' : behind > 0 ? 'watch' : 'stop',
        where: 'rear edge',
        sentence: holds
          ? say`It reaches ${mm(behind, 1)} behind the bend of the toes, up on the instep: so it stays on the foot.`
          : say`It reaches only ${mm(Math.max(0, behind), 1)} behind the bend of the toes; ${mm(wanted)} hold it on the foot.`,
        measured: behind,
        limit: wanted,
        unit: 'mm',
        mend: holds ? '' : say`Move its rear edge back by ${mm(wanted - behind, 1)}.`,
        remedy:
          holds || !point
            ? undefined
            : movePoints(needs, say`${point.name} further back`, [
                { point, side: 'lateral', to: pointAt(map.ridge, crease - wanted - SPARE) },
              ]),
        at: { side: 'lateral', point: drawn.throat },
      },
    ]
  }
  // A strap behind the heel that lies below its fullest slides down.
  const top = drawn.topLine.lateral[drawn.topLine.lateral.length - 1]!
  const topRun = nearest(board.back, top).at
  const fullest = map.back.reduce((a, b) => (b[0] < a[0] ? b : a))
  const over = topRun - book.value(heelStrapRules.width) - nearest(board.back, fullest).at
  const holds = over >= -SAME
  return [
    {
      id: 'upper.strapHold',
      level: holds ? 'fine' : 'watch',
      where: 'heel strap',
      sentence: holds
        ? say`Behind the heel the strap lies ${mm(over, 1)} above its fullest: it cannot slide down.`
        : say`Behind the heel the strap reaches ${mm(-over, 1)} below its fullest, and slides down.`,
      measured: over,
      limit: 0,
      unit: 'mm',
      mend: holds ? '' : say`Raise it by ${mm(SPARE - over, 1)}, or make it narrower.`,
      remedy: holds
        ? undefined
        : {
            kind: 'choice',
            name: say`Raise the heel strap by ${mm(SPARE - over, 1)}`,
            decisions: { upper: { points: { 'backTop:both': [(topRun + SPARE - over) / board.length, 0] } } },
          },
      at: { side: 'lateral', point: top },
    },
  ]
}
