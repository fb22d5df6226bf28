import { makings, MOST_STEP_MINUTES, partOfMade, StepEvent } from '@gentle-awl/core'
import { Router } from 'express'
import { z } from 'zod'
import { readMade, recordMade } from '../../db/made.ts'
import type { Store } from '../../db/open.ts'
import { pairFile } from '../../db/pairFile.ts'
import { viewPair } from '../../db/pairs.ts'
import { correctMinutes, logStep, readLog } from '../../db/stepLog.ts'
import { goneSignal } from '../../http/gone.ts'
import { params } from '../../http/params.ts'
import { Problem, read } from '../../http/problem.ts'
import type { Jobs } from '../../jobs/pool.ts'

/** What is sent back is sent back with its reason: another path. */
const StepBody = StepEvent.pick({ step: true, maker: true }).extend({
  what: StepEvent.shape.what.exclude(['sent back']),
})
const MinutesBody = z.object({ minutes: z.number().min(0).max(MOST_STEP_MINUTES) })
const MadeBody = z.object({ how: z.enum(makings), parts: z.array(z.string().max(80)).min(1).max(100) })
/** Pieces that were cut for a foot, as a layout knows them: which record that is depends on whether both feet's are mirrors. */
const CutBody = z.object({
  pieces: z
    .array(z.object({ part: z.string().max(80), foot: z.enum(['right', 'left']) }))
    .min(1)
    .max(400),
})

const unknown = (title: string, field: string, message: string) =>
  new Problem(422, title, message, [{ field, message }])

/** What happens to a pair at the bench: its steps, and what was made of it. */
export function benchRoutes(store: Store, jobs: Jobs): Router {
  const router = Router()
  router.get('/:id/steps', async (req, res) => {
    const { id } = params(req)
    await viewPair(store.db, id)
    res.json(await readLog(store.db, id))
  })
  router.post('/:id/steps', async (req, res) => {
    const { id } = params(req)
    const { step, what, maker } = read(StepBody, req.body, 'This step')
    const file = await pairFile(store.db, id)
    const { steps, makeables } = await jobs.run('bench', { file }, goneSignal(res))
    if (what === 'started' && !steps.some((s) => s.id === step)) {
      throw unknown('Unknown step', 'step', `This pair has no step "${step}".`)
    }
    const cut = steps.find((s) => s.id === step && s.group === 'cut')
    await store.write(async (tx) => {
      const known = steps.find((s) => s.id === step) ?? { id: step, formerly: [], hasWait: false }
      await logStep(tx, id, known, what, maker ?? null)
      // A part that is cut counts with the shape it has now: what changes it later means cutting it again.
      if (what !== 'finished' || !cut) return
      const parts = makeables.filter((m) => cut.parts.includes(partOfMade(m.part)))
      await recordMade(tx, id, 'cut', file.revision, parts)
    })
    res.status(201).json(await readLog(store.db, id))
  })

  router.put('/:id/steps/:step/minutes', async (req, res) => {
    const { id } = params(req)
    const step = read(StepEvent.shape.step, req.params.step, 'This step')
    const { minutes } = read(MinutesBody, req.body, 'This time')
    const { steps } = await jobs.run('bench', { file: await pairFile(store.db, id) }, goneSignal(res))
    const known = steps.find((s) => s.id === step) ?? { id: step, formerly: [] }
    await store.write((tx) => correctMinutes(tx, id, known, minutes))
    res.json(await readLog(store.db, id))
  })

  router.get('/:id/made', async (req, res) => {
    const { id } = params(req)
    await viewPair(store.db, id)
    res.json(await readMade(store.db, id))
  })
  router.post('/:id/made', async (req, res) => {
    const { id } = params(req)
    const { how, parts } = read(MadeBody, req.body, 'What was made')
    const file = await pairFile(store.db, id)
    const { makeables } = await jobs.run('bench', { file }, goneSignal(res))
    const stray = parts.find((p) => !makeables.some((m) => m.part === p))
    if (stray !== undefined) throw unknown('Unknown part', 'parts', `This pair has no part "${stray}".`)
    const those = makeables.filter((m) => parts.includes(m.part))
    await store.write((tx) => recordMade(tx, id, how, file.revision, those))
    res.status(201).json(await readMade(store.db, id))
  })
  router.post('/:id/cut', async (req, res) => {
    const { id } = params(req)
    const { pieces } = read(CutBody, req.body, 'What was cut')
    const file = await pairFile(store.db, id)
    const { makeables } = await jobs.run('bench', { file }, goneSignal(res))
    const names = new Set(pieces.flatMap(({ part, foot }) => [part, `${foot}.${part}`]))
    const stray = pieces.find(({ part }) => !makeables.some((m) => partOfMade(m.part) === part))
    if (stray) throw unknown('Unknown part', 'pieces', `This pair has no part "${stray.part}".`)
    const those = makeables.filter((m) => names.has(m.part))
    await store.write((tx) => recordMade(tx, id, 'cut', file.revision, those))
    res.status(201).json(await readMade(store.db, id))
  })
  return router
}
