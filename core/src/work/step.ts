import type { Because } from '../trade/because.ts'
import type { CautionId } from './cautions.ts'
import type { Sentence } from '../units/sentence.ts'

export const workGroups = ['prepare', 'cut', 'skive', 'close', 'last', 'bottom', 'finish'] as const
export type WorkGroup = (typeof workGroups)[number]

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
  max: number | null
  why: Sentence
}

/** One step of the work on a pair. */
export interface Step {
  id: string
  name: string
  group: WorkGroup
  /** Active minutes for both feet, with their reason. */
  minutes: Because
  wait: Wait | null
  /** Steps that come first, each with the reason. */
  after: { id: string; name: string; why: Sentence }[]
  cautions: CautionId[]
  parts: string[]
}
