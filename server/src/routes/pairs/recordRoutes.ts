import { GivenUp, NewReading, Setback } from '@gentle-awl/core'
import express, { Router, type Request } from 'express'
import { z } from 'zod'
import type { Store } from '../../db/open.ts'
import { pairFile } from '../../db/pairFile.ts'
import { viewPair } from '../../db/pairs.ts'
import { addPhotograph, photographBytes, removePhotograph } from '../../db/photographs.ts'
import { addReading, giveUp, readRecord, sendBack, takeBackSetback } from '../../db/record.ts'
import { goneSignal } from '../../http/gone.ts'
import { params } from '../../http/params.ts'
import { Problem, read } from '../../http/problem.ts'
import { pictureType } from '../../http/pictureType.ts'
import type { Jobs } from '../../jobs/pool.ts'

const SetbackBody = Setback.omit({ revision: true, at: true, name: true })
const GivenUpBody = GivenUp.omit({ at: true })
const PhotographQuery = z.object({
  check: z.string().max(60).default(''),
  foot: z.enum(['right', 'left']).optional(),
})
/** A photograph of a phone, made smaller by the page that sends it, stays well below this. */
const LARGEST_PICTURE = '6mb'

const unknown = (title: string, field: string, message: string) =>
  new Problem(422, title, message, [{ field, message }])

const photoId = (req: Request<{ id: string; photo: string }>): string =>
  read(z.uuid(), req.params.photo, 'This photograph')

/** What is on record of a pair: what was measured, where it was sent back, its photographs, and whether it was given up. */
export function recordRoutes(store: Store, jobs: Jobs): Router {
  const router = Router()
  const answer = (id: string) => readRecord(store.db, id)
  router.get('/:id/record', async (req, res) => {
    res.json(await answer(params(req).id))
  })
  router.post('/:id/readings', async (req, res) => {
    const { id } = params(req)
    const reading = read(NewReading, req.body, 'This reading')
    const { checks } = await jobs.run('bench', { file: await pairFile(store.db, id) }, goneSignal(res))
    const check = checks.find((c) => c.id === reading.check)
    if (!check) throw unknown('Unknown check', 'check', `This pair has no check "${reading.check}".`)
    if (check.measured !== (reading.value !== null)) {
      throw unknown(
        'Unlike its check',
        'value',
        check.measured ? 'This check is measured.' : 'This check is looked at.',
      )
    }
    await store.write((tx) => addReading(tx, id, reading))
    res.status(201).json(await answer(id))
  })

  router.post('/:id/setbacks', async (req, res) => {
    const { id } = params(req)
    const said = read(SetbackBody, req.body, 'This setback')
    const { steps, makeables } = await jobs.run('bench', { file: await pairFile(store.db, id) }, goneSignal(res))
    const stray = [said.step, ...said.steps].find((step) => !steps.some((s) => s.id === step))
    if (stray !== undefined) throw unknown('Unknown step', 'steps', `This pair has no step "${stray}".`)
    const part = said.parts.find(
      (p) => !makeables.some((m) => [m.part, `right.${m.part}`, `left.${m.part}`].includes(p.part)),
    )
    if (part) throw unknown('Unknown part', 'parts', `This pair has no part "${part.part}".`)
    const name = steps.find((s) => s.id === said.step)!.name
    await store.write((tx) =>
      sendBack(tx, id, { ...said, name, steps: steps.filter((s) => said.steps.includes(s.id)) }),
    )
    res.status(201).json(await answer(id))
  })
  router.delete('/:id/setbacks/:setback', async (req, res) => {
    const { id } = params(req)
    const setback = read(z.uuid(), req.params.setback, 'This setback')
    const { steps } = await jobs.run('bench', { file: await pairFile(store.db, id) }, goneSignal(res))
    await store.write((tx) =>
      takeBackSetback(tx, id, setback, (step) => steps.find((s) => s.id === step) ?? { id: step, formerly: [] }),
    )
    res.json(await answer(id))
  })

  router.post('/:id/photographs', express.raw({ type: 'image/*', limit: LARGEST_PICTURE }), async (req, res) => {
    const { id } = params(req)
    const { check, foot } = read(PhotographQuery, req.query, 'This photograph')
    const bytes = Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0)
    const type = pictureType(bytes)
    if (type === null) {
      throw new Problem(
        415,
        'No photograph',
        'This is no JPEG, PNG or WebP picture. Choose a photograph, or save it as one of these.',
      )
    }
    await viewPair(store.db, id)
    await store.write((tx) => addPhotograph(tx, id, { check, foot: foot ?? null, type, bytes }))
    res.status(201).json(await answer(id))
  })
  router.get('/:id/photographs/:photo', async (req, res) => {
    const { type, bytes } = await photographBytes(store.db, params(req).id, photoId(req))
    res.set({ 'Content-Type': type, 'Cache-Control': 'private, max-age=31536000, immutable' }).send(bytes)
  })
  router.delete('/:id/photographs/:photo', async (req, res) => {
    const { id } = params(req)
    await store.write((tx) => removePhotograph(tx, id, photoId(req)))
    res.json(await answer(id))
  })

  router.put('/:id/given-up', async (req, res) => {
    const { id } = params(req)
    const givenUp = read(GivenUpBody, req.body, 'This')
    await store.write((tx) => giveUp(tx, id, givenUp))
    res.json(await answer(id))
  })
  router.delete('/:id/given-up', async (req, res) => {
    const { id } = params(req)
    await store.write((tx) => giveUp(tx, id, null))
    res.json(await answer(id))
  })
  return router
}
