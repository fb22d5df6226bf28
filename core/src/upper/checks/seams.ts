import { nearest } from '../../geometry/along.ts'
import { crossing } from '../../geometry/cutLine.ts'
import type { Rule } from '../../model/rules.ts'
import { creaseLine } from '../upper.ts'
import type { CheckNeeds, UpperFinding } from './index.ts'

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
} satisfies Record<string, Rule>

/** A seam's partners may differ by so much without anybody noticing, mm. */
const EQUAL = 0.3

/** Seams: do partners fit, do any cross the crease line, does a zip let the last out. */
export function seamFindings({ drawn, joins, map, pieces, book }: CheckNeeds): UpperFinding[] {
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
        ? `All ${joins.length} seams fit: their two edges differ by ${Math.abs(worst.ease).toFixed(2)} mm at most.`
        : `${name(worst.pieces[0])} and ${name(worst.pieces[1])}: their common seam differs by ${Math.abs(worst.ease).toFixed(1)} mm, to be eased in.`,
      measured: Math.abs(worst.ease),
      limit: EQUAL,
      unit: 'mm',
      mend: fits ? '' : 'Ease the longer edge in between the match marks.',
      at: null,
      change: null,
    })
  }
  for (const seam of drawn.seams) {
    const hit = crossing(seam.line, creaseLine(map, seam.side))
    if (!hit) continue
    findings.push({
      id: `upper.crease.${seam.name}.${seam.side}`,
      level: 'watch',
      where: `${seam.name}, ${seam.side} side`,
      sentence: `The ${seam.name} crosses the crease line ${nearest(map.feather, hit.point).away.toFixed(0)} mm above the feather: every step will work at it.`,
      measured: 0,
      limit: 0,
      unit: 'mm',
      mend: 'Lead the seam behind the joint.',
      at: { side: seam.side, point: hit.point },
      change: null,
    })
  }
  if (drawn.zip) {
    // The heel of the last leaves through the opening: it must reach down to where the back is fullest.
    const fullest = drawn.backLine.reduce((a, b) => (b[0] < a[0] ? b : a))
    const needed = Math.max(book.value(zipRules.zipFoot), nearest(map.feather, fullest).away + 8)
    const foot = nearest(map.feather, drawn.zip[0]).away
    findings.push({
      id: 'upper.zip',
      level: foot <= needed ? 'fine' : foot <= needed + 15 ? 'watch' : 'stop',
      where: 'zip',
      sentence: `The zip opens down to ${foot.toFixed(0)} mm above the feather; the last comes out when it reaches ${needed.toFixed(0)} mm or lower, past the fullest of the heel.`,
      measured: foot,
      limit: needed,
      unit: 'mm',
      mend: foot <= needed ? '' : `Lower the foot of the zip by ${(foot - needed).toFixed(0)} mm.`,
      at: { side: 'medial', point: drawn.zip[0] },
      change: null,
    })
  }
  return findings
}
