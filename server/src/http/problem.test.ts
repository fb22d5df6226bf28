import { GeometryError, mm, PlanError, say } from '@gentle-awl/core'
import express from 'express'
import type { Server } from 'node:http'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { changedMeanwhile, heldElsewhere, notThere, StoreError, type StoreReason } from '../db/errors.ts'
import { answerProblem } from './problem.ts'

let server: Server
let thrown: unknown
const logged = vi.fn()
beforeAll(async () => {
  const app = express()
  app.get('/', (req, _res, next) => {
    Object.assign(req, { log: { error: logged } })
    next(thrown)
  })
  app.use(answerProblem)
  server = await new Promise<Server>((resolve) => {
    const s = app.listen(0, '127.0.0.1', () => resolve(s))
  })
})
afterAll(() => new Promise((resolve) => server.close(resolve)))

async function answered(error: unknown) {
  thrown = error
  logged.mockClear()
  const address = server.address()
  const port = typeof address === 'object' && address ? address.port : 0
  const response = await fetch(`http://127.0.0.1:${port}/`)
  return {
    status: response.status,
    type: response.headers.get('content-type'),
    retry: response.headers.get('retry-after'),
    body: (await response.json()) as Record<string, unknown>,
  }
}

describe('what the store says no with', () => {
  it.each<[StoreReason, number]>([
    ['not there', 404],
    ['changed meanwhile', 409],
    ['cannot be', 422],
    ['in the way', 409],
    ['not now', 503],
  ])('is translated: %s is %i, with its sentence', async (reason, status) => {
    const answer = await answered(new StoreError(reason, 'A title', 'What, where, what to do.'))
    expect(answer).toMatchObject({ status, body: { title: 'A title', detail: 'What, where, what to do.', status } })
    expect(answer.type).toMatch(/^application\/problem\+json/)
    expect(logged).not.toHaveBeenCalled()
  })
  it('brings along what helps: the field, the document as it stands, when to come back', async () => {
    const field = await answered(new StoreError('cannot be', 'No', 'Choose another.', { field: 'decisions.lastId' }))
    expect(field.body.fields).toEqual([{ field: 'decisions.lastId', message: 'Choose another.' }])
    const stale = await answered(changedMeanwhile('last', { id: 'a', version: 4 }))
    expect(stale.body.current).toEqual({ id: 'a', version: 4 })
    // A document that is none is still said: the page tells "it is gone" from "nothing was sent".
    expect('current' in (await answered(changedMeanwhile('last', null))).body).toBe(true)
    expect('current' in (await answered(notThere('last'))).body).toBe(false)
    expect((await answered(heldElsewhere())).retry).toBe('5')
  })
})

it('what core says no with is told in millimetres', async () => {
  const answer = await answered(new GeometryError(say`Too short by ${mm(12.5)}.`))
  expect(answer).toMatchObject({ status: 422, body: { detail: 'Too short by 12.5 mm.' } })
  const field = await answered(new PlanError('lastId', 'No last.'))
  expect(field.body.fields).toEqual([{ field: 'lastId', message: 'No last.' }])
})

it('a mistake of ours is no sentence about the request, says nothing of our insides, and is logged', async () => {
  const answer = await answered(new TypeError('secretTable is undefined'))
  expect(answer.status).toBe(500)
  expect(JSON.stringify(answer.body)).not.toContain('secretTable')
  expect(logged).toHaveBeenCalledOnce()
})
