import type { LastReadings } from '../last/readings.ts'
import type { Edges } from '../edges/edges.ts'
import type { SkiveGroup } from '../edges/skivingList.ts'
import type { Lasting } from '../lasting/lasting.ts'
import type { Stitching } from '../seams/stitching.ts'
import type { Layers } from '../layers/layers.ts'
import type { Path } from '../geometry/path.ts'
import type { Level } from '../model/level.ts'
import type { WayName } from '../model/work.ts'
import type { Finding } from '../trade/because.ts'
import type { Part } from '../trade/part.ts'
import type { Upper } from '../upper/upper.ts'
import type { Check } from '../checks/check.ts'
import type { Step } from '../work/step.ts'
import type { PartOfBoth } from './bothFeet.ts'
import type { Bottom } from './bottomParts.ts'

/** Everything that follows for one shoe, drawn as a right one. */
export interface FootPlan {
  last: LastReadings
  /** The base pattern: pieces, points, lines and checks of the upper. */
  upper: Upper
  parts: Part[]
  /** What lies on what, and what comes of it. */
  layers: Layers
  /** How every edge is thinned, and every seam cut through. */
  edges: Edges
  /** How upper and linings are sewn. */
  stitching: Stitching
  /** How it is drawn over the last and tacked. */
  lasting: Lasting
  /** The bottom in side section, with the heel under it. */
  bottom: Bottom
  /** The lasted shoe's edge on the bottom laid flat: what a midsole is cut from and a cup sole must hold. */
  lasted: Path
  /** Findings on the shoe as a whole; those on a part stand with the part. */
  findings: Finding[]
  /** The gravest finding; of a pair, the gravest of both feet. */
  worst: Level
}

/** Everything that follows from a pair's decisions: the right shoe, and the left one. Plain data: it can be stored, sent or printed. */
export interface Plan extends FootPlan {
  /** The left shoe where it is planned on its own, drawn as a right one; null while it is the right one's mirror. */
  left: FootPlan | null
  /** Every part on both feet: which are true mirrors, and how far the others differ. */
  feet: PartOfBoth[]
  /** Checks of the left shoe against the right one. */
  feetFindings: Finding[]
  /** Every skived edge of both shoes, by the setting of the guide. */
  skiving: SkiveGroup[]
  /** The work, in the order in which it is done. */
  steps: Step[]
  /** What is measured and looked at on the way, in the order of the steps. */
  checks: Check[]
  /** Questions of the manner of work whose answers make a difference here. */
  asked: WayName[]
}
