import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { samplePair } from '../../test/samplePair.ts'
import type { Made } from '../model/made.ts'
import type { Plan } from './plan.ts'
import { planPair } from './planPair.ts'
import { makeables, remakeList } from './remake.ts'
import { shapePrint } from '../work/shapePrint.ts'
import { keptCache } from '../../test/keptCache.ts'

const cache = keptCache()
const input = samplePair()
let plan: Plan
let made: Made[]
beforeAll(() => {
  plan = planPair(input, cache)
  made = makeables(plan).map((m, i) => ({
    ...m,
    how: 'printed',
    revision: 1,
    at: `2026-01-0${1 + (i % 9)}T10:00:00.000Z`,
  }))
})
const withUpper = (upper: object) =>
  planPair({ ...input, decisions: { ...input.decisions, upper: { ...input.decisions.upper, ...upper } } }, cache)

describe('what must be made again', () => {
  it('nothing while the plan is as it was, also when it is planned anew', () => {
    expect(remakeList(plan, made)).toEqual([])
    expect(remakeList(planPair(input, keptCache()), made)).toEqual([])
  })
  it('the pieces whose outline changed, by how they were made; a print made since is good', () => {
    const changed = withUpper({ backTaper: 2 })
    const list = remakeList(changed, [
      ...made,
      { ...made[0]!, part: 'upper.quarter.lateral', how: 'cut', at: '2026-02-01T10:00:00.000Z' },
    ])
    const quarter = list.find((r) => r.part === 'upper.quarter.lateral')
    expect(quarter?.how.sort()).toEqual(['cut', 'printed'])
    expect(list.some((r) => r.part === 'upper.tongue')).toBe(false)
    expect(list.some((r) => r.part === 'insole')).toBe(false)
    const again = makeables(changed).map((m): Made => ({
      ...m,
      how: 'printed',
      revision: 2,
      at: '2026-03-01T10:00:00.000Z',
    }))
    expect(remakeList(changed, [...made, ...again])).toEqual([])
  })
  it('what is built up to another height, though its outline is the same; paper has none, and older records know of none', () => {
    const thicker = planPair(
      { ...input, materials: input.materials.map((m) => (m.kind === 'upper leather' ? { ...m, thickness: 2 } : m)) },
      cache,
    )
    const filler = makeables(plan).find((m) => m.part === 'filler')
    if (!filler) throw new Error('no filler')
    const was = (how: 'printed' | 'cut', print: string): Made => ({
      ...filler,
      how,
      print,
      revision: 1,
      at: '2026-02-01T10:00:00.000Z',
    })
    const out = (m: Made) => remakeList(thicker, [m]).map((r) => r.part)
    expect(remakeList(plan, [was('cut', filler.print)])).toEqual([])
    expect(out(was('cut', filler.print))).toEqual(['filler'])
    const again = makeables(thicker).find((m) => m.part === 'filler')
    expect(again?.print).not.toBe(filler.print)
    // The same outline: only where it lies has the bed a shape.
    const [outline, older] = [filler.print.split('~')[0], again?.print.split('~')[0]]
    if (outline === older) {
      expect(out(was('printed', filler.print))).toEqual([])
      expect(out(was('cut', outline!))).toEqual([])
    }
  })
  it('a piece that is not in the plan any more is listed as gone', () => {
    const boot = withUpper({ style: 'court' })
    const gone = remakeList(boot, made).filter((r) => r.gone)
    expect(gone.map((r) => r.part)).toContain('upper.tongue')
  })
  it('prints tell shapes apart by a hundredth of a millimetre and equal ones never', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -30000, max: 30000 }), fc.integer({ min: -30000, max: 30000 })), {
          minLength: 3,
          maxLength: 20,
        }),
        fc.nat(),
        (raw, n) => {
          const path = raw.map(([x, y]): [number, number] => [x / 100, y / 100])
          expect(shapePrint(path)).toBe(shapePrint(path.map((p): [number, number] => [p[0], p[1]])))
          const k = n % path.length
          const other = path.map((p, i): [number, number] => (i === k ? [p[0] + 0.01, p[1]] : p))
          expect(shapePrint(other)).not.toBe(shapePrint(path))
        },
      ),
    )
  })
  it('what was found unfit, until it is cut again: one foot’s alone where it was one foot’s', () => {
    const back = (part: string) => ({
      parts: [{ part, name: 'x' }],
      reason: 'Torn at the awl',
      revision: 3,
      at: '2026-04-01T10:00:00.000Z',
    })
    expect(remakeList(plan, made, [back('left.insole')])).toEqual([
      {
        part: 'left.insole',
        name: `${plan.parts.find((p) => p.id === 'insole')!.name}, left`,
        how: ['cut'],
        revision: 3,
        gone: false,
        spoilt: 'Torn at the awl',
      },
    ])
    expect(remakeList(plan, made, [back('insole')]).map((r) => r.part)).toEqual(['insole'])
    const insole = made.find((m) => m.part === 'insole')!
    const cut = (part: string, at: string): Made => ({ ...insole, part, how: 'cut', at })
    expect(remakeList(plan, [...made, cut('insole', '2026-04-02T10:00:00.000Z')], [back('left.insole')])).toEqual([])
    expect(remakeList(plan, [...made, cut('insole', '2026-03-02T10:00:00.000Z')], [back('insole')])).toHaveLength(1)
    // A new print mends nothing.
    const printed = { ...insole, at: '2026-04-02T10:00:00.000Z' }
    expect(remakeList(plan, [...made, printed], [back('insole')])).toHaveLength(1)
  })
})
