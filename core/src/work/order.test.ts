import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { samplePair } from '../../test/samplePair.ts'
import { keptCache } from '../../test/keptCache.ts'
import { OwnStep, WorkDecisions } from '../model/work.ts'
import { StepEvent } from '../model/pair.ts'
import { PlanError } from '../plan/planError.ts'
import { planPair } from '../plan/planPair.ts'
import { spoken } from '../units/sentence.ts'
import { fixed } from './effort.ts'
import { moveStep, placesFor } from './moveStep.ts'
import { bring, eachFoot, operation, want } from './operation.ts'
import { inOrder, preferred, reasonsFor, withoutImplied } from './order.ts'
import { fitsAmong } from './ownSteps.ts'
import { progress } from './progress.ts'
import { stepState } from './standing.ts'

const cache = keptCache(12)
const planned = (work: Partial<WorkDecisions> = {}) =>
  planPair(samplePair({ work: WorkDecisions.parse(work) }), cache).steps
const effort = fixed(1, 'One minute.')
const op = (id: string, more: Partial<Parameters<typeof operation>[0]>) =>
  operation({ id, name: id, group: 'cut', effort, makes: [], ...more })

describe('reasons of order', () => {
  it('a thing goes through its phases; one that is left out leaves no reason behind', () => {
    const cut = op('cut', { makes: bring(['sole'], 'cut', '') })
    const skive = op('skive', { makes: bring(['sole'], 'skived', 'after the cut') })
    const dye = op('dye', { makes: bring(['sole'], 'coloured', 'cut first', { skived: 'skived first' }) })
    expect(reasonsFor([cut, skive, dye]).get('dye')).toEqual([{ id: 'skive', why: 'skived first' }])
    expect(reasonsFor([cut, dye]).get('dye')).toEqual([{ id: 'cut', why: 'cut first' }])
    expect(reasonsFor([dye]).get('dye')).toEqual([])
  })
  it('a need looks at how far a thing has come by then, and no further', () => {
    const cut = op('cut', { makes: bring(['sole'], 'cut', '') })
    const dye = op('dye', { makes: bring(['sole'], 'coloured', 'cut first') })
    const glue = op('glue', { makes: bring(['shoe'], 'soled', ''), needs: want(['sole'], 'skived', 'thin') })
    expect(reasonsFor([cut, dye, glue]).get('glue')).toEqual([{ id: 'cut', why: 'thin' }])
  })
  it('feet go their own way, and what is done for both waits for either', () => {
    const each = (id: string, phase: 'lasted' | 'margin trimmed') =>
      eachFoot(() => ({ id, name: id, group: 'last', effort, makes: bring(['shoe'], phase, 'first') }))
    const all = [...each('pull', 'lasted'), ...each('trim', 'margin trimmed')]
    const level = op('level', { makes: bring(['shoe'], 'levelled', 'both') })
    const reasons = reasonsFor([...all, level])
    expect(reasons.get('trim.left')!.map((r) => r.id)).toEqual(['pull.left'])
    expect(reasons.get('level')!.map((r) => r.id)).toEqual(['trim.right', 'trim.left'])
    // One foot that needs nothing trimmed is as far as it was pulled.
    const lame = reasonsFor([...all.filter((o) => o.id !== 'trim.left'), level])
    expect(lame.get('level')!.map((r) => r.id)).toEqual(['trim.right', 'pull.left'])
  })
  it('drops what is implied, and only that', () => {
    // Random orders on n numbers, each waiting for smaller ones: what remains reaches the same and loses nothing by one less.
    fc.assert(
      fc.property(fc.array(fc.array(fc.nat(30), { maxLength: 6 }), { minLength: 2, maxLength: 14 }), (lists) => {
        const steps = lists.map((after, i) => ({
          id: String(i),
          after: [...new Set(after.filter((a) => a < i))].map((a) => ({ id: String(a) })),
        }))
        const closure = (of: (id: string) => readonly { id: string }[]) =>
          steps.map(({ id }) => {
            const seen = new Set<string>()
            const walk = (at: string): void => of(at).forEach((a) => !seen.has(a.id) && (seen.add(a.id), walk(a.id)))
            walk(id)
            return [...seen].sort().join()
          })
        const nearest = withoutImplied(steps)
        const whole = closure((id) => steps[Number(id)]!.after)
        expect(closure((id) => nearest.get(id)!)).toEqual(whole)
        for (const [id, after] of nearest) {
          for (const dropped of after) {
            const less = closure((at) => nearest.get(at)!.filter((a) => at !== id || a.id !== dropped.id))
            expect(less).not.toEqual(whole)
          }
        }
      }),
      { numRuns: 60 },
    )
  })
  it('refuses circles and unknown steps', () => {
    const step = (id: string, ...after: string[]) => ({ id, after: after.map((a) => ({ id: a })) })
    expect(() => inOrder([step('a', 'b'), step('b', 'a')])).toThrow(/wait for each other/)
    expect(() => inOrder([step('a', 'x')])).toThrow(/not in the list/)
  })
  it('takes a wanted order as far as it names steps; the others stay behind whom they stood behind', () => {
    const ids = (wanted: string[]) =>
      preferred(
        [...'abcde'].map((id) => ({ id })),
        wanted,
      )
        .map((s) => s.id)
        .join('')
    expect(ids([])).toBe('abcde')
    expect(ids(['d', 'a'])).toBe('deabc')
    expect(ids(['e', 'd', 'c', 'b', 'a'])).toBe('edcba')
    expect(ids(['gone', 'b', 'a'])).toBe('bcdea')
  })
})

describe('a step that is moved', () => {
  const steps = planned()
  it('goes wherever no reason forbids it, and the plan keeps that order', () => {
    fc.assert(
      fc.property(fc.nat(steps.length - 1), fc.nat(steps.length), (from, to) => {
        const id = steps[from]!.id
        const before = steps[to]?.id ?? null
        const moved = moveStep(steps, id, before)
        /** Everything that waits for a step, however far on. */
        const waits = (a: string, b: string): boolean =>
          steps.find((s) => s.id === a)!.after.some((x) => x.id === b || waits(x.id, b))
        const passed = to < from ? steps.slice(to, from) : steps.slice(from + 1, to)
        const forbidden = passed.some((s) => (to < from ? waits(id, s.id) : waits(s.id, id)))
        if ('held' in moved) {
          expect(forbidden).toBe(true)
          expect(spoken(moved.held.why).length).toBeGreaterThan(8)
          expect(passed.some((s) => s.id === moved.held.id)).toBe(true)
        } else {
          expect(forbidden).toBe(false)
          expect([...moved.order].sort()).toEqual(steps.map((s) => s.id).sort())
        }
      }),
      { numRuns: 300 },
    )
    const moved = moveStep(steps, 'cut-puff', 'cut-upper')
    expect('order' in moved && planned({ order: moved.order }).map((s) => s.id)).toEqual(
      'order' in moved && moved.order,
    )
  })
  it('that is held says by what, which way round, and why', () => {
    expect(moveStep(steps, 'skive-puff', 'print')).toEqual({
      held: {
        id: 'cut-puff',
        name: 'Cut the toe puffs from belly',
        why: 'it is skived dry, from the cut edge',
        first: 'other',
      },
    })
    expect(moveStep(steps, 'cut-puff', null)).toMatchObject({ held: { id: 'skive-puff', first: 'this' } })
  })
  it('may be put before just those steps that no reason forbids', () => {
    for (const { id } of steps) {
      const { before, behind, ahead } = placesFor(steps, id)
      const possible = [...steps.map((s) => s.id), null].filter((b) => b !== id && 'order' in moveStep(steps, id, b))
      expect(before).toEqual(possible)
      const held = (b: string | null) => {
        const moved = moveStep(steps, id, b)
        return 'held' in moved ? moved.held : null
      }
      if (behind) expect(held(behind.id)).toMatchObject({ id: behind.id, why: behind.why, first: 'other' })
      const past = ahead && (steps[steps.findIndex((s) => s.id === ahead.id) + 1]?.id ?? null)
      if (ahead) expect(held(past)).toMatchObject({ id: ahead.id, why: ahead.why, first: 'this' })
    }
  })
  it('an order that breaks a reason is followed only as far as it goes', () => {
    const ids = planned({ order: [...steps].reverse().map((s) => s.id) }).map((s) => s.id)
    expect([...ids].sort()).toEqual(steps.map((s) => s.id).sort())
    const list = planned({ order: [...steps].reverse().map((s) => s.id) })
    list.forEach((s, i) => s.after.forEach((a) => expect(ids.indexOf(a.id)).toBeLessThan(i)))
  })
})

describe('own steps', () => {
  const own = (id: string, more: Partial<OwnStep> = {}) =>
    OwnStep.parse({ id: `own.${id}`, name: `Own ${id}`, group: 'close', ...more })
  it('stand where they were put, take their time, and name no part', () => {
    const list = planned({
      own: [own('stamp', { after: ['cut-lining'], before: ['join-lining'], minutes: 7, wait: 60 })],
    })
    const at = (id: string) => list.findIndex((s) => s.id === id)
    const step = list[at('own.stamp')]!
    expect(step).toMatchObject({ own: true, minutes: { value: 7 }, wait: { min: 60, max: null }, parts: [] })
    expect(at('own.stamp')).toBeGreaterThan(at('cut-lining'))
    expect(at('own.stamp')).toBeLessThan(at('join-lining'))
    expect(list[at('join-lining')]!.after.map((a) => a.id)).toContain('own.stamp')
    expect(list).toHaveLength(planned().length + 1)
    // Its log can be kept, however long its name is.
    const [long] = planned({ own: [own('x'.repeat(60))] }).filter((s) => s.own)
    expect(StepEvent.safeParse({ step: long!.id, what: 'started', at: '2026-11-02T09:00:00.000Z' }).success).toBe(true)
  })
  it('bind both feet where they name a step of each, and nothing where the pair has no such step', () => {
    const list = planned({ own: [own('shine', { after: ['last-toe', 'sew-cup'] })] })
    expect(list.find((s) => s.id === 'own.shine')!.after.map((a) => a.id)).toEqual(['last-toe.right', 'last-toe.left'])
  })
  it('fit among the steps of a plan just where a plan with them can be made', () => {
    const list = planned()
    const pairs: [string[], string[]][] = [
      [['cut-lining'], ['join-lining']],
      [['join-lining'], ['cut-lining']],
      [['last-toe'], ['last-back']],
      [['last-back'], ['last-toe']],
      [['no such step'], ['print']],
      [['print'], ['print']],
    ]
    for (const [after, before] of pairs) {
      const step = own('try', { after, before })
      let possible = true
      try {
        planned({ own: [step] })
      } catch (error) {
        if (!(error instanceof PlanError)) throw error
        possible = false
      }
      expect(fitsAmong(list, step), `${after.join()} then ${before.join()}`).toBe(possible)
    }
    // One that is there already is asked anew, and does not stand in its own way.
    const there = planned({ own: [own('try', { after: ['cut-lining'] })] })
    expect(fitsAmong(there, own('try', { before: ['cut-lining'] }))).toBe(true)
  })
  it('that would wait for themselves are refused by name', () => {
    const circle = () => planned({ own: [own('knot', { after: ['join-lining'], before: ['cut-upper'] })] })
    expect(circle).toThrow(PlanError)
    expect(circle).toThrow(/“Own knot” would have to come before and after/)
    expect(() => planned({ own: [own('a', { after: ['own.b'] }), own('b', { after: ['own.a'] })] })).toThrow(/“Own a”/)
  })
})

describe('a log from before steps were split', () => {
  const steps = planned()
  const event = (step: string, what: StepEvent['what'], minute: number): StepEvent => ({
    step,
    what,
    at: new Date(Date.UTC(2026, 0, 5, 8, minute)).toISOString(),
  })
  const state = (log: StepEvent[], id: string) =>
    stepState(
      log,
      steps.find((s) => s.id === id)!,
    )
  it('counts for both feet and for every seam that was sewn in it, until one of them is said otherwise', () => {
    const log = [
      event('last-back', 'started', 0),
      event('last-back', 'finished', 20),
      event('close-outside', 'started', 30),
    ]
    expect(state(log, 'last-back.right')).toBe('finished')
    expect(state(log, 'last-back.left')).toBe('finished')
    expect(state(log, 'sew.back')).toBe('started')
    expect(state(log, 'sew.tab')).toBe('started')
    expect(state(log, 'sew-lining.grip')).toBe('open')
    const undone = [...log, event('last-back.left', 'undone', 40)]
    expect(state(undone, 'last-back.left')).toBe('started')
    expect(state(undone, 'last-back.right')).toBe('finished')
    const again = [...undone, event('last-back.left', 'finished', 50)]
    expect(state(again, 'last-back.left')).toBe('finished')
    expect(
      progress(steps, again, Date.UTC(2026, 0, 6))
        .filter((p) => p.state === 'finished')
        .map((p) => p.step.id),
    ).toEqual(['last-back.right', 'last-back.left'])
  })
})
