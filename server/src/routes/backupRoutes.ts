import { createReadStream } from 'node:fs'
import { join } from 'node:path'
import { Router } from 'express'
import { z } from 'zod'
import { copiesIn } from '../db/backups.ts'
import { filesOf } from '../db/dataFolder.ts'
import { copyOf } from '../db/keepByAge.ts'
import type { Store } from '../db/open.ts'
import { Problem, read } from '../http/problem.ts'

const Name = z.object({ name: z.string().refine((n) => copyOf(n) !== null, 'This is no name of a copy.') })

/** Copies of the database: those that are there, one more, one to keep elsewhere, one put back. */
export function backupRoutes(store: Store): Router {
  const router = Router()
  const folder = () => {
    if (store.folder === null) {
      throw new Problem(409, 'Kept elsewhere', 'The database is on a server: copies are made and put back there.')
    }
    return filesOf(store.folder).backups
  }
  const list = () => ({
    folder: folder(),
    last: store.lastBackup(),
    copies: copiesIn(folder()).map(({ name, at, label, bytes }) => ({
      name,
      at: new Date(at).toISOString(),
      label,
      bytes,
    })),
  })
  const there = (name: string) => {
    if (!copiesIn(folder()).some((c) => c.name === name))
      throw new Problem(404, 'Not here', 'This copy is not there any more.')
    return join(folder(), name)
  }

  router.get('/', (_req, res) => {
    res.json(list())
  })
  router.post('/', async (_req, res) => {
    try {
      await store.backUp()
    } catch (error) {
      // What stands in the way was noted with the backup; without a note it is something else.
      const problem = store.lastBackup()?.problem
      if (!problem) throw error
      throw new Problem(507, 'No backup', problem)
    }
    res.status(201).json(list())
  })
  router.get('/:name', (req, res, next) => {
    const { name } = read(Name, req.params, 'This copy')
    const file = createReadStream(there(name))
    file.on('error', next)
    res.type('application/vnd.sqlite3').set('Content-Disposition', `attachment; filename="${name}"`)
    file.pipe(res)
  })
  router.post('/:name/restore', async (req, res) => {
    const { name } = read(Name, req.params, 'This copy')
    const { content, setAside } = await store.restore(there(name))
    res.json({ pairs: content.pairs, setAside })
  })
  return router
}
