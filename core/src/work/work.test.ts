import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boardId, corkId, samplePair } from '../../test/samplePair.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { constructions } from '../model/construction.ts'
import { OwnSeam } from '../model/stitching.ts'
import { closingStepOf } from './closingWork.ts'
import type { StepEvent } from '../model/pair.ts'
import { planPair } from '../plan/planPair.ts'
import type { Step } from './step.ts'
import { stepBook, inOrder } from './steps.ts'
import { progress, stepState } from './progress.ts'
import { spoken } from '../units/sentence.ts'
import { keptCache } from '../../test/keptCache.ts'

const cache = keptCache(12)
const materials = samplePair().decisions.materials
const welted = planPair(samplePair(), cache).steps
const cemented = planPair(
  samplePair({ construction: 'cemented', materials: { ...materials, insole: boardId } }),
  cache,
).steps
const padded = planPair(
  samplePair({ sock: { padding: 'half' }, materials: { ...materials, padding: corkId } }),
  cache,
).steps
const before = (list: Step[], first: string, then: string) => {
  const at = (id: string) => list.findIndex((o) => o.id === id)
  expect(at(first), first).toBeGreaterThanOrEqual(0)
  expect(at(then), then).toBeGreaterThan(at(first))
}

describe('the order of work', () => {
  it.each([
    ['welted', welted],
    ['cemented', cemented],
    ['padded', padded],
  ])('every step of a %s pair comes after all it waits for, with a reason for each', (_name, list) => {
    const seen = new Set<string>()
    for (const step of list) {
      for (const a of step.after) {
        expect(seen.has(a.id), `${step.id} after ${a.id}`).toBe(true)
        expect(spoken(a.why).length).toBeGreaterThan(5)
      }
      expect(step.minutes.value).toBeGreaterThan(0)
      if (step.wait?.max) expect(step.wait.max).toBeGreaterThan(step.wait.min)
      seen.add(step.id)
    }
    expect(seen.size).toBe(list.length)
  })
  it('keeps the orders that matter', () => {
    before(welted, 'cut-sock', 'block-insole')
    before(welted, 'check-base', 'cut-stiffener')
    before(welted, 'hammer-back', 'join-lining')
    before(welted, 'last-lining-toe', 'set-puff')
    before(welted, 'shave-puff', 'last-toe')
    before(welted, 'dye-midsole', 'cement-midsole')
    before(welted, 'press-outsole', 'sew-outsole')
    before(welted, 'last-out', 'fit-sock')
    before(cemented, 'cut-sock', 'fix-insole')
  })
  it('has the steps of its construction and no others', () => {
    const ids = (list: Step[]) => new Set(list.map((o) => o.id))
    expect(ids(welted)).toContain('sew-welt')
    expect(ids(welted)).not.toContain('rough-margin')
    expect(ids(cemented)).toContain('rough-margin')
    for (const id of ['sew-welt', 'carve-holdfast', 'sew-outsole', 'soak-insole'])
      expect(ids(cemented)).not.toContain(id)
    expect(ids(welted)).not.toContain('glue-padding')
    for (const id of ['cut-padding', 'skive-padding', 'glue-padding']) expect(ids(padded)).toContain(id)
  })
  it('waits for what an absent step would have waited for', () => {
    // A cemented shoe has no rand; the filler then waits for the roughed margin.
    expect(cemented.find((o) => o.id === 'shank-filler')?.after.map((a) => a.id)).toEqual(['rough-margin', 'cut-shank'])
    expect(welted.find((o) => o.id === 'shank-filler')?.after.map((a) => a.id)).toEqual(['peg-rand', 'cut-shank'])
  })
  it('takes its minutes from the true lengths', () => {
    const holdfast =
      planPair(samplePair(), cache)
        .parts.find((p) => p.id === 'insole')
        ?.lines.find((l) => l.name === 'holdfast')?.path ?? []
    let length = 0
    for (let i = 1; i < holdfast.length; i++)
      length += Math.hypot(holdfast[i]![0] - holdfast[i - 1]![0], holdfast[i]![1] - holdfast[i - 1]![1])
    // One foot has a stitch every 7 mm, as near as comes out whole.
    const stitches = 2 * Math.round(length / 7)
    const step = welted.find((o) => o.id === 'sew-welt')
    expect(spoken(step?.minutes.sentence ?? '')).toContain(`${stitches} stitches`)
    expect(step?.minutes.value).toBe(Math.round(10 + stitches / 2.2))
  })
  it('sewing the upper takes what its seams and stitches ask for, by machine and by hand', () => {
    const of = (decisions: Parameters<typeof samplePair>[0], id: string) => {
      const plan = planPair(samplePair(decisions), cache)
      return { plan, minutes: plan.steps.find((s) => s.id === id)!.minutes }
    }
    const { plan, minutes } = of({}, 'close-lining')
    const linings = plan.stitching.seams.filter((s) => s.seen === 'foot')
    const stitches = 2 * linings.reduce((sum, s) => sum + s.rows * s.stitches, 0)
    expect(stitches).toBeGreaterThan(150)
    // 4 minutes a seam, 90 stitches a minute, both shoes; 5 to get ready.
    expect(minutes.value).toBe(Math.round(5 + 4 * 2 * linings.length + stitches / 90))
    expect(spoken(minutes.sentence)).toContain(`${stitches} stitches by machine at 90 a minute`)
    // One tab by hand, in the same holes: its stitches go from the machine to the hand.
    const tab = plan.stitching.seams.find((s) => s.id === 'tab.lateral')!
    const own = { 'tab.lateral': OwnSeam.parse({ by: 'hand' }) }
    const byHand = of({ stitching: { by: 'machine', own } }, 'close-outside')
    const sewn = byHand.plan.stitching.seams.find((s) => s.id === 'tab.lateral')!
    const machine = of({}, 'close-outside').minutes
    const moved = (2 * (sewn.rows * sewn.stitches)) / 5 - (2 * (tab.rows * tab.stitches)) / 90
    expect(Math.abs(byHand.minutes.value - machine.value - moved)).toBeLessThanOrEqual(1)
    expect(spoken(byHand.minutes.sentence)).toContain(`${2 * sewn.rows * sewn.stitches} stitches by hand at 5 a minute`)
  })
  it('every seam of every style is sewn in one step that the pair has', () => {
    for (const input of Object.values(pairOfEachStyle)) {
      for (const topFinish of ['folded', 'bound'] as const) {
        const upper = { ...input.decisions.upper, topFinish }
        const plan = planPair({ ...input, decisions: { ...input.decisions, upper } }, cache)
        const here = new Set(plan.steps.map((s) => s.id))
        for (const seam of plan.stitching.seams) {
          const step = closingStepOf(seam)
          if (seam.sewnWith === 'sole') expect(step).toBeNull()
          else expect(here.has(step!), `${upper.style}: ${seam.id} in ${step}`).toBe(true)
        }
      }
    }
  })
  it('soaks by thickness: thin leather is sprayed and waits a few minutes', () => {
    const steps = (thickness: number) => {
      const pair = samplePair()
      return planPair(
        {
          ...pair,
          materials: pair.materials.map((m) => (m.kind === 'stiffener leather' ? { ...m, thickness } : m)),
        },
        cache,
      ).steps.find((o) => o.id === 'soak-stiffener')
    }
    expect(steps(2.4)).toMatchObject({ name: 'Soak the stiffeners', wait: { min: 20, max: 30 } })
    expect(steps(1.9)).toMatchObject({ name: 'Spray the stiffeners', wait: { min: 3, max: 10 } })
  })
  it('warns where it can hurt', () => {
    for (const step of welted) {
      if (/cement the/i.test(step.name)) expect(step.cautions).toContain('cement')
      if (/^cut /i.test(step.name)) expect(step.cautions).toContain('knife')
    }
  })
  it('refuses circles and unknown steps in the book', () => {
    const step = (id: string, ...after: string[]) => ({ id, after: after.map((a) => ({ id: a })) })
    expect(() => inOrder([step('a', 'b'), step('b', 'a')])).toThrow(/wait for each other/)
    expect(() => inOrder([step('a', 'x')])).toThrow(/not in the list/)
    expect(() => inOrder(stepBook.map((s) => ({ id: s.id, after: s.after.map(([id]) => ({ id })) })))).not.toThrow()
  })
})

describe('every kind of pair', () => {
  const kinds = constructions.flatMap((construction) =>
    (['none', 'half', 'full'] as const).flatMap((padding) =>
      [true, false].map((board) => ({ construction, padding, board })),
    ),
  )
  it.each(kinds)(
    '$construction, padding $padding, board $board: whole, in order, and each part is cut once',
    ({ construction, padding, board }) => {
      const plan = planPair(
        samplePair({
          construction,
          sock: { padding },
          materials: { ...materials, padding: corkId, ...(board ? { insole: boardId } : {}) },
        }),
        cache,
      )
      const ids = plan.steps.map((o) => o.id)
      expect(new Set(ids).size).toBe(ids.length)
      for (const o of plan.steps) for (const a of o.after) expect(ids.indexOf(a.id)).toBeLessThan(ids.indexOf(o.id))
      // Nothing stands alone: from the last step every other one is reached.
      const reached = new Set<string>()
      const walk = (id: string): void => {
        if (reached.has(id)) return
        reached.add(id)
        for (const a of plan.steps.find((o) => o.id === id)?.after ?? []) walk(a.id)
      }
      walk('final-check')
      expect(ids.filter((id) => !reached.has(id))).toEqual([])
      for (const p of plan.parts) {
        const cuts = plan.steps.filter((o) => o.group === 'cut' && o.parts.includes(p.id))
        // Filler is mixed and spread, not cut.
        expect(cuts, p.name).toHaveLength(p.id === 'filler' ? 0 : 1)
        const skives = plan.steps.filter((o) => o.group === 'skive' && o.parts.includes(p.id))
        if (p.skives.length > 0) expect(skives, p.name).toHaveLength(1)
      }
      expect(ids.includes('soak-insole')).toBe(!board)
    },
  )
})

describe('the log', () => {
  const at = (minute: number) => new Date(Date.UTC(2026, 0, 5, 8, minute)).toISOString()
  const ms = (minute: number) => Date.UTC(2026, 0, 5, 8, minute)
  const event = (step: string, what: StepEvent['what'], minute: number): StepEvent => ({ step, what, at: at(minute) })

  it('whatever is said in whatever order, a step is open, started or finished, and taking all back opens it again', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.constantFrom(...welted.slice(0, 6).map((o) => o.id)),
            fc.constantFrom('started', 'finished', 'undone' as const),
          ),
          { maxLength: 60 },
        ),
        (said) => {
          const log = said.map(([step, what], i): StepEvent => event(step, what, i))
          for (const p of progress(welted, log, ms(100))) {
            const mine = log.filter((e) => e.step === p.step.id)
            expect(p.state).toBe(stepState(log, p.step.id))
            expect(p.finishedAt !== null).toBe(p.state === 'finished')
            if (p.clock) expect(p.finishedAt).not.toBeNull()
            const undone = [...log, ...mine.map(() => event(p.step.id, 'undone', 99))]
            expect(stepState(undone, p.step.id)).toBe('open')
          }
        },
      ),
      { numRuns: 60 },
    )
  })
  it('takes back the latest event only', () => {
    const log = [event('print', 'started', 0), event('print', 'finished', 10), event('print', 'undone', 11)]
    expect(stepState(log, 'print')).toBe('started')
    expect(stepState([...log, event('print', 'undone', 12)], 'print')).toBe('open')
    expect(stepState(log, 'cut-upper')).toBe('open')
  })
  it('runs a clock from minimum to maximum and stops it when the next step begins', () => {
    const log = [...doneUpTo('soak-stiffener', 0)]
    const clock = (minute: number, more: StepEvent[] = []) =>
      progress(welted, [...log, ...more], ms(minute)).find((s) => s.step.id === 'soak-stiffener')?.clock
    expect(clock(5)?.state).toBe('waiting')
    expect(clock(5)?.readyAt).toBe(ms(20))
    expect(clock(25)?.state).toBe('ready')
    expect(clock(31)?.state).toBe('late')
    expect(clock(31, [event('wrap-stiffener', 'started', 24)])).toBeNull()
  })
  it('holds a step back while something it needs is open or still waiting', () => {
    const at5 = progress(welted, doneUpTo('soak-stiffener', 0), ms(5))
    expect(
      at5
        .find((s) => s.step.id === 'wrap-stiffener')
        ?.heldBy.map((s) => spoken(s))
        .join(),
    ).toMatch(/Wait: Soak the stiffeners/)
    const at25 = progress(welted, doneUpTo('soak-stiffener', 0), ms(25))
    expect(at25.find((s) => s.step.id === 'wrap-stiffener')?.heldBy).toEqual([])
    expect(progress(welted, [], ms(0)).find((s) => s.step.id === 'cut-insole')?.heldBy[0]).toMatch(/First: Print/)
  })

  /** The log of everything up to a step, finished at a minute; earlier steps long before. */
  function doneUpTo(id: string, minute: number): StepEvent[] {
    const index = welted.findIndex((o) => o.id === id)
    return welted
      .slice(0, index + 1)
      .flatMap((o, i) => [
        event(o.id, 'started', minute - 5000 * (index - i) - 3),
        event(o.id, 'finished', minute - 5000 * (index - i)),
      ])
  }
})
