import { existsSync, readFileSync } from 'node:fs'
import { afterAll, describe, expect, it } from 'vitest'
import { measured, scheduleFaults } from '../core/test/scheduleFaults.ts'
import { shoeShop } from '../core/test/shoeShop.ts'
import { commandRun } from './commandRun.ts'

const { run, end } = commandRun('schedule')
afterAll(end)
const schedule = (content: unknown) => run(content, '--seconds', '1', '--seed', '3')
const two = {
  hands: 1,
  ops: [
    { id: 'a', pair: 'p', duration: 3 },
    { id: 'b', pair: 'p', duration: 4 },
  ],
}

describe('the scheduling command', () => {
  it('keeps all that is asked, and its line says what the file holds', async () => {
    const instance = shoeShop({ pairs: 5, hands: 2, lasts: 2, seed: 7 })
    const { code, line, said, to } = await schedule(instance)
    expect([code, said]).toEqual([0, ''])
    const { starts } = JSON.parse(readFileSync(to, 'utf8')) as { starts: Record<string, number> }
    expect(scheduleFaults(instance, starts)).toEqual([])
    const figures = JSON.parse(line) as { lowerBound: number; makespan: number }
    expect(figures).toMatchObject({ ...measured(instance, starts), feasible: true })
    expect(figures.lowerBound).toBeLessThanOrEqual(figures.makespan)
  })
  it.each([
    ['{"hands"', 'is not a whole JSON file'],
    [{ ...two, hands: 0 }, 'hands'],
    [{ ...two, lags: [{ from: 'a', to: 'x' }] }, 'A lag names x, which is none of the operations.'],
    [{ ...two, ops: [two.ops[0], two.ops[0]] }, 'Two operations are called a'],
    [{ ...two, holds: [{ resource: 'last', from: 'a', to: 'b' }] }, 'A hold names last'],
    [{ ...two, due: { q: 4 } }, 'names q, which is none of the pairs'],
    [
      {
        ...two,
        lags: [
          { from: 'a', to: 'b', min: 5 },
          { from: 'a', to: 'b', max: 4 },
        ],
      },
      'these clash: a to b (5 or more), a to b (0 to 4)',
    ],
  ])('says what is wrong and writes nothing', async (content, sentence) => {
    const { code, said, to } = await schedule(content)
    expect(code).toBe(1)
    expect(said).toContain(sentence)
    expect(existsSync(to)).toBe(false)
  })
})
