import { existsSync, readFileSync } from 'node:fs'
import { afterAll, describe, expect, it } from 'vitest'
import { NestInstance, type Placement } from '../core/src/nesting/instance.ts'
import { layoutFaults } from '../core/test/layoutFaults.ts'
import { commandRun } from './commandRun.ts'

const { run: nest, end } = commandRun('nest')
afterAll(end)
const wedge = (w: number, h: number): [number, number][] => [
  [0, 0],
  [w, 0],
  [0.3 * w, h],
]
const instance = {
  bin: {
    outline: [
      [0, 0],
      [300, 0],
      [300, 200],
      [40, 220],
    ],
    holes: [
      [
        [100, 100],
        [120, 100],
        [110, 120],
      ],
    ],
  },
  gap: 1,
  max_bins: 3,
  pieces: [
    { id: 'a', outline: wedge(90, 70), count: 12, rotations: [0, 180], mirror: true },
    { id: 'b', outline: wedge(50, 50), count: 9, rotations: 'any' },
  ],
}

describe('the nesting command', () => {
  it('lays what fits on bin after bin, and its line says what the file holds', async () => {
    const { code, line, said, to } = await nest(instance, '--seconds', '3', '--seed', '2')
    expect(said).toBe('')
    expect(code).toBe(0)
    const { placements } = JSON.parse(readFileSync(to, 'utf8')) as { placements: Placement[] }
    const parsed = NestInstance.parse(instance)
    expect(layoutFaults(parsed, placements)).toEqual([])
    const figures = JSON.parse(line) as Record<string, number>
    const bins = new Set(placements.map((p) => p.bin)).size
    expect(figures).toMatchObject({ placed: placements.length, unplaced: 21 - placements.length, bins })
    const area = placements.reduce((sum, p) => sum + (p.id === 'a' ? 3150 : 1250), 0)
    // The bin by the shoelace formula, less its flaw.
    expect(figures.utilisation).toBeCloseTo(area / (bins * (0.5 * (300 * 200 + 300 * 220 - 40 * 200) - 200)), 4)
  })
  it.each([
    ['{"bin"', 'is not a whole JSON file'],
    [{ ...instance, pieces: [instance.pieces[0], instance.pieces[0]] }, 'Two pieces are called a'],
  ])('says what is wrong and writes nothing', async (content, sentence) => {
    const { code, said, to } = await nest(content)
    expect(code).toBe(1)
    expect(said).toContain(sentence)
    expect(existsSync(to)).toBe(false)
  })
})
