import type { Finding } from '../trade/because.ts'
import type { PartLine } from '../trade/part.ts'
import type { RuleBook } from '../trade/rules.ts'
import { mm, say } from '../units/sentence.ts'
import { seamRules } from './rules.ts'
import { seamRows, type Seam, type SeamNeeds } from './seamRows.ts'

/** How a shoe's upper and linings are sewn. */
export interface Stitching {
  seams: Seam[]
  /** Rows of stitches by the piece that they lie on: of a hand seam with its holes. */
  rows: Record<string, PartLine[]>
  findings: Finding[]
}

/** Seams of upper and linings with their holes, thread and checks (docs/trade.md, "Seams and holes"). */
export function deriveStitching(families: readonly SeamNeeds[], book: RuleBook): Stitching {
  const seams = families.flatMap(seamRows)
  const rows: Record<string, PartLine[]> = {}
  for (const { name, way, on } of seams) {
    for (const { piece, line, holes, punched } of on) {
      const drawn: PartLine = { name, kind: 'stitch', path: line, closed: false }
      const hand =
        way === 'hand' ? { ...drawn, holes, ...(punched === 'later' ? { later: true as const } : {}) } : drawn
      rows[piece] = [...(rows[piece] ?? []), hand]
    }
  }
  return { seams, rows, findings: threadFinding(seams, book) }
}

/** The hand seam that takes the longest thread: past what an arm draws it is sewn in two. */
function threadFinding(seams: readonly Seam[], book: RuleBook): Finding[] {
  const longest = seams
    .filter((s) => s.way === 'hand')
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
