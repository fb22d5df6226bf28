import type { Plan, PlanInput } from '@gentle-awl/core'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, shallowRef, type EffectScope } from 'vue'
import { decisions, last, materials } from '../../test/pair.ts'
import { usePairPlan } from './pairPlan.ts'

const planLatest = vi.hoisted(() => vi.fn())
vi.mock('../workers/plan/planner.ts', () => ({ planLatest }))

/** Plans are told apart by when they were made; nothing here looks into them. */
const made = (n: number) => ({ n, left: null }) as unknown as Plan
let scope: EffectScope
beforeEach(() => {
  vi.useFakeTimers()
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
})

function planned() {
  const input = shallowRef<PlanInput | null>({ decisions, last, materials, houseRules: {} })
  const is = scope.run(() => usePairPlan(input, () => 'pair'))!
  const next = async (n: number) => {
    planLatest.mockResolvedValue({ value: made(n), problem: null })
    await is.plan()
  }
  return { ...is, next }
}

describe('the plan that lists and marks go by', () => {
  it('is there at once with the first one', async () => {
    const { whole, calm, next } = planned()
    await next(1)
    expect(calm.value).toBe(whole.value)
    expect(calm.value).toEqual(made(1))
  })
  it('follows once plans rest, and while they do not at least every 400 ms', async () => {
    const { whole, calm, next } = planned()
    await next(1)
    await vi.advanceTimersByTimeAsync(1000)
    const seen = new Set<unknown>()
    for (let n = 2; n <= 31; n++) {
      await next(n)
      await vi.advanceTimersByTimeAsync(50)
      seen.add(calm.value)
    }
    // 30 plans within 1.5 s: the first one stays for 400 ms, then every 400 ms another.
    expect(seen.size).toBeGreaterThanOrEqual(4)
    expect(seen.size).toBeLessThanOrEqual(5)
    expect(whole.value).toEqual(made(31))
    await vi.advanceTimersByTimeAsync(120)
    expect(calm.value).toBe(whole.value)
  })
  it('goes at once with the pair, and the next pair’s first is there at once', async () => {
    const { calm, next, clear } = planned()
    await next(1)
    await next(2)
    clear()
    expect(calm.value).toBeNull()
    await next(3)
    expect(calm.value).toEqual(made(3))
    await vi.advanceTimersByTimeAsync(1000)
    expect(calm.value).toEqual(made(3))
  })
})
