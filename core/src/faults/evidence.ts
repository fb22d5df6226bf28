import type { Remedy } from '../trade/remedy.ts'
import { bare, mm, say, type Sentence } from '../units/sentence.ts'
import type { FaultCase } from './case.ts'
import type { Evidence } from './fault.ts'

/** No figure proves a cause or rules it out: whoever measured may have erred. */
const MOST = 16
const LEAST = 1 / 6
/** That the plan is well says little of what hands did: it speaks against a cause less than a figure that was measured. */
const LEAST_BY_PLAN = 1 / 3
/** A step that was left out is seen, not guessed. */
const LEFT_OUT = 8
/** A figure so many of its scales beyond its limit makes a cause four times as likely. */
const factorOf = (beyond: number): number => Math.min(MOST, Math.max(LEAST, 4 ** beyond))

const percent = (share: number): string => `${Math.round(100 * share)} %`
const said = (value: number, unit: string): Sentence =>
  unit === 'mm' ? say`${mm(value, 1)}` : unit === 'share' ? percent(value) : String(Number(value.toFixed(1)))

/** A check of the plan that is bad above its limit (or below it, with `under`): how far it is from it, in scales. */
export function byPlan(
  { findings }: FaultCase,
  id: string,
  what: string,
  scale: number,
  way: 'over' | 'under' = 'over',
): Evidence | null {
  const finding = findings.get(id)
  if (!finding) return null
  const { measured, limit, unit } = finding
  const beyond = (way === 'over' ? measured - limit : limit - measured) / scale
  const wanted = way === 'over' ? 'at most' : 'at least'
  return {
    factor: Math.max(LEAST_BY_PLAN, factorOf(beyond)),
    sentence: say`${what}: ${said(measured, unit)} by the plan, ${wanted} ${said(limit, unit)}.`,
  }
}

/** The last against what the size asks for: how much it is too short, or too long, in scales of half a size. */
export function bySize({ findings }: FaultCase, way: 'short' | 'long'): Evidence | null {
  const finding = findings.get('pair.size')
  if (!finding) return null
  const { measured, limit } = finding
  const off = way === 'short' ? limit - measured : measured - limit
  return {
    factor: Math.max(LEAST_BY_PLAN, factorOf(off / HALF_A_SIZE)),
    sentence: say`The last is ${mm(measured, 0)} long; the size asks for ${bare(limit, 0)}.`,
  }
}
/** Half a Paris point, mm. */
const HALF_A_SIZE = 10 / 3

/** The gravest of several such checks. */
export function worstByPlan(
  c: FaultCase,
  ids: readonly string[],
  what: string,
  scale: number,
  way: 'over' | 'under' = 'over',
) {
  return ids
    .map((id) => byPlan(c, id, what, scale, way))
    .reduce((worst, e) => (e && (!worst || e.factor > worst.factor) ? e : worst), null)
}

/** A figure that was measured, against the plan's: bad above it, below it, or either way, in scales beyond a tolerance. */
export function byReading(
  c: FaultCase,
  check: string,
  what: string,
  way: 'over' | 'under' | 'either',
  { tolerance, scale }: { tolerance: number; scale: number },
): Evidence | null {
  const [measured, planned] = [c.measured(check), c.planned(check)]
  if (measured === null || planned === null) return null
  const off = measured - planned
  const by = way === 'over' ? off : way === 'under' ? -off : Math.abs(off)
  return {
    factor: factorOf((by - tolerance) / scale),
    sentence: say`${what}: ${mm(measured, 1)} measured, ${bare(planned, 1)} planned.`,
  }
}

/** How far the two ankles are from what is planned between them: one side was pulled further down. */
export function ankles(c: FaultCase): Evidence | null {
  const read = (side: string) => [c.measured(`ankle.${side}`), c.planned(`ankle.${side}`)] as const
  const [[lateral, atLateral], [medial, atMedial]] = [read('lateral'), read('medial')]
  if (lateral === null || medial === null || atLateral === null || atMedial === null) return null
  const off = Math.abs(medial - atMedial - (lateral - atLateral))
  return {
    factor: Math.min(16, Math.max(1 / 6, 4 ** ((off - 1.5) / 1.5))),
    sentence: say`The ankles are ${mm(off, 1)} from what is planned between them: one side came further down.`,
  }
}

/** Something that is so on this pair, or not; `null` says nothing for that case. */
export function given(
  is: boolean,
  yes: [number, Sentence] | null,
  no: [number, Sentence] | null = null,
): Evidence | null {
  const e = is ? yes : no
  return e && { factor: e[0], sentence: e[1] }
}

/** A step that was left out while what comes after it is done; one that was done speaks against it. */
export function leftOut(c: FaultCase, key: string): Evidence | null {
  const steps = c.stepsOf(key)
  const [skipped, done] = [steps.find(c.isSkipped), steps.find(c.isDone)]
  if (skipped) return { factor: LEFT_OUT, sentence: say`“${skipped.name}” was left out.` }
  return done ? { factor: 0.6, sentence: say`“${done.name}” was done.` } : null
}

const hours = (minutes: number): string =>
  minutes < 90 ? `${Math.round(minutes)} min` : `${Number((minutes / 60).toFixed(1))} h`

/** Waits after steps of these keys that were cut short: by how great a share. Waits that were kept speak against it. */
export function cutShort(c: FaultCase, keys: readonly string[]): Evidence | null {
  const waits = c.waits.filter((w) => keys.includes(w.step.key) && w.min > 0)
  const worst = waits.reduce<(typeof waits)[number] | null>(
    (least, w) => (least === null || w.took / w.min < least.took / least.min ? w : least),
    null,
  )
  if (!worst) return null
  const missing = 1 - worst.took / worst.min
  return missing > 0.05
    ? {
        factor: factorOf((missing - 0.05) / 0.2),
        sentence: say`“${worst.step.name}” waited ${hours(worst.took)} instead of ${hours(worst.min)}.`,
      }
    : { factor: 0.5, sentence: say`“${worst.step.name}” waited its ${hours(worst.min)}.` }
}

/** Glue or damp after steps of these keys that waited too long, and was not put right. */
export function tooLong(c: FaultCase, keys: readonly string[]): Evidence | null {
  const waits = c.waits.flatMap((w) => (keys.includes(w.step.key) && w.max !== null ? [{ ...w, max: w.max }] : []))
  const worst = waits.reduce<(typeof waits)[number] | null>(
    (most, w) => (most === null || w.took / w.max > most.took / most.max ? w : most),
    null,
  )
  if (!worst) return null
  if (worst.took <= worst.max) return { factor: 0.5, sentence: say`“${worst.step.name}” was gone on with in time.` }
  return worst.putRight
    ? { factor: 1, sentence: say`“${worst.step.name}” waited ${hours(worst.took)}, and was put right.` }
    : {
        factor: factorOf((worst.took / worst.max - 1) / 0.35),
        sentence: say`“${worst.step.name}” waited ${hours(worst.took)}; ${hours(worst.max)} is the most, and nothing was told of its being put right.`,
      }
}

/** A look that was taken: as it should be, or not. */
export function byLook(c: FaultCase, check: string, name: string): Evidence | null {
  const fine = c.looked(check)
  if (fine === null) return null
  return fine
    ? { factor: 0.5, sentence: say`${name}: was as it should be.` }
    : { factor: 4, sentence: say`${name}: was not as it should be.` }
}

/** How thick a part is against what is usual. */
export function thickness(
  c: FaultCase,
  part: string,
  way: 'over' | 'under',
  limit: number,
  scale: number,
): Evidence | null {
  const found = c.shoe.parts.find((p) => p.id === part)
  if (!found || found.thickness <= 0) return null
  const by = way === 'over' ? found.thickness - limit : limit - found.thickness
  return {
    factor: factorOf(by / scale),
    sentence: say`${found.name}: ${mm(found.thickness, 1)} thick; usual is ${way === 'over' ? 'at most' : 'at least'} ${bare(limit, 1)}.`,
  }
}

/** What mends a check of the plan, where something does. */
export const mendOf = (c: FaultCase, id: string): Remedy | undefined => c.findings.get(id)?.remedy
