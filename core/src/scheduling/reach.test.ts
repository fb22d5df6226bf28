import { describe, expect, it } from 'vitest'
import { shoeShop } from '../../test/shoeShop.ts'
import { seeded } from '../geometry/random.ts'
import { Decoder } from './decoder.ts'
import { graphOf } from './graph.ts'
import { problemOfInstance } from './instance.ts'
import { PairPlaces } from './pairPlaces.ts'
import { problemOf, type Problem } from './problem.ts'
import { Reach } from './reach.ts'

const reachOf = (problem: Problem) => new Reach(problem, graphOf(problem)!)

/** Days of `open` minutes from midnight, the rest of each closed. */
const days = (open: number): [number, number][] =>
  Array.from({ length: 40 }, (_, d) => [d * 1440 + open, (d + 1) * 1440] as [number, number])

describe('how far work reaches', () => {
  // Two operations of 60 minutes with a wait of 30 between them, hands free from 0 to 480 each day.
  const two = problemOf({
    objective: 'tardiness',
    operations: [0, 1].map(() => ({ pair: 0, modes: [{ resource: 0, minutes: 60 }] })),
    capacity: [1],
    closed: [days(480)],
    lags: [{ from: 0, to: 1, min: 30, max: null }],
    holds: [],
    pairs: [{ due: null, weight: 1 }],
  })
  it.each([
    [0, 150],
    [330, 480],
    // The second one no longer fits in before 480: it is done in the morning.
    [345, 1440 + 60],
    // The first one neither.
    [435, 1440 + 150],
    [700, 1440 + 150],
  ])('begun at %i it ends at %i', (time, end) => expect(reachOf(two).at(0, time)).toBe(end))

  it('goes by whoever may begin first', () => {
    const { modes } = problemOf({
      ...said(two),
      operations: [0, 1].map(() => ({ pair: 0, modes: [0, 1].map((resource) => ({ resource, minutes: 60 })) })),
    })
    const either = { ...two, modes, capacity: Int32Array.of(1, 1), closed: [days(480), days(960)] }
    expect(reachOf(either).at(0, 700)).toBe(850)
  })

  it('is never later than any schedule has it', () => {
    let asked = 0
    for (let seed = 1; seed <= 12; seed++) {
      const { problem } = problemOfInstance(shoeShop({ pairs: 4, hands: 2, lasts: 2, hours: true, seed }))
      const graph = graphOf(problem)!
      const reach = new Reach(problem, graph)
      const decoder = new Decoder(problem, graph)
      const random = seeded(seed)
      const places = new PairPlaces(problem, graph, random)
      const keys = new Float64Array(problem.operations)
      for (let k = 0, at = places.first; k < 8; k++, at = places.other(at)) {
        places.writeKeys(at, keys)
        if (!decoder.decode(keys, k % 2 === 0)) continue
        asked++
        const ready = new Float64Array(problem.pairs)
        decoder.end.forEach((end, i) => (ready[problem.pair[i]!] = Math.max(ready[problem.pair[i]!]!, end)))
        decoder.start.forEach((start, i) =>
          expect(reach.at(i, start), `seed ${seed}, operation ${i}`).toBeLessThanOrEqual(ready[problem.pair[i]!]!),
        )
      }
    }
    expect(asked).toBeGreaterThan(60)
  })
})

function said({ objective }: Problem) {
  return { objective, capacity: [1, 1], lags: [], holds: [], pairs: [{ due: null, weight: 1 }] }
}
