import type { Path } from '../geometry/path.ts'
import type { Level } from './level.ts'

/** What a list shows of a pair without planning it: plain data, small. */
export interface PairCard {
  /** Why there is no plan; empty when there is one. */
  problem: string
  worst: Level | null
  /** The order of work, by id and name. */
  steps: { id: string; name: string }[]
  /** A few parts in outline, for a small picture; mm, coarse. */
  shapes: { id: string; name: string; outline: Path }[]
}
