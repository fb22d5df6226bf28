import type { CheckReading, Setback } from '../model/check.ts'
import type { Level } from '../model/level.ts'
import { feet, type Foot } from '../trade/foot.ts'
import { bare, mm, say, type Sentence } from '../units/sentence.ts'
import type { Bound, Check, Miss, WayBack } from './check.ts'

/** What a check comes to on one shoe, or between the two. */
export interface Verdict {
  check: string
  /** Null where it is about both shoes side by side. */
  foot: Foot | null
  level: Level
  sentence: Sentence
  /** Where it goes back, where it has to; the shoe that is further off where the two differ. */
  back: (WayBack & { foot: Foot }) | null
}

/** The latest reading of every check on every foot. */
export function latestReadings(readings: readonly CheckReading[]): Map<string, CheckReading> {
  const latest = new Map<string, CheckReading>()
  for (const r of readings) latest.set(`${r.check} ${r.foot}`, r)
  return latest
}

/**
 * Readings that still say something of the shoe: what was measured at a step before that step was sent back is measured
 * anew when it is done again.
 */
export function standingReadings(
  checks: readonly Check[],
  readings: readonly CheckReading[],
  setbacks: readonly Pick<Setback, 'steps' | 'at'>[],
): CheckReading[] {
  const stepOf = new Map(checks.map((c) => [c.id, c.at]))
  return readings.filter((r) => {
    const step = stepOf.get(r.check)?.[r.foot]
    return !setbacks.some((s) => s.at >= r.at && step !== null && step !== undefined && s.steps.includes(step))
  })
}

/** A tenth of a millimetre is finer than anybody measures. */
const SAME = 0.05

/** By how much a figure misses its bound, with its sign; 0 within it. */
export function missedBy(value: number, planned: number, bound: Bound): number {
  switch (bound.kind) {
    case 'near': {
      const off = value - planned
      return Math.abs(off) <= bound.tolerance + SAME ? 0 : off
    }
    case 'at most':
      return value <= bound.limit + SAME ? 0 : value - bound.limit
    case 'at least':
      return value >= bound.limit - SAME ? 0 : value - bound.limit
  }
}

const cap = (foot: Foot): string => (foot === 'right' ? 'Right' : 'Left')
const figure = (value: number, unit: 'mm' | 'count'): Sentence =>
  unit === 'mm' ? say`${mm(value, 1)}` : String(Math.round(value))

function wanted({ figure: f }: Check, foot: Foot): Sentence {
  if (!f) return ''
  const bound = f.bound[foot]
  switch (bound.kind) {
    case 'near':
      return bound.tolerance === 0
        ? say`${figure(f.planned[foot], f.unit)} planned`
        : say`${figure(f.planned[foot], f.unit)} planned, ${bare(bound.tolerance, 1)} either way`
    case 'at most':
      return say`${figure(bound.limit, f.unit)} at most`
    case 'at least':
      return say`${figure(bound.limit, f.unit)} at least`
  }
}

function verdictOn(check: Check, foot: Foot, reading: CheckReading): Verdict {
  const said = (level: Level, sentence: Sentence, miss: Miss | null): Verdict => {
    const way = miss === null ? undefined : check.back[miss]
    return { check: check.id, foot, level, sentence, back: way ? { ...way, foot } : null }
  }
  if (!check.figure || reading.value === null) {
    return reading.fine === false
      ? said('stop', say`${cap(foot)}: not as it should be.`, 'not so')
      : said('fine', say`${cap(foot)}: as it should be.`, null)
  }
  const { value } = reading
  const { unit, planned, bound } = check.figure
  const by = missedBy(value, planned[foot], bound[foot])
  const is = say`${cap(foot)}: ${figure(value, unit)}, ${wanted(check, foot)}`
  if (by === 0) return said('fine', say`${is}.`, null)
  const off = bound[foot].kind === 'near' ? value - planned[foot] : by
  return said(
    'stop',
    say`${is}: ${figure(Math.abs(off), unit)} too ${off > 0 ? 'much' : 'little'}.`,
    off > 0 ? 'over' : 'under',
  )
}

/** What the latest readings come to, check by check: each shoe by itself, then the two side by side. */
export function verdictsOf(checks: readonly Check[], readings: readonly CheckReading[]): Verdict[] {
  const latest = latestReadings(readings)
  return checks.flatMap((check): Verdict[] => {
    const each = feet.flatMap((foot) => {
      const reading = latest.get(`${check.id} ${foot}`)
      return reading && check.at[foot] !== null ? [verdictOn(check, foot, reading)] : []
    })
    // Where one of them misses its plan, that they differ is said with it.
    const between = each.every((v) => v.level === 'fine') ? betweenFeet(check, latest) : null
    return between ? [...each, between] : each
  })
}

/** Left against right: what they are apart beyond what is planned between them. */
function betweenFeet(check: Check, latest: ReadonlyMap<string, CheckReading>): Verdict | null {
  const [right, left] = feet.map((foot) => latest.get(`${check.id} ${foot}`)?.value ?? null)
  const { figure: f } = check
  if (!f || f.between === null || right === null || left === null || right === undefined || left === undefined)
    return null
  const apart = Math.abs(left - f.planned.left - (right - f.planned.right))
  const fine = apart <= f.between + SAME
  const foot: Foot = Math.abs(left - f.planned.left) > Math.abs(right - f.planned.right) ? 'left' : 'right'
  const way = check.back.unlike
  return {
    check: check.id,
    foot: null,
    level: fine ? 'fine' : 'stop',
    sentence: fine
      ? say`Left and right are ${figure(apart, f.unit)} apart; up to ${figure(f.between, f.unit)} is not seen.`
      : say`Left and right are ${figure(apart, f.unit)} apart, ${figure(f.between, f.unit)} at most: the ${foot} one is further from the plan.`,
    back: fine || !way ? null : { ...way, foot },
  }
}
