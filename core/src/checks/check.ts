import type { Because } from '../trade/because.ts'
import type { Foot } from '../trade/foot.ts'
import type { Sentence } from '../units/sentence.ts'

/** What a shoe does when it misses: measured too much, too little, not as it should look, or unlike the other shoe. */
export type Miss = 'over' | 'under' | 'not so' | 'unlike'

/** Where a shoe goes back that misses, why, and what is done there. */
export interface WayBack {
  /** A step of this pair by its key. */
  step: string
  why: Sentence
  /** What is done there. */
  mend: Sentence
}

/** How far from its plan a figure may be. */
export type Bound =
  /** As planned, within a tolerance either way. */
  | { kind: 'near'; tolerance: number }
  /** Not more than so much. */
  | { kind: 'at most'; limit: number }
  /** Not less than so much. */
  | { kind: 'at least'; limit: number }

/** Something that is measured or looked at while a pair is made, at its step. */
export interface Check {
  id: string
  name: string
  /** How it is measured or what is looked at. */
  how: Sentence
  /** Steps at which it is taken, for each foot; null for a foot on which there is nothing to take. */
  at: Readonly<Record<Foot, string | null>>
  /** Null where it is looked at only. */
  figure: {
    unit: Extract<Because['unit'], 'mm' | 'count'>
    planned: Readonly<Record<Foot, number>>
    bound: Readonly<Record<Foot, Bound>>
    /** How far the feet may be apart beyond what is planned between them, mm; null where they are not compared. */
    between: number | null
    /** House rule behind the tolerance, where there is one. */
    rule: string | null
  } | null
  /** Where a shoe goes that misses. */
  back: Readonly<Partial<Record<Miss, WayBack>>>
}
