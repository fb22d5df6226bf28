import { describe, expect, it } from 'vitest'
import { shoeShop } from '../../test/shoeShop.ts'
import { seeded } from '../geometry/random.ts'
import { graphOf } from './graph.ts'
import { problemOfInstance } from './instance.ts'
import { PairPlaces } from './pairPlaces.ts'

const { problem } = problemOfInstance(shoeShop({ pairs: 6, hands: 2, lasts: 2, seed: 3 }))
const graph = graphOf(problem)!
const places = new PairPlaces(problem, graph, seeded(1))

describe('places of pairs in the row', () => {
  it('begin with who is soonest late, the heavier sooner', () => {
    const length = new Float64Array(problem.pairs)
    problem.pair.forEach((p, i) => (length[p] = Math.max(length[p]!, graph.tail[i]!)))
    const order = [...places.first.keys()].sort((a, b) => places.first[a]! - places.first[b]!)
    const wish = order.map((p) => (problem.due[p]! - length[p]!) / problem.weight[p]!)
    expect(wish).toEqual([...wish].sort((a, b) => a - b))
  })
  it('give keys under which no operation of a pair comes before what it waits for, and a pair far before is wholly before', () => {
    const keys = new Float64Array(problem.operations)
    const apart = Float64Array.from({ length: problem.pairs }, (_, p) => p * 1e6)
    places.writeKeys(apart, keys)
    for (let i = 0; i < problem.operations; i++) {
      const { first, item } = problem.after
      for (let k = first[i]!; k < first[i + 1]!; k++) expect(keys[item[k]!]).toBeGreaterThan(keys[i]!)
    }
    for (let p = 1; p < problem.pairs; p++) {
      const of = (pair: number) => [...keys].filter((_, i) => problem.pair[i] === pair)
      expect(Math.min(...of(p))).toBeGreaterThan(Math.max(...of(p - 1)))
    }
  })
  it('change one pair, two, or all about one of them, and leave the places they come from as they were', () => {
    const before = places.first.slice()
    const seen = new Set<number>()
    for (let k = 0; k < 300; k++) {
      const next = places.other(places.first)
      const moved = next.filter((at, p) => at !== places.first[p]).length
      expect([0, 1, 2, problem.pairs - 1]).toContain(moved)
      seen.add(moved)
    }
    expect([...seen].sort()).toEqual([0, 1, 2, problem.pairs - 1])
    expect(places.first).toEqual(before)
  })
})
