import { pathLength, type Point } from '../geometry/path.ts'
import type { FormeMap } from '../forme/formeMap.ts'
import type { LacingDecisions, LaceWay } from '../model/lacing.ts'
import { nearest } from '../geometry/polyline.ts'
import { dist3, type Vec3 } from '../geometry/vec3.ts'
import type { Because } from '../trade/because.ts'
import type { RuleBook } from '../trade/rules.ts'
import { wallSides, type Side } from '../trade/side.ts'
import { mm, say } from '../units/sentence.ts'
import { inside, spacingOf, type EyeletRow } from './eyelets.ts'
import { lacingRules } from './lacingRules.ts'
import type { DrawnUpper } from './style.ts'

/** One pair of eyelets, the uppermost first; where they lie on the forme and how far apart on the last, mm. */
export interface EyeletPair {
  at: Record<Side, Point>
  hook: boolean
  gap: number
}

/** The lacing of a shoe. */
export interface Lacing extends EyeletRow {
  pairs: EyeletPair[]
  way: LaceWay
  /** What the lace takes between the eyelets and with its ends, mm. */
  laceThrough: number
  lace: number
  /** The next length that laces are sold in, mm; null when none is so long. */
  sold: number | null
  /** Whether the lace passes through the tongue. */
  guard: boolean
  becauses: Because[]
}

/** Lengths in which laces are sold, mm. */
const SOLD = [450, 600, 750, 900, 1000, 1200, 1400, 1500, 1800, 2100, 2400]

/** Lacing on the last: where its pairs lie, how far apart, and what lace that takes; null on a shoe without. */
export function layLacing(
  drawn: Pick<DrawnUpper, 'facings' | 'front'>,
  row: EyeletRow | null,
  decisions: LacingDecisions,
  map: FormeMap,
  book: RuleBook,
): Lacing | null {
  const { facings } = drawn
  if (!facings || !row) return null
  const at = (side: Side) => {
    // From the top forwards the facing has its piece on the right.
    const line = [...facings[side]].reverse()
    const whole = pathLength(line)
    return row.along.map((s) => inside(line, whole - s, row.fromEdge))
  }
  const places = { lateral: at('lateral'), medial: at('medial') }
  const onLast = (side: Side) => places[side].map((p) => map.toLast(side, p))
  const [lateral, medial] = [onLast('lateral'), onLast('medial')]
  // Over the cone there is a leg and no last: the two sides lie as far apart as they were drawn from the middle.
  const drawnApart = (i: number) =>
    wallSides.reduce((sum, side) => sum + nearest(drawn.front ?? [], places[side][i]!).away, 0)
  const inAir = (i: number) => row.along[i]! < (row.shaft?.onLast ?? 0)
  const pairs = row.along.map((_, i): EyeletPair => ({
    at: { lateral: places.lateral[i]!, medial: places.medial[i]! },
    hook: i < row.hooks,
    gap: inAir(i) ? drawnApart(i) : dist3(lateral[i]!, medial[i]!),
  }))
  /** From an eyelet to the next lower one of the other side. */
  const across = (i: number, a: readonly Vec3[], b: readonly Vec3[]) =>
    inAir(i) ? Math.hypot((pairs[i]!.gap + pairs[i + 1]!.gap) / 2, row.spacing) : dist3(a[i]!, b[i + 1]!)
  const down = (i: number, of: readonly Vec3[]) => (inAir(i) ? row.spacing : dist3(of[i]!, of[i + 1]!))
  const steps = row.along.slice(1)
  const sum = (of: (i: number) => number) => steps.reduce((total, _, i) => total + of(i), 0)
  const bars = pairs.reduce((total, p) => total + p.gap, 0)
  const laceThrough =
    decisions.way === 'crossed'
      ? pairs[pairs.length - 1]!.gap + sum((i) => across(i, lateral, medial) + across(i, medial, lateral))
      : bars + sum((i) => down(i, lateral) + down(i, medial))
  const ends = book.inForce(lacingRules.ends)
  const lace = laceThrough + 2 * ends.value
  return {
    ...row,
    pairs,
    way: decisions.way,
    laceThrough,
    lace,
    sold: SOLD.find((l) => l >= lace) ?? null,
    guard: decisions.guard,
    becauses: [
      {
        id: 'lacing.pairs',
        quantity: 'Pairs of eyelets',
        value: pairs.length,
        unit: 'count',
        sentence: say`${mm(book.value(lacingRules.fromTop))} from the top of the facing to ${mm(book.value(lacingRules.fromFront))} from its front, ${mm(row.spacing, 1)} apart.`,
        inputs: [],
        origin: decisions.pairs === null ? book.inForce(spacingOf(row.shaft)).origin : 'set by hand',
        rule: spacingOf(row.shaft).key,
      },
      {
        id: 'lacing.lace',
        quantity: 'Length of the lace',
        value: lace,
        unit: 'mm',
        sentence:
          decisions.way === 'crossed'
            ? say`Straight across the lowest pair, crossed from there up, measured on the last with the facings as far apart as planned, and ${mm(ends.value)} at either end.`
            : say`A bar across every pair and the way up under both facings, measured on the last, and ${mm(ends.value)} at either end.`,
        inputs: [{ name: 'Through the eyelets', value: laceThrough, unit: 'mm' }],
        origin: ends.origin,
        rule: lacingRules.ends.key,
      },
    ],
  }
}
