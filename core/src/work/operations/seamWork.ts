import { feet } from '../../trade/foot.ts'
import { cm, say, type Sentence } from '../../units/sentence.ts'
import type { CautionId } from '../cautions.ts'
import { closingRules, type Effort } from '../effort.ts'
import type { Facts, SeamFacts } from '../facts.ts'
import type { Phase } from '../phases.ts'
import type { Stuff } from '../step.ts'
import type { ToolId } from '../tools.ts'

/** Seams that are sewn in one go: those of both sides, and all that hold one piece laid on another. */
export interface SeamGroup {
  id: string
  /** Both shoes' seams. */
  seams: readonly SeamFacts[]
  /** Of one shoe. */
  first: SeamFacts
}

/** A seam's id without its sides: `tab.lateral` and `tab.medial` are the tab. */
export const withoutSides = (id: string): string => id.replace(/\.(lateral|medial|whole)\b/g, '')

/** The piece that is laid on: the last one the row is named on. */
export const laidPiece = (seam: SeamFacts): string => seam.pieces[seam.pieces.length - 1]!

const groupOf = (seam: SeamFacts): string =>
  seam.kind === 'laidOn' ? `laid ${withoutSides(laidPiece(seam))}` : withoutSides(seam.id)

/** The seams of both shoes that `which` names, by what is sewn in one go. */
export function seamGroups(f: Facts, which: (seam: SeamFacts) => boolean): SeamGroup[] {
  const groups = new Map<string, SeamFacts[]>()
  for (const seam of feet.flatMap((foot) => f.shoes[foot].seams.filter(which))) {
    const id = groupOf(seam)
    groups.set(id, [...(groups.get(id) ?? []), seam])
  }
  return [...groups].map(([id, seams]) => ({ id: id.replaceAll(' ', '-'), seams, first: seams[0]! }))
}

/** Phases of sewing, see `phases`. */
export type SewnPhase = Extract<Phase, 'sewn flat' | 'sewn to close' | 'sewn across' | 'sewn round'>

/**
 * When a seam of the outside is sewn, by what it does to what lies flat: laid on one piece; closing two edges; over such a
 * seam; and last what makes a ring of it.
 */
export function phaseOfSeam({ seams, first }: SeamGroup, all: readonly SeamFacts[]): SewnPhase {
  const pieces = new Set(seams.flatMap((s) => s.pieces))
  switch (first.kind) {
    case 'closed':
    case 'butt':
      return 'sewn to close'
    case 'laidOn': {
      const oneSided = seams.every((s) => s.pieces.every((p) => /\.(lateral|medial)$/.test(p)))
      if (oneSided || pieces.size > 1) return 'sewn flat'
      return all.some((s) => s.kind === 'closed' && s.seen === 'outside') ? 'sewn across' : 'sewn flat'
    }
    default: {
      if (seams.every((s) => s.side === 'whole')) return pieces.size > 1 ? 'sewn flat' : 'sewn round'
      if (seams.every((s) => s.pieces.every((p) => /\.(lateral|medial)$/.test(p)))) return 'sewn flat'
      return first.across ? 'sewn across' : 'sewn round'
    }
  }
}

/** Time to sew seams: laid and begun, their stitches by machine and by hand, and `more` minutes for what is said. */
export function sewingUpper(f: Facts, seams: readonly SeamFacts[], more: number, what: string): Effort {
  const pierced = f.work.ways.holes === 'pierced when joined'
  const [setUp, byMachine, byHand] = [
    f.book.value(closingRules.setUp),
    f.book.value(closingRules.byMachine),
    f.book.value(pierced ? closingRules.piercing : closingRules.byHand),
  ]
  const count = (way: SeamFacts['way']) =>
    seams.filter((s) => s.way === way).reduce((sum, s) => sum + s.rows * s.stitches, 0)
  const [machine, hand] = [count('machine'), count('hand')]
  const rows = seams.reduce((sum, s) => sum + s.rows * s.length, 0)
  const byNeedle = seams.filter((s) => s.way === 'machine').reduce((sum, s) => sum + s.rows * s.length, 0)
  const sewn = [
    ...(machine > 0 ? [`${machine} stitches by machine at ${byMachine} a minute`] : []),
    ...(hand > 0
      ? [`${hand} stitches by hand at ${byHand} a minute${pierced ? ', each hole pierced first' : ''}`]
      : []),
  ].join(', ')
  const n = seams.length
  return {
    minutes: more + n * setUp + machine / byMachine + hand / byHand,
    ...(byNeedle > 0 ? { wears: { tool: 'needle', length: byNeedle } } : {}),
    sentence: say`${what}${what === '' ? '' : ' '}${n} ${n === 1 ? 'seam' : 'seams'} on both shoes at ${setUp} minutes to lay and begin, ${cm(rows)} of rows${sewn === '' ? '' : `: ${sewn}`}${more > 0 ? `; and ${more} minutes to get ready` : ''}.`,
  }
}

/** Thread for seams of both shoes, by what each is sewn with. */
export const threadFor = (f: Facts, seams: readonly SeamFacts[]): Stuff[] =>
  [...new Set(seams.map((s) => s.sewnWith))].flatMap((sewnWith) => {
    const mine = seams.filter((s) => s.sewnWith === sewnWith)
    const metres = mine.reduce((sum, s) => sum + s.thread, 0) / 1000
    const rows = mine.reduce((sum, s) => sum + s.rows * s.length, 0) / 1000
    if (metres <= 0) return []
    return [
      {
        name: `Thread, ${f.threads[sewnWith]}`,
        amount: Math.ceil(10 * metres) / 10,
        unit: 'm' as const,
        sentence: `${(metres / rows).toFixed(1)} times as long as the rows.`,
      },
    ]
  })

export const sewingTools = (seams: readonly SeamFacts[], closed: boolean): ToolId[] => [
  ...(seams.some((s) => s.way === 'machine') ? (['machine'] as const) : []),
  ...(seams.some((s) => s.way === 'hand')
    ? (['needles', 'awl', ...(closed ? (['block'] as const) : [])] as const)
    : []),
]

/** What can hurt at seams: the machine, or awl and needles. */
export const sewingCautions = (seams: readonly SeamFacts[]): CautionId[] => [
  ...(seams.some((s) => s.way === 'machine') ? (['machine'] as const) : []),
  ...(seams.some((s) => s.way === 'hand') ? (['awl'] as const) : []),
]

/** What to look at in any seam. */
export const seamLook = (seams: readonly SeamFacts[]): Sentence[] => [
  'Marks meet, both ends are made fast, left and right alike.',
  ...(seams.some((s) => s.knot)
    ? ['Knots lie where the foot does not: at the bottom edge or between the layers.']
    : []),
]
