import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sampleMaterials, sampleMeasures, samplePair } from '../../test/samplePair.ts'
import type { Finding } from '../model/because.ts'
import { setRule } from '../model/byHand.ts'
import type { PlanInput } from '../model/pair.ts'
import { styles } from '../model/upper.ts'
import type { UpperFinding } from '../upper/checks/index.ts'
import { planPair, type Plan } from './planPair.ts'
import { StageCache } from './stageCache.ts'

const cache = new StageCache(24)
const all = (plan: Plan): (Finding | UpperFinding)[] => [
  ...plan.upper.findings,
  ...plan.layers.findings,
  ...plan.bottom.findings,
  ...plan.parts.flatMap((p) => p.findings),
]
/** How far a finding is beyond its limit; 0 when it is fine or gone. */
const beyond = (f: Finding | undefined): number => (!f || f.level === 'fine' ? 0 : Math.abs(f.measured - f.limit))

/** What the button of a finding does, as the screen does it; null without one. */
function mended(input: PlanInput, f: Finding | UpperFinding): PlanInput | null {
  const { decisions } = input
  if ('change' in f && f.change)
    return { ...input, decisions: { ...decisions, upper: { ...decisions.upper, ...f.change.upper } } }
  if (f.byRule) return { ...input, decisions: setRule(decisions, f.byRule.key, f.byRule.value) }
  return null
}

describe('a mend that is offered', () => {
  it('clears its finding or makes it smaller, over random pairs', () => {
    let tried = 0
    fc.assert(
      fc.property(
        fc.constantFrom(...styles),
        fc.constantFrom(...(Object.keys(sampleMeasures) as (keyof typeof sampleMeasures)[])),
        fc.double({ min: 0.2, max: 0.4, noNaN: true }),
        fc.double({ min: 1.9, max: 2.8, noNaN: true }),
        fc.integer({ min: 8, max: 15 }),
        fc.integer({ min: 12, max: 24 }),
        (style, last, backIn, stiffener, skive, margin) => {
          const pair = samplePair(
            {
              upper: { style },
              rules: {
                'stiffener.topSkive': skive,
                'layers.step': 0.2,
                'upper.lastingMargin': margin,
                'upper.backGrip': 3,
              },
            },
            { ...sampleMeasures[last], backIn },
          )
          const input: PlanInput = {
            ...pair,
            materials: sampleMaterials.map((m) =>
              m.kind === 'stiffener leather' ? { ...m, thickness: stiffener } : m,
            ),
          }
          const plan = planPair(input, cache)
          for (const f of all(plan).filter((x) => x.level !== 'fine')) {
            expect(f.mend, f.id).not.toBe('')
            const after = mended(input, f)
            if (!after) continue
            tried++
            const now = all(planPair(after, cache)).find((x) => x.id === f.id)
            expect(beyond(now), `${style} on ${last}, ${f.id}: ${f.mend}`).toBeLessThan(beyond(f))
          }
        },
      ),
      { numRuns: 16, seed: 7 },
    )
    // Buttons were there to be pressed, or nothing was shown.
    expect(tried).toBeGreaterThan(5)
  })
})
