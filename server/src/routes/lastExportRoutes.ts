import { eq } from 'drizzle-orm'
import { Router } from 'express'
import { z } from 'zod'
import type { Store } from '../db/open.ts'
import { plainLast } from '../db/pairs.ts'
import { lasts } from '../db/schema.ts'
import { meshFormats, meshTypes } from '../exports/lastMesh.ts'
import { papers, type Paper } from '../exports/sheets.ts'
import { asBuffer } from '../http/bytes.ts'
import { goneSignal } from '../http/gone.ts'
import { notFound, read } from '../http/problem.ts'
import { params } from '../http/params.ts'
import type { Jobs } from '../jobs/pool.ts'

const Mesh = z.object({ format: z.enum(meshFormats).default('stl'), foot: z.enum(['right', 'left']).default('right') })
const Sheet = z.object({ paper: z.enum(Object.keys(papers) as [Paper, ...Paper[]]).default('a4') })

/** A last as a mesh file, and its measurement sheet to print. */
export function lastExportRoutes(store: Store, jobs: Jobs): Router {
  const router = Router()
  const one = async (id: string) => {
    const [row] = await store.db.select().from(lasts).where(eq(lasts.id, id))
    if (!row) throw notFound('last')
    return plainLast(row)
  }
  const fileName = (name: string, end: string) => `attachment; filename="${name.replace(/[^\w-]+/g, '-')}-${end}"`
  router.get('/:id/mesh', async (req, res) => {
    const { format, foot } = read(Mesh, req.query, 'This file')
    const last = await one(params(req).id)
    const file = asBuffer(await jobs.run('lastMesh', { last, format, foot }, goneSignal(res)))
    res
      .type(meshTypes[format])
      .set('Content-Disposition', fileName(last.name, `${foot}.${format}`))
      .send(file)
  })
  router.get('/:id/sheet.pdf', async (req, res) => {
    const { paper } = read(Sheet, req.query, 'This paper')
    const last = await one(params(req).id)
    const file = asBuffer(await jobs.run('lastSheet', { last, paper }, goneSignal(res)))
    res
      .type('application/pdf')
      .set('Content-Disposition', fileName(last.name, `sheet-${paper}.pdf`))
      .send(file)
  })
  return router
}
