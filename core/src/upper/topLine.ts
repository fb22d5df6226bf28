import { pchip } from '../geometry/interpolate.ts'
import type { Because } from '../trade/because.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import type { Side } from '../trade/side.ts'
import { mm, say } from '../units/sentence.ts'

export const topLineRules = {
  shrinkage: {
    key: 'topLine.shrinkage',
    name: 'Added to the back height for shrinkage',
    value: 3,
    min: 0,
    max: 6,
    unit: 'mm',
    why: 'The back of a lasted upper draws down as it dries, so the back height starts a little high.',
  },
  ankleShare: {
    key: 'topLine.ankleShare',
    name: 'Lateral ankle point, share of the last length',
    value: 0.135,
    min: 0.1,
    max: 0.18,
    unit: 'share',
    why: 'The top line has to pass below the outer ankle bone, which stands lower than the inner one.',
  },
  medialRise: {
    key: 'topLine.medialRise',
    name: 'Medial ankle point above the lateral one',
    value: 6,
    min: 0,
    max: 12,
    unit: 'mm',
    why: 'The inner ankle bone stands higher, so the medial top line may and should be higher.',
  },
  ankleStation: {
    key: 'topLine.ankleStation',
    name: 'Ankle point from the heel back, share of the last length',
    value: 0.22,
    min: 0.18,
    max: 0.28,
    unit: 'share',
    why: 'The ankle bones stand over the front half of the heel.',
  },
} satisfies Record<string, Rule>

/** Height of the opening's edge over the feather line, straight up the wall, mm. */
export interface TopLine {
  back: number
  /** Height at a station (see verticalRib) of one side. */
  height: (side: Side, station: number) => number
  becauses: Because[]
}

/** Heights of a top line at places of each side: stations and mm, through which it runs smoothly. */
export interface TopLineKnots {
  back: number
  lateral: [number, number][]
  medial: [number, number][]
}

/**
 * Heights through places of one side, the first of them at the back: level there, because the line runs on round the
 * heel to the other side.
 */
export const roundTheHeel = (knots: readonly [number, number][]) =>
  pchip([
    ...knots
      .slice(1)
      .map(([at, height]): [number, number] => [-at, height])
      .reverse(),
    ...knots,
  ])

/** The line through such places. */
export const heightsThrough = (knots: TopLineKnots): TopLine['height'] => {
  const curves = { lateral: roundTheHeel(knots.lateral), medial: roundTheHeel(knots.medial) }
  return (side, station) => curves[side](station)
}

/**
 * The top line by rule (docs/trade.md, "Heights and key points"): L / 5 + 3 at the back, 0.135 L below the lateral ankle.
 * It stands in where the upper has none of its own: for a drawn pattern, and under a boot's shaft.
 */
export function topLineByRule(length: number, book: RuleBook): TopLine & { knots: TopLineKnots } {
  const shrinkage = book.inForce(topLineRules.shrinkage)
  const ankleShare = book.inForce(topLineRules.ankleShare)
  const rise = book.inForce(topLineRules.medialRise)
  const back = length / 5 + shrinkage.value
  const lateral = ankleShare.value * length
  const medial = lateral + rise.value
  const station = book.value(topLineRules.ankleStation) * length
  const through = (ankle: number): [number, number][] => [
    [0, back],
    [0.35 * station, back - 0.16 * (back - ankle)],
    [station, ankle],
    [1.6 * station, ankle],
  ]
  const knots = { back, lateral: through(lateral), medial: through(medial) }
  return {
    back,
    knots,
    height: heightsThrough(knots),
    becauses: [
      {
        id: 'topLine.back',
        quantity: 'Top line at the back',
        value: back,
        unit: 'mm',
        sentence: say`A fifth of the last length (${mm(length / 5, 1)}) and ${mm(shrinkage.value)} for shrinkage.`,
        inputs: [
          { name: 'Last length', value: length, unit: 'mm' },
          { name: 'For shrinkage', value: shrinkage.value, unit: 'mm' },
        ],
        origin: shrinkage.origin,
        rule: topLineRules.shrinkage.key,
      },
      {
        id: 'topLine.lateral',
        quantity: 'Top line under the lateral ankle',
        value: lateral,
        unit: 'mm',
        sentence: `${ankleShare.value} of the last length keeps the edge below the outer ankle bone.`,
        inputs: [{ name: 'Last length', value: length, unit: 'mm' }],
        origin: ankleShare.origin,
        rule: topLineRules.ankleShare.key,
      },
      {
        id: 'topLine.medial',
        quantity: 'Top line under the medial ankle',
        value: medial,
        unit: 'mm',
        sentence: say`${mm(rise.value)} above the lateral one, because the inner ankle bone stands higher.`,
        inputs: [{ name: 'Lateral ankle point', value: lateral, unit: 'mm' }],
        origin: rise.origin,
        rule: topLineRules.medialRise.key,
      },
    ],
  }
}
