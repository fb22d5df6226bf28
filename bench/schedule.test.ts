import { execFile } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, describe, expect, it } from 'vitest'
import { measured, scheduleFaults } from '../core/test/scheduleFaults.ts'
import { shoeShop } from '../core/test/shoeShop.ts'

const folder = mkdtempSync(join(tmpdir(), 'gentle-awl-schedule-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const root = fileURLToPath(new URL('..', import.meta.url))

/** The command as it is called, on an instance or on whatever else stands in the file. */
function schedule(content: unknown) {
  const [from, to] = [join(folder, 'instance.json'), join(folder, 'out.json')]
  rmSync(to, { force: true })
  writeFileSync(from, typeof content === 'string' ? content : JSON.stringify(content))
  return new Promise<{ code: number; line: string; said: string; to: string }>((resolve) => {
    execFile(
      process.execPath,
      ['--import', 'tsx', 'bench/schedule.ts', from, to, '--seconds', '1', '--seed', '3'],
      { cwd: root },
      (error, line, said) => resolve({ code: error ? Number(error.code) : 0, line, said, to }),
    )
  })
}
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
