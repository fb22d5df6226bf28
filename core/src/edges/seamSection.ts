import { pointAt } from '../geometry/polyline.ts'
import { distance, pathLength, type Path, type Point } from '../geometry/path.ts'
import type { SkiveShape } from '../trade/part.ts'
import type { Profile } from '../trade/wallArea.ts'
import type { Side } from '../trade/side.ts'
import type { Sentence } from '../units/sentence.ts'
import { beside, laid, laidBack, unskived, type Ply } from './lays.ts'
import { widthOf } from './skivingList.ts'
import { knotsOf, steepest, totalAt, type Lay } from './pile.ts'

/** How leathers meet in a section. */
export const seamKinds = {
  lap: 'lapped',
  closed: 'closed seam, opened',
  butt: 'edge to edge',
  fold: 'turned in',
  bead: 'beaded edge',
  bound: 'bound edge',
  laidOn: 'laid on',
  turnedOut: 'turned out together',
  trimmed: 'trimmed edge',
} as const
export type SeamKind = keyof typeof seamKinds

/** A section across a seam or an edge, to scale: x across it, the finished line at 0, y outwards from the foot; mm. */
export interface SeamSection {
  id: string
  name: string
  kind: SeamKind
  /** Of the upper, seen from outside, or of the linings, seen by the foot. */
  seen: 'outside' | 'foot'
  /** Ids of the leathers that meet. */
  pieces: string[]
  /** How each of them is thinned that is, from its cut edge; `rule` says how thin. */
  skives: { name: string; thickness: number; profile: Profile; shape: SkiveShape; sentence: Sentence; rule: string }[]
  /** Finished length on one shoe, mm; of both sides where they are alike. */
  length: number
  /** The leathers that meet as they are without a skive, and skived, from the foot outwards; mm from the line. */
  before: Lay[]
  after: Lay[]
  /** How far either side of the line is drawn, mm. */
  reach: number
  /** Where on the wall it is cut, for the leather on the left and on the right of the line; null where it lies on no forme. */
  cuts: readonly [Cut | null, Cut | null]
  /** The leathers that meet, where they are thickest together, mm. */
  thickest: { before: number; after: number }
  /** What a stitch goes through, mm: where they meet, or both edges of a closed seam before it is opened. */
  sewn: number
  /**
   * The steepest step that would be seen or felt, mm for each mm of run: of a lap under the leather that lies over. Null
   * where nothing is hidden: an edge that is seen itself, margins that lie on the sole.
   */
  step: { before: number; after: number } | null
}

/** The leathers that meet, piled from the foot outwards. `reach` is how far they are drawn on either side, mm. */
export type Meeting = (ply: (p: Ply) => Ply, reach: number) => Lay[]

/** One leather over another, whose `lap` mm lie under it; the linings' order is turned round by whoever asks. */
export const lapped =
  (over: Ply, under: Ply, lap: number, seen: SeamSection['seen']): Meeting =>
  (as, reach) => {
    const [top, bottom] = [laid(as(over), 0, 'left', reach), laid(as(under), -lap, 'right', lap + reach)]
    return seen === 'outside' ? [...bottom, ...top] : [...top, ...bottom]
  }

/** Two edges stitched inside out and opened: `allowance` mm of each are laid back on it. */
export const closed =
  (a: Ply, b: Ply, allowances: readonly [number, number], seen: SeamSection['seen']): Meeting =>
  (as, reach) => {
    const back = [...laidBack(as(a), allowances[0], 'left'), ...laidBack(as(b), allowances[1], 'right')]
    const whole = [...beside(as(a), allowances[0], 'left', reach), ...beside(as(b), allowances[1], 'right', reach)]
    return seen === 'outside' ? [...back, ...whole] : [...whole, ...back]
  }

/** An edge turned in on itself by `allowance` mm. */
export const turnedIn =
  (ply: Ply, allowance: number): Meeting =>
  (as, reach) => [...laidBack(as(ply), allowance, 'left'), ...beside(as(ply), allowance, 'left', reach)]

/** How far a strip along the opening stands past its edge, and reaches inside of it, mm. */
export interface StripLegs {
  /** What shows above the edge. */
  reveal: number
  outer: number
  inner: number
}

/** A folded strip behind an edge: the longer leg lies against the leather, the shorter one to the foot. */
export const beaded =
  (ply: Ply, strip: Ply, { reveal, outer, inner }: StripLegs): Meeting =>
  (as, reach) => [
    ...laid(as(strip), reveal - inner, 'right', inner),
    ...laid(as(strip), reveal - outer, 'right', outer),
    ...laid(as(ply), 0, 'left', reach),
  ]

/** A strip wrapped round the edges of a leather and its lining: its inner leg is turned in on the foot's side. */
export const bound =
  (ply: Ply, lining: Ply, strip: Ply, { outer, inner }: StripLegs): Meeting =>
  (as, reach) => {
    const { part, name, thickness, skive } = as(strip)
    const edge = skive?.profile ?? []
    const thin = edge.at(-1)?.[1] ?? thickness
    const wrapped = as(ply).thickness + (ply.backer?.thickness ?? 0) + lining.thickness
    const leg = (from: number, over: number, ends: Profile): Lay => ({
      part,
      name,
      from,
      to: thin,
      thickness: thin,
      profile: [...ends.map(([d, t]) => [from + d, t] as const), [0, thin], [0, thin + over], [thin, thin + over]],
    })
    return [
      leg(-inner, 0, edge.length > 0 ? edge.filter(([d]) => d < inner) : [[0, thin]]),
      ...laid(lining, 0, 'left', reach),
      ...laid(as(ply), 0, 'left', reach),
      leg(-outer, wrapped, [[0, thin]]),
    ]
  }

/** One edge as it ends, from its cut edge at `beyond` mm past its line. */
export const ending =
  (ply: Ply, beyond: number): Meeting =>
  (as, reach) =>
    laid(as(ply), beyond, 'left', beyond + reach)

/** Margins turned out together, seen flat: their cut edges lie on each other. The line is the feather, `margin` mm inside. */
export const turnedOut =
  (plies: readonly Ply[], margin: number): Meeting =>
  (as, reach) =>
    plies.flatMap((p) => laid(as(p), margin, 'left', margin + reach))

/**
 * Edges that meet in opposing slants of `bevel` mm, the line in their middle: the over-cut one lies on the other's slant.
 */
export const butted =
  (a: Ply, b: Ply, bevel: number): Meeting =>
  (as, reach) => {
    const slant = (ply: Ply): Lay['profile'] => [
      [0, 0],
      [bevel, as(ply).thickness],
    ]
    return [
      ...laid(a, bevel / 2, 'left', bevel / 2 + reach, slant(a)),
      ...laid(b, -bevel / 2, 'right', bevel / 2 + reach, slant(b)),
    ]
  }

/** A place on the wall where a section is cut: in the middle of an edge, with the way into its piece. */
export interface Cut {
  side: Side
  at: Point
  inwards: Point
}

/** The middle of an edge on the forme, which runs counter-clockwise round its piece. */
export function cutAt(side: Side, line: Path): Cut {
  const half = pathLength(line) / 2
  const [a, b] = [pointAt(line, half - 1), pointAt(line, half + 1)]
  const l = distance(a, b) || 1
  return { side, at: pointAt(line, half), inwards: [-(b[1] - a[1]) / l, (b[0] - a[0]) / l] }
}

/** What is drawn past the widest skive on either side, mm, and the least and the most that is drawn. */
const PAST = 5
const LEAST = 10
const MOST = 26

/** Edges under which nothing ends that could show. */
const OPEN: readonly SeamKind[] = ['turnedOut', 'laidOn', 'trimmed', 'bound']
/** Kinds whose step is told under the leather that lies over alone. */
const HIDDEN: readonly SeamKind[] = ['lap', 'bead']

/** How far a section is drawn: past the skives of what meets there. */
const reachOf = (plies: readonly Ply[]): number =>
  Math.min(MOST, Math.max(LEAST, ...plies.map((p) => (p.skive ? widthOf(p.skive) + PAST : LEAST))))

/** A section of leathers that meet, before and after skiving. */
export function sectionOf(
  head: Pick<SeamSection, 'id' | 'name' | 'kind' | 'seen' | 'length' | 'cuts'> &
    Partial<Pick<SeamSection, 'sewn' | 'reach'>>,
  plies: readonly Ply[],
  meeting: Meeting,
): SeamSection {
  const reach = Math.min(MOST, Math.max(reachOf(plies), (head.reach ?? 0) + PAST))
  const [before, after] = [meeting(unskived, reach), meeting((ply) => ply, reach)]
  // Margins that are turned out lie on each other past the feather line; a lap's ridge shows through what lies over it.
  const from = head.kind === 'turnedOut' ? 0 : -Infinity
  const most = (lays: readonly Lay[]) =>
    Math.max(
      ...knotsOf(lays)
        .filter((x) => x > from)
        .map((x) => totalAt(lays, x)),
    )
  const step = (lays: readonly Lay[]) => steepest(lays, head.seen, -Infinity, HIDDEN.includes(head.kind) ? 0 : Infinity)
  return {
    ...head,
    pieces: [...new Set(plies.map((p) => p.part))],
    skives: plies.flatMap(({ name, thickness, skive }) =>
      skive
        ? [
            {
              name,
              thickness,
              profile: skive.profile,
              shape: skive.shape,
              sentence: skive.sentence,
              rule: skive.share.key,
            },
          ]
        : [],
    ),
    before,
    after,
    reach,
    thickest: { before: most(before), after: most(after) },
    sewn: head.sewn ?? most(after),
    step: OPEN.includes(head.kind) ? null : { before: step(before), after: step(after) },
  }
}
