import type { Path } from '../../geometry/path.ts'
import { heldAgainst, placeName, type HeldAgainst } from '../../layers/heldAgainst.ts'
import type { DrawnLine } from '../../model/drawnLine.ts'
import type { Finding } from '../../trade/because.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'
import { mm, say } from '../../units/sentence.ts'

export const boughtInsoleRules = {
  small: {
    key: 'insole.boughtSmall',
    name: 'A bought insole may lie inside the feather line by',
    value: 1,
    min: 0.3,
    max: 3,
    unit: 'mm',
    why: 'Where it is smaller the upper turns over nothing: the feather edge goes soft, and tacks find no hold. What stands out is trimmed to the last.',
  },
} satisfies Record<string, Rule>

/** What stands out by less is within what a knife leaves, mm. */
const FLUSH = 0.3

/** An insole that was bought, or comes out of an old shoe, held against the bottom of this last. */
export interface BoughtInsole extends HeldAgainst {
  findings: Finding[]
}

/**
 * A traced or photographed insole against the last's own: `insole` is the bottom at the feather line, mm. Throws
 * GeometryError with a sentence when the line cannot be an insole.
 */
export function boughtInsole(insole: Path, line: DrawnLine, book: RuleBook): BoughtInsole {
  const held = heldAgainst(insole, line, 'The outline of the insole')
  const length = Math.max(...insole.map((p) => p[0]))
  const limit = book.value(boughtInsoleRules.small)
  const lacks = -held.leanest.by
  const stands = held.fullest.by
  const lack = placeName(held.leanest.predicted, length)
  const stand = placeName(held.fullest.predicted, length)
  const small: Finding = {
    id: 'insole.boughtSmall',
    level: lacks <= limit ? 'fine' : lacks <= 2 * limit ? 'watch' : 'stop',
    where: lack,
    sentence:
      lacks <= limit
        ? say`Nowhere does it lie more than ${mm(Math.max(0, lacks), 1)} inside the feather line.`
        : say`${lack}: it lies ${mm(lacks, 1)} inside the feather line.`,
    measured: lacks,
    limit,
    unit: 'mm',
    mend: lacks <= limit ? '' : 'Take one a size larger and trim it to the last, or cut one by the print.',
  }
  const large: Finding = {
    id: 'insole.boughtLarge',
    level: stands <= FLUSH ? 'fine' : 'watch',
    where: stand,
    sentence:
      stands <= FLUSH
        ? say`It stands out past the feather line nowhere.`
        : say`${stand}: it stands out past the feather line by ${mm(stands, 1)}.`,
    measured: stands,
    limit: FLUSH,
    unit: 'mm',
    mend: stands <= FLUSH ? '' : 'Tack it to the last and trim it flush with the feather edge.',
  }
  return { ...held, findings: [small, large] }
}
