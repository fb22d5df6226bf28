import type { WearingTool } from '../model/lesson.ts'
import type { WorkGroup } from '../model/work.ts'
import type { Because } from '../trade/because.ts'
import type { Foot } from '../trade/foot.ts'
import type { Sentence } from '../units/sentence.ts'
import type { CautionId } from './cautions.ts'
import type { ToolId } from './tools.ts'

export const groupNames: Record<WorkGroup, string> = {
  prepare: 'Prepare',
  cut: 'Cut',
  skive: 'Skive',
  close: 'Close the upper',
  last: 'Last',
  bottom: 'Bottom',
  finish: 'Finish',
}

/** The wait after a step, minutes: not sooner than `min`, and not later than `max` when there is one. */
export interface Wait {
  min: number
  /** House rule that says so, where one does: what is learned of it is kept there. */
  rule?: string
  max: number | null
  why: Sentence
  /** What brings it back when it has waited too long; without it the step is done again. */
  late?: Sentence
}

/** Something that is used up, and how much of it for what the step is about. */
export interface Stuff {
  name: string
  amount: number
  unit: 'm' | 'g' | 'ml' | 'pieces'
  sentence: Sentence
}

/** What a step wears. */
export interface Wear {
  tool: WearingTool
  /** mm, for what the step is about. */
  length: number
}

/** A step that comes first, and why. */
export interface StepReason {
  id: string
  name: string
  why: Sentence
}

/** One step of the work on a pair. */
export interface Step {
  id: string
  /** What is learned about it on other pairs: the same for both feet and for every pair. */
  key: string
  /** Earlier ids under which a log may know it. */
  formerly: readonly string[]
  /** Null where it is done for both feet in one go. */
  foot: Foot | null
  name: string
  group: WorkGroup
  /** Active minutes for what the step is about, with their reason. */
  minutes: Because
  wait: Wait | null
  /** Steps that come first, each with the reason. */
  after: StepReason[]
  cautions: readonly CautionId[]
  tools: readonly ToolId[]
  stuff: readonly Stuff[]
  /** What to look at before it counts as done. */
  look: readonly Sentence[]
  /** What it wears; none where it wears nothing that is changed. */
  wears: Wear | null
  /** Records of the parts and pieces that it is about. */
  parts: readonly string[]
  /** Ids of seams that are sewn in it. */
  seams: readonly string[]
  /** Added by the maker. */
  own: boolean
}
