import { HideFields, signedArea, writeGaugeMessage, writeHpgl, type Path } from '@gentle-awl/core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { testServer, type TestServer } from './testServer.ts'

let server: TestServer
beforeAll(async () => void (server = await testServer()))
afterAll(() => server.end())
const text = { 'content-type': 'text/plain' }
const send = (message: string) => server.call('POST', '/gauge/readings', { raw: message, headers: text })
const readings = async (after: number) => (await server.call('GET', `/gauge/readings?after=${after}`)).body

describe('the thickness gauge', () => {
  it('sends readings, each remembered once; what cannot be read is refused and said to whoever waits', async () => {
    const one = writeGaugeMessage({ number: 7, thickness: 1.43 })
    expect((await send(one)).status).toBe(201)
    // It had no answer, and sends it again.
    expect((await send(one)).body).toEqual({ id: 1 })
    const half = await send(one.slice(0, 9))
    expect([half.status, half.body.detail]).toEqual([
      422,
      'The gauge sent something that cannot be read: press it again.',
    ])
    expect((await send('')).status).toBe(422)
    expect((await send('x'.repeat(5000))).status).toBe(413)
    await send(writeGaugeMessage({ number: 8, thickness: 1.5 }, 'in'))
    expect(await readings(0)).toMatchObject({
      last: 4,
      heard: [{ id: 1, thickness: 1.43 }, { thickness: null }, { thickness: null }, { id: 4, thickness: 1.501 }],
    })
    expect(await readings(3)).toMatchObject({ heard: [{ id: 4 }] })
    // Switched on anew it counts from the beginning: the same number is another reading.
    await send(writeGaugeMessage({ number: 8, thickness: 2.1 }))
    expect(await readings(4)).toMatchObject({ heard: [{ id: 5, thickness: 2.1 }] })
  })
})

describe('the practice cutting table', () => {
  const box: Path = [
    [0, 0],
    [30, 0],
    [30, 20],
    [0, 20],
  ]
  const hpgl = writeHpgl([{ path: box, closed: true, tool: 1 }])
  it('takes work, tells of it, and is as dead as a real one without its plug', async () => {
    expect((await server.call('GET', '/standins/table/work')).status).toBe(404)
    expect(
      (await server.call('POST', '/standins/table/work?name=Tab', { raw: hpgl, headers: text })).body,
    ).toMatchObject({
      name: 'Tab',
      state: 'cutting',
    })
    const busy = await server.call('POST', '/standins/table/work', { raw: hpgl, headers: text })
    expect([busy.status, busy.body.detail]).toEqual([
      422,
      'The cutting table is at work: wait until it is done, or stop it there.',
    ])
    await server.call('PUT', '/standins/table', { body: { plugged: false, fault: 'none' } })
    expect((await server.call('GET', '/standins/table/work')).status).toBe(503)
    expect((await server.call('POST', '/standins/table/work', { raw: hpgl, headers: text })).status).toBe(503)
    await server.call('PUT', '/standins/table', { body: { plugged: true, fault: 'none' } })
    expect((await server.call('GET', '/standins/table/work')).status).toBe(404)
    const broken = await server.call('POST', '/standins/table/work', { raw: hpgl.slice(0, 12), headers: text })
    expect([broken.status, broken.body.detail]).toEqual([
      422,
      'The message breaks off before its end: nothing was cut. Send it again.',
    ])
    expect((await server.call('PUT', '/standins/table', { body: { plugged: true, fault: 'burns' } })).status).toBe(422)
  })
})

describe('what is cut from a hide', () => {
  const box = (x0: number, y0: number, x1: number, y1: number): [number, number][] => [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ]
  it('leaves the largest part, the others as offcuts, in one write; a stale page changes nothing', async () => {
    const fields = HideFields.parse({ name: 'Sheet 4', form: 'sheet', outline: box(0, 0, 1000, 400) })
    const made = await server.call('POST', '/hides', { body: fields })
    const path = `/hides/${String(made.body.id)}`
    const cut = { outlines: [box(500, -1, 560, 401), box(100, 100, 200, 200)] }
    expect((await server.call('POST', `${path}/cut`, { version: 9, body: cut })).status).toBe(409)
    expect((await server.call('GET', '/hides')).list).toHaveLength(1)
    const done = await server.call('POST', `${path}/cut`, { version: 1, body: cut })
    expect(done.status).toBe(200)
    const { hide, offcuts } = done.body as unknown as { hide: HideFields; offcuts: HideFields[] }
    expect(signedArea(hide.outline) / 500 / 400).toBeCloseTo(1, 2)
    expect(hide.flaws.map((f) => f.kind)).toEqual(['hole'])
    expect(offcuts).toMatchObject([{ name: 'Sheet 4, offcut 1', form: 'offcut' }])
    expect(signedArea(offcuts[0]!.outline) / 440 / 400).toBeCloseTo(1, 2)
    expect((await server.call('GET', '/hides')).list).toHaveLength(2)
    // All of it: it is used up, and stays as it was.
    const rest = await server.call('POST', `${path}/cut`, { version: 2, body: { outlines: [box(-5, -5, 505, 405)] } })
    expect(rest.body).toMatchObject({ hide: { used: true, outline: hide.outline }, offcuts: [] })
  })
})
