import type { EdgeRole } from '../model/edgeRoles.ts'
import { isWoven, type Material } from '../model/material.ts'
import type { SkiveShape } from '../trade/part.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import type { Profile } from '../trade/wallArea.ts'
import { mm, say, type Sentence } from '../units/sentence.ts'

export const edgeSkiveRules = {
  lapShare: {
    key: 'skive.lapShare',
    name: 'Lap under skived to, share of the thickness',
    value: 0.55,
    min: 0.3,
    max: 1,
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
  foldShare: {
    key: 'skive.foldShare',
    name: 'Folded edge skived to, share of the thickness',
    value: 0.5,
    min: 0.3,
    max: 1,
    unit: 'share',
    why: 'Turned in, both halves together are as thick as the leather beside them.',
  },
  foldBeyond: {
    key: 'skive.foldBeyond',
    name: 'Skive of a fold reaches beyond twice the fold by',
    value: 1,
    min: 0,
    max: 6,
    unit: 'mm',
    why: 'What is turned in ends on thin leather, so that its edge does not show through.',
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
  seamWidth: {
    key: 'skive.seamWidth',
    name: 'Skive of a closed seam, width',
    value: 4,
    min: 2,
    max: 10,
    unit: 'mm',
    why: 'Past the stitches, so that the opened edges lie down flat on thin leather.',
  },
  turnedShare: {
    key: 'skive.turnedShare',
    name: 'Turned-out edge skived to where two lie on each other, share of the thickness',
    value: 0.5,
    min: 0.3,
    max: 1,
    unit: 'share',
    why: 'Cover and section are turned out as one: each thinned to half, they turn like a single leather.',
  },
  turnedBeyond: {
    key: 'skive.turnedBeyond',
    name: 'Skive of a turned-out edge reaches up the wall by',
    value: 3,
    min: 0,
    max: 10,
    unit: 'mm',
    why: 'The bend itself needs thin leather, and it begins a little above the feather line.',
  },
  visibleShare: {
    key: 'skive.visibleShare',
    name: 'Lining edge that shows thinned to, share of the thickness',
    value: 0.6,
    min: 0.3,
    max: 1,
    unit: 'share',
    why: 'Thinned, rounded and dyed it blends with the edge of the upper.',
  },
  edgeWidth: {
    key: 'skive.edgeWidth',
    name: 'Skive along the edge of a lining',
    value: 6,
    min: 2,
    max: 15,
    unit: 'mm',
    why: 'The foot feels an edge that stands up, however thin the lining is.',
  },
  buttBevel: {
    key: 'skive.buttBevel',
    name: 'Bevel of a butt seam, share of the thickness',
    value: 1,
    min: 0.3,
    max: 2,
    unit: 'share',
    why: 'One edge is cut over and one under, at the same slant: they lie on each other and the seam stays flat.',
  },
} satisfies Record<string, Rule>

/** Thickness at the cut edge of a lap's skive, share of what it is skived to. */
const FEATHER_EDGE = 0.25
/** A closed seam's thickness rises over at least so much behind its allowance, mm. */
const RISE = 1

/** What is skived: woven stuff is not. */
export type Sheet = Pick<Material, 'thickness' | 'kind'>

/** An edge as it is cut, and how it is seen. */
export interface SkivedEdge {
  role: EdgeRole
  allowance: number
  /** Which side is seen: linings are seen by the foot. */
  facing: 'out' | 'foot'
  /** Turned out together with another leather that lies on it. */
  doubled: boolean
  /** The lining's edge at the opening is seen: nothing is wrapped round it. */
  shows: boolean
}

/** How an edge is thinned: thickness against the distance from the cut edge, mm. */
export interface EdgeSkive {
  shape: SkiveShape
  profile: Profile
  sentence: Sentence
  /** The rule that sets how thin it gets. */
  share: Rule
}

/**
 * How an edge is thinned (docs/trade.md, "Skiving by edge"); null for one that stays as thick as the leather. A butt
 * seam's bevel is cut through the whole thickness about the line itself: it takes nothing off (see buttBevel).
 */
export function edgeSkive(edge: SkivedEdge, sheet: Sheet, book: RuleBook): EdgeSkive | null {
  if (isWoven(sheet)) return null
  const skive = drawn(edge, sheet.thickness, book)
  // A house that thins an edge to its whole thickness does not thin it.
  return skive && book.value(skive.share) < 1 ? skive : null
}

function drawn({ role, allowance, facing, doubled, shows }: SkivedEdge, t: number, book: RuleBook): EdgeSkive | null {
  const to = (share: Rule) => book.value(share) * t
  switch (role) {
    case 'lap under': {
      if (allowance <= 0) return null
      const thin = to(edgeSkiveRules.lapShare)
      const width = allowance + book.value(edgeSkiveRules.lapBeyond)
      return {
        shape: 'level',
        profile: [[0, FEATHER_EDGE * thin], [0.3 * width, thin], ...rising(allowance, thin, width, t)],
        sentence: say`To ${mm(thin, 2)} over the lap and a little more, so that the seam is no ridge.`,
        share: edgeSkiveRules.lapShare,
      }
    }
    // On the foot's side an edge that lies on its neighbour is a step too.
    case 'lap over': {
      if (facing !== 'foot') return null
      const thin = to(edgeSkiveRules.lapShare)
      return {
        shape: 'straight',
        profile: [
          [0, thin],
          [book.value(edgeSkiveRules.edgeWidth), t],
        ],
        sentence: say`From ${mm(thin, 2)} at the edge, so that the foot does not feel it.`,
        share: edgeSkiveRules.lapShare,
      }
    }
    case 'folded':
    case 'zip': {
      if (allowance <= 0) return null
      const thin = to(edgeSkiveRules.foldShare)
      const width = 2 * allowance + book.value(edgeSkiveRules.foldBeyond)
      return {
        shape: 'level',
        profile: [[0, thin], ...rising(2 * allowance, thin, width, t)],
        sentence: say`To ${mm(thin, 2)} over twice the fold, so that the folded edge is no thicker than the leather.`,
        share: edgeSkiveRules.foldShare,
      }
    }
    case 'closed seam': {
      if (allowance <= 0) return null
      const thin = to(edgeSkiveRules.seamShare)
      const width = Math.max(book.value(edgeSkiveRules.seamWidth), allowance + RISE)
      return {
        shape: 'level',
        profile: [[0, thin], ...rising(allowance, thin, width, t)],
        sentence: say`To ${mm(thin, 2)} past the stitches, so that the opened seam can be hammered flat.`,
        share: edgeSkiveRules.seamShare,
      }
    }
    case 'turned-out margin': {
      if (!doubled || allowance <= 0) return null
      const thin = to(edgeSkiveRules.turnedShare)
      const beyond = book.value(edgeSkiveRules.turnedBeyond)
      return {
        shape: 'level',
        // The bend takes half of what is skived above the feather line.
        profile: [[0, thin], ...rising(allowance + beyond / 2, thin, allowance + beyond, t)],
        sentence: say`To ${mm(thin, 2)} over the margin where two lie on each other, so that both turn like one.`,
        share: edgeSkiveRules.turnedShare,
      }
    }
    case 'trimmed': {
      if (!shows || facing !== 'foot') return null
      const thin = to(edgeSkiveRules.visibleShare)
      return {
        shape: 'rounded',
        profile: [[0, thin], ...rising(allowance, thin, allowance + book.value(edgeSkiveRules.edgeWidth), t)],
        sentence: say`To ${mm(thin, 2)} where it is trimmed; the edge is rounded and dyed to blend.`,
        share: edgeSkiveRules.visibleShare,
      }
    }
    case 'lasting margin':
    case 'bead':
    case 'bound':
    case 'raw':
    case 'butt seam':
    case 'fold':
      return null
  }
}

/** From the thin part, which ends at `from`, up to the whole thickness at `to`. */
const rising = (from: number, thin: number, to: number, whole: number): [number, number][] => [
  [from, thin],
  [to, whole],
]

/** How far the slant of a butt seam's edge runs across, mm; the line of the seam lies in its middle. */
export const buttBevel = (thickness: number, book: RuleBook): number => book.value(edgeSkiveRules.buttBevel) * thickness
