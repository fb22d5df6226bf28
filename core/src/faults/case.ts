import type { Check } from '../checks/check.ts'
import { latestReadings } from '../checks/verdict.ts'
import type { CheckReading } from '../model/check.ts'
import type { Material } from '../model/material.ts'
import type { PairDecisions, RuleFigures, StepEvent } from '../model/pair.ts'
import type { Finding } from '../trade/because.ts'
import type { Foot } from '../trade/foot.ts'
import type { FootPlan, Plan } from '../plan/plan.ts'
import { ruleOf } from '../plan/ruleRegistry.ts'
import type { Step } from '../work/step.ts'
import { runsOf, stepState } from '../work/standing.ts'
import type { FaultStage } from './stage.ts'

/** A wait that has ended: what it was and what it should have been at least (less, where it was found dry before), minutes. */
export interface PastWait {
  step: Step
  took: number
  min: number
  max: number | null
  /** It had waited too long, and was put right. */
  putRight: boolean
}

/** What is asked about: a pair as it is planned, worked and measured, looked at on one foot. */
export interface FaultCase {
  plan: Plan
  /** The shoe that is looked at. */
  shoe: FootPlan
  foot: Foot
  decisions: PairDecisions
  materials: readonly Material[]
  stage: FaultStage
  findings: ReadonlyMap<string, Finding>
  /** The latest figure that was measured by a check on this foot, or once for both; null where nobody did. */
  measured: (check: string) => number | null
  /** What a look said; null where nobody looked. */
  looked: (check: string) => boolean | null
  planned: (check: string) => number | null
  waits: readonly PastWait[]
  /** A house rule as it stands for this pair. */
  rule: (key: string) => number
  /** Steps of this foot by key. */
  stepsOf: (key: string) => readonly Step[]
  isDone: (step: Step) => boolean
  /** Whether a step is left open while what comes after it is done. */
  isSkipped: (step: Step) => boolean
}

export interface FaultInput {
  plan: Plan
  decisions: PairDecisions
  materials: readonly Material[]
  log: readonly StepEvent[]
  readings: readonly CheckReading[]
  /** What the workshop changed in the house rules. */
  houseRules: RuleFigures
  foot: Foot
  /** Where it stands; read off the log when left out. */
  stage?: FaultStage
}

const findingsOf = (shoe: FootPlan): Finding[] => [
  ...shoe.findings,
  ...shoe.upper.findings,
  ...shoe.layers.findings,
  ...shoe.edges.findings,
  ...shoe.stitching.findings,
  ...shoe.lasting.findings,
  ...shoe.bottom.findings,
  ...shoe.parts.flatMap((p) => p.findings),
]

/** The first step of these keys that is done on this foot says how far the shoe is. */
const reached: readonly [FaultStage, readonly string[]][] = [
  ['finished', ['last-out', 'fit-sock']],
  ['soled', ['press-midsole', 'press-outsole', 'press-cup', 'press-unit']],
  ['lasted', ['last-toe', 'last-upper', 'turn-out']],
]

export function faultCase({
  plan,
  decisions,
  materials,
  log,
  readings,
  houseRules,
  foot,
  stage,
}: FaultInput): FaultCase {
  const shoe = foot === 'left' ? (plan.left ?? plan) : plan
  const latest = latestReadings(readings)
  const steps = plan.steps.filter((s) => s.foot === null || s.foot === foot)
  const byLog = new Map<string, StepEvent[]>()
  for (const event of log) byLog.set(event.step, [...(byLog.get(event.step) ?? []), event])
  const logOf = (s: Step) => [s.id, ...s.formerly].flatMap((name) => byLog.get(name) ?? [])
  const state = new Map(steps.map((s) => [s.id, stepState(logOf(s), s)]))
  const isDone = (s: Step) => state.get(s.id) === 'finished'
  const followers = (s: Step) => steps.filter((o) => o.after.some((a) => a.id === s.id))
  /** Of which shoe a check speaks for this one: the right one's where a mirrored pair is measured once; null of neither. */
  const speaking = (id: string): { check: Check; of: Foot } | null => {
    const check = plan.checks.find((c) => c.id === id)
    if (!check) return null
    if (check.at[foot] !== null) return { check, of: foot }
    return plan.left === null && check.at.right !== null ? { check, of: 'right' } : null
  }
  const reading = (id: string): CheckReading | null => {
    const found = speaking(id)
    return found && (latest.get(`${id} ${found.of}`) ?? null)
  }
  return {
    plan,
    shoe,
    foot,
    decisions,
    materials,
    stage: stage ?? stageOf(steps, isDone, state),
    findings: new Map(findingsOf(shoe).map((f) => [f.id, f])),
    measured: (id) => reading(id)?.value ?? null,
    looked: (id) => reading(id)?.fine ?? null,
    planned: (id) => {
      const found = speaking(id)
      return found?.check.figure?.planned[found.of] ?? null
    },
    rule: (key) => decisions.rules[key] ?? houseRules[key] ?? inBook(key),
    waits: steps.flatMap((step) =>
      pastWait(
        step,
        logOf(step),
        followers(step).map((f) => logOfFirst(f, logOf)),
      ),
    ),
    stepsOf: (key) => steps.filter((s) => s.key === key),
    isDone,
    isSkipped: (s) => state.get(s.id) === 'open' && followers(s).some(isDone),
  }
}

/** What a part is made of; undefined where nothing is chosen for it. */
export const stuffOf = (c: FaultCase, role: keyof PairDecisions['materials']): Material | undefined =>
  c.materials.find((m) => m.id === c.decisions.materials[role])

/** When a step was begun the last time, ms; null while it was not. */
const logOfFirst = (step: Step, logOf: (s: Step) => StepEvent[]): number | null =>
  runsOf(logOf(step), step).at(-1)?.startedAt ?? null

function pastWait(step: Step, log: readonly StepEvent[], next: readonly (number | null)[]): PastWait[] {
  const run = runsOf(log, step).at(-1)
  const begun = next.flatMap((at) => (at !== null && run?.finishedAt && at >= run.finishedAt ? [at] : []))
  if (!step.wait || !run || run.finishedAt === null || run.undone || begun.length === 0) return []
  const { finishedAt, readyAt, putRightAt } = run
  const since = (at: number) => (at - finishedAt) / 60_000
  // What somebody found dry was dry: its wait was as long as that.
  const min = readyAt === null ? step.wait.min : Math.min(step.wait.min, since(readyAt))
  return [{ step, took: since(Math.min(...begun)), min, max: step.wait.max, putRight: putRightAt !== null }]
}

function inBook(key: string): number {
  const rule = ruleOf(key)
  if (!rule) throw new Error(`There is no house rule called "${key}".`)
  return rule.value
}

function stageOf(steps: readonly Step[], isDone: (s: Step) => boolean, state: ReadonlyMap<string, string>): FaultStage {
  for (const [stage, keys] of reached) if (steps.some((s) => keys.includes(s.key) && isDone(s))) return stage
  const begun = (group: Step['group']) => steps.some((s) => s.group === group && state.get(s.id) !== 'open')
  if (begun('last')) return 'lasting'
  return begun('close') ? 'closing' : 'pattern'
}
