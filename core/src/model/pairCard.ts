import type { Sentence } from '../units/sentence.ts'
import type { Path } from '../geometry/path.ts'
import type { Level } from './level.ts'
import type { WearingTool } from './lesson.ts'
import type { WorkGroup } from './work.ts'
import type { SharedTool } from './workshopDays.ts'

/** A piece of the picture of a shoe: a body, or a line on it. */
export interface PictureShape {
  kind: 'last' | 'inside' | 'upper' | 'piece' | 'line' | 'eyelet' | 'sole' | 'heel'
  path: Path
  /** Colour of the material that it is made of; none where it is of no material, or of one that is not chosen. */
  fill?: string
}

/** One step of the work as whoever lays out days has to know it. */
export interface CardStep {
  id: string
  key: string
  name: string
  /** Both feet where null. */
  foot: 'right' | 'left' | null
  group: WorkGroup
  minutes: number
  formerly: readonly string[]
  /** Ids of the steps that come first. */
  after: readonly string[]
  /** Minutes to the next step at least, and at most where there is a limit. */
  wait: { min: number; max: number | null; late?: Sentence; rule?: string } | null
  /** What it wears, mm worked along. */
  wears: { tool: WearingTool; length: number } | null
  /** Machines that it takes. */
  machines: readonly SharedTool[]
}

/** What a list shows of a pair without planning it: plain data, small. */
export interface PairCard {
  /** Why there is no plan; empty when there is one. */
  problem: string
  worst: Level | null
  /** The order of work: what it is called, what it was planned to take, and what a log knows it by. */
  steps: CardStep[]
  /** The shoe from its lateral side: x forward, z up, mm, coarse; what comes first lies beneath. */
  shapes: PictureShape[]
  /** Keys of the house rules that its plan reads, sorted. */
  rules: string[]
}
