import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { distance, pathLength } from '../geometry/path.ts'
import { nearest } from '../geometry/polyline.ts'
import { LacingDecisions } from '../model/lacing.ts'
import { PairDecisions, type PlanInput } from '../model/pair.ts'
import type { UpperDecisions } from '../model/upper.ts'
import type { Plan } from '../plan/plan.ts'
import { planPair } from '../plan/planPair.ts'
import { remedied } from '../trade/remedy.ts'
import { RuleBook } from '../trade/rules.ts'
import { eyeletRow } from './eyelets.ts'

const cache = keptCache(24)
const decided = (change: Partial<LacingDecisions> = {}) => LacingDecisions.parse(change)
const book = new RuleBook({}, {})
type Change = { lacing?: Partial<LacingDecisions>; rules?: Record<string, number>; upper?: Partial<UpperDecisions> }
const input = (style: string, { lacing, rules = {}, upper }: Change = {}): PlanInput => {
  const of = pairOfEachStyle[style as keyof typeof pairOfEachStyle]
  return {
    ...of,
    decisions: { ...of.decisions, rules, upper: { ...of.decisions.upper, ...upper, lacing: decided(lacing) } },
  }
}
const plan = (style: string, change: Change = {}): Plan => planPair(input(style, change), cache)
const laced = ['derby', 'oxford', 'trainer', 'stitch-down', 'laced boot']
const slipOns = ['ballet flat', 'court', 'ankle boot', 'pull-on boot']

describe('a row of eyelets', () => {
  it('begins and ends at its distances, even between, as near to the house’s spacing as comes out whole', () => {
    const row = eyeletRow(72, decided(), book)
    expect(row.along).toEqual([9, 22.25, 35.5, 48.75, 62])
    expect(row.spacing).toBe(13.25)
    expect(eyeletRow(58, decided(), book).along).toEqual([9, 22, 35, 48])
    expect(eyeletRow(72, decided({ pairs: 3 }), book).along).toEqual([9, 35.5, 62])
    expect(eyeletRow(20, decided(), book).along).toHaveLength(2)
  })
  it('of its uppermost pairs some are hooks, never all; a hidden eyelet has the smaller hole', () => {
    expect(eyeletRow(72, decided({ hooks: 2 }), book).hooks).toBe(2)
    expect(eyeletRow(72, decided({ hooks: 8 }), book).hooks).toBe(4)
    expect(eyeletRow(72, decided(), book).hooks).toBe(0)
    expect(eyeletRow(72, decided(), book).diameter).toBe(4)
    expect(eyeletRow(72, decided({ fitting: 'hidden' }), book).diameter).toBe(3)
  })
  it('up a shaft is further apart, and hooked where it stands in the air', () => {
    // 9 and 10 mm at the ends leave 133: 7 spaces of 19 mm. The first 70 mm stand on the shaft: holes at 9, 28, 47, 66.
    const row = eyeletRow(152, decided(), book, { bend: 70, onLast: 90 })
    expect(row.along).toEqual([9, 28, 47, 66, 85, 104, 123, 142])
    expect(row.hooks).toBe(4)
    expect(eyeletRow(152, decided({ hooks: 0 }), book, { bend: 70, onLast: 90 }).hooks).toBe(0)
    expect(
      eyeletRow(152, decided(), new RuleBook({}, { 'lacing.shaftSpacing': 26 }), { bend: 70, onLast: 90 }).along,
    ).toHaveLength(6)
  })
})

describe('eyelets of a shoe', () => {
  it.each(laced)(
    '%s: as many on every piece of either facing and in the lining, at their distance from the edge',
    (style) => {
      const p = plan(style)
      const row = p.upper.lacing!
      const carriers = p.upper.pieces.filter((x) => x.holes.some((h) => h.for === 'eyelet'))
      expect(carriers.length).toBeGreaterThan(0)
      for (const piece of carriers) {
        for (const edge of piece.edges.filter((e) => e.name === 'facing')) {
          const its = piece.holes.filter((h) => nearest(edge.line, h.at).away < 11.5)
          expect(its, piece.id).toHaveLength(row.along.length)
          for (const { at } of its) expect(nearest(edge.line, at).away).toBeCloseTo(11, 1)
          // Counted from the top line, which the facing's edge ends or begins at.
          const whole = pathLength(edge.line)
          const along = its
            .map((h) => nearest(edge.line, h.at).at)
            .map((at) => (edge.side === 'lateral' ? whole - at : at))
          along
            .sort((a, b) => a - b)
            .forEach((at, i) => expect(Math.abs(at - row.along[i]!), piece.id).toBeLessThan(1.5))
        }
      }
      const lining = p.parts.filter((x) => x.id.startsWith('quarterLining'))
      for (const part of lining) {
        const holes = part.lines.filter((l) => l.name === 'eyelet')
        expect(holes.length).toBeGreaterThan(1)
        expect(holes.every((h) => h.kind === 'punch' && h.later)).toBe(true)
      }
    },
  )
  it('lie in the same places on the quarter and on the lining under it', () => {
    const p = plan('oxford')
    const quarter = p.upper.pieces.find((x) => x.id === 'quarter.lateral')!
    const lining = p.parts.find((x) => x.id === 'quarterLining.lateral')!
    const centre = (path: readonly (readonly [number, number])[]) =>
      [path.reduce((s, q) => s + q[0], 0) / path.length, path.reduce((s, q) => s + q[1], 0) / path.length] as const
    const through = lining.lines.filter((l) => l.name === 'eyelet').map((l) => centre(l.path))
    for (const c of through) {
      const near = quarter.holes.filter((h) => h.for === 'eyelet').map((h) => distance(h.at, c))
      expect(Math.min(...near)).toBeLessThan(0.3)
    }
  })
  it.each(slipOns)('%s: none, in drawing, list and steps', (style) => {
    const p = plan(style, { lacing: { hooks: 2, guard: true } })
    expect(p.upper.lacing).toBeNull()
    expect(p.upper.pieces.every((x) => x.holes.every((h) => !h.for))).toBe(true)
    expect(p.parts.some((x) => x.lines.some((l) => l.name === 'eyelet'))).toBe(false)
    expect(p.steps.map((s) => s.id)).not.toContain('eyelets')
    expect(p.steps.map((s) => s.id)).not.toContain('tape-facings')
  })
  it('tape before lining, holes before the tongue', () => {
    const ids = plan('derby').steps.map((s) => s.key)
    const order = ['tape-facings', 'join-lining', 'eyelets', 'sew-tongue', 'paste-stiffener'].map((id) =>
      ids.indexOf(id),
    )
    expect(order.every((at, i) => at >= 0 && (i === 0 || at > order[i - 1]!))).toBe(true)
  })
  it('hooks are told from eyelets, a guard puts two holes into the tongue at the middle pair', () => {
    const p = plan('derby', { lacing: { hooks: 2, guard: true } })
    const quarter = p.upper.pieces.find((x) => x.id === 'quarter.lateral')!
    expect(quarter.holes.map((h) => h.for)).toEqual(['hook', 'hook', 'eyelet', 'eyelet', 'eyelet'])
    const tongue = p.upper.pieces.find((x) => x.id === 'tongue')!
    const guard = tongue.holes.filter((h) => h.for === 'lace guard')
    expect(guard).toHaveLength(2)
    expect(distance(guard[0]!.at, guard[1]!.at)).toBeCloseTo(12, 9)
    expect(guard[0]!.at[0]).toBeCloseTo(14 + p.upper.lacing!.along[2]!, 9)
  })
  it('without eyelets there is a backing of leather behind the holes', () => {
    const part = (change: Change) => plan('derby', change).parts.find((x) => x.id === 'facingTape.lateral')!
    expect(part({})).toMatchObject({ name: 'Tape under the lacing, lateral', thickness: 0.3 })
    expect(part({ lacing: { fitting: 'none' } })).toMatchObject({
      name: 'Backing under the lacing, lateral',
      thickness: 0.8,
    })
    // Its edges would be seen through the upper: they run out, a woven tape's need not.
    expect(part({ lacing: { fitting: 'none' } }).skives.map((s) => s.profile)).toEqual([
      [
        [0, 0],
        [5, 0.8],
      ],
    ])
    expect(part({}).skives).toEqual([])
  })
})

describe('the lace', () => {
  it('crossed: over the lowest pair, then corner to corner; between facings that run along each other by Pythagoras', () => {
    const { lacing } = plan('derby').upper
    const { pairs, spacing, laceThrough, lace } = lacing!
    const gaps = pairs.map((x) => x.gap)
    const crossed = gaps.slice(1).reduce((sum, g, i) => sum + 2 * Math.hypot((g + gaps[i]!) / 2, spacing), 0)
    // The facings run nearly along each other: within a few hundredths.
    expect(Math.abs(laceThrough - crossed - gaps[gaps.length - 1]!) / laceThrough).toBeLessThan(0.03)
    expect(lace).toBeCloseTo(laceThrough + 600, 9)
    // Twelve millimetres between the facings as planned, eleven either side.
    for (const g of gaps) expect(Math.abs(g - 34)).toBeLessThan(6)
    expect(lacing!.sold! - lace).toBeGreaterThanOrEqual(0)
    expect(lacing!.sold! - lace).toBeLessThan(200)
  })
  it('in bars: every gap, and the way up on both sides', () => {
    const { pairs, spacing, laceThrough } = plan('derby', { lacing: { way: 'straight' } }).upper.lacing!
    const bars = pairs.reduce((sum, x) => sum + x.gap, 0)
    expect(Math.abs(laceThrough - bars - 2 * (pairs.length - 1) * spacing)).toBeLessThan(4)
  })
  it('grows with the pairs, and with what is left to tie', () => {
    const of = (change: Change) => plan('oxford', change).upper.lacing!.lace
    expect(of({ lacing: { pairs: 6 } })).toBeGreaterThan(of({ lacing: { pairs: 4 } }))
    expect(of({ rules: { 'lacing.ends': 400 } }) - of({})).toBeCloseTo(200, 9)
  })
})

describe('what is wrong with a lacing', () => {
  const all = (p: Plan) => [...p.upper.findings, ...p.parts.flatMap((x) => x.findings)]
  const finding = (p: Plan, id: string) => all(p).find((f) => f.id === id)!
  it.each([
    ['lacing.edge', { rules: { 'lacing.fromEdge': 6 } }],
    ['lacing.tape', { rules: { 'reinforcement.facing': 12 } }],
    ['lacing.spacing', { lacing: { pairs: 10 } }],
    ['lacing.spacing', { lacing: { pairs: 2 } }],
  ] as [string, Change][])('%s is told, and its button mends it', (id, change) => {
    expect(finding(plan('derby'), id).level).toBe('fine')
    const wrong = input('derby', change)
    const told = finding(planPair(wrong, cache), id)
    expect(told.level).toBe('watch')
    const mended = { ...wrong, decisions: remedied(wrong.decisions, told.remedy!) }
    expect(finding(planPair(mended, cache), id).level).toBe('fine')
  })
  it('a document of before has the lacing that every laced shoe has', () => {
    const { upper, ...rest } = samplePair().decisions
    const { lacing: _, finishOnFacings: __, ...before } = upper
    const { upper: now } = PairDecisions.parse({ ...rest, upper: before })
    expect(now.lacing).toEqual({ fitting: 'visible', pairs: null, hooks: null, way: 'crossed', guard: false })
    expect(now.finishOnFacings).toBeNull()
  })
})
