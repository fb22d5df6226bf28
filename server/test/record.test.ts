import { PairFile, type StepEvent } from '@gentle-awl/core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { addEvent } from '../src/db/stepLog.ts'
import { seedDemo } from '../src/demo/seed.ts'
import { demoPairs } from '../src/demo/workshop.ts'
import { testServer, type Answer, type TestServer } from './testServer.ts'

let server: TestServer
beforeAll(async () => {
  server = await testServer()
  await seedDemo(server.store)
})
afterAll(() => server.end())

const derby = demoPairs[0]!
const path = `/pairs/${derby.id}`
const log = async () => (await server.call('GET', `${path}/steps`)).list as unknown as StepEvent[]
const say = (step: string, what: string, maker?: string) =>
  server.call('POST', `${path}/steps`, { body: { step, what, ...(maker === undefined ? {} : { maker }) } })
const read = (body: object) => server.call('POST', `${path}/readings`, { body })
const states = async () => (await log()).map((e) => [e.step, e.what])

describe('what is told of a step', () => {
  const step = 'trim-sole'
  it('knows who did it, and pauses; nothing out of turn', async () => {
    const before = (await log()).length
    expect((await say(step, 'paused')).status).toBe(409)
    expect((await say(step, 'started', 'window')).status).toBe(201)
    expect((await say(step, 'resumed')).body.detail).toMatch(/running already/)
    await say(step, 'paused')
    expect((await say(step, 'paused')).body.detail).toMatch(/resting/)
    await say(step, 'resumed')
    await say(step, 'finished', 'window')
    const mine = (await log()).slice(before)
    expect(mine.map((e) => e.what)).toEqual(['started', 'paused', 'resumed', 'finished'])
    expect(mine[0]).toMatchObject({ maker: 'window' })
    // Nothing dries after it.
    expect((await say(step, 'ready')).body.detail).toMatch(/no wait/)
    // A step is sent back with its reason only.
    expect((await say(step, 'sent back')).status).toBe(422)
  })
  it('minutes are corrected with the pauses, and who did it stays', async () => {
    const answer = await server.call('PUT', `${path}/steps/${step}/minutes`, { body: { minutes: 12 } })
    const events = answer.list.filter((e) => e.step === step).slice(-2)
    expect(events.map((e) => [e.what, e.maker])).toEqual([
      ['started', 'window'],
      ['finished', 'window'],
    ])
    const [from, to] = events.map((e) => Date.parse(String(e.at)))
    expect(to! - from!).toBe(12 * 60_000)
  })
})

describe('readings', () => {
  const readings = async () => ((await server.call('GET', `${path}/record`)).body.readings as unknown[]).length
  it('are kept with their revision, each of them; the latest counts', async () => {
    const before = await readings()
    await read({ check: 'backHeight', foot: 'right', value: 58.5, note: 'pulled low' })
    const { status, body } = await read({ check: 'backHeight', foot: 'right', value: 60.4 })
    expect(status).toBe(201)
    expect((body.readings as unknown[]).slice(before)).toMatchObject([
      { check: 'backHeight', foot: 'right', value: 58.5, fine: null, note: 'pulled low', revision: 1 },
      { value: 60.4 },
    ])
  })
  it('of what is looked at say yes or no, and nothing else is taken', async () => {
    expect((await read({ check: 'look.folds', foot: 'left', fine: false })).status).toBe(201)
    const before = await readings()
    const refused: [object, RegExp][] = [
      [{ check: 'look.folds', foot: 'left', value: 3 }, /looked at/],
      [{ check: 'backHeight', foot: 'left', fine: true }, /measured/],
      [{ check: 'backHeight', foot: 'left' }, /one of the two/],
      [{ check: 'nose', foot: 'left', value: 3 }, /no check "nose"/],
      [{ check: 'backHeight', foot: 'middle', value: 3 }, /foot/],
    ]
    for (const [body, why] of refused) {
      const answer = await read(body)
      expect(answer.status).toBe(422)
      expect(answer.body.detail).toMatch(why)
    }
    expect(await readings()).toBe(before)
  })
})

describe('sending back', () => {
  const at = '2026-05-02T08:00:00.000Z'
  const done = ['soak-stiffener', 'wrap-stiffener', 'paste-stiffener.right', 'paste-stiffener.left']
  const body = {
    step: 'soak-stiffener',
    foot: null,
    reason: 'Soaked too long: soft as a rag',
    check: '',
    steps: done,
    parts: [{ part: 'stiffener', name: 'Stiffener' }],
    minutes: 20,
  }
  beforeAll(() =>
    server.store.write(async (tx) => {
      for (const step of done) {
        for (const what of ['started', 'finished'] as const) await addEvent(tx, derby.id, { step, what, at })
      }
    }),
  )
  const setbacks = (answer: Answer) => answer.body.setbacks as { id: string; reason: string; name: string }[]

  it('opens the steps and keeps why; taken back they are done as they were', async () => {
    const before = await states()
    const answer = await server.call('POST', `${path}/setbacks`, { body })
    expect(answer.status).toBe(201)
    expect(setbacks(answer)).toMatchObject([
      { reason: body.reason, name: expect.stringMatching(/stiffener/) as string },
    ])
    expect((await states()).slice(before.length)).toEqual(done.map((s) => [s, 'sent back']))
    // They are open: once more they cannot be sent back, and nothing is half done then.
    const again = await server.call('POST', `${path}/setbacks`, { body })
    expect(again.status).toBe(409)
    expect((await states()).length).toBe(before.length + done.length)
    const back = await server.call('DELETE', `${path}/setbacks/${setbacks(answer)[0]!.id}`)
    expect(setbacks(back)).toEqual([])
    expect((await states()).slice(before.length + done.length)).toEqual(done.map((s) => [s, 'undone']))
  })
  it('stays on record once a step of it was begun anew', async () => {
    const [setback] = setbacks(await server.call('POST', `${path}/setbacks`, { body }))
    await say('soak-stiffener', 'started')
    const answer = await server.call('DELETE', `${path}/setbacks/${setback!.id}`)
    expect(answer.status).toBe(409)
    expect(answer.body.detail).toMatch(/begun anew/)
  })
  it('to what this pair has not, or without a reason, changes nothing', async () => {
    const before = (await log()).length
    const wrong: [object, RegExp][] = [
      [{ ...body, step: 'fly' }, /no step "fly"/],
      [{ ...body, steps: ['fly'] }, /no step "fly"/],
      [{ ...body, steps: [] }, /Choose a step/],
      [{ ...body, reason: '  ' }, /Say why/],
      [{ ...body, parts: [{ part: 'wing', name: 'Wing' }] }, /no part "wing"/],
    ]
    for (const [sent, why] of wrong) {
      const answer = await server.call('POST', `${path}/setbacks`, { body: sent })
      expect(answer.status).toBe(422)
      expect(answer.body.detail).toMatch(why)
    }
    expect((await log()).length).toBe(before)
  })
})

describe('photographs', () => {
  const jpeg = Buffer.from([0xff, 0xd8, 0xff, 0xe0, ...Array.from({ length: 500 }, (_, i) => i % 256)])
  const send = (bytes: Buffer, type = 'image/jpeg') =>
    fetch(`http://127.0.0.1:${server.port}/api/v1${path}/photographs?check=look.folds&foot=left`, {
      method: 'POST',
      headers: { 'content-type': type },
      body: new Uint8Array(bytes),
    })
  it('come back byte by byte as what they are, and go', async () => {
    const kept = (await (await send(jpeg, 'image/png')).json()) as { photographs: { id: string; type: string }[] }
    expect(kept.photographs).toMatchObject([{ check: 'look.folds', foot: 'left', type: 'image/jpeg' }])
    const { id } = kept.photographs[0]!
    const picture = await server.call('GET', `${path}/photographs/${id}`)
    expect(picture.type).toBe('image/jpeg')
    expect(picture.bytes.equals(jpeg)).toBe(true)
    // Another pair has no such picture.
    expect((await server.call('GET', `/pairs/${demoPairs[1]!.id}/photographs/${id}`)).status).toBe(404)
    expect((await server.call('DELETE', `${path}/photographs/${id}`)).body.photographs).toEqual([])
    expect((await server.call('GET', `${path}/photographs/${id}`)).status).toBe(404)
  })
  it('are sixty at the most: one more is refused, and is kept when one of them has gone', async () => {
    const listed = async () =>
      ((await server.call('GET', `${path}/record`)).body as { photographs: { id: string }[] }).photographs
    for (let n = (await listed()).length; n < 60; n++) expect((await send(jpeg)).status).toBe(201)
    const answer = await send(jpeg)
    expect(answer.status).toBe(409)
    expect(((await answer.json()) as { detail: string }).detail).toMatch(/60 photographs\. Delete one/)
    const [one, ...others] = await listed()
    expect(others).toHaveLength(59)
    await server.call('DELETE', `${path}/photographs/${one!.id}`)
    expect((await send(jpeg)).status).toBe(201)
    for (const { id } of await listed()) await server.call('DELETE', `${path}/photographs/${id}`)
    expect(await listed()).toEqual([])
  })
  it('that are none are refused with what to do', async () => {
    const answer = await send(Buffer.from('<svg onload="alert(1)"/>'))
    expect(answer.status).toBe(415)
    expect(((await answer.json()) as { detail: string }).detail).toMatch(/JPEG, PNG or WebP/)
    expect((await send(Buffer.alloc(0))).status).toBe(415)
  })
})

describe('a pair that is given up', () => {
  const spent = { minutes: 95, stuffs: [{ name: 'Tar-brown calf', area: 24.5, worth: null }] }
  it('is laid out no more, is on the list as such, and can be taken up again', async () => {
    const open = async () => {
      const { body } = await server.call('GET', '/schedule')
      expect(body.detail).toBeUndefined()
      return (body.open as { id: string }[]).some((p) => p.id === derby.id)
    }
    const row = async () =>
      ((await server.call('GET', '/pairs')).body.pairs as { id: string; givenUp: boolean }[]).find(
        (p) => p.id === derby.id,
      )
    expect(await open()).toBe(true)
    const answer = await server.call('PUT', `${path}/given-up`, { body: { reason: 'Grain cracked at the toe', spent } })
    expect(answer.body.givenUp).toMatchObject({ reason: 'Grain cracked at the toe', spent })
    expect(await open()).toBe(false)
    expect((await row())?.givenUp).toBe(true)
    expect((await server.call('PUT', `${path}/given-up`, { body: { reason: '', spent } })).status).toBe(422)
    await server.call('DELETE', `${path}/given-up`)
    expect(await open()).toBe(true)
    expect((await row())?.givenUp).toBe(false)
  })
})

describe('the pair file', () => {
  it('carries readings, setbacks and why it was given up, out and in again', async () => {
    await server.call('PUT', `${path}/given-up`, { body: { reason: 'Torn', spent: { minutes: 5, stuffs: [] } } })
    const file = await server.call('GET', `${path}/file`)
    const sent = PairFile.parse(file.body)
    expect(sent.readings.length).toBeGreaterThan(1)
    const came = await server.call('POST', '/pairs/import', { raw: file.bytes.toString() })
    expect(came.status).toBe(201)
    const record = await server.call('GET', `/pairs/${String(came.body.id)}/record`)
    expect(record.body.readings).toEqual(sent.readings)
    expect(record.body.setbacks).toMatchObject(sent.setbacks)
    expect(record.body.givenUp).toEqual(sent.givenUp)
    expect((await server.call('GET', `/pairs/${String(came.body.id)}/steps`)).list).toMatchObject(sent.log)
  })
})

describe('what was learned', () => {
  it('counts wear from the last change, and a change that was told by mistake is taken back', async () => {
    const wear = (answer: Answer, tool: string) =>
      (answer.body.wear as { tool: string; since: number }[]).find((t) => t.tool === tool)!
    // The demo's cards are made when somebody looks.
    for (const { id } of demoPairs) await server.call('GET', `/pairs/${id}/card`)
    const before = await server.call('GET', '/learned')
    expect(wear(before, 'knife').since).toBeGreaterThan(1000)
    expect((before.body.minutes as unknown[]).length).toBeGreaterThan(5)
    const changed = await server.call('POST', '/tool-changes', { body: { tool: 'knife', note: 'new blade' } })
    expect(changed.status).toBe(201)
    expect(wear(changed, 'knife').since).toBe(0)
    const change = (changed.body.changes as { id: string }[]).at(-1)!
    const back = await server.call('DELETE', `/tool-changes/${change.id}`)
    expect(wear(back, 'knife').since).toBe(wear(before, 'knife').since)
    expect((await server.call('POST', '/tool-changes', { body: { tool: 'laser' } })).status).toBe(422)
  })
  it('lessons are kept with their pair, and outlive it', async () => {
    const copy = await server.call('POST', '/pairs/import', {
      raw: (await server.call('GET', `${path}/file`)).bytes.toString(),
    })
    const pairId = String(copy.body.id)
    const lesson = await server.call('POST', '/lessons', {
      body: { kind: 'differently', text: 'Cut the puff 3 mm shorter', pairId, revision: 1, step: 'cut-puff' },
    })
    expect(lesson.status).toBe(201)
    const stray = { kind: 'sample', text: 'x', pairId: '01930000-0003-7000-8000-00000000ffff' }
    expect((await server.call('POST', '/lessons', { body: stray })).status).toBe(422)
    await server.call('DELETE', `/pairs/${pairId}`, { version: Number(copy.body.version) })
    const kept = (await server.call('GET', '/lessons')).list.find((l) => l.id === lesson.body.id)
    expect(kept).toMatchObject({ text: 'Cut the puff 3 mm shorter', pairId: null })
  })
  it('own faults are kept with their causes, and need one', async () => {
    const fault = { name: 'Eyelet turns', causes: [{ cause: 'The hole was punched too large' }] }
    expect((await server.call('POST', '/faults', { body: fault })).status).toBe(201)
    expect((await server.call('POST', '/faults', { body: { ...fault, causes: [] } })).body.detail).toMatch(/one cause/)
    expect((await server.call('GET', '/faults')).list.map((f) => f.name)).toContain('Eyelet turns')
  })
})
