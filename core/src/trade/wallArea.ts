import type { Path } from '../geometry/path.ts'
import type { GatherBand } from './gatherBand.ts'
import type { Side } from './side.ts'
import type { Rule } from './rules.ts'

/** Thickness (mm) against distance from an edge (mm); constant beyond the last point. */
export type Profile = readonly (readonly [distance: number, thickness: number])[]

/** An edge thinned by a profile. Where the skive's width is a house rule of its own, that rule: it can be set to mend a step. */
export interface ThinnedEdge {
  edge: Path
  profile: Profile
  widthRule?: Rule
}

/** One thickness of leather on the wall of the last: where it lies, and how thin its edges are. */
export interface WallArea {
  /** Id of the part or piece it belongs to. */
  part: string
  name: string
  side: Side
  /** Order from the foot outwards: what has the smaller number lies nearer to the foot. */
  depth: number
  thickness: number
  /** Closed, on the forme seen from the lateral side, mm; it ends at the feather line. */
  area: Path
  thinned: readonly ThinnedEdge[]
  /** Where it is drawn together into folds. */
  gathered?: readonly GatherBand[]
  /** What a seam or a folded edge lays back beside its line, in a narrow strip. */
  laidBack?: true
}

/** Order of the layers from the foot outwards; pieces of the upper lie on each other from `upper` on, what wraps them outside. */
export const DEPTHS = {
  grip: 0,
  lining: 1,
  foam: 2,
  side: 3,
  inside: 4,
  reinforcement: 5,
  upper: 6,
  outside: 96,
} as const

/** The opened allowance of a seam lies so much deeper than its piece. */
export const SEAM_DEPTH = 0.5

/** Thickness by a profile at a distance from the edge, mm. */
export function profileAt(profile: Profile, distance: number): number {
  for (let i = 0; i < profile.length; i++) {
    const [d, t] = profile[i]!
    if (distance > d) continue
    if (i === 0) return t
    const [d0, t0] = profile[i - 1]!
    return t0 + ((t - t0) * (distance - d0)) / (d - d0 || 1)
  }
  return profile[profile.length - 1]![1]
}
