import { LeftShoe } from '@gentle-awl/core'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { decisions, view } from '../../test/pair.ts'
import { fakeServer, otherId } from '../../test/fakeServer.ts'
import { keepDraft, readDraft } from './draft.ts'
import { usePair } from './pairStore.ts'

// The worker has its own tests in the core; here it is enough that a plan is asked for.
const planLatest = vi.hoisted(() => vi.fn())
vi.mock('../workers/plan/planner.ts', () => ({ planLatest }))

let server: ReturnType<typeof fakeServer>
beforeEach(() => {
  vi.useFakeTimers()
  planLatest.mockReset().mockResolvedValue({ value: null, problem: '' })
  localStorage.clear()
  server = fakeServer()
  // Stores of earlier tests must not hear of these saves.
  vi.stubGlobal('BroadcastChannel', undefined)
  setActivePinia(createPinia())
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const writes = () => server.seen.filter((s) => s.method !== 'GET')
const id = view().id

describe('saving', () => {
  it('one drag of many values is one write, made on the version that was read', async () => {
    const pair = usePair()
    await pair.load(id)
    for (let mm = 50; mm <= 60; mm += 0.5) pair.setFigure('puff.length', mm)
    expect(writes()).toHaveLength(0)
    await vi.advanceTimersByTimeAsync(600)
    expect(writes()).toHaveLength(1)
    expect(writes()[0]).toMatchObject({ method: 'PUT', version: '"1"', body: { decisions: { puff: { length: 60 } } } })
    expect(pair.dirty).toBe(false)
    expect(pair.view?.revision).toBe(2)
    expect(readDraft(id)).toBeNull()
  })
  it('a slow drag is one write too: nothing is sent while something is held, and it is kept in the browser meanwhile', async () => {
    const pair = usePair()
    await pair.load(id)
    pair.hold()
    for (const mm of [50, 54, 58]) {
      pair.setFigure('puff.length', mm)
      await vi.advanceTimersByTimeAsync(900)
    }
    expect(writes()).toHaveLength(0)
    expect(readDraft(id)?.decisions.puff.length).toBe(58)
    pair.letGo()
    await vi.advanceTimersByTimeAsync(600)
    expect(writes()).toHaveLength(1)
    expect(server.pair.decisions.puff.length).toBe(58)
  })
  it('two changes of different things are two writes, however quickly they follow, and the last state is what stays', async () => {
    const pair = usePair()
    await pair.load(id)
    pair.setFigure('puff.length', 52)
    pair.setFigure('puff.length', 53)
    pair.setFigure('midsole.room', 8)
    pair.setPairRule('puff.backSkive', 14)
    await vi.advanceTimersByTimeAsync(1500)
    const sent = writes().map((w) => w.body?.decisions)
    expect(sent.map((d) => [d?.puff.length, d?.midsole.room, d?.rules['puff.backSkive']])).toEqual([
      [53, null, undefined],
      [53, 8, undefined],
      [53, 8, 14],
    ])
    expect(writes().map((w) => w.version)).toEqual(['"1"', '"2"', '"3"'])
    expect(pair.dirty).toBe(false)
    expect(readDraft(id)).toBeNull()
  })
  it('keeps what is not saved in the browser at once, and saves it when the server is back', async () => {
    const pair = usePair()
    await pair.load(id)
    server.down = true
    pair.setFigure('midsole.room', 7)
    expect(readDraft(id)?.decisions.midsole.room).toBe(7)
    await vi.advanceTimersByTimeAsync(600)
    expect(pair.saveProblem).toMatch(/does not answer/)
    expect(pair.dirty).toBe(true)
    server.down = false
    await pair.flush()
    expect(pair.saveProblem).toBeNull()
    expect(server.pair.decisions.midsole.room).toBe(7)
  })
  it('a change made while a save is on its way is saved too, on the new version', async () => {
    const pair = usePair()
    await pair.load(id)
    pair.setFigure('puff.length', 55)
    const first = pair.flush()
    while (writes().length === 0) await Promise.resolve()
    pair.setFigure('puff.length', 58)
    await first
    await vi.advanceTimersByTimeAsync(600)
    expect(writes().map((w) => [w.version, w.body?.decisions?.puff.length])).toEqual([
      ['"1"', 55],
      ['"2"', 58],
    ])
    expect(server.pair.decisions.puff.length).toBe(58)
  })
})

describe('two versions', () => {
  const elsewhere = () => {
    server.pair = view(2, { decisions: { ...decisions, puff: { length: 52 } } })
  }
  it('a stale write overwrites nothing and offers both', async () => {
    const pair = usePair()
    await pair.load(id)
    elsewhere()
    pair.setFigure('puff.length', 66)
    await pair.flush()
    expect(server.pair.decisions.puff.length).toBe(52)
    expect(pair.conflict?.mine.decisions.puff.length).toBe(66)
    expect(pair.conflict?.theirs.decisions.puff.length).toBe(52)
    // Nothing more is sent until the person has chosen.
    pair.setFigure('puff.length', 67)
    await vi.advanceTimersByTimeAsync(1000)
    expect(server.pair.version).toBe(2)
  })
  it.each([
    ['mine' as const, 66, 3],
    ['theirs' as const, 52, 2],
  ])('keeping %s leaves that one on screen and on the server', async (keep, length, version) => {
    const pair = usePair()
    await pair.load(id)
    elsewhere()
    pair.setFigure('puff.length', 66)
    await pair.flush()
    await pair.settleConflict(keep)
    expect(pair.conflict).toBeNull()
    expect(pair.decisions?.puff.length).toBe(length)
    expect(server.pair.decisions.puff.length).toBe(length)
    expect(server.pair.version).toBe(version)
    expect(readDraft(id)).toBeNull()
  })
  it('a draft on the same version comes back and is saved; one on an older version is offered', async () => {
    keepDraft(id, { version: 1, label: view().label, decisions: { ...decisions, puff: { length: 61 } } })
    const pair = usePair()
    await pair.load(id)
    await vi.advanceTimersByTimeAsync(600)
    expect(server.pair.decisions.puff.length).toBe(61)

    keepDraft(id, { version: 1, label: view().label, decisions: { ...decisions, puff: { length: 44 } } })
    await pair.load(id)
    expect(pair.conflict?.mine.decisions.puff.length).toBe(44)
    expect(server.pair.decisions.puff.length).toBe(61)
  })
  it('a draft that says what is there already is dropped, and so is one that no longer reads', async () => {
    keepDraft(id, { version: 1, label: view().label, decisions })
    await usePair().load(id)
    expect(readDraft(id)).toBeNull()
    localStorage.setItem(`gentle-awl.draft.${id}`, '{"version":1,')
    expect(readDraft(id)).toBeNull()
    expect(localStorage.getItem(`gentle-awl.draft.${id}`)).toBeNull()
  })
})

describe('undo', () => {
  it('saves first what is under way, then asks for the revision before', async () => {
    const pair = usePair()
    await pair.load(id)
    pair.setFigure('puff.length', 55)
    await pair.move('undo')
    expect(writes().map((w) => `${w.method} ${w.path.replace(id, ':id')} ${w.version}`)).toEqual([
      'PUT /pairs/:id "1"',
      'POST /pairs/:id/undo "2"',
    ])
  })
  it('a held key goes back one revision after the other: every press from where the last one led', async () => {
    const pair = usePair()
    await pair.load(id)
    pair.setFigure('puff.length', 55)
    await pair.flush()
    await Promise.all(Array.from({ length: 8 }, () => pair.move('undo')))
    const moves = writes().filter((w) => w.method === 'POST')
    expect(moves).toHaveLength(8)
    expect(moves.map((w) => w.version)).toEqual(moves.map((_, k) => `"${k + 2}"`))
    expect(pair.saveProblem).toBeNull()
    expect(pair.conflict).toBeNull()
  })
  it('with nothing to take back nothing is asked', async () => {
    const pair = usePair()
    await pair.load(id)
    await pair.move('undo')
    await pair.move('redo')
    expect(writes()).toEqual([])
  })
  it('rules of the pair come and go without leaving a trace', async () => {
    const pair = usePair()
    await pair.load(id)
    pair.setPairRule('puff.sweep', 6)
    expect(pair.decisions?.rules).toEqual({ 'puff.sweep': 6 })
    pair.setPairRule('puff.sweep', null)
    expect(pair.decisions).toEqual(decisions)
  })
})

it('an unknown pair says why it cannot be shown', async () => {
  server.down = true
  const pair = usePair()
  await pair.load(id)
  expect(pair.loadProblem).toMatch(/does not answer/)
  expect(pair.view).toBeNull()
})

describe('from one pair straight to another', () => {
  it('what waits is sent as the first one’s, and an undo pressed there takes nothing back here', async () => {
    const pair = usePair()
    await pair.load(id)
    pair.setFigure('puff.length', 52)
    pair.setFigure('stiffener.backHeight', 61)
    void pair.move('undo')
    await pair.load(otherId)
    expect(pair.view?.id).toBe(otherId)
    expect(writes().map((w) => w.path)).toEqual([`/pairs/${id}`, `/pairs/${id}`, `/pairs/${id}/undo`])
    expect(server.other).toMatchObject({ version: 1, decisions: { puff: decisions.puff } })
    expect(readDraft(id)).toBeNull()
  })
  it('a plan of the first one that is late is not shown for the second', async () => {
    const pair = usePair()
    const [first, second] = [{ steps: [1] }, { steps: [2] }]
    let [late, slow] = [(_: object) => {}, (_: object) => {}]
    planLatest.mockReturnValueOnce(new Promise((resolve) => (late = resolve)))
    const loading = pair.load(id)
    await vi.waitFor(() => expect(planLatest).toHaveBeenCalledOnce())
    planLatest.mockReturnValueOnce(new Promise((resolve) => (slow = resolve)))
    const next = pair.load(otherId)
    await vi.waitFor(() => expect(planLatest).toHaveBeenCalledTimes(2))
    late({ value: first, problem: null })
    await loading
    expect(pair.whole).toBeNull()
    expect(pair.planning).toBe(true)
    slow({ value: second, problem: null })
    await next
    expect(pair.whole).toBe(second)
  })
  it('of two asked for, the one asked for last is there, whichever is answered first', async () => {
    const pair = usePair()
    await Promise.all([pair.load(id), pair.load(otherId), pair.load(id)])
    expect(pair.view?.id).toBe(id)
    await Promise.all([pair.load(id), pair.load(otherId)])
    expect(pair.view?.id).toBe(otherId)
  })
  it('what could not be sent stays the first one’s draft, and its trouble does not follow', async () => {
    const pair = usePair()
    await pair.load(id)
    pair.setFigure('puff.length', 52)
    // Somebody else was quicker.
    server.pair = { ...server.pair, version: 9 }
    await pair.load(otherId)
    expect(pair.conflict).toBeNull()
    expect(pair.dirty).toBe(false)
    expect(pair.decisions?.puff.length).toBe(decisions.puff.length)
    expect(readDraft(id)?.decisions.puff.length).toBe(52)
    await pair.load(id)
    expect(pair.conflict?.mine.decisions.puff.length).toBe(52)
  })
})

describe('the left shoe', () => {
  const own = () => ({ ...decisions, left: LeftShoe.parse({ padding: 'half' }) })
  it('takes figures set by hand while it is shown, and only then; the decisions shown are its own', async () => {
    const pair = usePair()
    await pair.load(id)
    pair.foot = 'left'
    pair.setFigure('puff.length', 51)
    // Still a mirror: there is one shoe to decide about.
    expect(pair.decisions?.puff.length).toBe(51)
    pair.change(own())
    expect(pair.ownLeft).toBe(true)
    expect(pair.decided?.sock.padding).toBe('half')
    pair.setFigure('puff.length', 49)
    expect(pair.decisions?.left?.figures).toEqual({ 'puff.length': 49 })
    expect(pair.decided?.puff.length).toBe(49)
    pair.foot = 'right'
    pair.setFigure('puff.length', 53)
    expect(pair.decisions?.puff.length).toBe(53)
    expect(pair.decisions?.left?.figures).toEqual({ 'puff.length': 49 })
    expect(pair.decided?.sock.padding).not.toBe('half')
  })
})
