import { Router } from 'express'
import { z } from 'zod'
import { lastEntity } from '../db/entities/lasts.ts'
import type { Store } from '../db/open.ts'
import { meshFormats, meshTypes } from '../exports/lastMesh.ts'
import { PaperOption } from '../exports/pairExport.ts'
import { asFileName, download } from '../http/download.ts'
import { goneSignal } from '../http/gone.ts'
import { read } from '../http/problem.ts'
import { params } from '../http/params.ts'
import type { Jobs } from '../jobs/pool.ts'

const Mesh = z.object({ format: z.enum(meshFormats).default('stl'), foot: z.enum(['right', 'left']).default('right') })
const Sheet = z.object({ paper: PaperOption })

/** A last as a mesh file, and its measurement sheet to print. */
export function lastExportRoutes(store: Store, jobs: Jobs): Router {
  const router = Router()
  router.get('/:id/mesh', async (req, res) => {
    const { format, foot } = read(Mesh, req.query, 'This file')
    const last = await lastEntity.document(store.db, params(req).id)
    const mesh = await jobs.run('lastMesh', { last, format, foot }, goneSignal(res))
    download(res, meshTypes[format], `${asFileName(last.name)}-${foot}.${format}`, mesh)
  })
  router.get('/:id/sheet.pdf', async (req, res) => {
    const { paper } = read(Sheet, req.query, 'This paper')
    const last = await lastEntity.document(store.db, params(req).id)
    const sheet = await jobs.run('lastSheet', { last, paper }, goneSignal(res))
    download(res, 'application/pdf', `${asFileName(last.name)}-sheet-${paper}.pdf`, sheet)
  })
  return router
}
