import { describe, expect, it } from 'vitest'
import { corkId, sampleMeasures, samplePair } from '../../test/samplePair.ts'
import { boxOf, type Path, type Point } from '../geometry/path.ts'
import { Last } from '../model/last.ts'
import { LeftShoe, type PairDecisions, type PlanInput } from '../model/pair.ts'
import { partOfMade } from '../trade/recordName.ts'
import { makeables, remakeList } from './remake.ts'
import { bothFeet } from './bothFeet.ts'
import { PlanError } from './planError.ts'
import type { FootPlan, Plan } from './plan.ts'
import { planPair } from './planPair.ts'
import { spoken } from '../units/sentence.ts'
import { keptCache } from '../../test/keptCache.ts'

const cache = keptCache(24)
const base = samplePair()
const leftLast = Last.parse({
  id: '01900000-0000-7000-8000-000000000098',
  name: 'Sample, left',
  shape: { kind: 'measures', measures: { ...sampleMeasures.walking, length: 284, jointWidth: 90, jointGirth: 256 } },
})
const withLeft = (left: Partial<LeftShoe>, more: Partial<PairDecisions> = {}): PlanInput => ({
  ...base,
  decisions: { ...base.decisions, ...more, left: LeftShoe.parse(left) },
  leftLast: left.lastId ? leftLast : null,
})
const plan = (input: PlanInput) => planPair(input, cache)
const both = (p: Plan, id: string) => p.feet.find((f) => f.id === id)
const lengthOf = (p: Pick<Plan, 'parts'>, id: string) => {
  const outline = p.parts.find((x) => x.id === id)?.outline ?? []
  return boxOf(outline).maxX - boxOf(outline).minX
}

describe('a pair whose left shoe is the mirror', () => {
  it('has one plan, and every part of it is a true mirror', () => {
    const p = plan(base)
    expect(p.left).toBeNull()
    expect(p.feetFindings).toEqual([])
    expect(p.feet).toHaveLength(p.parts.length + p.upper.pieces.length)
    expect(p.feet.every((f) => f.kind === 'mirror')).toBe(true)
  })
  it('stays so when the left shoe is planned on its own and nothing is decided for it', () => {
    const p = plan(withLeft({}))
    expect(p.left?.parts).toEqual(p.parts)
    expect(p.feet.every((f) => f.kind === 'mirror')).toBe(true)
    expect(p.steps).toEqual(plan(base).steps)
    expect(makeables(p)).toEqual(makeables(plan(base)))
  })
})

describe('a left shoe on its own last', () => {
  const p = plan(withLeft({ lastId: leftLast.id }))
  it('is just what a right shoe on that last would be', () => {
    const alone = plan({ ...base, last: leftLast })
    expect(p.left?.parts).toEqual(alone.parts)
    expect(p.left?.upper).toEqual(alone.upper)
    expect(p.left?.layers.findings).toEqual(alone.layers.findings)
    expect(p.parts).toEqual(plan(base).parts)
  })
  it('says which parts differ and by how much: the insole by the length of the lasts', () => {
    const insole = both(p, 'insole')
    expect(insole?.kind).toBe('differs')
    // 6 mm in length, laid on each other as they fit best: about half of it at either end.
    expect(insole?.off).toBeGreaterThan(2.5)
    expect(insole?.off).toBeLessThan(4)
    expect(lengthOf(p, 'insole') - lengthOf(p.left as Plan, 'insole')).toBeCloseTo(6, 0)
    const area = (x: Pick<Plan, 'parts'>) => x.parts.find((q) => q.id === 'filler')?.becauses[1]!.value ?? 0
    expect(area(p.left as Plan)).not.toBeCloseTo(area(p), 0)
    expect(both(p, 'upper.vamp')?.kind).toBe('differs')
  })
  it('is cut by its own outline, which the steps say and only there', () => {
    const sentence = (x: Plan, id: string) => spoken(x.steps.find((o) => o.id === id)?.minutes.sentence ?? '')
    expect(sentence(p, 'cut-insole')).toContain('cut each by its own outline')
    expect(sentence(plan(base), 'cut-insole')).not.toContain('own outline')
    expect(sentence(p, 'cut-upper')).toContain('marked L and R')
    expect(sentence(plan(base), 'cut-upper')).toContain('left flipped from right')
    const only = plan(withLeft({ figures: { 'puff.length': 50 } }))
    expect(sentence(only, 'cut-puff')).toContain('own outline')
    expect(sentence(only, 'cut-insole')).not.toContain('own outline')
  })
  it('takes the left edge into the time: both feet, not twice the right one', () => {
    const minutes = (x: Plan) => spoken(x.steps.find((o) => o.id === 'cut-midsole')?.minutes.sentence ?? '')
    const edge = (x: Plan) => Number(/^(\d+) cm/.exec(minutes(x))?.[1])
    const [right, mixed, left] = [plan(base), p, plan({ ...base, last: leftLast })].map(edge)
    expect(mixed).toBeLessThan(right!)
    expect(mixed).toBeGreaterThan(left!)
    expect(Math.abs(mixed! - (right! + left!) / 2)).toBeLessThanOrEqual(1)
  })
  it('is compared with the right one: a puff that is shorter by the rule is seen, and one length for both cures it', () => {
    expect(p.feetFindings.find((f) => f.id === 'feet.puff')).toMatchObject({ level: 'watch' })
    // 2.4 mm a 10 mm of length: 1.44 mm for 6.
    expect(p.feetFindings.find((f) => f.id === 'feet.puff')?.measured).toBeCloseTo(1.08, 1)
    const cured = plan(withLeft({ lastId: leftLast.id }, { puff: { length: 58 } }))
    expect(cured.feetFindings.find((f) => f.id === 'feet.puff')).toMatchObject({ level: 'fine', measured: 0 })
    expect(p.worst).not.toBe('fine')
  })
  it('backs and heels that stand differently are seen, and cured by one figure or by a wider one for the pair', () => {
    const level = (x: Plan, id: string) => x.feetFindings.find((f) => f.id === id)?.level
    const byHand: Partial<PairDecisions> = { stiffener: { ...base.decisions.stiffener, backHeight: 56 } }
    const lower = withLeft({ lastId: leftLast.id, figures: { 'stiffener.backHeight': 52 } }, byHand)
    expect(level(plan(lower), 'feet.back')).toBe('watch')
    expect(level(plan(withLeft({ lastId: leftLast.id }, byHand)), 'feet.back')).toBe('fine')
    const high = Last.parse({
      ...leftLast,
      shape: { kind: 'measures', measures: { ...sampleMeasures.walking, heelHeight: 30 } },
    })
    const raised = { ...withLeft({ lastId: leftLast.id }), leftLast: high }
    const heel = plan(raised).feetFindings.find((f) => f.id === 'feet.heel')
    expect(heel?.level).toBe('watch')
    expect(heel?.measured).toBeGreaterThan(3.5)
    expect(spoken(heel?.mend ?? '')).toContain('trained help')
    const meant = { ...raised, decisions: { ...raised.decisions, rules: { 'feet.heel': 8 } } }
    expect(level(plan(meant), 'feet.heel')).toBe('fine')
  })
  it('says in a sentence that its last is missing, and where', () => {
    const wrong = { ...withLeft({ lastId: leftLast.id }), leftLast: null }
    expect(() => plan(wrong)).toThrow(PlanError)
    expect(() => plan(wrong)).toThrow(/last chosen for the left shoe/)
  })
  it('says of a fault that it is the left shoe’s', () => {
    expect(() => plan(withLeft({ padding: 'full' }))).toThrow(/^Left shoe: Choose a material for the padding/)
  })
})

describe('parts on each other', () => {
  const right = plan(base)
  const moved = (id: string, move: (p: Point) => Point): FootPlan => ({
    ...right,
    parts: right.parts.map((p) => (p.id === id ? { ...p, outline: p.outline.map(move) } : p)),
  })
  const turn = ([x, y]: Point): Point => [0.96 * x - 0.28 * y + 31, 0.28 * x + 0.96 * y - 12]
  it('a part that only lies elsewhere on the forme is a true mirror all the same', () => {
    const patch = bothFeet(right, moved('cornerPatch.medial', turn)).find((f) => f.id === 'cornerPatch.medial')
    expect(patch?.off).toBeLessThan(1e-6)
    expect(patch?.kind).not.toBe('differs')
  })
  it('a scaled one is not: a disc of a radius 2 % larger lies apart by just that', () => {
    const disc = (r: number): Path =>
      Array.from({ length: 360 }, (_, i) => [r * Math.cos((i * Math.PI) / 180), r * Math.sin((i * Math.PI) / 180)])
    const of = (r: number): FootPlan => ({
      ...right,
      parts: [{ ...right.parts[0]!, outline: disc(r), lines: [], skives: [], notches: [] }],
    })
    const found = bothFeet(of(50), of(51)).find((f) => f.id === right.parts[0]!.id)
    expect(found).toMatchObject({ kind: 'differs' })
    expect(found?.off).toBeCloseTo(1, 2)
    expect(found?.area).toBeCloseTo(100 * (1.02 ** 2 - 1), 6)
  })
})

describe('decorated pieces', () => {
  it('are laid on each other by their finished lines: another number of teeth does not move them apart', () => {
    const upper = {
      ...base.decisions.upper,
      style: 'oxford' as const,
      options: { counter: true },
      decoration: 'gimped' as const,
    }
    const counter = (decoration: 'none' | 'gimped') =>
      both(plan(withLeft({ lastId: leftLast.id }, { upper: { ...upper, decoration } })), 'upper.counter')?.off ?? 99
    // Teeth are 4 mm wide and stand less than 2 mm deep: that is all they may add.
    expect(counter('gimped')).toBeLessThan(counter('none') + 2)
  })
})

describe('what is decided for the left shoe alone', () => {
  it('a figure by hand counts there and nowhere else; null gives it back to the rule', () => {
    const own = plan(withLeft({ figures: { 'stiffener.backHeight': 50 } }))
    expect(both(own, 'stiffener')?.kind).toBe('differs')
    expect(own.parts).toEqual(plan(base).parts)
    expect(own.feet.filter((f) => f.kind !== 'mirror').map((f) => f.id)).toEqual(['stiffener'])
    const byHand: Partial<PairDecisions> = { stiffener: { ...base.decisions.stiffener, backHeight: 50 } }
    expect(plan(withLeft({}, byHand)).feet.every((f) => f.kind === 'mirror')).toBe(true)
    const given = plan(withLeft({ figures: { 'stiffener.backHeight': null } }, byHand))
    expect(given.left?.parts).toEqual(plan(base).parts)
  })
  it('padding in one shoe only: one is cut, and the steps for it are there', () => {
    const padded = { ...base.decisions.materials, padding: corkId }
    const p = plan(withLeft({ padding: 'half' }, { materials: padded }))
    expect(both(p, 'padding')?.kind).toBe('left only')
    const cut = p.steps.find((o) => o.id === 'cut-padding')
    expect(cut?.name).toBe('Cut the half padding')
    expect(cut?.parts).toEqual(['padding'])
    // One foot's alone: there are no two outlines to tell apart.
    expect(spoken(cut?.minutes.sentence ?? '')).not.toContain('own outline')
    expect(p.steps.some((o) => o.id === 'glue-padding')).toBe(true)
    const either = plan(withLeft({ padding: 'half' }, { materials: padded, sock: { extent: 'full', padding: 'full' } }))
    expect(either.steps.find((o) => o.id === 'cut-padding')?.name).toBe('Cut the padding')
    expect(either.steps.some((o) => o.id === 'skive-padding')).toBe(true)
  })
  it('lifts of its own raise the heel, and the pair says so', () => {
    const p = plan(withLeft({ figures: { 'heel.lifts': (plan(base).bottom.heel?.lifts ?? 0) + 1 } }))
    expect(p.left?.bottom.heel?.lifts).toBe((p.bottom.heel?.lifts ?? 0) + 1)
  })
})

describe('what was made while both feet were mirrors', () => {
  const made = makeables(plan(base)).map((m) => ({
    ...m,
    how: 'cut' as const,
    revision: 1,
    at: '2026-01-01T10:00:00.000Z',
  }))
  const own = plan(withLeft({ figures: { 'puff.length': 50 } }))
  it('is good for the right foot and made again for the left where only that changed', () => {
    const list = remakeList(own, made)
    expect(list.find((r) => r.part === 'left.puff')).toMatchObject({
      name: 'Toe puff, left',
      how: ['cut'],
      gone: false,
    })
    expect(list.every((r) => r.part.startsWith('left.'))).toBe(true)
    // What lies over the puff's edge at the feather follows it; what lies elsewhere does not.
    expect(list.some((r) => r.part === 'left.insole' || r.part === 'left.stiffener')).toBe(false)
  })
  it('is good again once the left one was cut by its own outline, until the feet are mirrors again', () => {
    const left = makeables(own).filter((m) => m.part.startsWith('left.'))
    const again = left.map((m) => ({ ...m, how: 'cut' as const, revision: 2, at: '2026-01-02T10:00:00.000Z' }))
    expect(remakeList(own, [...made, ...again])).toEqual([])
    const list = remakeList(plan(base), [...made, ...again])
    expect(list.map((r) => r.part).sort()).toEqual(left.map((m) => m.part).sort())
  })
  it('a change to both feet is one thing to make again', () => {
    const shorter = plan({ ...base, decisions: { ...base.decisions, puff: { length: 52 } } })
    const list = remakeList(shorter, made)
    expect(list.find((r) => r.part === 'puff')?.name).toBe('Toe puff')
    expect(list.every((r) => partOfMade(r.part) === r.part)).toBe(true)
  })
})
