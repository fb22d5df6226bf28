import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { edgeRoles, type EdgeRole } from '../model/edgeRoles.ts'
import { RuleBook } from '../trade/rules.ts'
import { profileAt } from '../trade/wallArea.ts'
import { edgeSkive, edgeSkiveRules, type SkivedEdge } from './edgeSkive.ts'

const book = new RuleBook({}, {})
const edge = (role: EdgeRole, allowance: number, more: Partial<SkivedEdge> = {}): SkivedEdge => ({
  role,
  allowance,
  facing: 'out',
  doubled: false,
  shows: true,
  ...more,
})
const leather = (thickness: number) => ({ thickness, kind: 'upper leather' as const })
/** Thickness left at some distances from the cut edge, mm. */
const left = (e: SkivedEdge, t: number, at: readonly number[], rules = book): number[] => {
  const skive = edgeSkive(e, leather(t), rules)
  if (!skive) throw new Error('not skived')
  return at.map((d) => profileAt(skive.profile, d))
}
const near = (values: readonly number[]) => values.map((v): number => expect.closeTo(v, 9) as number)

describe('an edge is skived', () => {
  it('where it laps under: to 0.55 of its thickness over the lap, whole again 2 mm further, thinner at its very edge', () => {
    expect(left(edge('lap under', 9), 2, [4, 9, 10, 11, 30])).toEqual(near([1.1, 1.1, 1.55, 2, 2]))
    expect(left(edge('lap under', 9), 2, [0])[0]).toBeLessThan(0.5)
  })
  it('where it is folded: to half over twice the fold, whole again 1 mm further; the two leaves are one thickness', () => {
    expect(left(edge('folded', 5), 1.4, [0, 5, 10, 10.5, 11])).toEqual(near([0.7, 0.7, 0.7, 1.05, 1.4]))
    // From the fold, which lies 5 mm in, as far as the turned edge reaches.
    for (const d of [0.5, 2, 4.5]) {
      const [leaf, whole] = left(edge('folded', 5), 1.4, [5 - d, 5 + d])
      expect(leaf! + whole!).toBeCloseTo(1.4, 9)
    }
    expect(left(edge('zip', 8), 1.4, [16, 17])).toEqual(near([0.7, 1.4]))
  })
  it('along a closed seam: to 0.6 over the allowance, whole again at 4 mm', () => {
    expect(left(edge('closed seam', 2.5), 1.5, [0, 2.5, 3.25, 4])).toEqual(near([0.9, 0.9, 1.2, 1.5]))
    // An allowance as wide as the skive has its rise behind it.
    expect(left(edge('closed seam', 5), 1.5, [5, 6])).toEqual(near([0.9, 1.5]))
  })
  it('where two are turned out together: to half over the margin and half of what reaches up the wall', () => {
    const doubled = edge('turned-out margin', 12, { doubled: true })
    expect(left(doubled, 2, [0, 12, 13.5, 14.25, 15])).toEqual(near([1, 1, 1, 1.5, 2]))
    expect(edgeSkive(edge('turned-out margin', 12), leather(2), book)).toBeNull()
  })
  it('on the foot’s side where it lies over, and where a lining’s edge shows', () => {
    const over = edge('lap over', 0, { facing: 'foot' })
    expect(left(over, 1, [0, 3, 6])).toEqual(near([0.55, 0.775, 1]))
    expect(edgeSkive(edge('lap over', 0), leather(1), book)).toBeNull()
    const trimmed = edge('trimmed', 6, { facing: 'foot' })
    expect(left(trimmed, 1, [0, 6, 9, 12])).toEqual(near([0.6, 0.6, 0.8, 1]))
    expect(edgeSkive(edge('trimmed', 6, { facing: 'foot', shows: false }), leather(1), book)).toBeNull()
  })
  it('nowhere else, not where it is woven, and not where the house leaves its whole thickness', () => {
    const never: EdgeRole[] = ['lasting margin', 'bead', 'bound', 'raw', 'butt seam', 'fold']
    for (const role of never) expect(edgeSkive(edge(role, 6), leather(1.4), book), role).toBeNull()
    for (const kind of ['lining cloth', 'woven tape', 'woven backer'] as const) {
      expect(edgeSkive(edge('folded', 5), { thickness: 1, kind }, book), kind).toBeNull()
    }
    const whole = new RuleBook({ 'skive.foldShare': 1 }, {})
    expect(edgeSkive(edge('folded', 5), leather(1.4), whole)).toBeNull()
  })
  it('and is never thicker than the leather, never thinner than its share, and whole past its width', () => {
    const figures = fc.record({
      role: fc.constantFrom(...(Object.keys(edgeRoles) as EdgeRole[])),
      allowance: fc.double({ min: 0.5, max: 20, noNaN: true }),
      t: fc.double({ min: 0.3, max: 4, noNaN: true }),
      facing: fc.constantFrom('out' as const, 'foot' as const),
      share: fc.double({ min: 0.3, max: 0.99, noNaN: true }),
      beyond: fc.double({ min: 0, max: 6, noNaN: true }),
      d: fc.double({ min: 0, max: 60, noNaN: true }),
    })
    fc.assert(
      fc.property(figures, ({ role, allowance, t, facing, share, beyond, d }) => {
        const { lapShare, foldShare, seamShare, turnedShare, visibleShare, lapBeyond, foldBeyond } = edgeSkiveRules
        const shares = [lapShare, foldShare, seamShare, turnedShare, visibleShare].map((r) => [r.key, share])
        const rules = Object.fromEntries([...shares, [lapBeyond.key, beyond], [foldBeyond.key, beyond]])
        const skive = edgeSkive(
          { role, allowance, facing, doubled: true, shows: true },
          leather(t),
          new RuleBook(rules as Record<string, number>, {}),
        )
        if (!skive) return
        const here = profileAt(skive.profile, d)
        expect(here).toBeLessThanOrEqual(t + 1e-12)
        const flat = role === 'lap under' ? 0.25 * share : share
        expect(here).toBeGreaterThanOrEqual(flat * t - 1e-9)
        expect(profileAt(skive.profile, skive.profile[skive.profile.length - 1]![0] + 1e-6)).toBe(t)
      }),
    )
  })
})
