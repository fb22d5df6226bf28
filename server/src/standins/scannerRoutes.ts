import { Router } from 'express'
import { z } from 'zod'
import { meshFormats, meshTypes } from '../exports/lastMesh.ts'
import { asBuffer } from '../http/bytes.ts'
import { goneSignal } from '../http/gone.ts'
import { read } from '../http/problem.ts'
import type { Jobs } from '../jobs/pool.ts'
import { hiddenLast } from './scanner.ts'

const Seed = z.coerce.number().int().min(1).max(9999)
const Order = z.object({
  seed: Seed,
  format: z.enum(meshFormats).default('stl'),
  noise: z.coerce.number().min(0).max(1).default(0.1),
  holes: z.coerce.number().int().min(0).max(12).default(3),
  foot: z.enum(['right', 'left']).default('right'),
})

/** The scanner that ships with the application, for trying and teaching: a stand-in for a real one on the bench. */
export function scannerRoutes(jobs: Jobs): Router {
  const router = Router()
  router.get('/scan', async (req, res) => {
    const order = read(Order, req.query, 'This scan')
    const file = asBuffer(await jobs.run('pretendScan', { scan: order }, goneSignal(res)))
    res
      .type(meshTypes[order.format])
      .set('Content-Disposition', `attachment; filename="scan-${order.seed}-${order.foot}.${order.format}"`)
      .send(file)
  })
  // What a tape would read on the wooden last itself, to check a scan by.
  router.get('/last', (req, res) => {
    const { seed } = read(z.object({ seed: Seed }), req.query, 'This last')
    const { length, jointGirth, waistGirth, instepGirth, heelHeight, toeShape } = hiddenLast(seed)
    res.json({ length, jointGirth, waistGirth, instepGirth, heelHeight, toeShape })
  })
  return router
}
