import type { Finding } from '../trade/because.ts'
import type { PartLine } from '../trade/part.ts'
import type { RuleBook } from '../trade/rules.ts'
import { seamRules } from './rules.ts'
import { barTacks } from './barTacks.ts'
import { cupSeam, type CupSeamNeeds } from './cupSeam.ts'
import { notionsFor, type Notions } from './notions.ts'
import type { Seam, SewnWith } from './seam.ts'
import { stitchFindings } from './stitchFindings.ts'
import { soleSeams, type SewnPart } from './soleSeams.ts'
import { seamRows, type SeamNeeds } from './seamRows.ts'

/** How a shoe's upper and linings are sewn. */
export interface Stitching {
  seams: Seam[]
  /** Rows of stitches by the piece that they lie on: of a hand seam with its holes. */
  rows: Record<string, PartLine[]>
  /** What seams are sewn with: uppers by machine or by hand, soles. */
  notions: Record<SewnWith, Notions>
  findings: Finding[]
}

/** Seams of upper and linings, and their rows on the pieces. */
export type UpperStitching = Pick<Stitching, 'seams' | 'rows'>

/** Seams of upper and linings with their holes and thread (docs/trade.md, "Seams and holes"). */
export function stitchUpper(families: readonly SeamNeeds[], book: RuleBook): UpperStitching {
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
  const [tacks, inside] = [book.value(seamRules.barTack), book.value(seamRules.machineFromEdge)]
  for (const piece of families.flatMap((f) => (f.seen === 'outside' ? f.pieces : []))) {
    const bars = barTacks(piece, inside + tacks / 2, tacks)
    if (bars.length > 0) rows[piece.id] = [...(rows[piece.id] ?? []), ...bars]
  }
  return { seams, rows }
}

/**
 * All seams of a shoe, those through its sole with them, what they are sewn with, and their checks. `upper` is how
 * thick the upper is at the sole, mm.
 */
export function stitched(
  { seams: ofUpper, rows }: UpperStitching,
  bottom: readonly SewnPart[],
  upper: number,
  cup: Omit<CupSeamNeeds, 'book'> | null,
  book: RuleBook,
): Stitching {
  const wall = cup && cupSeam({ ...cup, book })
  const seams = [...ofUpper, ...soleSeams(bottom, upper, book), ...(wall ? [wall] : [])]
  const notions = {
    machine: notionsFor('machine', book),
    hand: notionsFor('hand', book),
    sole: notionsFor('sole', book),
  }
  return {
    seams,
    rows: wall ? withCupRows(rows, wall) : rows,
    notions,
    findings: stitchFindings(seams, notions, book),
  }
}

/** The rows of a cup's seam beside those that lie on the pieces already. */
function withCupRows(rows: Stitching['rows'], { name, on }: Seam): Stitching['rows'] {
  const all = { ...rows }
  for (const { piece, line, holes } of on) {
    const row: PartLine = { name, kind: 'stitch', path: line, closed: false, holes, later: true }
    all[piece] = [...(all[piece] ?? []), row]
  }
  return all
}

/** How thick the upper is where it is sewn to a sole: the leather, or two skived ones that are turned out together. */
export const upperAtSole = (families: readonly SeamNeeds[]): number =>
  Math.max(
    0,
    ...families
      .filter((f) => f.seen === 'outside')
      .flatMap((f) => [
        ...f.pieces.filter((p) => p.edges.some((e) => e.role === 'turned-out margin')).map((p) => f.thicknessOf(p.id)),
        ...f.sections.filter((s) => s.kind === 'turnedOut').map((s) => s.thickest.after),
      ]),
  )
