import type { Path } from '../../geometry/path.ts'
import { intersect, offset } from '../../geometry/polygonClip.ts'
import type { CupSoleFields } from '../../model/cupSole.ts'
import type { Finding } from '../../trade/because.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { mm, mmTo, say, type Sentence } from '../../units/sentence.ts'
import { layRound, type LaidRound } from '../shared/laidRound.ts'
import { unitRules } from './rules.ts'

/** Short: the shoe stands over it. Bare: no edge is left to trim. Ample: more than is ground off. */
export type UnitVerdict = 'short' | 'bare' | 'good' | 'ample'

/** A flat unit laid under the shoe: how far it stands out at every point. */
export interface UnitFit extends LaidRound {
  verdicts: UnitVerdict[]
  verdict: UnitVerdict
  /** Its edge when it is trimmed: outside the shoe by the rule, or as far as the unit reaches. */
  trimmed: Path
  finding: Finding
}

/** An edge that is thinner by so little is no thinner to a hand at the wheel, mm. */
const AS_GOOD = 0.2

/** How a flat unit lies under a shoe, as `layRound` lays it, and what is left of it when its edge is trimmed to the shoe. */
export function unitFit(
  shoe: Path,
  unit: Pick<CupSoleFields, 'outline' | 'turned' | 'flipped'>,
  book: RuleBook,
): UnitFit {
  const laid = layRound(shoe, unit, 'this unit')
  const [edge, spare] = [book.value(unitRules.edge), book.value(unitRules.spare)]
  const verdictOf = (c: number): UnitVerdict =>
    c < 0 ? 'short' : c < edge - AS_GOOD ? 'bare' : c <= edge + spare ? 'good' : 'ample'
  const least = verdictOf(laid.least.room)
  const verdict = least === 'good' ? verdictOf(laid.most.room) : least
  return {
    ...laid,
    verdicts: laid.clearance.map(verdictOf),
    verdict,
    trimmed: intersect(offset(shoe, edge, 'the edge of the unit'), laid.sole, 'the edge of the unit'),
    finding: unitFinding(verdict, laid.least.room, laid.most.room, edge),
  }
}

function unitFinding(verdict: UnitVerdict, least: number, most: number, edge: number): Finding {
  const off = Math.max(0, most - edge)
  const said: Record<UnitVerdict, [Finding['level'], Sentence, string]> = {
    short: [
      'stop',
      say`The lasted shoe stands over the unit by ${mm(-least, 1)}: it would tread on its own upper.`,
      'Take the next size of unit, or thinner layers.',
    ],
    bare: [
      'watch',
      say`At its leanest the unit stands out by ${mm(least, 1)}; ${mm(edge, 1)} are wanted when it is trimmed.`,
      'Take the next size of unit, or let the whole edge be thinner.',
    ],
    good: ['fine', say`The unit stands out by ${mmTo(least, most, 1)}: trimmed, ${mm(edge, 1)} stay all round.`, ''],
    ample: [
      'fine',
      say`The unit stands out by ${mmTo(least, most, 1)}: up to ${mm(off, 1)} are cut off with the knife before the edge is ground.`,
      '',
    ],
  }
  const [level, sentence, mend] = said[verdict]
  return {
    id: 'bottom.unit',
    level,
    where: 'edge of the unit',
    sentence,
    measured: level === 'fine' ? most : least,
    limit: verdict === 'short' ? 0 : edge,
    unit: 'mm',
    mend,
    ...(verdict === 'bare' && least >= 0.5
      ? { remedy: { kind: 'rule' as const, key: unitRules.edge.key, value: Math.floor(least * 10) / 10 } }
      : {}),
    ...(verdict === 'short'
      ? { remedy: { kind: 'open' as const, control: { room: 'decisions' as const, at: 'cup sole' as const } } }
      : {}),
  }
}
