import { describe, expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import type { StepEvent } from '../model/pair.ts'
import { planPair } from '../plan/planPair.ts'
import { doneAgain } from './doneAgain.ts'

const steps = planPair(samplePair(), keptCache(12)).steps.map(({ after, ...s }) => ({
  ...s,
  after: after.map((a) => a.id),
}))
const done = (upTo: string): StepEvent[] =>
  steps
    .slice(0, steps.findIndex((s) => s.id === upTo) + 1)
    .flatMap(({ id }) =>
      (['started', 'finished'] as const).map((what) => ({ step: id, what, at: '2026-05-02T08:00:00.000Z' })),
    )
const ids = (upTo: string, to: string, foot: 'right' | 'left' | null) =>
  doneAgain(steps, done(upTo), to, foot).map((s) => s.id)

describe('what is done again', () => {
  it('is the step and what came of it, and nothing that was not begun', () => {
    const again = ids('trim-lining.left', 'last-back.right', 'right')
    expect(again[0]).toBe('last-back.right')
    expect(again).toContain('trim-lining.right')
    expect(again.every((id) => !id.endsWith('.left'))).toBe(true)
    expect(again).not.toContain('set-puff.right')
    expect(ids('last-back.left', 'last-back.left', 'left')).toEqual(['last-back.left'])
  })
  it('of both shoes is both shoes’, and leaves alone what stands beside it', () => {
    const again = ids('sew-welt.left', 'skive-stiffener', null)
    expect(again).toEqual(expect.arrayContaining(['soak-stiffener', 'paste-stiffener.right', 'last-toe.left']))
    for (const beside of ['cut-upper', 'cut-heel', 'carve-holdfast.right', 'skive-puff']) {
      expect(again).not.toContain(beside)
    }
  })
  it('property: whatever stays done, nothing that it waited for is opened', () => {
    for (const to of steps.map((s) => s.id)) {
      const again = new Set(ids('final-check', to, null))
      for (const s of steps) if (!again.has(s.id)) expect(s.after.filter((id) => again.has(id))).toEqual([])
    }
  })
})
