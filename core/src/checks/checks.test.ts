import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { sampleMeasures, samplePair } from '../../test/samplePair.ts'
import { CheckReading } from '../model/check.ts'
import { planPair } from '../plan/planPair.ts'
import type { Foot } from '../trade/foot.ts'
import { spoken } from '../units/sentence.ts'
import type { Check } from './check.ts'
import { standingReadings, verdictsOf } from './verdict.ts'

const cache = keptCache(12)
const plan = planPair(samplePair(), cache)
const check = (id: string, of: readonly Check[] = plan.checks): Check => of.find((c) => c.id === id)!
const planned = (id: string, foot: Foot = 'right') => check(id).figure!.planned[foot]
const read = (id: string, foot: Foot, value: number | null, fine: boolean | null = null): CheckReading =>
  CheckReading.parse({ check: id, foot, value, fine, revision: 1, at: '2026-05-02T08:00:00.000Z' })
const level = (readings: CheckReading[], of: readonly Check[] = plan.checks) =>
  verdictsOf(of, readings).map((v) => [v.foot ?? 'both', v.level])

describe('checks of a pair', () => {
  it('are planned by the plan’s own figures', () => {
    // L/5 + 3 = 61 up the back curve of a 290 mm last; straight up the wall that is a little less.
    expect(planned('backHeight')).toBeGreaterThan(60)
    expect(planned('backHeight')).toBeLessThan(61)
    // 0.135 L, and 6 mm more on the medial side, along the wall: less straight up.
    expect(planned('ankle.lateral')).toBeCloseTo(0.135 * 290, 0)
    expect(planned('ankle.medial') - planned('ankle.lateral')).toBeGreaterThan(5)
    // 61 mm at L = 300, 1.8 mm less for 10 mm.
    expect(planned('puffBack')).toBeCloseTo(61 - 1.8, 5)
    expect(planned('tip.lateral')).toBeCloseTo(0.24 * 290, 5)
    expect(planned('room.toe')).toBe(10)
    expect(check('room.toe').figure!.bound.right).toEqual({ kind: 'at least', limit: 5 })
    expect(check('backGap').figure!.bound.right).toEqual({ kind: 'at most', limit: 2 })
    // Two lifts of 5, a top piece of 6 and the wedge are what the heel needs.
    const { heel } = plan.bottom
    expect(planned('heel')).toBeCloseTo(heel!.needed.back, 6)
    const tacks = plan.lasting.strips.find((s) => s.id === 'upper')!.zones.reduce((n, z) => n + z.tacks, 0)
    expect(planned('tacks')).toBe(tacks + 3)
  })
  it('are taken at steps that the pair has, in their order, and lead back to such', () => {
    const pairs = [
      plan,
      planPair(samplePair({ construction: 'cemented', upper: { style: 'court' } }, sampleMeasures.heeled), cache),
      planPair(samplePair({ construction: 'cup sole', upper: { style: 'trainer' } }), cache),
      planPair(samplePair({ construction: 'stitch-down', upper: { style: 'stitch-down' } }), cache),
      planPair(samplePair({ upper: { style: 'ankle boot' } }, sampleMeasures.boot), cache),
      planPair(samplePair({ work: { ways: { lasting: 'lining first', puff: 'formed on the last' } } }), cache),
    ]
    for (const { steps, checks } of pairs) {
      const place = (id: string) => steps.findIndex((s) => s.id === id)
      const places = checks.map((c) =>
        Math.min(...[c.at.right, c.at.left].flatMap((id) => (id === null ? [] : [place(id)]))),
      )
      expect(places).toEqual([...places].sort((a, b) => a - b))
      expect(Math.min(...places)).toBeGreaterThanOrEqual(0)
      expect(new Set(checks.map((c) => c.id)).size).toBe(checks.length)
      for (const c of checks) {
        for (const way of Object.values(c.back)) {
          const to = steps.findIndex((s) => s.key === way.step)
          expect(to, `${c.id} leads to ${way.step}`).toBeGreaterThanOrEqual(0)
          // Nothing goes back to what comes after the check.
          for (const foot of ['right', 'left'] as const) {
            const at = c.at[foot]
            if (at !== null) expect(steps.findIndex((s) => s.key === way.step)).toBeLessThanOrEqual(place(at))
          }
        }
      }
    }
    // No tabs, no midsole of its own: nothing to measure there.
    const [, court, cup] = pairs
    expect(court!.checks.some((c) => c.id === 'tip.lateral')).toBe(true)
    expect(cup!.checks.filter((c) => c.id.startsWith('room.') || c.id === 'heel')).toEqual([])
  })
  it('keep on record that the soles were tried on in paper, where they are cut to the lasted shoe', () => {
    expect(check('look.tryOn')).toMatchObject({ at: { right: 'try-sole', left: 'try-sole' }, figure: null })
    // What does not fit is drawn anew before anything is cut by it.
    const steps = plan.steps.map((s) => s.key)
    expect(steps.indexOf(check('look.tryOn').back['not so']!.step)).toBeLessThan(steps.indexOf('cut-midsole'))
    const ahead = planPair(samplePair({ work: { ways: { soles: 'cut ahead' } } }), cache)
    expect(ahead.checks.some((c) => c.id === 'look.tryOn')).toBe(false)
  })
  it('of a shoe within its tolerance are fine, beyond it send that shoe back', () => {
    const p = planned('backHeight')
    expect(level([read('backHeight', 'right', p + 1.5)])).toEqual([['right', 'fine']])
    const [high] = verdictsOf(plan.checks, [read('backHeight', 'left', p + 1.6)])
    expect(high).toMatchObject({ foot: 'left', level: 'stop', back: { step: 'last-back', foot: 'left' } })
    expect(spoken(high!.sentence)).toMatch(/1\.6 mm too much/)
    const [low] = verdictsOf(plan.checks, [read('backHeight', 'right', p - 2)])
    expect(spoken(low!.back!.why)).toMatch(/too far down/)
  })
  it('of both shoes within their tolerance are compared beside it', () => {
    const p = planned('puffBack')
    const two = [read('puffBack', 'right', p - 0.2), read('puffBack', 'left', p + 1.4)]
    const found = verdictsOf(plan.checks, two)
    expect(found.map((v) => [v.foot, v.level])).toEqual([
      ['right', 'fine'],
      ['left', 'fine'],
      [null, 'stop'],
    ])
    // The one that is further from its plan goes back.
    expect(found[2]!.back).toMatchObject({ foot: 'left', step: 'set-puff' })
  })
  it('a later reading stands for the earlier one', () => {
    const p = planned('heel')
    expect(level([read('heel', 'right', p + 2), read('heel', 'right', p)])).toEqual([['right', 'fine']])
  })
  it('of a step that was sent back are taken anew; those of other steps and of the other foot stand', () => {
    const readings = [read('backHeight', 'right', 50), read('backHeight', 'left', 50), read('heel', 'right', 20)]
    const back = (at: string) => [{ steps: ['last-back.right', 'cement-lining.right'], at }]
    const left = (at: string) => standingReadings(plan.checks, readings, back(at)).map((r) => `${r.check} ${r.foot}`)
    expect(left('2026-05-02T09:00:00.000Z')).toEqual(['backHeight left', 'heel right'])
    // What was measured since is what stands.
    expect(left('2026-05-02T07:00:00.000Z')).toHaveLength(3)
  })
  it('one tack that is missing stops the shoe, and one too many is no plan of ours', () => {
    const n = planned('tacks')
    expect(level([read('tacks', 'right', n)])).toEqual([['right', 'fine']])
    const [missing] = verdictsOf(plan.checks, [read('tacks', 'right', n - 1)])
    expect(missing).toMatchObject({ level: 'stop', back: { step: 'draw-tacks' } })
    expect(spoken(missing!.sentence)).toContain(`${n - 1}, ${n} planned: 1 too little`)
  })
  it('room is never too much', () => {
    expect(level([read('room.toe', 'right', 25)])).toEqual([['right', 'fine']])
    const [short] = verdictsOf(plan.checks, [read('room.medial', 'right', 3.5)])
    expect(short).toMatchObject({ level: 'stop', back: { step: 'cut-midsole' } })
    expect(spoken(short!.sentence)).toMatch(/1\.5 mm too little/)
  })
  it('what is looked at is as it should be, or goes back', () => {
    expect(level([read('look.folds', 'right', null, true)])).toEqual([['right', 'fine']])
    expect(verdictsOf(plan.checks, [read('look.folds', 'left', null, false)])[0]).toMatchObject({
      level: 'stop',
      back: { step: 'last-back', foot: 'left' },
    })
  })
  it('tolerance is a house rule', () => {
    const wide = planPair({ ...samplePair(), houseRules: { 'check.height': 4 } }, cache).checks
    const reading = [read('backHeight', 'right', planned('backHeight') + 3)]
    expect(level(reading)).toEqual([['right', 'stop']])
    expect(level(reading, wide)).toEqual([['right', 'fine']])
  })
  it('a left shoe of its own is compared by what is planned between the two', () => {
    const input = samplePair({ left: { figures: { 'puff.length': 55 } } })
    const { checks } = planPair(input, cache)
    const { planned: of } = check('puffBack', checks).figure!
    expect(of.right - of.left).toBeCloseTo(4.2, 6)
    const asPlanned = [read('puffBack', 'right', of.right), read('puffBack', 'left', of.left)]
    expect(level(asPlanned, checks).map(([, l]) => l)).toEqual(['fine', 'fine', 'fine'])
    const alike = [read('puffBack', 'right', of.right), read('puffBack', 'left', of.right)]
    expect(level(alike, checks)).toEqual([
      ['right', 'fine'],
      ['left', 'stop'],
    ])
  })
  it('a base pattern that serves both shoes is closed over one last', () => {
    expect(check('backGap').at.left).toBeNull()
  })
})
