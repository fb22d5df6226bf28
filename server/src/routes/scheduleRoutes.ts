import { createHash } from 'node:crypto'
import {
  benchNow,
  PairDecisions,
  PairLabel,
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
import { keepTimetable, keptTimetable } from '../db/timetables.ts'
import { changeWorkshopDays, readWorkshopDays } from '../db/workshopDays.ts'
import { scheduleIcs } from '../exports/scheduleIcs.ts'
import { download } from '../http/download.ts'
import { goneSignal } from '../http/gone.ts'
import { Problem, read } from '../http/problem.ts'
import { ifMatch, sendVersioned } from '../http/revision.ts'
import type { Jobs } from '../jobs/pool.ts'

/** How long a timetable is searched for, and each of the tries of a promise, seconds. */
const SEARCH = { timetable: 0.8, promise: 0.3 }
/** A timetable is good for so long while nothing happens, ms: then what was to begin has not, and moves. */
const GOOD_FOR = 5 * 60_000

const OrderBody = z.object({ label: PairLabel, decisions: PairDecisions })

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
      const order = { open, days, pace, now, known: kept?.timetable ?? null, seconds: SEARCH.timetable }
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
