import { Router } from 'express'
import { z } from 'zod'
import { cutFromHide } from '../db/cutFromHide.ts'
import type { Store } from '../db/open.ts'
import { params } from '../http/params.ts'
import { read } from '../http/problem.ts'
import { ifMatch } from '../http/revision.ts'

const far = z.number().min(-20_000).max(20_000)
const Cut = z.object({
  outlines: z
    .array(
      z
        .array(z.tuple([far, far]))
        .min(3)
        .max(20_000),
    )
    .min(1)
    .max(4000),
})

/** What happens to a hide at the bench; list, read and write are those of every shelf. */
export function hideRoutes(store: Store): Router {
  const router = Router()
  router.post('/:id/cut', async (req, res) => {
    const version = ifMatch(req)
    const { outlines } = read(Cut, req.body, 'What was cut')
    res.json(await cutFromHide(store, params(req).id, version, outlines))
  })
  return router
}
