import { planPair, StageCache, type Plan, type StepEvent } from '@gentle-awl/core'
import { v7 as uuid } from 'uuid'
import type { Store } from '../db/open.ts'
import { createPair } from '../db/pairs.ts'
import { readings, stepEvents } from '../db/recordSchema.ts'
import {
  cupSoles,
  feet,
  hides,
  howTos,
  lastHolds,
  lasts,
  lessons,
  materials,
  ownFaults,
  pairs,
  toolChanges,
  waySets,
  workshopDays,
} from '../db/schema.ts'
import { demoCupSoles, demoFoundLasts, demoLasts } from './lasts.ts'
import { demoLessons, demoOwnFaults, demoReadings, demoToolChanges } from './checked.ts'
import { demoDays } from './days.ts'
import { demoHides } from './hides.ts'
import { demoHowTos, demoWays } from './ways.ts'
import { demoFeet, demoHolds, demoInput, demoMaterials, demoPairs, type DemoPair } from './workshop.ts'

/** Nobody takes just as long as was planned: quicker here, slower there, by turns. */
const PACE = [1.1, 0.85, 1.25, 0.95, 1, 1.4, 0.9]

/** The rule of what dries overnight. */
const OVERNIGHT = 'wait.overnight'
/** Work that is done at either bench. */
const AT_THE_STOVE: ReadonlySet<string> = new Set(['prepare', 'cut', 'skive', 'close'])

/** The log a demo pair would have: its first steps done one after another, ending so many minutes before `now`. */
function logOf(pair: DemoPair, { steps }: Plan, now: number): StepEvent[] {
  const done = steps.slice(0, Math.round(pair.done * steps.length))
  // Forwards from nought, each step as soon as the hands are free and what it waits for has waited; then put back in time.
  let free = 0
  const ended = new Map<string, number>()
  const times = done.map((step, i) => {
    const dry = step.after.map((a) => {
      const before = done.find((s) => s.id === a.id)
      return (ended.get(a.id) ?? 0) + (before?.wait?.min ?? 0)
    })
    const started = Math.max(free + 4, ...dry)
    free = started + Math.max(1, Math.round(step.minutes.value * PACE[i % PACE.length]!))
    ended.set(step.id, free)
    // What dries overnight is mostly dry before its time, by the stove.
    const ready = step.wait?.rule === OVERNIGHT ? free + 0.8 * step.wait.min : null
    const maker = AT_THE_STOVE.has(step.group) && i % 2 === 1 ? 'stove' : 'window'
    return { step: step.id, started, finished: free, ready, maker }
  })
  const at = (minute: number) => new Date(now - (pair.finishedMinutesAgo + free - minute) * 60_000).toISOString()
  const log = times.flatMap(({ step, started, finished, ready, maker }): StepEvent[] => [
    { step, what: 'started', at: at(started), maker },
    { step, what: 'finished', at: at(finished), maker },
    ...(ready !== null && at(ready) < at(free) ? [{ step, what: 'ready' as const, at: at(ready), maker }] : []),
  ])
  const next = steps[done.length]
  if (pair.running && next) log.push({ step: next.id, what: 'started', at: new Date(now - 6 * 60_000).toISOString() })
  return log
}

/**
 * Fills an empty database with the demo workshop. Does nothing when there are pairs already. `cache` keeps what its
 * plans come to.
 */
export async function seedDemo(store: Store, now = Date.now(), cache = new StageCache(16)): Promise<boolean> {
  if ((await store.db.select({ id: pairs.id }).from(pairs).limit(1)).length > 0) return false
  const updatedAt = new Date(now).toISOString()
  const found = demoFoundLasts()
  const soles = demoCupSoles()
  const day = (days: number) => new Date(now + days * 86_400_000).toISOString().slice(0, 10)
  await store.write(async (tx) => {
    for (const last of [...demoLasts, ...found]) await tx.insert(lasts).values({ ...last, updatedAt })
    for (const material of demoMaterials) await tx.insert(materials).values({ ...material, updatedAt })
    for (const pair of demoPairs) {
      const due = pair.dueIn === null ? null : day(pair.dueIn)
      await createPair(tx, { ...pair.label, due }, pair.decisions, pair.id)
      const plan = planPair(demoInput(pair), cache)
      const log = logOf(pair, plan, now)
      for (const event of log) await tx.insert(stepEvents).values({ id: uuid(), pairId: pair.id, ...event })
      for (const reading of demoReadings(pair, plan, log)) {
        await tx.insert(readings).values({ id: uuid(), pairId: pair.id, ...reading })
      }
    }
    for (const hold of demoHolds) {
      const last = demoLasts.find((l) => l.name === hold.last)
      const pair = demoPairs.find((p) => p.label.order === hold.order)
      if (!last || !pair) throw new Error(`The demo use of ${hold.last} by ${hold.order} has no last or pair.`)
      await tx.insert(lastHolds).values({
        id: hold.id,
        lastId: last.id,
        pairId: pair.id,
        from: day(hold.from),
        until: hold.until === null ? null : day(hold.until),
        note: hold.note,
        updatedAt,
      })
    }
    for (const pairOfFeet of demoFeet) await tx.insert(feet).values({ ...pairOfFeet, updatedAt })
    for (const ways of demoWays) await tx.insert(waySets).values({ ...ways, updatedAt })
    await tx.insert(workshopDays).values({ id: 'workshop', days: demoDays(), updatedAt })
    for (const lesson of demoLessons(demoPairs)) await tx.insert(lessons).values({ ...lesson, updatedAt })
    for (const fault of demoOwnFaults) await tx.insert(ownFaults).values({ ...fault, updatedAt })
    for (const change of demoToolChanges(now)) await tx.insert(toolChanges).values(change)
    for (const card of demoHowTos) await tx.insert(howTos).values({ ...card, updatedAt })
    for (const hide of demoHides(demoMaterials)) await tx.insert(hides).values({ ...hide, updatedAt })
    for (const sole of soles) await tx.insert(cupSoles).values({ ...sole, updatedAt })
  })
  return true
}
