import { REGIONS, USUAL } from '../geometry/callipers.ts'
import { lerp, naturalSpline, sampled, type Curve1 } from '../geometry/interpolate.ts'
import type { LastMeasures } from '../model/last.ts'
import type { Side } from '../trade/side.ts'
import { STATIONS } from './frame.ts'
import { TOE_PLANS } from './toes.ts'

/** The feather line seen from above. Offsets are distances from the centre plane, mm, always positive. */
export interface PlanOutline {
  /** Where the feather line starts and ends along x: inside 0..L by the swell of the walls. */
  start: number
  end: number
  halfWidth: Record<Side, Curve1>
}

/** Rounded end: sqrt(1 - (1 - d/a)^p), whose tip has the finite radius W^2 p / (2 a L). */
function cap(d: number, a: number, p: number): number {
  if (d >= a) return 1
  if (d <= 0) return 0
  return Math.sqrt(1 - (1 - d / a) ** p)
}

interface DrawnWidths {
  seat: number
  waist: number
  joint: number
}

function draw(m: LastMeasures, widths: DrawnWidths, start: number, end: number): PlanOutline {
  const { seat, waist, joint } = widths
  const toe = TOE_PLANS[m.toeShape]
  const tOf = (x: number) => (x - start) / (end - start)
  const station = (share: number) => tOf(share * m.length)
  // Where the waist is no narrower than the seat, the outline must not dip between them.
  const even = m.seatSlope !== null && m.waistWidth >= m.seatWidth
  const between = (a: number, b: number): [number, number][] => (even ? [[station(0.3), (a + b) / 2]] : [])
  const lateral = naturalSpline([
    [0, 0.495 * seat],
    [station(STATIONS.seat), 0.5 * seat],
    ...between(0.5 * seat, waist * (0.5 + 0.5 * m.arch)),
    [station(STATIONS.waistLateral), waist * (0.5 + 0.5 * m.arch)],
    [station(STATIONS.jointLateral), joint * (0.5 + m.swing)],
    [station(0.8), 0.955 * joint * (0.5 + m.swing)],
    [1, joint * toe.lateralEnd],
  ])
  const medial = naturalSpline([
    [0, 0.495 * seat],
    [station(STATIONS.seat), 0.5 * seat],
    ...between(0.5 * seat, waist * (0.5 - 0.5 * m.arch)),
    [station(STATIONS.waistMedial), waist * (0.5 - 0.5 * m.arch)],
    [station(STATIONS.jointMedial), joint * (0.5 - m.swing)],
    [station(0.86), 0.975 * joint * (0.5 - m.swing)],
    [1, joint * toe.medialEnd],
  ])
  const side = (w: Curve1, share: number): Curve1 => {
    return (x) => {
      const t = tOf(x)
      return w(t) * cap(t, 0.16, 2.3) * cap(1 - t, share, toe.exponent)
    }
  }
  return {
    start,
    end,
    halfWidth: { lateral: side(lateral, toe.lateralShare), medial: side(medial, toe.medialShare) },
  }
}

/** Widths of an outline where a shoemaker lays the rule: across the seat, the waist and from joint to joint, mm. */
export function outlineWidths(outline: PlanOutline, length: number): DrawnWidths {
  const across = (lateral: number, medial: number) =>
    outline.halfWidth.lateral(lateral * length) + outline.halfWidth.medial(medial * length)
  return {
    seat: across(STATIONS.seat, STATIONS.seat),
    waist: across(STATIONS.waistLateral, STATIONS.waistMedial),
    joint: across(STATIONS.jointLateral, STATIONS.jointMedial),
  }
}

/**
 * The same where callipers read them: the widest seat, the narrowest waist, and from the outermost place of one side to
 * that of the other over the joints.
 */
function calliperedWidths(outline: PlanOutline, length: number, waisted: boolean): DrawnWidths {
  const { lateral, medial } = outline.halfWidth
  const look = ([from, to]: readonly [number, number], of: (x: number) => number, sign: number) => {
    const n = Math.ceil((to - from) * length)
    return Array.from({ length: n + 1 }, (_, k) => of((from + ((to - from) * k) / n) * length)).reduce((a, b) =>
      sign * b > sign * a ? b : a,
    )
  }
  const whole = (x: number) => lateral(x) + medial(x)
  return {
    // A last that is nowhere narrower than its seat has neither to find: there they are read at their stations.
    seat: waisted ? look(REGIONS.seat, whole, 1) : whole(USUAL.seat * length),
    waist: waisted ? look(REGIONS.waist, whole, -1) : whole(USUAL.waist * length),
    joint: look(REGIONS.joint, lateral, 1) + look(REGIONS.joint, medial, 1),
  }
}

/**
 * Feather outline whose widths at seat, waist and joint are those asked for (within 0.01 mm, by fixed-point
 * rescaling of the drawn widths) and which starts and ends at the given insets, mm.
 */
export function planOutline(m: LastMeasures, startInset: number, endInset: number): PlanOutline {
  // Lasts from before seats had a figure keep the places at which they were measured.
  const waisted = m.waistWidth < m.seatWidth
  const read = (drawn: PlanOutline) =>
    m.seatSlope === null ? outlineWidths(drawn, m.length) : calliperedWidths(drawn, m.length, waisted)
  let widths: DrawnWidths = { seat: m.seatWidth, waist: m.waistWidth, joint: m.jointWidth }
  let outline = draw(m, widths, startInset, m.length - endInset)
  for (let round = 0; round < 6; round++) {
    const got = read(outline)
    widths = {
      seat: (widths.seat * m.seatWidth) / got.seat,
      waist: (widths.waist * m.waistWidth) / got.waist,
      joint: (widths.joint * m.jointWidth) / got.joint,
    }
    outline = draw(m, widths, startInset, m.length - endInset)
  }
  return outline
}

/** Where the joints of a last drawn by rule lie, x in mm. */
export function jointStations(length: number): Record<Side, number> {
  return { lateral: STATIONS.jointLateral * length, medial: STATIONS.jointMedial * length }
}

/** A traced feather line, ready to carry walls: lengths run from its heel end, mm. */
export interface TracedBottom {
  length: number
  /** Distance from the centre line at even steps of q in 0..1, where x = (1 - cos(pi q)) / 2 of the length. */
  halfWidth: Record<Side, Float64Array>
  joints: Record<Side, number>
}

/** A traced feather line that starts at x = start on the last. */
export function tracedOutline(traced: TracedBottom, start: number): PlanOutline {
  const side = (s: Side): Curve1 => {
    const look = sampled(traced.halfWidth[s], 0, 1)
    return (x) => {
      const t = Math.min(1, Math.max(0, (x - start) / traced.length))
      return look(Math.acos(1 - 2 * t) / Math.PI)
    }
  }
  return { start, end: start + traced.length, halfWidth: { lateral: side('lateral'), medial: side('medial') } }
}

/** x of a feather point at q in 0..1, dense at both ends where the outline turns. */
export function outlineX(outline: PlanOutline, q: number): number {
  return lerp(outline.start, outline.end, (1 - Math.cos(Math.PI * q)) / 2)
}
