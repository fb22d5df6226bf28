import { expect, it } from 'vitest'
import { seeded } from '../geometry/random.ts'
import { Decoder } from './decoder.ts'
import { graphOf } from './graph.ts'
import { HeldUp } from './heldUp.ts'
import { problemOf } from './problem.ts'

/** Pairs of one operation each on one pair of hands; what pair 0 waits for is the whole question. */
const row = (minutes: readonly number[], dues: readonly number[]) =>
  problemOf({
    objective: 'tardiness',
    operations: minutes.map((m, p) => ({ pair: p, modes: [{ resource: 0, minutes: m }] })),
    capacity: [1],
    lags: [],
    holds: [],
    pairs: dues.map((due) => ({ due, weight: 1 })),
  })

it('changes turns with work that a late pair waits for, and with nothing else', () => {
  const problem = row([10, 20, 30], [10, 100, 100])
  const graph = graphOf(problem)!
  const decoder = new Decoder(problem, graph)
  // Pair 0 comes after pair 1; pair 2 comes after both.
  const start = Int32Array.of(20, 0, 30)
  let changed = 0
  for (let seed = 1; seed <= 20; seed++) {
    const keys = Float64Array.from(start)
    if (!new HeldUp(problem, graph, seeded(seed)).change(start, keys, 0)) continue
    changed++
    expect(keys[2]).toBe(30)
    expect(keys[0]).toBeLessThan(keys[1]!)
    expect(decoder.decode(keys, true)).toBe(true)
    expect(decoder.tardiness).toBe(0)
  }
  expect(changed).toBeGreaterThan(3)
})

it('finds nothing to change for a pair that waits for nobody', () => {
  const problem = row([10, 20], [10, 100])
  const keys = Float64Array.of(0, 10)
  for (let seed = 1; seed <= 20; seed++) {
    expect(new HeldUp(problem, graphOf(problem)!, seeded(seed)).change(Int32Array.of(0, 10), keys, 0)).toBe(false)
  }
  expect([...keys]).toEqual([0, 10])
})

it('goes back over its own forerunners to what is held: the last that another pair has', () => {
  // Each pair takes the last, then works; pair 1 has it first and gives it back after 40.
  const problem = problemOf({
    objective: 'tardiness',
    operations: [0, 0, 1, 1].map((pair, i) => ({ pair, modes: [{ resource: i, minutes: i % 2 ? 30 : 10 }] })),
    capacity: [1, 1, 1, 1, 1],
    lags: [
      { from: 0, to: 1, min: 0, max: null },
      { from: 2, to: 3, min: 0, max: null },
    ],
    holds: [
      { resource: 4, from: 0, to: 1 },
      { resource: 4, from: 2, to: 3 },
    ],
    pairs: [
      { due: 40, weight: 1 },
      { due: 500, weight: 1 },
    ],
  })
  const graph = graphOf(problem)!
  const decoder = new Decoder(problem, graph)
  const start = Int32Array.of(40, 50, 0, 10)
  let swapped = 0
  for (let seed = 1; seed <= 30; seed++) {
    const keys = Float64Array.from(start)
    if (!new HeldUp(problem, graph, seeded(seed)).change(start, keys, 0)) continue
    swapped++
    expect(decoder.decode(keys, true)).toBe(true)
    expect([...decoder.start]).toEqual([0, 10, 40, 50])
  }
  expect(swapped).toBeGreaterThan(8)
})
