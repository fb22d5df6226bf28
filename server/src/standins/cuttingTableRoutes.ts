import express, { Router } from 'express'
import { GeometryError } from '@gentle-awl/core'
import { z } from 'zod'
import { Problem, read } from '../http/problem.ts'
import { CuttingTable, TableRefusal, tableFaults } from './cuttingTable.ts'

const State = z.object({ plugged: z.boolean(), fault: z.enum(tableFaults) })
const Name = z.object({ name: z.string().max(200).default('') })

/** The cutting table that ships with the application: a stand-in for a real one on the network. */
export function cuttingTableRoutes(table = new CuttingTable()): Router {
  const router = Router()
  const state = () => ({ plugged: table.plugged, fault: table.fault, job: table.report() })
  router.get('/', (_req, res) => {
    res.json(state())
  })
  router.put('/', (req, res) => {
    const { plugged, fault } = read(State, req.body, 'This switch')
    table.plug(plugged)
    table.fault = fault
    res.json(state())
  })
  router.post('/work', express.text({ type: '*/*', limit: '4mb' }), (req, res) => {
    const { name } = read(Name, req.query, 'This work')
    const text: unknown = req.body
    try {
      res.status(201).json(table.send(name, typeof text === 'string' ? text : ''))
    } catch (error) {
      if (error instanceof TableRefusal)
        throw new Problem(table.plugged ? 422 : 503, 'The table says no', error.message)
      if (error instanceof GeometryError) throw new Problem(422, 'No HPGL', error.message)
      throw error
    }
  })
  router.delete('/work', (_req, res) => {
    table.stop()
    res.json(state())
  })
  // Tells nothing while it is switched off, like a device that is not there.
  router.get('/work', (_req, res) => {
    const report = table.report()
    if (!table.plugged) throw new Problem(503, 'No answer', 'The cutting table does not answer: is it switched on?')
    if (!report)
      throw new Problem(404, 'No work', 'The cutting table has no work: what was sent to it is lost. Send it again.')
    res.json(report)
  })
  return router
}
