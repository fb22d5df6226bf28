import type { EdgeRole } from '../model/edgeRoles.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import type { Profile } from '../trade/wallArea.ts'

export const edgeSkiveRules = {
  lapShare: {
    key: 'skive.lapShare',
    name: 'Lap under skived to, share of the thickness',
    value: 0.55,
    min: 0.3,
    max: 0.9,
    unit: 'share',
    why: 'Two full thicknesses on each other are a ridge; 0.5 to 0.6 keeps the strength of the seam.',
  },
  lapBeyond: {
    key: 'skive.lapBeyond',
    name: 'Skive of a lap reaches beyond the lap by',
    value: 2,
    min: 0,
    max: 6,
    unit: 'mm',
    why: 'The skive must not end under the stitches, or its edge shows.',
  },
  edgeWidth: {
    key: 'skive.edgeWidth',
    name: 'Skive along the edge of a lining that lies on another',
    value: 6,
    min: 2,
    max: 15,
    unit: 'mm',
    why: 'The foot feels an edge that stands up, however thin the lining is.',
  },
  seamShare: {
    key: 'skive.seamShare',
    name: 'Closed seam skived to, share of the thickness',
    value: 0.6,
    min: 0.3,
    max: 1,
    unit: 'share',
    why: 'Opened and hammered, four thicknesses would lie beside the seam.',
  },
} satisfies Record<string, Rule>

/** Thickness at the cut edge of a lap's skive, share of what it is skived to. */
const FEATHER_EDGE = 0.35

/**
 * How an edge is thinned (docs/trade.md, "Skiving by edge"): thickness against the distance from the cut edge. Null
 * for an edge that stays as thick as the leather. `facing` says which side is seen: linings are seen by the foot.
 */
export function edgeSkive(
  role: EdgeRole,
  thickness: number,
  allowance: number,
  book: RuleBook,
  facing: 'out' | 'foot' = 'out',
): Profile | null {
  // On the foot's side an edge that lies on its neighbour is a step too.
  if (role === 'lap over' && facing === 'foot') {
    return [
      [0, book.value(edgeSkiveRules.lapShare) * thickness],
      [book.value(edgeSkiveRules.edgeWidth), thickness],
    ]
  }
  if (role !== 'lap under' || allowance <= 0) return null
  const thin = book.value(edgeSkiveRules.lapShare) * thickness
  const width = allowance + book.value(edgeSkiveRules.lapBeyond)
  return [
    [0, FEATHER_EDGE * thin],
    [0.3 * width, thin],
    [allowance, thin],
    [width, thickness],
  ]
}
