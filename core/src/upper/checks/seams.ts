import { nearest } from '../../geometry/polyline.ts'
import { firstCrossing } from '../../geometry/lineCrossing.ts'
import { distance, pathLength, type Path, type Point } from '../../geometry/path.ts'
import type { Remedy } from '../../trade/remedy.ts'
import type { Rule } from '../../trade/rules.ts'
import type { MovedPoint } from '../../model/upper.ts'
import type { KeyPoint } from '../keyPoint.ts'
import type { Side } from '../../trade/side.ts'
import { creaseLine } from '../creaseLine.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'
import { movePoints, nearestPoint, type Move } from './movedPoint.ts'
import { mm, say } from '../../units/sentence.ts'

export const zipRules = {
  zipFoot: {
    key: 'upper.zipFoot',
    name: 'A zip opens down to at most',
    value: 25,
    min: 15,
    max: 45,
    unit: 'mm',
    why: 'The heel of the last leaves through the opening; higher zips hold it back.',
  },
  zipEase: {
    key: 'upper.zipEase',
    name: 'Opening of a zipped boot, times the short heel',
    value: 1.06,
    min: 1,
    max: 1.3,
    unit: 'share',
    why: 'The last must come out without forcing the seams, and the foot go in.',
  },
} satisfies Record<string, Rule>

/** A seam's partners may differ by so much without anybody noticing, mm. */
const EQUAL = 0.3

/** Seams: do partners fit, do any cross the crease line, does a zip let the last out. */
export function seamFindings(needs: CheckNeeds): UpperFinding[] {
  const { drawn, joins, map, pieces, points, board, book, heelGirth } = needs
  const findings: UpperFinding[] = []
  const worst = joins.reduce<CheckNeeds['joins'][number] | null>(
    (a, b) => (!a || Math.abs(b.ease) > Math.abs(a.ease) ? b : a),
    null,
  )
  if (worst) {
    const fits = Math.abs(worst.ease) <= EQUAL
    const name = (id: string) => pieces.find((p) => p.id === id)?.name ?? id
    findings.push({
      id: 'upper.joins',
      level: fits ? 'fine' : Math.abs(worst.ease) < 2 ? 'watch' : 'stop',
      where: 'seams',
      sentence: fits
        ? say`${joins.length === 1 ? 'The one seam fits: its' : `All ${joins.length} seams fit: their`} two edges differ by ${mm(Math.abs(worst.ease), 2)} at most.`
        : say`${name(worst.pieces[0])} and ${name(worst.pieces[1])}: their common seam differs by ${mm(Math.abs(worst.ease), 1)}, to be eased in.`,
      measured: Math.abs(worst.ease),
      limit: EQUAL,
      unit: 'mm',
      mend: fits ? '' : 'Ease the longer edge in between the match marks.',
      at: null,
    })
  }
  for (const seam of drawn.seams) {
    const finding = creaseFinding(needs, seam)
    if (finding) findings.push(finding)
  }
  if (drawn.zip && drawn.backLine) {
    // The heel of the last leaves through the opening: it must reach down to where the back is fullest.
    const fullest = drawn.backLine.reduce((a, b) => (b[0] < a[0] ? b : a))
    const needed = Math.max(book.value(zipRules.zipFoot), nearest(map.feather, fullest).away + 8)
    const foot = nearest(map.feather, drawn.zip[0]!).away
    const zipFoot = points.find((p) => p.id === 'zipFoot')
    findings.push({
      id: 'upper.zip',
      level: foot <= needed ? 'fine' : foot <= needed + 15 ? 'watch' : 'stop',
      where: 'zip',
      sentence: say`The zip opens down to ${mm(foot, 0)} above the feather; the last comes out when it reaches ${mm(needed, 0)} or lower, past the fullest of the heel.`,
      measured: foot,
      limit: needed,
      unit: 'mm',
      mend: foot <= needed ? '' : say`Lower the foot of the zip by ${mm(foot - needed, 0)}.`,
      remedy:
        foot <= needed || !zipFoot
          ? undefined
          : pointTo('foot of the zip lower', zipFoot, board.placeByFigure(zipFoot, 'medial', 1, needed)),
      at: { side: 'medial', point: drawn.zip[0]! },
    })
    // Opened, the edge runs along both sides of the top and twice along the zip; the short heel must get through it.
    const opening = pathLength(drawn.topLine.lateral) + pathLength(drawn.topLine.medial) + 2 * pathLength(drawn.zip)
    const through = heelGirth * book.value(zipRules.zipEase)
    findings.push({
      id: 'upper.zipGirth',
      level: opening >= through ? 'fine' : opening >= heelGirth ? 'watch' : 'stop',
      where: 'zip',
      sentence: say`Opened, the edge of the boot measures ${mm(opening, 0)} round; the short heel of the last, with ease, needs ${mm(through, 0)} to come out.`,
      measured: opening,
      limit: through,
      unit: 'mm',
      mend:
        opening >= through
          ? ''
          : say`Widen the shaft at its top by ${mm((through - opening) / 2, 0)}, or lengthen the zip by as much.`,
      remedy: opening >= through ? undefined : widerShaft(needs, through - opening),
      at: { side: 'medial', point: drawn.zip[drawn.zip.length - 1]! },
    })
  }
  return findings
}

const pointTo = (name: string, point: KeyPoint, place: MovedPoint): Remedy => ({
  kind: 'choice',
  name,
  decisions: { upper: { points: { [`${point.id}:both`]: place } } },
})

/** The top of the shaft in front moved forward: both sides of the edge grow by as much. */
function widerShaft({ points, board }: CheckNeeds, by: number): Remedy | undefined {
  const point = points.find((p) => p.id === 'shaftFront')
  if (!point) return undefined
  const [x, y] = point.at.lateral
  return movePoints({ board }, 'shaft wider at its top', [{ point, side: 'lateral', to: [x + by / 2 + CLEAR, y] }])
}

/** A key point this near to a seam is one that it was drawn through; a seam is led clear of the crease line by so much, mm. */
const ON_SEAM = 1
const CLEAR = 2
/** A seam that begins at a facing hangs on the point of the ridge beside it, mm. */
const BESIDE_RIDGE = 15

/**
 * Does a seam cross the crease line, how far does it pass it, and where is it led instead: to the side on which most of
 * it lies.
 */
function creaseFinding(needs: CheckNeeds, { name, side, line }: { name: string; side: Side; line: Path }) {
  const { map, points } = needs
  const crease = creaseLine(map, side)
  const hit = firstCrossing(line, crease)
  if (!hit) return null
  const [top, foot] = crease
  /** How far a point lies in front of the crease line, level with it, mm. */
  const ahead = ([x, y]: Point) => x - (foot![0] + ((y - foot![1]) / (top![1] - foot![1])) * (top![0] - foot![0]))
  const all = line.map(ahead)
  const [inFront, behind] = [Math.max(...all), -Math.min(...all)]
  const back = inFront <= behind
  const passes = Math.min(inFront, behind)
  const by = (passes + CLEAR) * (back ? -1 : 1)
  const ends = [line[0], line[line.length - 1]]
  const moves = points
    .filter((p) => p.sides.length === 1 || p.sides.includes(side))
    .filter((p) =>
      p.track === 'ridge'
        ? ends.some((e) => distance(p.at[side], e!) < BESIDE_RIDGE)
        : nearest(line, p.at[side]).away < ON_SEAM,
    )
    .filter((p) => (back ? ahead(p.at[side]) : -ahead(p.at[side])) > -passes - CLEAR)
    .map((point): Move => ({ point, side, to: [point.at[side][0] + by, point.at[side][1]] }))
  const near = nearestPoint(points, side, hit.point)
  const finding: UpperFinding = {
    id: `upper.crease.${name}.${side}`,
    level: 'watch',
    where: `${name}, ${side} side`,
    sentence: say`The ${name} crosses the crease line ${mm(nearest(map.feather, hit.point).away, 0)} above the feather and passes it by ${mm(passes, 1)}: every step will work at it.`,
    measured: passes,
    limit: 0,
    unit: 'mm',
    mend: back ? 'Lead the seam behind the joint.' : 'Lead the seam in front of the joint.',
    remedy:
      moves.length > 0
        ? movePoints(needs, `${name} ${back ? 'further back' : 'further forward'}`, moves)
        : near
          ? { kind: 'open', control: { room: 'upper', point: near.id } }
          : undefined,
    at: { side, point: hit.point },
  }
  return finding
}
