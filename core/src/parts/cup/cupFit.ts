import { layRound, type LaidRound } from '../shared/laidRound.ts'
import type { Path } from '../../geometry/path.ts'
import type { Finding } from '../../trade/because.ts'
import type { CupSoleFields } from '../../model/cupSole.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'
import { mm, say, type Sentence, mmTo } from '../../units/sentence.ts'

export const cupRules = {
  good: {
    key: 'cup.good',
    name: 'Good clearance in a cup sole, up to',
    value: 1.5,
    min: 0.5,
    max: 3,
    unit: 'mm',
    why: 'Up to this the cement and a little pressure close the gap.',
  },
  gappy: {
    key: 'cup.gappy',
    name: 'Gappy clearance in a cup sole, from',
    value: 2.5,
    min: 1.5,
    max: 5,
    unit: 'mm',
    why: 'A wider gap shows, and the wall of the cup stands off from the upper.',
  },
  wall: {
    key: 'cup.wallHeight',
    name: 'Wall of a cup above its floor',
    value: 22,
    min: 8,
    max: 60,
    unit: 'mm',
    why: 'Cups differ: measure the one that is bought. So high its wall is drawn in the picture of the pair.',
  },
} satisfies Record<string, Rule>

export type CupVerdict = 'tight' | 'good' | 'roomy' | 'gappy'

/** The inside of a cup laid round the shoe: room between both at every point. */
export interface CupFit extends LaidRound {
  verdicts: CupVerdict[]
  verdict: CupVerdict
  /** How high its wall stands above the floor, mm. */
  wall: number
  finding: Finding
}

/** How a shoe sits in a cup sole, as `layRound` lays it. */
export function cupFit(shoe: Path, cup: Pick<CupSoleFields, 'outline' | 'turned' | 'flipped'>, book: RuleBook): CupFit {
  const laid = layRound(shoe, cup, 'the inside of this cup')
  const good = book.value(cupRules.good)
  const gappy = book.value(cupRules.gappy)
  const verdictOf = (c: number): CupVerdict => (c < 0 ? 'tight' : c <= good ? 'good' : c <= gappy ? 'roomy' : 'gappy')
  const verdict: CupVerdict = laid.least.room < 0 ? 'tight' : verdictOf(laid.most.room)
  return {
    ...laid,
    verdicts: laid.clearance.map(verdictOf),
    verdict,
    wall: book.value(cupRules.wall),
    finding: cupFinding(verdict, laid.least.room, laid.most.room, gappy),
  }
}

function cupFinding(verdict: CupVerdict, least: number, most: number, gappy: number): Finding {
  const said: Record<CupVerdict, [Finding['level'], Sentence, string]> = {
    tight: [
      'stop',
      say`The shoe is ${mm(-least, 1)} larger than the cup at its tightest place.`,
      'Take the next size of cup, thinner layers, or thin the turned margin there.',
    ],
    good: ['fine', say`The shoe sits in the cup with ${mmTo(least, most, 1)} of room.`, ''],
    roomy: [
      'watch',
      say`There is up to ${mm(most, 1)} of room: more than cement closes by itself.`,
      'Fill with a thicker lining or a strip at the margin, or press it well.',
    ],
    gappy: [
      'watch',
      say`There is up to ${mm(most, 1)} of room, more than ${mm(gappy)}: the cup will stand off.`,
      'Take a smaller cup, or build the margin up where it gapes.',
    ],
  }
  const [level, sentence, mend] = said[verdict]
  return {
    id: 'last.cup',
    level,
    where: 'wall of the cup sole',
    sentence,
    measured: verdict === 'tight' ? least : most,
    limit: verdict === 'tight' ? 0 : gappy,
    unit: 'mm',
    mend,
  }
}
