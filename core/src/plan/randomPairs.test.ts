import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boardId, corkId, sampleMeasures, samplePair } from '../../test/samplePair.ts'
import { offset } from '../geometry/polygonClip.ts'
import { boxOf, contains, signedArea } from '../geometry/path.ts'
import { isSimple } from '../geometry/selfIntersection.ts'
import { constructionOf, constructions } from '../model/construction.ts'
import { CupSole } from '../model/cupSole.ts'
import {
  LeftShoe,
  liningBacks,
  liningFronts,
  liningTrims,
  paddings,
  sockExtents,
  stiffenerFronts,
  type PairDecisions,
  type PlanInput,
} from '../model/pair.ts'
import { styles } from '../model/upper.ts'
import type { FootPlan, Plan } from './plan.ts'
import { planPair } from './planPair.ts'
import { spoken } from '../units/sentence.ts'
import { keptCache } from '../../test/keptCache.ts'

const cache = keptCache(8)
const names = Object.keys(sampleMeasures) as (keyof typeof sampleMeasures)[]

const anyPair = fc.record({
  last: fc.constantFrom(...names),
  leftLast: fc.constantFrom(null, ...names),
  construction: fc.constantFrom(...constructions),
  style: fc.constantFrom(...styles),
  board: fc.boolean(),
  covered: fc.boolean(),
  front: fc.constantFrom(...stiffenerFronts),
  back: fc.constantFrom(...liningBacks),
  liningFront: fc.constantFrom(...liningFronts),
  trim: fc.constantFrom(...liningTrims),
  sock: fc.record({ extent: fc.constantFrom(...sockExtents), padding: fc.constantFrom(...paddings) }),
  leftPadding: fc.constantFrom(null, ...paddings),
  wedge: fc.boolean(),
})
type Chosen = typeof anyPair extends fc.Arbitrary<infer T> ? T : never

function inputOf(c: Chosen): PlanInput {
  const base = samplePair({}, sampleMeasures[c.last])
  const left = c.leftLast && samplePair({}, sampleMeasures[c.leftLast]).last
  const leftId = '01900000-0000-7000-8000-000000000097'
  const decisions: PairDecisions = {
    ...base.decisions,
    construction: c.construction,
    materials: { ...base.decisions.materials, padding: corkId, ...(c.board ? { insole: boardId } : {}) },
    stiffener: { ...base.decisions.stiffener, front: c.front },
    lining: { back: c.back, front: c.liningFront, trim: c.trim },
    sock: c.sock,
    insole: { covered: c.covered },
    heel: { lifts: null, wedge: c.wedge },
    upper: { ...base.decisions.upper, style: c.style },
    left: left || c.leftPadding ? LeftShoe.parse({ lastId: left ? leftId : null, padding: c.leftPadding }) : null,
  }
  return { ...base, decisions, leftLast: left && { ...left, id: leftId } }
}

function isSound(foot: FootPlan): void {
  for (const p of [...foot.parts, ...foot.upper.pieces]) {
    expect(isSimple(p.outline), p.name).toBe(true)
    expect(signedArea(p.outline), p.name).toBeGreaterThan(50)
    expect(p.outline.flat().every(Number.isFinite), p.name).toBe(true)
  }
  for (const p of foot.parts) {
    const numbers = [
      p.thickness,
      ...p.becauses.map((b) => b.value),
      ...p.findings.flatMap((f) => [f.measured, f.limit]),
      ...p.dimensions.map((d) => d.value),
      ...p.skives.flatMap((s) => s.profile.flat()),
      ...p.lines.flatMap((l) => [...l.path, ...(l.holes ?? [])].flat()),
    ]
    expect(numbers.every(Number.isFinite), p.name).toBe(true)
    // A skive takes leather off and never adds it; a thickness that is worked out is said to a tenth.
    for (const s of p.skives) for (const [, t] of s.profile) expect(t).toBeLessThanOrEqual(p.thickness + 0.051)
    for (const h of p.lines.flatMap((l) => l.holes ?? [])) expect(contains(p.outline, h), `${p.name} hole`).toBe(true)
  }
  for (const { skives } of Object.values(foot.edges.markings)) {
    for (const s of skives)
      expect(
        s.profile.flat().every((v) => Number.isFinite(v) && v >= 0),
        s.name,
      ).toBe(true)
  }
  for (const s of foot.edges.seams) {
    expect(s.thickest.after, s.name).toBeLessThanOrEqual(s.thickest.before + 1e-9)
    expect([s.length, s.thickest.after, s.step?.before ?? 0, s.step?.after ?? 0].every(Number.isFinite), s.name).toBe(
      true,
    )
  }
  for (const f of [...foot.findings, ...foot.layers.findings, ...foot.edges.findings, ...foot.bottom.findings]) {
    expect([f.measured, f.limit].every(Number.isFinite), f.id).toBe(true)
    expect(f.level === 'fine' || spoken(f.mend).length > 5, f.id).toBe(true)
  }
}

/** Parts under the foot lie in each other as they do in the shoe. */
function isNested(foot: FootPlan): void {
  const box = (id: string) => {
    const p = foot.parts.find((x) => x.id === id)
    return p && boxOf(p.outline)
  }
  const order = ['filler', 'insole', 'midsole', 'outsole'].flatMap((id) => box(id) ?? [])
  for (let i = 1; i < order.length; i++) {
    const [inner, outer] = [order[i - 1]!, order[i]!]
    // Where nothing of an open shoe lies between them both have one edge, but for rounding.
    expect(inner.minX).toBeGreaterThanOrEqual(outer.minX - ROUNDED)
    expect(inner.maxX).toBeLessThanOrEqual(outer.maxX + ROUNDED)
    expect(inner.minY).toBeGreaterThanOrEqual(outer.minY - ROUNDED)
    expect(inner.maxY).toBeLessThanOrEqual(outer.maxY + ROUNDED)
  }
}

/** Outlines are kept to a ten-thousandth of a millimetre. */
const ROUNDED = 1e-3

describe('random pairs', () => {
  it('in every way of making, on lasts that differ between the feet: nothing crosses itself, leaves its bounds or is no number', () => {
    fc.assert(
      fc.property(anyPair, (chosen) => {
        const input = inputOf(chosen)
        const plan: Plan = planPair(input, cache)
        for (const foot of [plan, ...(plan.left ? [plan.left] : [])]) {
          isSound(foot)
          isNested(foot)
        }
        expect(plan.feet.length).toBeGreaterThanOrEqual(plan.parts.length + plan.upper.pieces.length)
        expect(plan.left === null).toBe(input.decisions.left === null)
        // What there is to cut is what the way of making asks for.
        const way = constructionOf[chosen.construction]
        expect(plan.parts.some((p) => p.id === 'outsole')).toBe(way.sole === 'cut')
        expect(plan.parts.some((p) => p.id === 'welt')).toBe(way.held === 'through a welt')
        const cut = new Set(plan.steps.filter((o) => o.group === 'cut').flatMap((o) => o.parts))
        const all = [...plan.parts, ...(plan.left?.parts ?? [])].map((p) => p.id)
        expect(all.filter((id) => !cut.has(id) && id !== 'filler')).toEqual([])
      }),
      { numRuns: 20 },
    )
  })
  it('in a cup drawn round it with a millimetre of room, whatever the layers: it fits', () => {
    fc.assert(
      fc.property(anyPair, (chosen) => {
        const input = inputOf({ ...chosen, construction: 'cup sole', leftLast: null, leftPadding: null })
        const { lasted } = planPair(input, cache)
        const cup = CupSole.parse({
          id: '01900000-0000-7000-8000-0000000000c2',
          name: 'Round it',
          outline: offset(lasted, 1, 'the cup'),
        })
        const plan = planPair({ ...input, decisions: { ...input.decisions, cupSoleId: cup.id }, cupSole: cup }, cache)
        expect(plan.bottom.cup?.least.room).toBeGreaterThan(0.9)
        expect(plan.bottom.cup?.most.room).toBeLessThan(1.1)
      }),
      { numRuns: 6 },
    )
  })
})
