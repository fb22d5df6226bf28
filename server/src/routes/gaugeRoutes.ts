import { GaugeError, readGaugeMessage } from '@gentle-awl/core'
import express, { Router } from 'express'
import { z } from 'zod'
import { Problem, read } from '../http/problem.ts'

/** What the gauge sent: a thickness, or why it could not be read. */
interface Heard {
  id: number
  thickness: number | null
  problem: string
}

/** So many are remembered: fields wait for what comes, not for what was. */
const MOST = 50
const After = z.object({ after: z.coerce.number().int().min(0).default(0) })

/**
 * Where a thickness gauge on the network sends its readings, one line of text each. Pages whose field waits for one ask for
 * what came after the last they know of; `tell` lets them know that there is something.
 */
export function gaugeRoutes(tell: (path: string) => void): Router {
  const router = Router()
  const heard: Heard[] = []
  let id = 0
  let last: { text: string; id: number } | null = null
  const remember = (what: Omit<Heard, 'id'>): number => {
    heard.push({ id: ++id, ...what })
    if (heard.length > MOST) heard.shift()
    return id
  }
  router.post('/readings', express.text({ type: '*/*', limit: '1kb' }), (req, res) => {
    const text: unknown = req.body
    try {
      const message = typeof text === 'string' ? text.trim() : ''
      const { thickness } = readGaugeMessage(message)
      // A gauge that had no answer sends the same message again; one that was switched on anew counts from the beginning.
      if (last?.text !== message) last = { text: message, id: remember({ thickness, problem: '' }) }
      res.status(201).json({ id: last.id })
    } catch (error) {
      if (!(error instanceof GaugeError)) throw error
      remember({ thickness: null, problem: error.message })
      tell('/gauge/readings')
      throw new Problem(422, 'No reading', error.message)
    }
  })
  router.get('/readings', (req, res) => {
    const { after } = read(After, req.query, 'This question')
    res.json({ last: id, heard: heard.filter((h) => h.id > after) })
  })
  return router
}
