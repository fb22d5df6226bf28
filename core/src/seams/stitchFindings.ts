import type { Finding } from '../trade/because.ts'
import type { RuleBook } from '../trade/rules.ts'
import { edgeRules } from '../upper/edgeRules.ts'
import { sewnRules } from '../upper/sewnLine.ts'
import { mm, say } from '../units/sentence.ts'
import type { Notions } from './notions.ts'
import { seamRules } from './rules.ts'
import type { Seam, SewnWith } from './seam.ts'

/** What is wrong with how a shoe is sewn: a thread too long, holes too near to each other, a row outside of its lap. */
export const stitchFindings = (
  seams: readonly Seam[],
  notions: Record<SewnWith, Notions>,
  book: RuleBook,
): Finding[] => [...threadFinding(seams, book), ...bridgeFinding(seams, notions, book), ...lapFinding(seams, book)]

/** The hand seam that takes the longest thread: past what an arm draws it is sewn in two. */
function threadFinding(seams: readonly Seam[], book: RuleBook): Finding[] {
  const longest = seams
    // A sole is sewn from breast to breast with a thread joined at the toe, as long as it takes.
    .filter((s) => s.sewnWith === 'hand')
    .reduce<Seam | null>((most, s) => (!most || s.thread > most.thread ? s : most), null)
  if (!longest) return []
  const limit = book.value(seamRules.longestThread)
  const fine = longest.thread <= limit
  const parts = Math.ceil(longest.thread / limit)
  return [
    {
      id: 'seams.thread',
      level: fine ? 'fine' : 'watch',
      where: longest.name,
      sentence: fine
        ? say`${longest.name}: ${mm(longest.thread, 0)} of thread, ${(longest.thread / longest.length).toFixed(1)} times its length.`
        : say`${longest.name}: ${mm(longest.thread, 0)} of thread are more than is sewn with in one, ${mm(limit, 0)}.`,
      measured: longest.thread,
      limit,
      unit: 'mm',
      mend: fine ? '' : say`Cut ${parts} threads, and join them where the seam is hidden.`,
    },
  ]
}

/** The row with the least leather between two holes. */
function bridgeFinding(seams: readonly Seam[], notions: Record<SewnWith, Notions>, book: RuleBook): Finding[] {
  const left = (s: Seam) => 1 - notions[s.sewnWith].hole / s.pitch
  const worst = seams.reduce<Seam | null>((least, s) => (!least || left(s) < left(least) ? s : least), null)
  if (!worst) return []
  const [share, limit] = [Math.max(0, left(worst)), book.value(seamRules.bridge)]
  const { hole } = notions[worst.sewnWith]
  const fine = share >= limit
  const mend = moreBetween(worst, hole, limit, book)
  return [
    {
      id: 'seams.bridge',
      level: fine ? 'fine' : 'watch',
      where: worst.name,
      sentence: fine
        ? say`${worst.name}: between holes of ${mm(hole, 1)}, ${mm(worst.pitch - hole, 1)} of leather are left.`
        : say`${worst.name}: holes of ${mm(hole, 1)} in stitches of ${mm(worst.pitch, 1)} leave ${mm(Math.max(0, worst.pitch - hole), 1)} of leather between them: the row tears like a stamp.`,
      measured: share,
      limit,
      unit: 'share',
      ...(fine ? { mend: '' } : mend),
    },
  ]
}

/** The lap whose last row comes nearest to the edge of what lies under, or misses it. */
function lapFinding(seams: readonly Seam[], book: RuleBook): Finding[] {
  const limit = book.value(seamRules.inLap)
  const left = ({ lap }: Seam) => (lap ? lap.width - lap.lastRow : Infinity)
  const worst = seams.filter((s) => s.lap).reduce<Seam | null>((w, s) => (!w || left(s) < left(w) ? s : w), null)
  if (!worst?.lap) return []
  const { lastRow, width } = worst.lap
  const held = left(worst) >= limit
  return [
    {
      id: 'seams.lap',
      level: held ? 'fine' : left(worst) > 0 ? 'watch' : 'stop',
      where: worst.name,
      sentence: held
        ? say`${worst.name}: its last row lies ${mm(lastRow, 1)} from the edge, and ${mm(width, 1)} of leather lie under it.`
        : left(worst) > 0
          ? say`${worst.name}: its last row lies ${mm(lastRow, 1)} from the edge, and only ${mm(width, 1)} of leather lie under it: it tears out there.`
          : say`${worst.name}: its last row lies ${mm(lastRow, 1)} from the edge, where no leather lies under it any more; the lap is ${mm(width, 1)} wide.`,
      measured: left(worst),
      limit,
      unit: 'mm',
      ...(held ? { mend: '' } : widerLap(worst, worst.lap, limit, book)),
    },
  ]
}

/** What leaves more leather between the holes of a seam: a longer stitch, or, where the sole has its own, a finer thread. */
function moreBetween(
  { id, name, kind, way, pitch, sewnWith }: Seam,
  hole: number,
  limit: number,
  book: RuleBook,
): Pick<Finding, 'mend' | 'remedy'> {
  if (sewnWith === 'sole') {
    // A thread is as thick as the root of its plies.
    const { key, min } = seamRules.solePlies
    const plies = Math.floor(book.value(seamRules.solePlies) * (((1 - limit) * pitch) / hole) ** 2)
    return plies >= min
      ? { mend: `Sew it with ${plies} plies.`, remedy: { kind: 'rule', key, value: plies } }
      : { mend: 'Sew it with longer stitches.' }
  }
  const longer = Math.ceil((10 * hole) / (1 - limit) + 2) / 10
  const mend = say`Sew it with stitches of ${mm(longer, 1)}, or with a finer thread.`
  const rule = kind === 'butt' ? seamRules.buttPitch : way === 'hand' ? sewnRules.pitch : seamRules.machinePitch
  // A seam that goes by the house is mended for all like it, one that was set by hand alone.
  return Math.abs(book.value(rule) - pitch) < 0.5 * pitch && longer <= rule.max
    ? { mend, remedy: { kind: 'rule', key: rule.key, value: longer } }
    : {
        mend,
        remedy: {
          kind: 'choice',
          name: say`${name}: a stitch of ${mm(longer, 1)}`,
          decisions: { stitching: { own: { [id]: { pitch: longer } } } },
        },
      }
}

/** What keeps the last row of a seam in its lap: one row as the house has it, or, where even that is too far in, a wider lap. */
function widerLap(
  { id, name, way }: Seam,
  { width, lastRow }: { width: number; lastRow: number },
  limit: number,
  book: RuleBook,
): Pick<Finding, 'mend' | 'remedy'> {
  const usual = book.value(way === 'hand' ? sewnRules.fromEdge : seamRules.machineFromEdge)
  if (usual + limit <= width) {
    return {
      mend: 'Sew this seam in one row, as near to the edge as the rest of the pair.',
      remedy: {
        kind: 'choice',
        name: say`${name}: one row, as near to the edge as the house has it`,
        decisions: { stitching: { own: { [id]: { fromEdge: null, rows: 1 } } } },
      },
    }
  }
  const { key, max } = edgeRules.lapUnder
  const wanted = Math.min(max, Math.ceil(lastRow + limit))
  return { mend: say`Cut laps ${mm(wanted)} wide.`, remedy: { kind: 'rule', key, value: wanted } }
}
