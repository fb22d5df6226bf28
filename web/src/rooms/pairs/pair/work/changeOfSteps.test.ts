import { planPair, type Ways } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { sample } from '../../../../../test/pair.ts'
import { changeOfSteps } from './changeOfSteps.ts'
import { stepNames } from './stepNames.ts'
import { stepRuns } from './stepRuns.ts'

const stepsAs = (ways: Partial<Ways>) => {
  const { work } = sample.decisions
  const decisions = { ...sample.decisions, work: { ...work, ways: { ...work.ways, ...ways } } }
  return planPair({ ...sample, decisions }).steps
}
const steps = stepsAs({})

describe('what a change does to the steps', () => {
  it('is told by name, once for both feet, with the minutes', () => {
    const after = stepsAs({ wrap: 'wrapped' })
    expect(changeOfSteps({ steps }, after)).toEqual({
      words: 'New: “Wrap the uppers”, “Unwrap the uppers”.',
      minutes: 10,
    })
    expect(changeOfSteps({ steps: after }, steps)).toEqual({
      words: 'Gone: “Wrap the uppers”, “Unwrap the uppers”.',
      minutes: -10,
    })
    expect(changeOfSteps({ steps }, stepsAs({ cement: 'neoprene' })).words).toMatch(/^\d+ steps wait otherwise\.$/)
    expect(changeOfSteps({ steps }, steps)).toEqual({ words: 'The same steps in the same order.', minutes: 0 })
  })
  it('names an order that is another one', () => {
    const moved = [steps[1]!, steps[0]!, ...steps.slice(2)]
    expect(changeOfSteps({ steps }, moved).words).toBe('The order is another one.')
  })
})

describe('steps to choose from', () => {
  it('have those of both feet once', () => {
    const names = stepNames(steps, 'id')
    expect(new Set(names.map((n) => n.value)).size).toBe(names.length)
    expect(names.find((n) => n.value === 'last-toe')?.name).toBe('Pull the upper down over the toe')
    expect(names.some((n) => /, (right|left)$/.test(n.name))).toBe(false)
    // Each seam is one of its own by its id, and of a kind by its key.
    expect(names.filter((n) => n.value.startsWith('sew.')).length).toBeGreaterThan(1)
    expect(stepNames(steps, 'key').filter((n) => n.value === 'sew')).toHaveLength(1)
  })
})

describe('headings of the list', () => {
  it('stand wherever the kind of work changes, and say when it comes again', () => {
    const list = steps.map((step) => ({
      step,
      state: 'open' as const,
      startedAt: null,
      finishedAt: null,
      pausedAt: null,
      worked: 0,
      clock: null,
      heldBy: [],
    }))
    const runs = stepRuns(list)
    expect(runs.flatMap((r) => r.steps)).toEqual(list)
    for (const run of runs) expect(new Set(run.steps.map((s) => s.step.group)).size).toBe(1)
    expect(new Set(runs.map((r) => r.key)).size).toBe(runs.length)
    // Soles are cut to the lasted shoe: the knife comes out once more.
    expect(runs.map((r) => r.name)).toContain('Cut, again')
  })
})
