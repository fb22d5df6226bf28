import { onLasts, PairLabel, WorkshopDays, type OpenPair, type PromisedDay, type Timetable } from '@gentle-awl/core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { plainStep } from '../../core/test/plainStep.ts'
import { timetableFaults } from '../../core/test/timetableFaults.ts'
import { MOST_OPEN, OpenPairs } from '../src/db/openPairs.ts'
import { createPair } from '../src/db/pairs.ts'
import { logStep } from '../src/db/stepLog.ts'
import { seedDemo } from '../src/demo/seed.ts'
import { demoPairs } from '../src/demo/workshop.ts'
import { testServer, type TestServer } from './testServer.ts'

let server: TestServer
const bare = plainStep('cut')
beforeAll(async () => {
  server = await testServer()
  await seedDemo(server.store)
})
afterAll(() => server.end())

const days = async () => {
  const { body } = await server.call('GET', '/workshop-days')
  return { version: body.version as number, days: WorkshopDays.parse(body.days) }
}
const schedule = async () => {
  const { status, body } = await server.call('GET', '/schedule')
  expect(status).toBe(200)
  return body as unknown as { timetable: Timetable; open: OpenPair[] }
}

describe('the schedule', () => {
  it('lays out what is open, as an outsider checks it, and stays the same while nothing happens', async () => {
    const { timetable, open } = await schedule()
    expect(open.map((p) => p.order).sort()).toEqual(['1041', '1042', '1043', '1044'])
    expect(timetable.nobody).toEqual([])
    expect(timetableFaults(timetable, open, (await days()).days, timetable.madeAt)).toEqual([])
    expect((await schedule()).timetable).toEqual(timetable)
  })
  it('is laid out anew when a maker is added: nothing is later, and most of it sooner', async () => {
    const before = await schedule()
    const { version, days: now } = await days()
    const more = { ...now, makers: [...now.makers, { ...now.makers[0]!, id: 'door', name: 'Door bench' }] }
    expect((await server.call('PUT', '/workshop-days', { version, body: { days: more } })).status).toBe(200)
    const stale = await server.call('PUT', '/workshop-days', { version, body: { days: now } })
    expect(stale.status).toBe(409)
    const after = await schedule()
    expect(timetableFaults(after.timetable, after.open, more, after.timetable.madeAt)).toEqual([])
    expect(after.timetable.entries.some((e) => e.maker === 'door')).toBe(true)
    const late = (t: Timetable) => t.pairs.reduce((sum, p) => sum + p.late, 0)
    expect(late(after.timetable)).toBeLessThanOrEqual(late(before.timetable))
    await server.call('PUT', '/workshop-days', { version: version + 1, body: { days: now } })
  })
  it.each([
    [{ makers: [] }, 'Somebody has to do the work.'],
    [{ zone: 'Atlantis/Deep' }, 'This time zone is not known.'],
    [{ closed: [{ from: '2026-05-04', to: '2026-05-01' }] }, 'The last day off is not before the first.'],
  ])('takes no calendar that cannot be: %o', async (change, sentence) => {
    const { version, days: now } = await days()
    const { status, body } = await server.call('PUT', '/workshop-days', {
      version,
      body: { days: { ...now, ...change } },
    })
    expect(status).toBe(422)
    expect(JSON.stringify(body)).toContain(sentence)
    expect((await days()).version).toBe(version)
  })
  it('promises a day for an order that is not accepted, says what decides it, and stores nothing', async () => {
    const before = await schedule()
    const [derby] = demoPairs
    const label = PairLabel.parse({ order: '2001', name: 'Try-out' })
    const { status, body } = await server.call('POST', '/schedule/promise', {
      body: { label, decisions: derby!.decisions },
    })
    expect(status).toBe(200)
    const promised = body as unknown as PromisedDay
    expect(promised.chain[0]?.end).toBe(promised.ready)
    // Order 1041 stands on that last: a second pair of them would save days.
    const other = before.open.find((p) => p.order === '1041')!
    const gives = onLasts(other.steps)!.gives.map((s) => s.id)
    const free = before.timetable.entries.find((e) => e.pair === other.id && gives.includes(e.step))!.end
    expect(promised.ready).toBeGreaterThan(free)
    expect(promised.shorten.map((s) => s.what)).toContain('lasts')
    expect((await schedule()).open).toEqual(before.open)
  })
  it('names a last that is not there instead of promising', async () => {
    const { status, body } = await server.call('POST', '/schedule/promise', {
      body: {
        label: { order: '1', name: 'x' },
        decisions: { ...demoPairs[0]!.decisions, lastId: '01930000-0001-7000-8000-0000000000ff' },
      },
    })
    expect(status).toBeGreaterThanOrEqual(400)
    expect(body.detail).toMatch(/last/)
  })
})

describe('the schedule of many pairs', () => {
  it('lays out the most urgent, counts the others, and passes over what is finished', async () => {
    const flat = demoPairs[2]!
    // Written past the doors: no cards are made of them.
    const made = await server.store.write((tx) =>
      Promise.all(
        Array.from({ length: MOST_OPEN }, (_, k) => {
          const label = PairLabel.parse({ order: `9${k}`, name: 'Try-out', due: k === 7 ? '2026-01-02' : null })
          return createPair(tx, label, flat.decisions)
        }),
      ),
    )
    // Of one card and one plan: what is asked here is which pairs come.
    const card = { problem: '', worst: null, shapes: [], rules: [], steps: [bare] }
    const reads: string[] = []
    const pairs = new OpenPairs(server.store.db, (id) => {
      reads.push(id)
      return Promise.resolve(card)
    })
    const finished = made[3]!
    await server.store.write(async (tx) => {
      await logStep(tx, finished, bare, 'started')
      await logStep(tx, finished, bare, 'finished')
    })
    const first = await pairs.read()
    const ids = first.open.map((p) => p.id)
    expect(ids).toHaveLength(MOST_OPEN)
    expect(ids).toContain(made[7]!)
    expect(ids).not.toContain(finished)
    expect(first.more).toBe(4)
    expect(reads).toContain(finished)
    reads.length = 0
    await pairs.read()
    expect(reads).not.toContain(finished)
    for (const id of made) await server.call('DELETE', `/pairs/${id}`, { version: 1 })
  })
})

describe('the schedule as a calendar', () => {
  it('has every minute of the timetable in it, and the due days', async () => {
    const { timetable, open } = await schedule()
    const { bytes, type } = await server.call('GET', '/schedule.ics')
    expect(type).toContain('text/calendar')
    // Long lines are folded: RFC 5545, 3.1.
    const lines = bytes.toString('utf8').replaceAll('\r\n ', '').split('\r\n')
    expect(lines[0]).toBe('BEGIN:VCALENDAR')
    const at = (name: string) => lines.flatMap((l) => (l.startsWith(`${name}:`) ? [l.slice(name.length + 1)] : []))
    const instant = (text: string) =>
      Date.parse(text.replace(/^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z$/, '$1-$2-$3T$4:$5:$6Z'))
    const [starts, ends] = [at('DTSTART').map(instant), at('DTEND').map(instant)]
    for (const e of timetable.entries) {
      expect(starts.some((s, k) => s <= e.start && e.end <= ends[k]!)).toBe(true)
    }
    expect(lines.filter((l) => l.startsWith('DTSTART;VALUE=DATE:'))).toHaveLength(open.filter((p) => p.due).length)
    expect(Math.max(...ends)).toBe(Math.max(...timetable.entries.map((e) => e.end)))
  })
})

describe('where somebody put a step', () => {
  it('is tried without being kept, kept, and let go again; what cannot be is refused with why', async () => {
    const laid = await schedule()
    const entry = laid.timetable.entries.find((e) => !e.begun && e.parts === 1)!
    const later = entry.start + 3 * 86_400_000
    const wish = { pair: entry.pair, step: entry.step, maker: entry.maker, notBefore: later }
    const tried = await server.call('POST', '/schedule/try', { body: wish })
    expect(tried.status).toBe(200)
    expect(Number(tried.body.start)).toBeGreaterThanOrEqual(later)
    const of = ({ timetable }: { timetable: Timetable }) =>
      timetable.entries.find((e) => e.pair === entry.pair && e.step === entry.step)!
    expect(of(await schedule()).start).toBe(entry.start)
    expect((await server.call('PUT', '/schedule/wishes', { body: wish })).status).toBe(204)
    const put = await schedule()
    expect(of(put).start).toBeGreaterThanOrEqual(later)
    expect(put.open.find((p) => p.id === entry.pair)?.wishes).toEqual([
      { step: entry.step, maker: entry.maker, notBefore: later },
    ])
    const { pair, step } = wish
    expect((await server.call('DELETE', '/schedule/wishes', { body: { pair, step } })).status).toBe(204)
    expect(of(await schedule()).start).toBeLessThan(later)
    const wrong: [object, RegExp][] = [
      [{ ...wish, step: 'fly' }, /no such step/],
      [{ ...wish, maker: 'nobody' }, /not in the calendar/],
      [{ ...wish, maker: null, notBefore: null }, /at which bench/],
      [{ ...wish, pair: '01930000-0003-7000-8000-00000000ffff' }, /not laid out/],
    ]
    for (const [body, why] of wrong) {
      const answer = await server.call('PUT', '/schedule/wishes', { body })
      expect(answer.status).toBe(422)
      expect(answer.body.detail).toMatch(why)
    }
  })
})
