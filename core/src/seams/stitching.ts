import type { Finding } from '../trade/because.ts'
import type { PartLine } from '../trade/part.ts'
import type { RuleBook } from '../trade/rules.ts'
import { mm, say } from '../units/sentence.ts'
import { seamRules } from './rules.ts'
import type { Remedy } from '../trade/remedy.ts'
import { sewnRules } from '../upper/sewnLine.ts'
import { barTacks } from './barTacks.ts'
import { notionsFor, type Notions } from './notions.ts'
import type { Seam, SewnWith } from './seam.ts'
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

/** All seams of a shoe, those through its sole with them, what they are sewn with, and their checks. `upper` is how thick the upper is at the sole, mm. */
export function stitched(
  { seams: ofUpper, rows }: UpperStitching,
  bottom: readonly SewnPart[],
  upper: number,
  book: RuleBook,
): Stitching {
  const seams = [...ofUpper, ...soleSeams(bottom, upper, book)]
  const notions = {
    machine: notionsFor('machine', book),
    hand: notionsFor('hand', book),
    sole: notionsFor('sole', book),
  }
  return {
    seams,
    rows,
    notions,
    findings: [...threadFinding(seams, book), ...bridgeFinding(seams, notions, book), ...lapFinding(seams, book)],
  }
}

/** How thick the upper is where it is sewn to a sole: the leather, or two skived ones that are turned out together. */
export const upperAtSole = (families: readonly SeamNeeds[]): number =>
  Math.max(
    0,
    ...families
      .filter((f) => f.seen === 'outside')
      .flatMap((f) => [
        ...f.pieces.map((p) => f.thicknessOf(p.id)),
        ...f.sections.filter((s) => s.kind === 'turnedOut').map((s) => s.thickest.after),
      ]),
  )

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
  const pitch = Math.ceil((10 * hole) / (1 - limit) + 2) / 10
  const rule =
    worst.kind === 'butt' ? seamRules.buttPitch : worst.way === 'hand' ? sewnRules.pitch : seamRules.machinePitch
  const remedy: Remedy =
    // A seam that goes by the house is mended for all like it, one that was set by hand alone.
    Math.abs(book.value(rule) - worst.pitch) < 0.5 * worst.pitch && pitch <= rule.max
      ? { kind: 'rule', key: rule.key, value: pitch }
      : {
          kind: 'choice',
          name: say`${worst.name}: a stitch of ${mm(pitch, 1)}`,
          decisions: { stitching: { own: { [worst.id]: { pitch } } } },
        }
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
      ...(fine
        ? { mend: '' }
        : { mend: say`Sew it with stitches of ${mm(pitch, 1)}, or with a finer thread.`, remedy }),
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
      ...(held
        ? { mend: '' }
        : {
            mend: 'Sew this seam like the rest of the pair, with fewer rows, or give it a wider lap.',
            remedy: {
              kind: 'choice' as const,
              name: say`${worst.name}: one row, as near to the edge as the house has it`,
              decisions: { stitching: { own: { [worst.id]: { fromEdge: null, rows: 1 } } } },
            },
          }),
    },
  ]
}
