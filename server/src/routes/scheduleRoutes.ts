import { createHash } from 'node:crypto'
import {
  benchNow,
  knownWithout,
  PairDecisions,
  PairLabel,
  stepState,
  StepWish,
  timetableChanges,
  WorkshopDays,
  type BenchNow,
  type OpenPair,
  type Pace,
  type Timetable,
} from '@gentle-awl/core'
import { Router } from 'express'
import { z } from 'zod'
import { checkReferences } from '../db/checkReferences.ts'
import { OpenPairs, type LeftOut } from '../db/openPairs.ts'
import type { Store } from '../db/open.ts'
import { workshopPace } from '../db/pace.ts'
import { orderFile } from '../db/pairFile.ts'
import type { PairCards } from '../db/pairCards.ts'
import { dropWish, keepWish } from '../db/stepWishes.ts'
import { keepTimetable, keptTimetable } from '../db/timetables.ts'
import { changeWorkshopDays, readWorkshopDays } from '../db/workshopDays.ts'
import { scheduleIcs } from '../exports/scheduleIcs.ts'
import { download } from '../http/download.ts'
import { goneSignal } from '../http/gone.ts'
import { Problem, read } from '../http/problem.ts'
import { ifMatch, sendVersioned } from '../http/revision.ts'
import type { Jobs } from '../jobs/pool.ts'

/** How long a timetable is searched for, and each of the tries of a promise, seconds. */
const SEARCH = { first: 2.5, timetable: 0.8, promise: 0.7 }
/** Where one step is put elsewhere all else stays, as far as it can: no saving is worth a calendar that people know no more. */
const STAYS = 1
/** A timetable is good for so long while nothing happens, ms: then what was to begin has not, and moves. */
const GOOD_FOR = 5 * 60_000

const OrderBody = z.object({ label: PairLabel, decisions: PairDecisions })
const WishedStep = z.object({ pair: z.uuid(), step: StepWish.shape.step })
const WishBody = StepWish.safeExtend({ pair: z.uuid() })

interface ScheduleAnswer {
  timetable: Timetable
  /** The pairs in it, with their steps. */
  open: Omit<OpenPair, 'log'>[]
  leftOut: LeftOut[]
  /** How many pairs are open besides: only the most urgent are laid out. */
  more: number
  /** What runs and waits now, whatever was planned. */
  bench: BenchNow
}

/** Who works and when; all open pairs laid out; when one more could be ready. */
export function scheduleRoutes(store: Store, jobs: Jobs, cards: PairCards): Router {
  const router = Router()
  router.get('/workshop-days', async (_req, res) => sendVersioned(res, { ...(await readWorkshopDays(store.db)) }))
  router.put('/workshop-days', async (req, res) => {
    const version = ifMatch(req)
    const { days } = read(z.object({ days: WorkshopDays }), req.body, 'This calendar')
    sendVersioned(res, { ...(await changeWorkshopDays(store, version, days)) })
  })

  const pairs = new OpenPairs(store.db, (id) => cards.card(id))
  async function known() {
    const read = await pairs.read()
    const { days, version } = await readWorkshopDays(store.db)
    return { ...read, days, version, pace: await workshopPace(store.db) }
  }
  /** A timetable that is being made is waited for by all who ask for the same one. */
  const making = new Map<string, Promise<Timetable>>()

  /** The timetable as it is known, or another when something happened since. */
  async function laidOut(): Promise<ScheduleAnswer & { days: WorkshopDays }> {
    const { open, leftOut, more, days, version, pace } = await known()
    const now = Date.now()
    const madeFrom = sourcesOf(open, version, pace)
    const kept = await keptTimetable(store.db)
    const age = now - (kept?.timetable.madeAt ?? 0)
    const isGood = kept?.madeFrom === madeFrom && age < GOOD_FOR && age > -60_000
    const make = async () => {
      const order = {
        open,
        days,
        pace,
        now,
        known: kept?.timetable ?? null,
        seconds: kept ? SEARCH.timetable : SEARCH.first,
      }
      const timetable = await jobs.run('timetable', order)
      if (!timetable) throw noOrder()
      await keepTimetable(store, madeFrom, timetable)
      return timetable
    }
    let timetable = isGood ? Promise.resolve(kept.timetable) : making.get(madeFrom)
    if (!timetable) {
      timetable = make().finally(() => making.delete(madeFrom))
      making.set(madeFrom, timetable)
    }
    const bench = benchNow(open)
    return { timetable: await timetable, open: open.map(({ log: _, ...pair }) => pair), leftOut, more, days, bench }
  }

  router.get('/schedule', async (_req, res) => {
    const { days: _, ...answer } = await laidOut()
    res.json(answer satisfies ScheduleAnswer)
  })
  router.get('/schedule.ics', async (_req, res) => {
    const { timetable, open, days } = await laidOut()
    const text = scheduleIcs(timetable, open, days)
    download(res, 'text/calendar', 'gentle-awl.ics', new TextEncoder().encode(text))
  })

  /** All else laid out round what was put somewhere, as it was known. */
  async function roundIt(
    open: readonly OpenPair[],
    { days, pace }: { days: WorkshopDays; pace: Record<string, Pace> },
    before: Timetable,
  ): Promise<Timetable> {
    const order = {
      open: [...open],
      days,
      pace,
      now: Date.now(),
      known: before,
      seconds: SEARCH.timetable,
      worth: STAYS,
    }
    const timetable = await jobs.run('timetable', order)
    if (!timetable) throw noOrder()
    return timetable
  }
  /** The timetable from now on, after something was put elsewhere. */
  async function layRound(before: Timetable): Promise<void> {
    const { open, days, version, pace } = await known()
    await keepTimetable(store, sourcesOf(open, version, pace), await roundIt(open, { days, pace }, before))
  }

  /** The pair and its step, as they stand open at this maker's bench. Throws with what is in the way. */
  async function wished({ pair, ...wish }: z.infer<typeof WishBody>) {
    const { open, ...rest } = await known()
    const found = open.find((p) => p.id === pair)
    const step = found?.steps.find((s) => s.id === wish.step)
    if (!found || !step)
      throw no('step', 'This step is not laid out: its pair is finished, or has no such step any more.')
    if (stepState(found.log, step) !== 'open')
      throw no('step', `“${step.name}” is begun already: it stays where it is.`)
    const maker = rest.days.makers.find((m) => m.id === wish.maker)
    if (wish.maker !== null && !maker) throw no('maker', 'This bench is not in the calendar any more.')
    if (maker && !maker.skills.includes(step.group)) {
      throw no('maker', `${maker.name} does not do this kind of work. Look at who works, or choose another bench.`)
    }
    return { open, ...rest, found, wish }
  }
  router.post('/schedule/try', async (req, res) => {
    const { open, found, wish, days, pace } = await wished(read(WishBody, req.body, 'This move'))
    const before = await laidOut()
    const moved = { ...found, wishes: [...(found.wishes ?? []).filter((w) => w.step !== wish.step), wish] }
    const after = await roundIt(
      open.map((p) => (p.id === found.id ? moved : p)),
      { days, pace },
      before.timetable,
    )
    const entry = after.entries.find((e) => e.pair === found.id && e.step === wish.step)
    res.json({
      start: entry?.start ?? null,
      maker: entry?.maker ?? null,
      changes: timetableChanges(before.timetable, after, { pair: found.id, step: wish.step }),
    })
  })
  router.put('/schedule/wishes', async (req, res) => {
    const { found, wish } = await wished(read(WishBody, req.body, 'This move'))
    const { timetable } = await laidOut()
    await store.write((tx) => keepWish(tx, found.id, wish))
    await layRound(timetable)
    res.status(204).end()
  })
  router.delete('/schedule/wishes', async (req, res) => {
    const { pair, step } = read(WishedStep, req.body, 'This step')
    const { timetable } = await laidOut()
    await store.write((tx) => dropWish(tx, pair, step))
    // Nobody asks for it any more where it was put: there it would stay while other work fills the days before.
    await layRound(knownWithout(timetable, { pair, step }))
    res.status(204).end()
  })

  router.post('/schedule/promise', async (req, res) => {
    const { label, decisions } = read(OrderBody, req.body, 'This order')
    await checkReferences(store.db, decisions)
    const file = await orderFile(store.db, label, decisions)
    const { open, days, pace } = await known()
    const kept = await keptTimetable(store.db)
    const order = { open, days, pace, now: Date.now(), known: kept?.timetable ?? null, seconds: SEARCH.promise }
    const promised = await jobs.run('promise', { ...order, file }, goneSignal(res))
    if (!promised) throw noOrder()
    res.json(promised)
  })
  return router
}

const no = (field: string, message: string) => new Problem(422, 'Cannot be put there', message, [{ field, message }])

const noOrder = () =>
  new Problem(
    422,
    'No order of work',
    'These pairs cannot be laid out: a last that one of them needs is never given back. Look at what was begun on it.',
  )

/** What a timetable was made from, in few letters. */
function sourcesOf(open: readonly OpenPair[], version: number, pace: Readonly<Record<string, Pace>>): string {
  return createHash('sha256')
    .update(JSON.stringify([open, version, pace]))
    .digest('hex')
}
