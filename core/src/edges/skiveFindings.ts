import { SAME } from '../geometry/tolerance.ts'
import { isWoven } from '../model/material.ts'
import type { Finding } from '../trade/because.ts'
import type { Remedy } from '../trade/remedy.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import { profileAt } from '../trade/wallArea.ts'
import { edgeSkive, edgeSkiveRules, type EdgeSkive } from '../layers/edgeSkive.ts'
import { asSkived } from '../layers/skivedStretches.ts'
import { spanKey } from '../layers/turnedSpans.ts'
import { layerRules } from '../layers/layerRules.ts'
import { withoutSide } from '../trade/pieceName.ts'
import { pieceRole } from '../trade/pieceRole.ts'
import { mm, say, type Sentence } from '../units/sentence.ts'
import type { PieceEdge } from '../upper/piece.ts'
import type { SeamKind, SeamSection } from './seamSection.ts'
import type { SewnPieces } from './seamSections.ts'

export const skiveRules = {
  holdsStitch: {
    key: 'skive.holdsStitch',
    name: 'Left for a stitch to hold in at least',
    value: 0.4,
    min: 0.2,
    max: 1,
    unit: 'mm',
    why: 'In thinner leather a row of stitches is a row of perforations.',
  },
  tears: {
    key: 'skive.tears',
    name: 'Left where an edge is turned or pulled at least',
    value: 0.3,
    min: 0.15,
    max: 1,
    unit: 'mm',
    why: 'Little but the grain is left then: folded, hammered or drawn with pliers it cracks or tears.',
  },
  foldFlat: {
    key: 'skive.foldFlat',
    name: 'Folded edge that must lie flat, share of what is turned in',
    value: 0.5,
    min: 0.2,
    max: 0.9,
    unit: 'share',
    why: 'What the bend takes does not lie down and is not glued; a thick edge springs open again.',
  },
  seamRidge: {
    key: 'skive.seamRidge',
    name: 'Closed seam or fold rises by at most, share of the run',
    value: 0.5,
    min: 0.2,
    max: 1,
    unit: 'share',
    why: 'A seam may be seen as a seam; steeper, what is laid back inside it stands out beside it as a second line.',
  },
} satisfies Record<string, Rule>

/** An edge of some leather with what is left of it. */
interface SkivedEnd {
  piece: string
  name: string
  edge: PieceEdge
  thickness: number
  /** Cloth is not skived, whatever the rules say. */
  woven: boolean
  skive: EdgeSkive | null
}

const nameOf = (piece: string, edge: PieceEdge): string =>
  `${withoutSide(piece)}, ${edge.name}${edge.side === 'whole' ? '' : `, ${edge.side} side`}`

function endsOf({ pieces, sight, sheetOf, book }: SewnPieces): SkivedEnd[] {
  return pieces.flatMap((p) =>
    p.edges.map((edge): SkivedEnd => {
      const sheet = sheetOf(p.id)
      const doubled = edge.side !== 'whole' && (sight.spans[spanKey(p.id, edge.side, edge.name)] ?? []).length > 0
      return {
        piece: p.id,
        name: nameOf(p.name, edge),
        edge,
        thickness: sheet.thickness,
        woven: isWoven(sheet),
        skive: edgeSkive(asSkived(edge, sight, doubled), sheet, book),
      }
    }),
  )
}

const least = <T>(list: readonly T[], of: (item: T) => number): T | null =>
  list.reduce<T | null>((best, item) => (best === null || of(item) < of(best) ? item : best), null)

/** A skive left thicker, or another leather where no share is enough. */
function thicker(end: SkivedEnd, limit: number, book: RuleBook): Pick<Finding, 'mend' | 'remedy'> {
  const rule = end.skive?.share
  const value = rule ? Math.ceil((100 * limit) / end.thickness) / 100 : Infinity
  if (rule && value > book.value(rule) && value < rule.max) {
    return {
      mend: say`Leave ${value} of the thickness, ${mm(value * end.thickness, 2)}.`,
      remedy: { kind: 'rule', key: rule.key, value },
    }
  }
  return { mend: 'Take thicker leather for it, or do not skive it.', remedy: otherLeather(end) }
}

const otherLeather = ({ piece, name }: SkivedEnd): Remedy => ({
  kind: 'open',
  control:
    pieceRole(piece) === null ? { room: 'decisions', at: 'upper' } : { room: 'decisions', piece: { id: piece, name } },
})

/** What is left of one leather in an edge, mm. */
const leftAt = ({ edge, thickness, skive }: SkivedEnd): number =>
  skive ? profileAt(skive.profile, edge.role === 'lap under' ? edge.allowance : 0) : thickness

/** What a row of stitches goes through in an edge, mm: the flat of its skive, both leaves of a fold. */
const stitched = (end: SkivedEnd): number => (FOLDED.includes(end.edge.role) ? 2 : 1) * leftAt(end)

const SEWN: readonly PieceEdge['role'][] = [
  'lap under',
  'lap over',
  'closed seam',
  'folded',
  'zip',
  'turned-out margin',
]
const PULLED: readonly PieceEdge['role'][] = ['closed seam', 'folded', 'zip', 'turned-out margin']
const FOLDED: readonly PieceEdge['role'][] = ['folded', 'zip']

function leftFinding(
  id: string,
  ends: readonly SkivedEnd[],
  left: (end: SkivedEnd) => number,
  rule: Rule,
  book: RuleBook,
  words: { fine: (end: SkivedEnd, left: number) => Sentence; watch: (end: SkivedEnd, left: number) => Sentence },
): Finding[] {
  const thinnest = least(ends, left)
  if (!thinnest) return []
  const [measured, limit] = [left(thinnest), book.value(rule)]
  const fine = measured >= limit
  return [
    {
      id,
      level: fine ? 'fine' : 'watch',
      where: thinnest.name,
      sentence: (fine ? words.fine : words.watch)(thinnest, measured),
      measured,
      limit,
      unit: 'mm',
      ...(fine ? { mend: '' } : thicker(thinnest, (limit * leftAt(thinnest)) / measured, book)),
    },
  ]
}

/**
 * A folded edge bends round nothing: the middle of its two leaves, each t thick, runs half round on a circle of t / 2, so
 * that (pi / 2) t of what is turned in do not lie flat.
 */
export const foldTakes = (leaf: number): number => (Math.PI / 2) * leaf

function foldFinding(ends: readonly SkivedEnd[], book: RuleBook): Finding[] {
  const folded = ends.filter((e) => FOLDED.includes(e.edge.role) && e.edge.allowance > 0)
  const flat = (e: SkivedEnd) => 1 - foldTakes(leftAt(e)) / e.edge.allowance
  const worst = least(folded, flat)
  if (!worst) return []
  const [share, limit] = [Math.max(0, flat(worst)), book.value(skiveRules.foldFlat)]
  const fine = share >= limit
  const of = worst.edge.allowance
  const thinner = (of * (1 - limit)) / (Math.PI / 2)
  const value = Math.floor((100 * thinner) / worst.thickness) / 100
  const { key, min } = edgeSkiveRules.foldShare
  return [
    {
      id: 'edges.fold',
      level: fine ? 'fine' : 'watch',
      where: worst.name,
      sentence: fine
        ? say`Of ${mm(of)} turned in, ${mm(share * of, 1)} lie flat: the leather is ${mm(leftAt(worst), 2)} in the fold.`
        : say`Of ${mm(of)} turned in only ${mm(share * of, 1)} lie flat, since ${mm(leftAt(worst), 2)} of leather bend there: the edge springs open.`,
      measured: share,
      limit,
      unit: 'share',
      ...(fine
        ? { mend: '' }
        : value >= min && !worst.woven
          ? {
              mend: say`Skive it to ${value} of its thickness, ${mm(value * worst.thickness, 2)}.`,
              remedy: { kind: 'rule' as const, key, value },
            }
          : { mend: 'Turn in more, or take thinner leather.', remedy: otherLeather(worst) }),
    },
  ]
}

/** A seam with a step under what covers it. */
type Stepped = Pick<SeamSection, 'name' | 'kind' | 'seen' | 'pieces'> & { step: NonNullable<SeamSection['step']> }

/** Of some kinds of seam the one that rises most steeply; null where there are none. */
const steepestOf = (sections: readonly SeamSection[], kinds: readonly SeamKind[]): Stepped | null =>
  least(
    sections.flatMap(({ step, ...s }) => (step && kinds.includes(s.kind) ? [{ ...s, step }] : [])),
    (s) => -s.step.after,
  )

/** A ridge against its limit; it is lowered by a skive, or where none does by another leather. */
function ridge(
  id: string,
  { name, seen, step }: Stepped,
  limit: number,
  words: { fine: string; watch: string; thinner: string },
  skive: { share: Rule; value: number; mend: string } | null,
): Finding {
  const fine = step.after <= limit + SAME
  const other: Remedy = { kind: 'open', control: { room: 'decisions', at: seen === 'foot' ? 'lining' : 'upper' } }
  const cure = skive
    ? { mend: skive.mend, remedy: { kind: 'rule' as const, key: skive.share.key, value: skive.value } }
    : { mend: words.thinner, remedy: other }
  return {
    id,
    level: fine ? 'fine' : 'watch',
    where: name,
    sentence: `${name}: ${fine ? words.fine : words.watch}`,
    measured: step.after,
    limit,
    unit: 'share',
    ...(fine ? { mend: '' } : cure),
  }
}

/** Whether any leather of a seam is cloth, which is not skived. */
const hasCloth = (families: readonly SewnPieces[], { seen, pieces }: Stepped): boolean => {
  const family = families.find((f) => f.sight.facing === (seen === 'foot' ? 'foot' : 'out'))
  return family !== undefined && pieces.some((id) => isWoven(family.sheetOf(id)))
}

/** How steep a step is, as it is said. */
const ofRun = (step: number): string => `${step.toFixed(2)} of its run`

/** The lap whose edge is seen or felt most through the leather over it. */
function lapRidge(families: readonly SewnPieces[], sections: readonly SeamSection[], book: RuleBook): Finding[] {
  const lap = steepestOf(sections, ['lap'])
  if (!lap) return []
  const { after, before } = lap.step
  const limit = book.value(layerRules.step)
  const share = edgeSkiveRules.lapShare
  const verb = lap.seen === 'foot' ? 'felt' : 'seen'
  const value = Math.floor((20 * book.value(share) * limit) / after) / 20
  return [
    ridge(
      'edges.ridge',
      lap,
      limit,
      {
        fine: `the edge under it rises by ${ofRun(after)}, unskived by ${ofRun(before)}; up to ${limit} is not ${verb}.`,
        watch: `the edge under it rises by ${ofRun(after)}: past ${limit} it is ${verb} as a ridge.`,
        thinner: 'Take something thinner for what lies under.',
      },
      value >= share.min && !hasCloth(families, lap)
        ? { share, value, mend: `Skive the lap to ${value} of its thickness.` }
        : null,
    ),
  ]
}

/** The closed seam or the fold whose laid-back edges stand out most beside it. */
function laidBackRidge(families: readonly SewnPieces[], sections: readonly SeamSection[], book: RuleBook): Finding[] {
  const seam = steepestOf(sections, ['closed', 'fold'])
  if (!seam) return []
  const { after, before } = seam.step
  const limit = book.value(skiveRules.seamRidge)
  const share = seam.kind === 'fold' ? edgeSkiveRules.foldShare : edgeSkiveRules.seamShare
  // The skive reaches past what is laid back: what it takes there is a groove, as what it leaves is a ridge; least at half.
  const value = Math.max(0.5, Math.floor((20 * limit) / before) / 20)
  return [
    ridge(
      'edges.seamRidge',
      seam,
      limit,
      {
        fine: `what is laid back rises by ${ofRun(after)}, unskived by ${ofRun(before)}; up to ${limit} it is seen as the seam that it is.`,
        watch: `what is laid back rises by ${ofRun(after)}: past ${limit} it stands out as a second line beside the seam.`,
        thinner: 'Take thinner leather.',
      },
      before * value < after - SAME && !hasCloth(families, seam)
        ? { share, value, mend: `Skive it to ${value} of its thickness.` }
        : null,
    ),
  ]
}

/** Edges skived too thin to hold a stitch or to be turned, folds too thick to lie down, laps and laid-back edges that show as a ridge. */
export function skiveFindings(
  families: readonly SewnPieces[],
  sections: readonly SeamSection[],
  book: RuleBook,
): Finding[] {
  const ends = families.flatMap(endsOf)
  return [
    ...leftFinding(
      'edges.stitch',
      ends.filter((e) => SEWN.includes(e.edge.role)),
      stitched,
      skiveRules.holdsStitch,
      book,
      {
        fine: (_, left) => say`At least ${mm(left, 2)} of leather are left where a row of stitches goes.`,
        watch: (_, left) => say`Only ${mm(left, 2)} are left where it is stitched: the row tears out like a stamp.`,
      },
    ),
    ...leftFinding(
      'edges.tears',
      ends.filter((e) => PULLED.includes(e.edge.role) && e.skive),
      leftAt,
      skiveRules.tears,
      book,
      {
        fine: (_, left) => say`Turned and pulled edges keep ${mm(left, 2)} at least.`,
        watch: (_, left) => say`Only ${mm(left, 2)} are left where it is turned or pulled: it cracks or tears.`,
      },
    ),
    ...foldFinding(ends, book),
    ...lapRidge(families, sections, book),
    ...laidBackRidge(families, sections, book),
  ]
}
