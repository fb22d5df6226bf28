import type { DevelopedBottom } from '../last/developedBottom.ts'
import type { TurnedStack } from '../layers/turnedStack.ts'
import type { Because, Finding } from '../trade/because.ts'
import type { BottomZone } from '../trade/bottomZone.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Side } from '../trade/side.ts'
import type { LastedId } from './strip.ts'
import type { TackPlan } from './tackPlan.ts'

/** What a lasting plan is derived from. */
export interface LastingNeeds {
  bottom: DevelopedBottom
  turned: TurnedStack
  /** Thickness of the insole that tacks are driven into, mm. */
  insole: number
  /** Length of the last, mm. */
  length: number
  /** Heights of the top line above the feather, as they are drawn; none where it is not known. */
  heights: readonly Because[]
  /** Whether the lining is lasted first, and what stiffens over it by itself; else all goes down with the upper. */
  liningFirst: boolean
  /** Whether the upper is drawn down by hand. */
  byHand: boolean
  book: RuleBook
}

/** A stretch of one side, as it is spoken of. */
export interface LastingZone {
  zone: BottomZone
  side: Side
  /** Its run along the feather line, and by how much its strip is too long at the depth that must lie flat, mm. */
  run: number
  surplus: number
  /** Narrowest of what lies flat under the insole there, mm. */
  flat: number
  tacks: number
}

/** The middle of what lies between two tacks, and what stays there. */
export interface Fold {
  side: Side
  /** From the heel back on the last, mm. */
  x: number
  /** By the trade's reckoning, and by the simulated strip; mm. */
  tuck: number
  simulated: number
}

export interface LastedStrip extends TackPlan {
  id: LastedId
  /** It lies between upper and lining when they are drawn down: their tacks hold it, and it has none of its own. */
  isInside: boolean
  folds: Fold[]
  zones: LastingZone[]
  /** Length of a tack under its head where least and where most leather lies under it, mm. */
  tackLength: { least: number; most: number }
  becauses: Because[]
  findings: Finding[]
}
