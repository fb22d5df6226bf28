import { planPair, progress, type StepEvent } from '@gentle-awl/core'
import { expect, it } from 'vitest'
import { keptCache } from '../../../../../../core/test/keptCache.ts'
import { samplePair } from '../../../../../../core/test/samplePair.ts'
import { tookMinutes } from './tookMinutes.ts'

it('is what was worked, without its pauses; nothing while it runs, or where no start was told', () => {
  const { steps } = planPair(samplePair(), keptCache())
  const event = (what: StepEvent['what'], minute: number): StepEvent => ({
    step: 'print',
    what,
    at: new Date(minute * 60_000).toISOString(),
  })
  const took = (log: StepEvent[]) => tookMinutes(progress(steps, log, 1e9).find((s) => s.step.id === 'print')!)
  const log = [event('started', 0), event('paused', 4), event('resumed', 60), event('finished', 63)]
  expect(took(log)).toBe(7)
  expect(took(log.slice(0, 3))).toBeNull()
  expect(took([event('finished', 9)])).toBeNull()
})
