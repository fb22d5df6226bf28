import { nearest } from '../../geometry/along.ts'
import { crossing } from '../../geometry/cutLine.ts'
import { pathLength } from '../../geometry/path.ts'
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
export function seamFindings({ drawn, joins, map, pieces, book, heelGirth }: CheckNeeds): UpperFinding[] {
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
    // Opened, the edge runs along both sides of the top and twice along the zip; the short heel must get through it.
    const opening = pathLength(drawn.topLine.lateral) + pathLength(drawn.topLine.medial) + 2 * pathLength(drawn.zip)
    const through = heelGirth * book.value(zipRules.zipEase)
    findings.push({
      id: 'upper.zipGirth',
      level: opening >= through ? 'fine' : opening >= heelGirth ? 'watch' : 'stop',
      where: 'zip',
      sentence: `Opened, the edge of the boot measures ${opening.toFixed(0)} mm round; the short heel of the last, with ease, needs ${through.toFixed(0)} mm to come out.`,
      measured: opening,
      limit: through,
      unit: 'mm',
      mend:
        opening >= through ? '' : `Lengthen the zip by ${((through - opening) / 2).toFixed(0)} mm, or widen the shaft.`,
      at: { side: 'medial', point: drawn.zip[drawn.zip.length - 1] },
      change: null,
    })
  }
  return findings
}
