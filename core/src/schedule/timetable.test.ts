import { beforeAll, describe, expect, it } from 'vitest'
import { plainStep } from '../../test/plainStep.ts'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { timetableFaults } from '../../test/timetableFaults.ts'
import type { StepEvent } from '../model/pair.ts'
import type { CardStep } from '../model/pairCard.ts'
import { usualWeek, WorkshopDays } from '../model/workshopDays.ts'
import { cardStep } from '../plan/cardOf.ts'
import { planPair } from '../plan/planPair.ts'
import { daysProblem } from './daysProblem.ts'
import type { OpenPair } from './openPairs.ts'
import { knownWithout, layOut, type Timetable } from './timetable.ts'
import { timetableChanges } from './timetableChanges.ts'

// A Monday, eight in the morning.
const NOW = Date.parse('2026-05-04T06:00:00Z')
const HOUR = 3_600_000
let steps: CardStep[]
/** A step of closing or lasting after which the next must follow within hours. */
let limited: CardStep
beforeAll(() => {
  steps = planPair(samplePair({ construction: 'welted' }), keptCache()).steps.map(cardStep)
  limited = steps.find((s) => s.group === 'last' && s.wait !== null && s.wait.max !== null && s.wait.max < 600)!
})
const pair = (n: number, more: Partial<OpenPair> = {}): OpenPair => ({
  id: `pair ${n}`,
  order: String(n),
  name: `Pair ${n}`,
  due: null,
  weight: 1,
  lasts: ['harbour'],
  steps,
  log: [],
  ...more,
})
const bench = (id: string, more: object = {}) => ({ id, name: id, hours: usualWeek(), ...more })
const workshop = (more: object = {}) => WorkshopDays.parse({ zone: 'Europe/Berlin', ...more })
/** A timetable after so many rounds of the search. */
function laidOut(pairs: OpenPair[], days: WorkshopDays, rounds = 150, now = NOW, known: Timetable | null = null) {
  let round = 0
  const table = layOut(
    daysProblem(pairs, days, () => 1, now),
    { seed: 1, progress: () => round++ / rounds, known },
  )
  expect(table).not.toBeNull()
  return table!
}
const readyOf = (table: Timetable, id: string) => table.pairs.find((p) => p.pair === id)!.ready

/** Laid out round what is known, without any search. */
const relaid = (open: OpenPair[], days: WorkshopDays, known: Pick<Timetable, 'entries'> | null): Timetable =>
  layOut(
    daysProblem(open, days, () => 1, NOW),
    { seed: 1, progress: () => 1, known, worth: 1 },
  )!
const placeOf = (table: Timetable, { pair, step, part }: Timetable['entries'][number]) =>
  table.entries.find((b) => b.pair === pair && b.step === step && b.part === part)!

describe('the timetable of a workshop', () => {
  it('keeps hours, skills, waits, machines and lasts: three pairs, two of them on one last, two makers', () => {
    const days = workshop({
      makers: [
        bench('window', { pace: 1.2 }),
        bench('door', {
          skills: ['prepare', 'cut', 'skive', 'close'],
          off: [{ from: '2026-05-06', to: '2026-05-06' }],
        }),
      ],
      closed: [{ from: '2026-05-14', to: '2026-05-14', why: 'holiday' }],
    })
    const pairs = [pair(1), pair(2), pair(3, { lasts: ['other'] })]
    const table = laidOut(pairs, days)
    expect(table.lost).toEqual([])
    expect(table.nobody).toEqual([])
    expect(timetableFaults(table, pairs, days, NOW)).toEqual([])
  })

  it('is shorter with a second maker and with a second pair of lasts', () => {
    const alone = laidOut([pair(1), pair(2)], workshop({ aim: 'soonest' }))
    const two = laidOut([pair(1), pair(2)], workshop({ aim: 'soonest', makers: [bench('a'), bench('b')] }))
    const apart = laidOut(
      [pair(1), pair(2, { lasts: ['other'] })],
      workshop({ aim: 'soonest', makers: [bench('a'), bench('b')] }),
    )
    const last = (t: Timetable) => Math.max(...t.pairs.map((p) => p.ready))
    const hands = (n: number) =>
      last(
        laidOut(
          [1, 2, 3, 4].map((k) => pair(k, { lasts: [`last ${k}`] })),
          workshop({ aim: 'soonest', makers: [bench('a'), bench('b')].slice(0, n) }),
        ),
      )
    expect(last(two)).toBeLessThanOrEqual(last(alone))
    expect(last(apart)).toBeLessThan(last(two) - 24 * HOUR)
    expect(hands(2)).toBeLessThan(hands(1) - 24 * HOUR)
  })

  it('puts first who is due first, and says how late the other is', () => {
    const due = (a: string | null, b: string | null) => laidOut([pair(1, { due: a }), pair(2, { due: b })], workshop())
    const first = due('2026-05-20', '2026-12-20')
    const second = due('2026-12-20', '2026-05-20')
    expect(readyOf(first, 'pair 1')).toBeLessThan(readyOf(first, 'pair 2'))
    expect(readyOf(second, 'pair 2')).toBeLessThan(readyOf(second, 'pair 1'))
    const never = due('2026-05-05', null)
    const { late, ready } = never.pairs.find((p) => p.pair === 'pair 1')!
    // The day ends at midnight in the workshop.
    expect(late).toBe((ready - Date.parse('2026-05-05T22:00:00Z')) / 60_000)
  })

  it('tells what decides: links that join without a gap but for waits and closed hours, back to now', () => {
    const table = laidOut([pair(1), pair(2)], workshop({ aim: 'soonest', makers: [bench('a'), bench('b')] }))
    const latest = table.pairs.reduce((a, b) => (a.ready > b.ready ? a : b))
    expect(latest.chain[0]!.end).toBe(latest.ready)
    latest.chain.forEach((link, k) => {
      const next = latest.chain[k + 1]
      const wait = link.held.by === 'step' ? link.held.wait : 0
      // What held up the follower of something put off may have gone on beside it.
      if (link.held.by === 'fresh') expect(link.idle).toBe(0)
      // The taking of the lasts is no link of its own.
      else if (link.held.by === 'last') expect(next!.end).toBeLessThanOrEqual(link.start)
      else if (next) expect(next.end + (wait + link.idle) * 60_000).toBe(link.start)
      else expect(link.start - link.idle * 60_000).toBe(NOW)
    })
    // One pair of lasts for two pairs of shoes: the second one waits for them.
    expect(latest.chain.some((l) => l.held.by === 'last')).toBe(true)
  })

  it('is there also when there was no time at all to look for it', () => {
    const days = workshop({ makers: [bench('a')] })
    const open = [pair(1), pair(2), pair(3), pair(4)]
    const table = layOut(
      daysProblem(open, days, () => 1, NOW),
      { seed: 1, progress: () => 1 },
    )
    expect(table).not.toBeNull()
    expect(timetableFaults(table!, open, days, NOW)).toEqual([])
  })
  it('puts a step where somebody wants it, and all else round it; a wish for one who cannot is none', () => {
    const days = workshop({ makers: [bench('a'), bench('b'), bench('c', { skills: ['close'] })] })
    const thursday = Date.parse('2026-05-07T08:00:00Z')
    const of = (table: Timetable, step: string) => table.entries.filter((e) => e.pair === 'pair 1' && e.step === step)
    const skive = steps.find((s) => s.group === 'skive')!.id
    const put = [pair(1, { wishes: [{ step: skive, maker: 'b', notBefore: thursday }] }), pair(2, { lasts: ['other'] })]
    const table = laidOut(put, days)
    expect(of(table, skive).every((e) => e.maker === 'b' && e.start >= thursday)).toBe(true)
    expect(timetableFaults(table, put, days, NOW)).toEqual([])
    const cannot = [pair(1, { wishes: [{ step: skive, maker: 'c', notBefore: null }] })]
    const other = laidOut(cannot, days)
    expect(of(other, skive).every((e) => e.maker !== 'c')).toBe(true)
    expect(timetableFaults(other, cannot, days, NOW)).toEqual([])
  })
  it('says what a move moves: pairs that are ready at another time, steps beside it, waits that are lost', () => {
    const days = workshop({ makers: [bench('a')] })
    const open = [pair(1), pair(2, { lasts: ['other'] })]
    const before = laidOut(open, days)
    expect(timetableChanges(before, before, { pair: 'pair 1', step: 'print' })).toEqual({
      pairs: [],
      steps: 0,
      lost: [],
    })
    // A week later: its pair cannot be ready before.
    const later = Date.parse('2026-05-18T06:00:00Z')
    const put = [pair(1, { wishes: [{ step: 'check-base', maker: null, notBefore: later }] }), open[1]!]
    const after = laidOut(put, days, 150, NOW, before)
    const changes = timetableChanges(before, after, { pair: 'pair 1', step: 'check-base' })
    const mine = changes.pairs.find((p) => p.pair === 'pair 1')!
    expect(mine.to).toBe(readyOf(after, 'pair 1'))
    expect(mine.to).toBeGreaterThan(mine.from)
    expect(changes.steps).toBeGreaterThan(10)
  })
  it('puts a pair’s step a day later round what is known: others are no later, and less moves than if all were laid anew', () => {
    const days = workshop({ makers: [bench('a'), bench('b')] })
    const open = [1, 2, 3, 4].map((n) => pair(n, { lasts: [`last ${n}`] }))
    const before = laidOut(open, days, 200)
    const { step, start } = before.entries.find((e) => e.pair === 'pair 1' && e.step === 'cut-upper')!
    const wishes = [{ step, maker: null, notBefore: start + 30 * HOUR }]
    const put = open.map((p) => (p.id === 'pair 1' ? { ...p, wishes } : p))
    const problem = daysProblem(put, days, () => 1, NOW)
    const moved = (known: Timetable | null) => {
      const after = layOut(problem, { seed: 1, progress: () => 1, known, worth: 1 })!
      expect(timetableFaults(after, put, days, NOW)).toEqual([])
      const { pairs, steps: n } = timetableChanges(before, after, { pair: 'pair 1', step })
      const later = pairs.filter((p) => p.pair !== 'pair 1').map((p) => (p.to - p.from) / HOUR)
      return { share: n / after.entries.length, later: Math.max(0, ...later) }
    }
    const round = moved(before)
    expect(round.later).toBeLessThan(3)
    // Laid out anew without what was known, more lies elsewhere.
    expect(moved(null).share).toBeGreaterThan(round.share)
  })
  it('brings a step forward again that nobody wants later any more, though the days before are full', () => {
    const days = workshop({ makers: [bench('a')] })
    const first = plainStep('first', { minutes: 60 })
    const others = Array.from({ length: 20 }, (_, k) => pair(k + 2, { steps: [{ ...first, id: `other ${k}` }] }))
    const open = [pair(1, { steps: [first] }), ...others]
    const lay = (pairs: OpenPair[], known: Pick<Timetable, 'entries'> | null) => relaid(pairs, days, known)
    const startIn = (t: Timetable) => t.entries.find((e) => e.pair === 'pair 1')!.start
    const later = NOW + 24 * HOUR
    const put = lay([{ ...open[0]!, wishes: [{ step: 'first', maker: null, notBefore: later }] }, ...others], null)
    expect(startIn(put)).toBeGreaterThanOrEqual(later)
    // Everything known kept as it is, it comes before nothing that was laid before it.
    const last = Math.max(...put.entries.map((e) => e.start))
    const known = { entries: put.entries.map((e) => (e.pair === 'pair 1' ? { ...e, start: last + HOUR } : e)) }
    expect(startIn(lay(open, known))).toBeGreaterThan(later)
    expect(startIn(lay(open, knownWithout(known, { pair: 'pair 1', step: 'first' })))).toBe(NOW)
  })
  it('brings a step forward to where somebody wants it now, though it was known to begin later and its pair gains nothing', () => {
    const days = workshop({ makers: [bench('a')] })
    const steps = ['first', 'second'].map((id) => plainStep(id, { minutes: 60 }))
    const wanted = (notBefore: number) => {
      const wish = (step: string, from: number) => ({ step, maker: 'a', notBefore: from })
      return [pair(1, { steps, wishes: [wish('first', notBefore), wish('second', NOW + 96 * HOUR)] })]
    }
    const late = relaid(wanted(NOW + 48 * HOUR), days, null)
    const sooner = relaid(wanted(NOW + 24 * HOUR), days, late)
    const startOf = (t: Timetable) => t.entries.find((e) => e.step === 'first')!.start
    expect([late, sooner].map(startOf)).toEqual([NOW + 48 * HOUR, NOW + 24 * HOUR])
  })
  it('keeps no pair waiting for the sake of what is known: what once ran over is made up for', () => {
    const days = workshop({ makers: [bench('a')] })
    const steps = [plainStep('first', { minutes: 60 })]
    // The other pair is the last to be ready, whatever becomes of this one.
    const last = pair(2, { steps, wishes: [{ step: 'first', maker: null, notBefore: NOW + 96 * HOUR }] })
    const late = relaid(
      [pair(1, { steps, wishes: [{ step: 'first', maker: null, notBefore: NOW + 48 * HOUR }] }), last],
      days,
      null,
    )
    expect(readyOf(late, 'pair 1')).toBe(NOW + 49 * HOUR)
    expect(readyOf(relaid([pair(1, { steps }), last], days, late), 'pair 1')).toBe(NOW + HOUR)
  })
  it('leaves a step that is begun with whoever began it', () => {
    const days = workshop({ makers: [bench('a'), bench('b')] })
    const log: StepEvent[] = [
      { step: 'print', what: 'started', at: new Date(NOW - HOUR / 6).toISOString(), maker: 'b' },
    ]
    const table = laidOut([pair(1, { log })], days)
    expect(table.entries.find((e) => e.step === 'print')).toMatchObject({ maker: 'b', begun: true })
  })

  it('leaves what is begun where it is, and little else moves by more than an hour when it runs over', () => {
    const days = workshop({ makers: [bench('a'), bench('b')] })
    const open = [pair(1), pair(2, { lasts: ['other'] })]
    const before = laidOut(open, days)
    const first = before.entries[0]!
    const at = (what: StepEvent['what'], time: number): StepEvent => ({
      step: first.step,
      what,
      at: new Date(time).toISOString(),
      maker: first.maker,
    })
    const running = open.map((p) => (p.id === first.pair ? { ...p, log: [at('started', first.start)] } : p))
    const later = first.end + 0.5 * HOUR
    const after = laidOut(running, days, 150, later, before)
    expect(timetableFaults(after, running, days, later)).toEqual([])
    const same = after.entries.find((e) => e.pair === first.pair && e.step === first.step)!
    expect(same).toMatchObject({ begun: true, start: first.start, end: later + 5 * 60_000 })
    const moved = (to: Timetable) =>
      to.entries.filter((e) => Math.abs(e.start - placeOf(before, e).start) > HOUR).length
    // What is the last thing of a day moves over a night, and what waits for it; laid out anew, far more would.
    expect(1.5 * moved(after)).toBeLessThan(moved(laidOut(running, days, 150, later)))
    // Nothing goes to another bench, and nothing comes sooner than it was known to.
    expect(after.entries.filter((e) => placeOf(before, e).maker !== e.maker)).toEqual([])
    expect(after.entries.filter((e) => e.start < placeOf(before, e).start)).toEqual([])
    const done = running.map((p) => (p.id === first.pair ? { ...p, log: [...p.log, at('finished', later)] } : p))
    expect(
      laidOut(done, days, 60, later, after).entries.some((e) => e.pair === first.pair && e.step === first.step),
    ).toBe(false)
  })

  it('does before its wait runs out what follows a step that is done', () => {
    const chain = (max: number | null): CardStep[] => [
      plainStep('cement', { minutes: 30, wait: { min: 15, max } }),
      plainStep('join', { minutes: 30, after: ['cement'] }),
      plainStep('other', { minutes: 30 }),
    ]
    const log: StepEvent[] = [
      { step: 'cement', what: 'started', at: new Date(NOW - HOUR).toISOString() },
      { step: 'cement', what: 'finished', at: new Date(NOW - HOUR / 6).toISOString() },
    ]
    const open = [pair(1, { steps: chain(40), log }), pair(2, { steps: chain(null), due: '2026-05-04', weight: 9 })]
    const table = laidOut(open, workshop())
    expect(timetableFaults(table, open, workshop(), NOW)).toEqual([])
    const join = table.entries.find((e) => e.pair === 'pair 1' && e.step === 'join')!
    expect((join.start - NOW) / 60_000).toBeGreaterThanOrEqual(5)
    expect((join.start - NOW) / 60_000).toBeLessThanOrEqual(30)
  })

  it('names a wait that runs out before anybody works again, and lays out all else as well as without it', () => {
    const evening = Date.parse('2026-05-04T20:00:00Z')
    const log: StepEvent[] = ['started', 'finished'].map((what) => ({
      step: limited.id,
      what: what as StepEvent['what'],
      at: new Date(evening - 60_000).toISOString(),
    }))
    // Everything before it is done as well.
    const before = steps
      .slice(0, steps.indexOf(limited))
      .flatMap((s): StepEvent[] => [
        { step: s.id, what: 'finished', at: new Date(evening - 10 * 24 * HOUR).toISOString() },
      ])
    const open = [pair(1, { log: [...before, ...log] }), pair(2, { lasts: ['other'] })]
    const table = laidOut(open, workshop(), 150, evening)
    expect(table.lost.map((l) => [l.pair, l.from])).toEqual([['pair 1', limited.id]])
    expect(timetableFaults(table, open, workshop(), evening)).toEqual([])
    const free = open.map((p) => ({
      ...p,
      steps: p.steps.map((s) => (s.id === limited.id && s.wait ? { ...s, wait: { ...s.wait, max: null } } : s)),
    }))
    const without = laidOut(free, workshop(), 150, evening)
    const last = (t: Timetable) => Math.max(...t.pairs.map((p) => p.ready))
    expect(last(table)).toBeLessThanOrEqual(last(without) + 4 * HOUR)
  })

  it('names a wait that no order keeps, and is laid out without it: cement at five to noon has an hour of dinner', () => {
    const steps = [
      plainStep('paste', { wait: { min: 600, max: 660 } }),
      plainStep('pull', { minutes: 30, after: ['paste'] }),
    ]
    // Ten hours of drying that must not become eleven end in the night.
    const table = laidOut([pair(1, { steps })], workshop())
    expect(table.lost).toEqual([{ pair: 'pair 1', from: 'paste', to: 'pull' }])
    expect(table.entries).toHaveLength(2)
  })

  it('says which steps nobody can do', () => {
    const days = workshop({ makers: [bench('a', { skills: ['cut', 'skive'] })] })
    const nobody = laidOut([pair(1)], days).nobody
    expect(nobody.length).toBe(steps.filter((s) => !['cut', 'skive'].includes(s.group)).length)
    expect(nobody[0]).toMatchObject({ pair: 'pair 1', why: 'skill' })
  })
})
