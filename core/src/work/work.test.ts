import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boardId, corkId, samplePair } from '../../test/samplePair.ts'
import type { Material } from '../model/material.ts'
import { OwnSeam } from '../model/stitching.ts'
import type { StepEvent } from '../model/pair.ts'
import { planPair } from '../plan/planPair.ts'
import type { Step } from './step.ts'
import { progress } from './progress.ts'
import { stepState } from './standing.ts'
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
const step = (list: readonly Step[], id: string) => list.find((s) => s.id === id)
const said = (list: readonly Step[], id: string) => spoken(step(list, id)?.minutes.sentence ?? '')

describe('the order of work', () => {
  it('has the steps of its construction and no others', () => {
    const keys = (list: Step[]) => new Set(list.map((o) => o.key))
    expect(keys(welted)).toContain('sew-welt')
    expect(keys(welted)).not.toContain('rough-margin')
    expect(keys(cemented)).toContain('rough-margin')
    for (const key of ['sew-welt', 'carve-holdfast', 'sew-outsole', 'soak-insole'])
      expect(keys(cemented)).not.toContain(key)
    expect(keys(welted)).not.toContain('glue-padding')
    for (const key of ['cut-padding', 'skive-padding', 'glue-padding']) expect(keys(padded)).toContain(key)
    expect(step(padded, 'skive-padding')?.name).toBe('Skive the front edge of the half padding')
  })
  it('lays tapes on the side of the upper that is not seen, whichever that is', () => {
    const pair = samplePair()
    const faced = (face: Material['face']) => ({
      ...pair,
      materials: pair.materials.map((m) => (m.id === materials.upper ? { ...m, face } : m)),
    })
    const laid = (face: Material['face']) => said(planPair(faced(face), cache).steps, 'tape-facings')
    expect(laid(null)).toMatch(/^On the flesh side, /)
    expect(laid('suede')).toMatch(/^On the grain side, /)
    expect(laid('both sides alike')).toMatch(/^On the underside, /)
  })
  it('gives each the reasons that hold for this pair, and none of a step that it has not', () => {
    const why = (list: Step[], id: string) =>
      Object.fromEntries((step(list, id)?.after ?? []).map((a) => [a.id, spoken(a.why)]))
    // A cemented shoe has no rand: its filler waits for the roughed margin, for the margin's own reason.
    expect(why(cemented, 'shank-filler')).toEqual({
      'cut-shank': 'they have to be cut and bent',
      'rough-margin': 'the filler would clog the rough face',
    })
    expect(Object.keys(why(welted, 'shank-filler'))).toEqual(['cut-shank', 'draw-tacks.right', 'draw-tacks.left'])
    expect(why(cemented, 'fix-insole')).toEqual({
      'cut-sock': 'the sock pattern is taken before the insole is fixed',
      'cut-insole': 'they must be cut',
    })
  })
  it('takes its minutes from the true lengths, each foot its own', () => {
    const holdfast =
      planPair(samplePair(), cache)
        .parts.find((p) => p.id === 'insole')
        ?.lines.find((l) => l.name === 'holdfast')?.path ?? []
    let length = 0
    for (let i = 1; i < holdfast.length; i++)
      length += Math.hypot(holdfast[i]![0] - holdfast[i - 1]![0], holdfast[i]![1] - holdfast[i - 1]![1])
    // A stitch every 7 mm, as near as comes out whole.
    const stitches = Math.round(length / 7)
    for (const foot of ['right', 'left']) {
      expect(said(welted, `sew-welt.${foot}`)).toContain(`${stitches} stitches`)
      expect(step(welted, `sew-welt.${foot}`)?.minutes.value).toBe(Math.round(10 + stitches / 2.2))
    }
  })
  it('cutting takes as many strokes as the leather is thick', () => {
    const cut = (thickness: number, id: string) => {
      const pair = samplePair()
      const thick = pair.materials.map((m) => (m.id === pair.decisions.materials.midsole ? { ...m, thickness } : m))
      return step(planPair({ ...pair, materials: thick }, cache).steps, id)!.minutes
    }
    const [one, two] = [cut(2.4, 'cut-midsole'), cut(4, 'cut-midsole')]
    // 4 minutes to lay out; what is left takes one stroke of 2.5 mm, or two. The rim moves a little with the thickness.
    expect((two.value - 4) / (one.value - 4)).toBeGreaterThan(1.8)
    expect((two.value - 4) / (one.value - 4)).toBeLessThan(2.2)
    expect(spoken(two.sentence)).toContain('2 strokes')
    expect(spoken(one.sentence)).not.toContain('strokes')
  })
  it('sewing the upper takes what its seams and stitches ask for, by machine and by hand', () => {
    const of = (decisions: Parameters<typeof samplePair>[0], id: string) => {
      const plan = planPair(samplePair(decisions), cache)
      return { plan, minutes: step(plan.steps, id)!.minutes }
    }
    const { plan, minutes } = of({}, 'sew-lining.liningVamp')
    const seams = plan.stitching.seams.filter((s) => s.id.startsWith('liningVamp'))
    const stitches = 2 * seams.reduce((sum, s) => sum + s.rows * s.stitches, 0)
    expect(stitches).toBeGreaterThan(100)
    // 4 minutes a seam, 90 stitches a minute, both shoes.
    expect(minutes.value).toBe(Math.round(4 * 2 * seams.length + stitches / 90))
    expect(spoken(minutes.sentence)).toContain(`${stitches} stitches by machine at 90 a minute`)
    // One tab by hand, in the same holes: its stitches go from the machine to the hand.
    const tab = plan.stitching.seams.find((s) => s.id === 'tab.lateral')!
    const own = { 'tab.lateral': OwnSeam.parse({ by: 'hand' }) }
    const byHand = of({ stitching: { by: 'machine', own } }, 'sew.tab')
    const sewn = byHand.plan.stitching.seams.find((s) => s.id === 'tab.lateral')!
    const machine = of({}, 'sew.tab').minutes
    const moved = (2 * (sewn.rows * sewn.stitches)) / 5 - (2 * (tab.rows * tab.stitches)) / 90
    expect(Math.abs(byHand.minutes.value - machine.value - moved)).toBeLessThanOrEqual(1)
    expect(spoken(byHand.minutes.sentence)).toContain(`${2 * sewn.rows * sewn.stitches} stitches by hand at 5 a minute`)
    // Its thread stands with it, in metres: what the seams say, both shoes.
    const thread = step(byHand.plan.steps, 'sew.tab')!.stuff
    const metres = byHand.plan.stitching.seams
      .filter((s) => s.id.startsWith('tab.'))
      .reduce((sum, s) => sum + (2 * s.thread) / 1000, 0)
    expect(thread.reduce((sum, x) => sum + x.amount, 0)).toBeCloseTo(metres, 0)
    expect(thread.map((x) => x.name)).toEqual(['Thread, linen, 5 plies of lea 18', 'Thread, ticket 40'])
  })
  it('soaks by thickness: thin leather is sprayed and waits a few minutes', () => {
    const steps = (thickness: number) => {
      const pair = samplePair()
      return step(
        planPair(
          {
            ...pair,
            materials: pair.materials.map((m) => (m.kind === 'stiffener leather' ? { ...m, thickness } : m)),
          },
          cache,
        ).steps,
        'soak-stiffener',
      )
    }
    expect(steps(2.4)).toMatchObject({ name: 'Soak the stiffeners', wait: { min: 20, max: 30 } })
    expect(steps(1.9)).toMatchObject({ name: 'Spray the stiffeners', wait: { min: 3, max: 10 } })
  })
  it('warns where it can hurt', () => {
    const byHand = planPair(samplePair({ stitching: { by: 'hand', own: {} } }), cache).steps
    for (const s of [...welted, ...cemented, ...byHand]) {
      if (s.stuff.some((x) => x.name === 'Contact cement')) expect(s.cautions, s.id).toContain('cement')
      if (s.stuff.some((x) => x.name === 'Tacks')) expect(s.cautions, s.id).toContain('tacks')
      if (s.stuff.some((x) => x.name === 'Edge dye')) expect(s.cautions, s.id).toContain('dye')
      if (s.tools.some((t) => t === 'knife' || t === 'skiver')) expect(s.cautions, s.id).toContain('knife')
      if (s.tools.some((t) => t === 'sander' || t === 'rasp') && s.group !== 'bottom' && s.key !== 'trim-insole')
        expect(s.cautions, s.id).toContain('dust')
      // The machine is warned of where one is used, and not where all is sewn by hand; eyelets are set in a press.
      if (s.seams.length > 0) expect(s.cautions.includes('machine'), s.id).toBe(s.tools.includes('machine'))
      if (s.tools.includes('awl')) expect(s.cautions, s.id).toContain('awl')
    }
  })
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
            expect(p.state).toBe(stepState(log, p.step))
            expect(p.finishedAt !== null).toBe(p.state === 'finished')
            if (p.clock) expect(p.finishedAt).not.toBeNull()
            const undone = [...log, ...mine.map(() => event(p.step.id, 'undone', 99))]
            expect(stepState(undone, p.step)).toBe('open')
          }
        },
      ),
      { numRuns: 60 },
    )
  })
  it('takes back the latest event only', () => {
    const log = [event('print', 'started', 0), event('print', 'finished', 10), event('print', 'undone', 11)]
    const print = { id: 'print', formerly: [] }
    expect(stepState(log, print)).toBe('started')
    expect(stepState([...log, event('print', 'undone', 12)], print)).toBe('open')
    expect(stepState(log, { id: 'cut-upper', formerly: [] })).toBe('open')
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
