import { partOfMade, makings, PairDecisions, PairLabel, pairSorts, StepEvent } from '@gentle-awl/core'
import express, { Router, type Request, type Response } from 'express'
import { v7 as uuid } from 'uuid'
import { z } from 'zod'
import { logStep } from '../db/logStep.ts'
import { importPair } from '../db/importPair.ts'
import type { Store } from '../db/open.ts'
import { createPair, deletePair, moveHead, pairFile, readLog, readMade, savePair, viewPair } from '../db/pairs.ts'
import { cardSources, type PairCards } from '../db/pairCards.ts'
import { pairNames, pairPage, standingLogs, standingOf } from '../db/pairList.ts'
import { made } from '../db/schema.ts'
import { papers, type Paper } from '../exports/sheets.ts'
import { goneSignal } from '../http/gone.ts'
import { params } from '../http/params.ts'
import { Problem, read } from '../http/problem.ts'
import { asBuffer } from '../http/bytes.ts'
import { ifMatch, sendVersioned } from '../http/revision.ts'
import type { Jobs } from '../jobs/pool.ts'

/** A pair's own file with everything that was ever done to it. */
const LARGEST_FILE = '64mb'
const ListQuery = z.object({
  search: z.string().max(200).default(''),
  sort: z.enum(pairSorts).default('changed'),
  page: z.coerce.number().int().min(1).max(100_000).default(1),
  size: z.coerce.number().int().min(1).max(100).default(24),
})
const PairBody = z.object({ label: PairLabel, decisions: PairDecisions })
const StepBody = StepEvent.pick({ step: true, what: true })
const MadeBody = z.object({ how: z.enum(makings), parts: z.array(z.string().max(80)).min(1).max(100) })
const PaperQuery = z.object({ paper: z.enum(Object.keys(papers) as [Paper, ...Paper[]]).default('a4') })
const PartQuery = z.object({ foot: z.enum(['right', 'left']).default('right') })

/** A file name out of the order number and a word: nothing in it that a file system or header would trip over. */
const fileName = (order: string, what: string) =>
  `pair-${order.replaceAll(/[^A-Za-z0-9-]+/g, '-').replaceAll(/^-+|-+$/g, '') || 'unnamed'}-${what}`

function download(res: Response, type: string, name: string, body: Uint8Array | string): void {
  res
    .type(type)
    .set('Content-Disposition', `attachment; filename="${name}"`)
    .send(typeof body === 'string' ? body : asBuffer(body))
}

export function pairRoutes(store: Store, jobs: Jobs, cards: PairCards): Router {
  const router = Router()
  const sendPair = async (res: Response, id: string, status = 200) =>
    sendVersioned(res, { ...(await viewPair(store.db, id)) }, status)

  router.get('/', async (req, res) => {
    const query = read(ListQuery, req.query, 'This list')
    const page = await pairPage(store.db, query, await cardSources(store.db))
    for (const row of page.pairs) if (!row.card && row.unreadable === '') cards.soon(row.id)
    res.json(page)
  })
  router.get('/names', async (_req, res) => {
    res.json(await pairNames(store.db))
  })
  router.post('/', async (req, res) => {
    const { label, decisions } = read(PairBody, req.body, 'This pair')
    const id = await store.write((tx) => createPair(tx, label, decisions))
    cards.soon(id)
    await sendPair(res, id, 201)
  })
  router.post('/import', express.text({ type: () => true, limit: LARGEST_FILE }), async (req, res) => {
    // Read and planned in a thread before it is stored: a file that cannot be planned changes nothing.
    const file = await jobs.run('readFile', { text: typeof req.body === 'string' ? req.body : '' }, goneSignal(res))
    const id = await store.write((tx) => importPair(tx, file))
    cards.soon(id)
    await sendPair(res, id, 201)
  })
  router.get('/:id/card', async (req, res) => {
    const { id } = params(req)
    const card = await cards.card(id)
    const log = (await standingLogs(store.db, [id])).get(id) ?? []
    const { problem, worst, shapes } = card
    res.json({ card: { problem, worst, shapes }, standing: standingOf(card, log) })
  })
  router.get('/:id', async (req, res) => sendPair(res, params(req).id))
  router.put('/:id', async (req, res) => {
    const version = ifMatch(req)
    const { id } = params(req)
    const { label, decisions } = read(PairBody, req.body, 'This pair')
    await store.write((tx) => savePair(tx, id, version, label, decisions))
    cards.soon(id)
    await sendPair(res, id)
  })
  router.delete('/:id', async (req, res) => {
    const version = ifMatch(req)
    const { id } = params(req)
    await store.write((tx) => deletePair(tx, id, version))
    res.status(204).end()
  })
  for (const way of ['undo', 'redo'] as const) {
    router.post(`/:id/${way}`, async (req, res) => {
      const version = ifMatch(req)
      const { id } = params(req)
      await store.write((tx) => moveHead(tx, id, version, way))
      cards.soon(id)
      await sendPair(res, id)
    })
  }

  router.get('/:id/steps', async (req, res) => {
    const { id } = params(req)
    await viewPair(store.db, id)
    res.json(await readLog(store.db, id))
  })
  router.post('/:id/steps', async (req, res) => {
    const { id } = params(req)
    const { step, what } = read(StepBody, req.body, 'This step')
    const file = await pairFile(store.db, id)
    const { steps, makeables } = await jobs.run('bench', { file }, goneSignal(res))
    if (what === 'started' && !steps.some((s) => s.id === step)) {
      const message = `This pair has no step "${step}".`
      throw new Problem(422, 'Unknown step', message, [{ field: 'step', message }])
    }
    const cut = steps.find((s) => s.id === step && s.group === 'cut')
    await store.write(async (tx) => {
      await logStep(tx, id, step, what)
      // A part that is cut counts with the shape it has now: what changes it later means cutting it again.
      if (what !== 'finished' || !cut) return
      const at = new Date().toISOString()
      for (const m of makeables.filter((one) => cut.parts.includes(partOfMade(one.part)))) {
        await tx.insert(made).values({ id: uuid(), pairId: id, ...m, how: 'cut', revision: file.revision, at })
      }
    })
    res.status(201).json(await readLog(store.db, id))
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
    const { makeables: all } = await jobs.run('bench', { file }, goneSignal(res))
    const unknown = parts.find((p) => !all.some((m) => m.part === p))
    if (unknown !== undefined) {
      const message = `This pair has no part "${unknown}".`
      throw new Problem(422, 'Unknown part', message, [{ field: 'parts', message }])
    }
    const at = new Date().toISOString()
    await store.write(async (tx) => {
      for (const m of all.filter((one) => parts.includes(one.part))) {
        await tx.insert(made).values({ id: uuid(), pairId: id, ...m, how, revision: file.revision, at })
      }
    })
    res.status(201).json(await readMade(store.db, id))
  })

  router.get('/:id/file', async (req, res) => {
    const file = await pairFile(store.db, params(req).id)
    download(
      res,
      'application/json',
      fileName(file.label.order, `r${file.revision}.json`),
      `${JSON.stringify(file, null, 2)}\n`,
    )
  })
  router.get('/:id/parts.pdf', async (req, res) => {
    const { paper } = read(PaperQuery, req.query, 'This paper')
    const file = await pairFile(store.db, params(req).id)
    download(
      res,
      'application/pdf',
      fileName(file.label.order, `r${file.revision}-${paper}.pdf`),
      await jobs.run('pdf', { file, paper }, goneSignal(res)),
    )
  })
  router.get('/:id/parts.svg', async (req, res) => {
    const file = await pairFile(store.db, params(req).id)
    download(
      res,
      'image/svg+xml',
      fileName(file.label.order, `r${file.revision}.svg`),
      await jobs.run('pairSvg', { file }, goneSignal(res)),
    )
  })
  const upperTypes = { svg: 'image/svg+xml', dxf: 'image/vnd.dxf', pdf: 'application/pdf' } as const
  for (const format of ['svg', 'dxf', 'pdf'] as const) {
    router.get(`/:id/upper.${format}`, async (req, res) => {
      const { paper } = read(PaperQuery, req.query, 'This paper')
      const file = await pairFile(store.db, params(req).id)
      download(
        res,
        upperTypes[format],
        fileName(file.label.order, `upper-r${file.revision}.${format}`),
        await jobs.run('upper', { file, format, paper }, goneSignal(res)),
      )
    })
  }
  router.get('/:id/parts/:part', async (req: Request, res) => {
    const { foot } = read(PartQuery, req.query, 'This foot')
    const part = /^([A-Za-z0-9.-]{1,60})\.svg$/.exec(String(req.params.part))?.[1] ?? ''
    const file = await pairFile(store.db, params(req).id)
    const svg = part === '' ? null : await jobs.run('partSvg', { file, part, foot }, goneSignal(res))
    if (svg === null) throw new Problem(404, 'Not here', 'This pair has no such part.')
    download(res, 'image/svg+xml', fileName(file.label.order, `${part}-${foot}.svg`), svg)
  })
  return router
}
