import type { Because } from '../../trade/because.ts'
import type { Point } from '../../geometry/path.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'
import type { Side } from '../../trade/side.ts'
import { mm, say } from '../../units/sentence.ts'
import { flatPiece, type EdgeDraft, type PieceDraft } from '../pieceMaker.ts'
import type { Piece } from '../piece.ts'

export const pullLoopRules = {
  wide: {
    key: 'upper.loopWidth',
    name: 'Width of a pull loop',
    value: 22,
    min: 12,
    max: 40,
    unit: 'mm',
    why: 'Wide enough for a finger’s pull not to cut in, narrow enough to lie flat on the shaft.',
  },
  stands: {
    key: 'upper.loopStands',
    name: 'A pull loop stands above the top line by',
    value: 35,
    min: 20,
    max: 60,
    unit: 'mm',
    why: 'Two fingers go through.',
  },
  sewn: {
    key: 'upper.loopSewn',
    name: 'Of each end of a pull loop sewn in below the top line',
    value: 30,
    min: 15,
    max: 60,
    unit: 'mm',
    why: 'The whole weight of the pull hangs on these stitches: long enough for two rows and a box.',
  },
  buckle: {
    key: 'upper.buckleLoop',
    name: 'Of each end of a buckle loop sewn on',
    value: 24,
    min: 14,
    max: 40,
    unit: 'mm',
    why: 'Every step pulls at these stitches: room for a box of them.',
  },
} satisfies Record<string, Rule>

/** A straight strip, folded in the middle when it is sewn in. Seen from outside, standing. */
function strip(
  draft: PieceDraft,
  side: Piece['side'],
  wide: number,
  long: number,
  because: Because,
  book: RuleBook,
): Piece {
  const corners: Point[] = [
    [0, 0],
    [wide, 0],
    [wide, long],
    [0, long],
  ]
  const edges = ['end', 'side', 'other end', 'other side'].map((name, i): EdgeDraft => ({
    name,
    role: 'raw',
    line: [corners[i]!, corners[(i + 1) % 4]!],
  }))
  return { ...flatPiece(draft, side, edges, book), becauses: [because] }
}

/** A loop by which a boot is drawn on: both its ends are sewn in one on the other. */
function drawnOn(draft: PieceDraft, side: Piece['side'], book: RuleBook): Piece {
  const [wide, stands, sewn] = [pullLoopRules.wide, pullLoopRules.stands, pullLoopRules.sewn].map((r) => book.value(r))
  const long = 2 * (stands! + sewn!)
  return strip(
    draft,
    side,
    wide!,
    long,
    {
      id: 'length',
      quantity: 'Length of the loop',
      value: long,
      unit: 'mm',
      sentence: say`Twice what stands above the top line (${mm(stands!)}) and what is sewn in at either end (${mm(sewn!)}).`,
      inputs: [],
      origin: book.inForce(pullLoopRules.stands).origin,
      rule: pullLoopRules.stands.key,
    },
    book,
  )
}

/** One of two loops at the sides of a shaft. */
export const pullLoop = (side: Side, book: RuleBook): Piece =>
  drawnOn({ id: `pullLoop.${side}`, name: `Pull loop, ${side}` }, side, book)

/** The one loop at the back, under the top of an outside strip. */
export const backLoop = (book: RuleBook): Piece => drawnOn({ id: 'pullLoop', name: 'Pull loop' }, 'whole', book)

/** Width of the loop that holds a buckle, share of its strap's: the strap has to pass the frame beside it. */
const BUCKLE_LOOP = 0.8

/** The loop that holds the buckle of a heel strap on the lateral side of the instep strap. */
export function buckleLoop(width: number, book: RuleBook): Piece {
  const sewn = book.inForce(pullLoopRules.buckle)
  const long = 2 * (sewn.value + ROUND_THE_BAR)
  return strip(
    { id: 'buckleLoop.lateral', name: 'Buckle loop, lateral' },
    'lateral',
    BUCKLE_LOOP * width,
    long,
    {
      id: 'length',
      quantity: 'Length of the loop',
      value: long,
      unit: 'mm',
      sentence: say`Round the bar of the buckle, and ${mm(sewn.value)} of either end sewn on the instep strap.`,
      inputs: [],
      origin: sewn.origin,
      rule: pullLoopRules.buckle.key,
    },
    book,
  )
}

/** What of each half lies round the bar of the buckle, mm. */
const ROUND_THE_BAR = 5
