import { planPair } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { keptCache } from '../../../core/test/keptCache.ts'
import { demoInput, demoPairs } from '../demo/workshop.ts'
import { cardLines, stuffOf } from './jobCardPdf.ts'

const { steps } = planPair(demoInput(demoPairs[0]!), keptCache())

describe('the job card', () => {
  it('has every step once, both feet of one on one line, in working order', () => {
    const lines = cardLines(steps)
    expect(lines.flatMap((l) => l.feet.map((s) => s.id))).toEqual(steps.map((s) => s.id))
    expect(lines.map((l) => l.number)).toEqual(lines.map((_, i) => i + 1))
    const toe = lines.find((l) => l.feet[0]!.key === 'last-toe')!
    expect(toe.name).toBe('Pull the upper down over the toe')
    expect(toe.feet.map((s) => s.foot)).toEqual(['right', 'left'])
    expect(lines.filter((l) => l.feet.length > 1).every((l) => l.feet[0]!.key === l.feet[1]!.key)).toBe(true)
  })
  it('sums what is used up over both shoes; tacks come out again', () => {
    const stuff = Object.fromEntries(stuffOf(steps).map((s) => [s.name, s.amount]))
    const thread = steps.flatMap((s) => s.stuff).filter((s) => s.name === 'Thread, ticket 40')
    expect(thread.length).toBeGreaterThan(4)
    expect(stuff['Thread, ticket 40']).toBeCloseTo(
      thread.reduce((sum, s) => sum + s.amount, 0),
      9,
    )
    const tacks = steps.flatMap((s) => s.stuff).filter((s) => s.name === 'Tacks')
    expect(stuff.Tacks).toBe(Math.max(...tacks.map((s) => s.amount)))
    expect(stuff.Eyelets).toBe(20)
  })
})
