import { planPair } from '@gentle-awl/core'
import { expect, it } from 'vitest'
import { keptCache } from '../../../../../../core/test/keptCache.ts'
import { samplePair } from '../../../../../../core/test/samplePair.ts'
import { checkFlags, said } from '../stages.ts'
import { checksByStep } from './checksByStep.ts'
import { shareWord } from './shareWord.ts'

const plan = planPair(samplePair(), keptCache())

it('every check stands once, at the work of both feet, in the order of the work', () => {
  const groups = checksByStep(plan.checks, plan.steps)
  expect(groups.flatMap((g) => g.checks).map((c) => c.id)).toEqual(plan.checks.map((c) => c.id))
  const back = groups.find((g) => g.step.key === 'last-back')!
  expect(back.name).toBe('Draft the upper on the last and last the back')
  expect(back.step.id).toBe('last-back.right')
  const places = groups.map((g) => plan.steps.indexOf(g.step))
  expect(places).toEqual([...places].sort((a, b) => a - b))
  // A check of a step that the pair has no more is not shown anywhere.
  expect(checksByStep(plan.checks, [])).toEqual([])
})
it('what was measured otherwise than planned is named with its shoe', () => {
  const verdict = (level: 'fine' | 'stop', foot: 'left' | null) => ({
    check: 'heel',
    foot,
    level,
    sentence: 'Left: 3.0 mm too much.',
    back: null,
  })
  const flags = checkFlags(plan.checks, [verdict('fine', null), verdict('stop', 'left')])
  expect(flags.map(said)).toEqual(['Left shoe, Height of the heel, at the back: Left: 3.0 mm too much.'])
})
it('a share is said in a word', () => {
  expect([0.7, 0.3, 0.1, 0.02].map(shareWord)).toEqual(['most likely', 'likely', 'possible', 'hardly'])
})
