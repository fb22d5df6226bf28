import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { plainStep } from '../../test/plainStep.ts'
import { samplePair } from '../../test/samplePair.ts'
import { LessonFields, type ToolChange } from '../model/lesson.ts'
import { PairDecisions, type StepEvent } from '../model/pair.ts'
import { cardStep } from '../plan/cardOf.ts'
import { planPair } from '../plan/planPair.ts'
import { lessonsFor, likeThis } from './alike.ts'
import { doneWork } from './doneWork.ts'
import { learnedMinutes, type DoneStep } from './minutes.ts'
import { learnedWaits } from './waits.ts'
import { toolWear } from './wear.ts'

const MINUTE = 60_000
const event = (step: string, what: StepEvent['what'], minute: number, maker: string | null = null): StepEvent => ({
  step,
  what,
  at: new Date(minute * MINUTE).toISOString(),
  maker,
})
const done = (took: number, change: Partial<DoneStep> = {}): DoneStep => ({
  key: 'trim',
  name: 'Trim',
  group: 'bottom',
  planned: 10,
  took,
  maker: null,
  pair: 'p',
  at: took,
  ...change,
})

describe('learned minutes', () => {
  it('are the middle of what was done, with its quarters; a forgotten clock is left out', () => {
    const [trim] = learnedMinutes([8, 9, 10, 11, 12, 600].map((took) => done(took)))
    expect(trim).toMatchObject({ times: 5, usual: 10, quarters: [9, 11], forgotten: 1, planned: 10 })
    // Exactly as planned: nothing is moved.
    expect(trim!.factor).toBeCloseTo(1, 12)
  })
  it('property: one wild time among five moves the middle no further than to its neighbour', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 6, max: 16, noNaN: true }), { minLength: 5, maxLength: 5 }),
        fc.double({ min: 1, max: 1e5, noNaN: true }),
        (took, wild) => {
          const sorted = [...took].sort((a, b) => a - b)
          const [m] = learnedMinutes([...took, wild].map((t) => done(t)))
          expect(m!.usual).toBeGreaterThanOrEqual(sorted[1]!)
          expect(m!.usual).toBeLessThanOrEqual(sorted[3]!)
        },
      ),
    )
  })
  it('are told apart by who did it', () => {
    const [trim] = learnedMinutes([
      ...[5, 5, 5].map((t) => done(t, { maker: 'window' })),
      ...[20, 20, 20].map((t) => done(t, { maker: 'stove' })),
      done(10),
    ])
    const factor = (maker: string) => trim!.makers.find((m) => m.maker === maker)?.factor
    // Half of what was seen three times is believed: half as long comes to 2^-0.5.
    expect(factor('window')).toBeCloseTo(Math.SQRT1_2, 12)
    expect(factor('stove')).toBeCloseTo(Math.SQRT2, 12)
    expect(trim!.makers).toHaveLength(2)
  })
})

describe('what a log tells', () => {
  const steps = [
    plainStep('cut', { wears: { tool: 'knife', length: 2000 } }),
    plainStep('paste', { after: ['cut'], wait: { min: 600, max: null, rule: 'wait.overnight' } }),
    plainStep('last', { after: ['paste'] }),
  ]
  const logged = (log: StepEvent[]) => doneWork({ id: 'p', steps, log })

  it('every time that a step was done, without its pauses, with who did it', () => {
    const { done: told, worn } = logged([
      event('cut', 'started', 0, 'window'),
      event('cut', 'paused', 5),
      event('cut', 'resumed', 60),
      event('cut', 'finished', 62),
      event('cut', 'sent back', 70),
      event('cut', 'started', 80, 'stove'),
      event('cut', 'finished', 84),
    ])
    expect(told.map((d) => [d.maker, d.took])).toEqual([
      ['window', 7],
      ['stove', 4],
    ])
    // The blade went along it twice.
    expect(worn.reduce((sum, w) => sum + w.length, 0)).toBe(4000)
  })
  it('a wait that was found dry, or gone on with before its time; a night that lay between says nothing', () => {
    const pasted = [event('cut', 'finished', 0), event('paste', 'started', 0), event('paste', 'finished', 10)]
    expect(logged([...pasted, event('paste', 'ready', 430)]).seen).toEqual([
      { rule: 'wait.overnight', planned: 600, took: 420 },
    ])
    expect(logged([...pasted, event('last', 'started', 310)]).seen[0]?.took).toBe(300)
    expect(logged([...pasted, event('last', 'started', 1500)]).seen).toEqual([])
  })
  it('of a real plan: metres of edge, of skive and of machine seam, as its outlines have them', () => {
    const plan = planPair(samplePair(), keptCache())
    const cards = plan.steps.map(cardStep)
    const { worn } = doneWork({ id: 'p', steps: cards, log: cards.map((s, i) => event(s.id, 'finished', i)) })
    const metres = (tool: string) => worn.filter((w) => w.tool === tool).reduce((sum, w) => sum + w.length, 0) / 1000
    const machine = plan.stitching.seams
      .filter((s) => s.way === 'machine')
      .reduce((sum, s) => sum + (2 * s.rows * s.length) / 1000, 0)
    expect(metres('needle')).toBeCloseTo(machine, 6)
    // The edges of one insole, twice, at two strokes each, are part of what the knife did.
    expect(metres('knife')).toBeGreaterThan(10)
    expect(metres('knife')).toBeLessThan(120)
    expect(metres('skiver')).toBeGreaterThan(1)
  })
})

describe('waits in this air', () => {
  const now = () => 600
  it('are proposed as seen, the more often the nearer', () => {
    const seen = (took: number, n: number) => Array.from({ length: n }, () => ({ rule: 'r', planned: 600, took }))
    expect(learnedWaits(seen(600, 4), now)[0]).toMatchObject({ times: 4, proposed: 600, seen: 600 })
    const [once] = learnedWaits(seen(300, 1), now)
    const [often] = learnedWaits(seen(300, 40), now)
    // 600 · 2^(-1/4) is 504.5, and 600 · 2^(-40/43) is 314.9: to a quarter of an hour.
    expect(once!.proposed).toBe(510)
    expect(often!.proposed).toBe(315)
    const short = Array.from({ length: 40 }, () => ({ rule: 'r', planned: 15, took: 10 }))
    expect(learnedWaits(short, () => 15)[0]!.proposed).toBe(10)
    expect(often!.seen).toBeCloseTo(300, 9)
  })
  it('count by their share where the rule was another one then', () => {
    const [wait] = learnedWaits([{ rule: 'r', planned: 200, took: 100 }], now)
    expect(wait!.seen).toBeCloseTo(300, 9)
  })
})

describe('wear', () => {
  const change = (tool: ToolChange['tool'], minute: number): ToolChange => ({
    tool,
    note: '',
    at: new Date(minute * MINUTE).toISOString(),
  })
  const worn = Array.from({ length: 10 }, (_, i) => ({ tool: 'knife' as const, length: 1000, at: i * 10 * MINUTE }))
  const knife = (changes: ToolChange[]) => toolWear(worn, changes).find((t) => t.tool === 'knife')!
  it('counts from the last change; a life is known when there were two', () => {
    expect(knife([])).toMatchObject({ since: 10_000, changedAt: null, lives: [], usual: null })
    expect(knife([change('knife', 25)])).toMatchObject({ since: 7000, lives: [], usual: null })
    const two = knife([change('knife', 65), change('knife', 25), change('needle', 30)])
    expect(two).toMatchObject({ since: 3000, lives: [4000], usual: 4000 })
    // Changed twice in a row: the second time says nothing of how long one lasts.
    const again = knife([change('knife', 65), change('knife', 66), change('knife', 25)])
    expect(again).toMatchObject({ since: 3000, lives: [4000] })
  })
})

describe('lessons', () => {
  const decisions = samplePair().decisions
  const steps = new Set(['set-puff'])
  const lesson = (change: Partial<LessonFields>) =>
    LessonFields.parse({ kind: 'differently', text: 'Shorter puff', about: likeThis(decisions), ...change })
  const offered = (lessons: LessonFields[], of = decisions, id: string | null = null) =>
    lessonsFor(lessons, { id, decisions: of, steps }).map((l) => l.likeness.shared)
  const other = PairDecisions.parse({
    ...decisions,
    lastId: '01900000-0000-7000-8000-000000000777',
    construction: 'cemented',
    upper: { ...decisions.upper, style: 'court' },
  })

  it('are offered with a pair that is like theirs, and with all where they say nothing of the kind', () => {
    expect(offered([lesson({})])).toEqual([['style', 'last', 'construction', 'material']])
    // Leather alone is no likeness.
    expect(offered([lesson({})], other)).toEqual([])
    expect(
      offered([lesson({ about: { style: null, construction: null, lastId: null, materials: [] } })], other),
    ).toEqual([[]])
  })
  it('about a step are offered where the pair has it', () => {
    expect(offered([lesson({ step: 'set-puff' })])).toHaveLength(1)
    expect(offered([lesson({ step: 'sew-cup' })])).toEqual([])
  })
  it('of the pair itself come first, whatever it has become', () => {
    const id = '01900000-0000-7000-8000-000000000001'
    const found = lessonsFor([lesson({}), lesson({ pairId: id, text: 'Mine' })], { id, decisions, steps })
    expect(found.map((f) => f.own)).toEqual([true, false])
    expect(lessonsFor([lesson({ pairId: id })], { id, decisions: other, steps })).toHaveLength(1)
  })
  it('say something', () => {
    expect(LessonFields.safeParse({ kind: 'sample', text: ' \n' }).error?.issues[0]?.message).toMatch(/Write down/)
  })
})
