import { nearest, pointAt } from '../../geometry/polyline.ts'
import { distance, pathLength, type Point } from '../../geometry/path.ts'
import { STATIONS } from '../../last/frame.ts'
import { dist3 } from '../../geometry/vec3.ts'
import type { Remedy } from '../../trade/remedy.ts'
import type { Rule } from '../../trade/rules.ts'
import type { CheckNeeds, UpperFinding } from './needs.ts'
import { movePoints, nearestPoint } from './movedPoint.ts'
import { mm, say } from '../../units/sentence.ts'
import { SAME } from '../../geometry/tolerance.ts'

export const frontRules = {
  behindCrease: {
    key: 'upper.vampBehindCrease',
    name: 'Lacing ends behind the crease line by at least',
    value: 6,
    min: 0,
    max: 20,
    unit: 'mm',
    why: 'The shoe bends at the crease line; stiff corners of the lacing in it cut into the foot.',
  },
  cover: {
    key: 'upper.toeCover',
    name: 'A low-cut vamp covers at least, share of L',
    value: 0.235,
    min: 0.18,
    max: 0.32,
    unit: 'share',
    why: 'Shorter vamps show the clefts of the toes and do not hold the foot.',
  },
  gapSlack: {
    key: 'upper.gapSlack',
    name: 'Facings may miss their distance by',
    value: 5,
    min: 1,
    max: 12,
    unit: 'mm',
    why: 'Facings that stand wider gape, narrower ones leave nothing to lace.',
  },
} satisfies Record<string, Rule>

/** Vamp length against the crease line, and the distance between the laced facings on the last. */
export function frontFindings(needs: CheckNeeds): UpperFinding[] {
  const { board, drawn, book, map } = needs
  const L = board.length
  const crease = nearest(map.ridge, map.ridgeAt(STATIONS.ridgeJoint * L)).at
  const findings: UpperFinding[] = []
  if (drawn.facings) {
    const ends = (['lateral', 'medial'] as const).map((side) => {
      const line = drawn.facings?.[side] ?? []
      return { side, point: line[line.length - 1]! }
    })
    const front = ends.reduce((a, b) => (nearest(map.ridge, b.point).at > nearest(map.ridge, a.point).at ? b : a))
    const behind = crease - Math.max(nearest(map.ridge, front.point).at, nearest(map.ridge, drawn.throat).at)
    const wanted = book.value(frontRules.behindCrease)
    findings.push({
      id: 'upper.vampLength',
      level: behind >= wanted - SAME ? 'fine' : behind >= 0 ? 'watch' : 'stop',
      where: 'end of the lacing',
      sentence:
        behind >= 0
          ? say`The lacing ends ${mm(behind, 1)} behind the crease line; ${mm(wanted)} are wanted.`
          : say`The lacing passes the crease line by ${mm(-behind, 1)}: the shoe cannot bend there.`,
      measured: behind,
      limit: wanted,
      unit: 'mm',
      mend: behind >= wanted - SAME ? '' : say`Move it back by ${mm(wanted - behind, 1)}.`,
      remedy:
        behind >= wanted - SAME
          ? undefined
          : backOnRidge(needs, 'end of the lacing', [front.point, drawn.throat], crease - wanted),
      at: front,
    })
    const planned = 2 * drawn.halfGap
    const slack = book.value(frontRules.gapSlack)
    const gaps = Array.from({ length: 9 }, (_, k) => {
      const point = (side: 'lateral' | 'medial') => {
        const line = drawn.facings?.[side] ?? []
        const onShaft = drawn.shaftLace?.onLast ?? 0
        return pointAt(line, onShaft + ((pathLength(line) - onShaft) * k) / 8)
      }
      return {
        point: point('lateral'),
        gap: dist3(map.toLast('lateral', point('lateral')), map.toLast('medial', point('medial'))),
      }
    })
    const worst = gaps.reduce((a, b) => (Math.abs(b.gap - planned) > Math.abs(a.gap - planned) ? b : a))
    const off = Math.abs(worst.gap - planned)
    findings.push({
      id: 'upper.facingGap',
      level: off <= slack ? 'fine' : off <= 2 * slack ? 'watch' : 'stop',
      where: 'facings',
      sentence: say`On the last the facings are ${mm(worst.gap, 1)} apart where they miss the planned ${mm(planned, 0)} most.`,
      measured: worst.gap,
      limit: planned,
      unit: 'mm',
      mend: off <= slack ? '' : 'Move the top of the facing or the tab, or change the distance planned.',
      remedy: off <= slack ? undefined : { kind: 'open', control: { room: 'upper', point: 'facingTop' } },
      at: { side: 'lateral', point: worst.point },
    })
  } else if (!drawn.front && !drawn.straps) {
    const cover = pathLength(map.centre) - nearest(map.centre, drawn.throat).at
    const wanted = book.value(frontRules.cover) * L
    findings.push({
      id: 'upper.vampLength',
      level: cover >= wanted - SAME ? 'fine' : cover >= wanted - 8 ? 'watch' : 'stop',
      where: 'throat',
      sentence: say`From the throat to the toe the vamp measures ${mm(cover, 1)}; ${mm(wanted, 1)} cover the toes.`,
      measured: cover,
      limit: wanted,
      unit: 'mm',
      mend: cover >= wanted - SAME ? '' : say`Move the throat back by ${mm(wanted - cover, 1)}.`,
      remedy:
        cover >= wanted - SAME
          ? undefined
          : backOnRidge(needs, 'throat', [drawn.throat], nearest(map.ridge, drawn.throat).at - (wanted - cover)),
      at: { side: 'lateral', point: drawn.throat },
    })
  }
  return findings
}

/** A point of the ridge this near to where something ends is the one that it hangs on, mm. */
const HANGS_ON = 15
/** Moved a little further than asked for, so that rounding does not leave it short, mm. */
const SPARE = 0.3

/**
 * The points of the ridge on which something hangs, led back along it until none lies in front of `most` (run of the
 * ridge, mm).
 */
function backOnRidge(needs: CheckNeeds, name: string, ends: readonly Point[], most: number): Remedy | undefined {
  const { points, map } = needs
  const moves = points
    .filter((p) => p.track === 'ridge' && ends.some((e) => distance(p.at.lateral, e) < HANGS_ON))
    .map((point) => ({ point, run: nearest(map.ridge, point.at.lateral).at }))
    .filter(({ run }) => run > most - SPARE)
    .map(({ point }) => ({ point, side: 'lateral' as const, to: pointAt(map.ridge, most - SPARE) }))
  if (moves.length > 0) return movePoints(needs, `${name} further back`, moves)
  const near = nearestPoint(points, 'lateral', ends[0]!)
  return near ? { kind: 'open', control: { room: 'upper', point: near.id } } : undefined
}
