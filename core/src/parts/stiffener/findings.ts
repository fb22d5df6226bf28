import { nearest } from '../../geometry/polyline.ts'
import type { Path } from '../../geometry/path.ts'
import type { Side } from '../../trade/side.ts'
import type { Finding } from '../../trade/because.ts'
import type { StiffenerEnds, StiffenerNeeds } from './needs.ts'
import { stiffenerRules } from './rules.ts'
import { thicknessFinding } from '../shared/thicknessFinding.ts'
import { mm, say } from '../../units/sentence.ts'
import { SAME } from '../../geometry/tolerance.ts'

/** Checks of a stiffener: behind the joint, under the top line, of the right leather. */
export function stiffenerFindings(
  needs: StiffenerNeeds,
  ends: StiffenerEnds,
  back: number,
  edges: Record<Side, (station: number) => number>,
  onForme: Record<Side, Path>,
): Finding[] {
  const { topLine, facings, joint, material, book } = needs
  const findings: Finding[] = []
  const behind = book.value(stiffenerRules.behindJoint)
  for (const side of ['lateral', 'medial'] as const) {
    const clear = joint[side] - ends[side]
    const end = Math.floor(joint[side] - behind)
    findings.push({
      id: `stiffener.joint.${side}`,
      level: clear >= behind - SAME ? 'fine' : clear >= behind / 2 ? 'watch' : 'stop',
      where: `front, ${side} side`,
      sentence:
        clear >= 0
          ? say`It ends ${mm(clear, 1)} behind the ${side} joint; ${mm(behind)} are wanted.`
          : say`It passes the ${side} joint by ${mm(-clear, 1)}, where the shoe has to bend.`,
      measured: clear,
      limit: behind,
      unit: 'mm',
      mend: clear >= behind - SAME ? '' : say`End it at ${mm(end)} from the heel back or less.`,
      remedy: clear >= behind - SAME ? undefined : { kind: 'hand', decision: `stiffener.${side}End`, value: end },
    })
  }
  const gap = book.value(stiffenerRules.topGap)
  let least = topLine.back - back
  for (const side of ['lateral', 'medial'] as const) {
    for (let i = 0; i <= 40; i++) {
      const station = (ends[side] * i) / 40
      least = Math.min(least, topLine.height(side, station) - edges[side](station))
    }
  }
  const lower = Math.floor(2 * (back - (gap - least))) / 2
  findings.push({
    id: 'stiffener.topLine',
    level: least >= gap - 0.05 ? 'fine' : least > 0 ? 'watch' : 'stop',
    where: 'top edge',
    sentence:
      least > 0
        ? say`It stays ${mm(least, 1)} below the top line at the nearest; ${mm(gap)} are wanted.`
        : say`It stands ${mm(-least, 1)} above the top line: it would show and rub.`,
    measured: least,
    limit: gap,
    unit: 'mm',
    mend: least >= gap - 0.05 ? '' : say`Lower the back to ${mm(lower)}.`,
    remedy: least >= gap - 0.05 ? undefined : { kind: 'hand', decision: 'stiffener.backHeight', value: lower },
  })
  if (facings) {
    const wanted = book.value(stiffenerRules.clearFacing)
    const room = (['lateral', 'medial'] as const).map((side) => ({
      side,
      away: Math.min(...onForme[side].map((p) => nearest(facings[side], p).away)),
    }))
    const worst = room[0]!.away <= room[1]!.away ? room[0] : room[1]
    const clear = worst!.away >= wanted - 0.05
    const further = Math.ceil(wanted - worst!.away)
    findings.push({
      id: 'stiffener.facing',
      level: clear ? 'fine' : 'watch',
      where: `below the lacing, ${worst!.side} side`,
      sentence: clear
        ? say`It stays ${mm(worst!.away, 0)} clear of the lacing at the nearest; ${mm(wanted)} are wanted.`
        : say`Its upper edge comes within ${mm(worst!.away, 1)} of the lacing, where the eyelets are set; ${mm(wanted)} are wanted.`,
      measured: worst!.away,
      limit: wanted,
      unit: 'mm',
      mend: clear ? '' : say`End it ${mm(further)} further back, or curve it lower under the tab.`,
      remedy: clear
        ? undefined
        : { kind: 'hand', decision: `stiffener.${worst!.side}End`, value: Math.round(ends[worst!.side] - further) },
    })
  }
  findings.push(
    thicknessFinding(
      'stiffener.thickness',
      material,
      [book.value(stiffenerRules.thinnest), book.value(stiffenerRules.thickest)],
      'serve as a stiffener',
      {
        thin: 'Take thicker leather, or paste two layers.',
        thick: 'Split it down first, or take thinner leather.',
      },
      'stiffener',
    ),
  )
  return findings
}
