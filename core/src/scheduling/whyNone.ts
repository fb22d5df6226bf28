import { seeded } from '../geometry/random.ts'
import { clashingLags } from './clashes.ts'
import { Decoder } from './decoder.ts'
import { graphOf } from './graph.ts'
import { PairPlaces } from './pairPlaces.ts'
import { packed, type Lag, type Problem } from './problem.ts'

/** So many schedules are tried before waits are taken not to go together: one that fails proves nothing. */
const TRIES = 40

/**
 * Lags, by number, because of which there is no schedule; empty when there is one. Either waits that go round in a circle,
 * whoever works; or greatest waits that nobody is free to keep: those without which the others can be kept, as few as one
 * finds by taking them back in one at a time. Exact for circles; for hands and holds as far as tries go. An empty list
 * with `found` false: not even without greatest waits, so it is a hold that is never given back. `keys` are those of a
 * schedule that was found: of the problem, or of what is left of it without those lags.
 */
export function whyNone(
  problem: Problem,
  lags: readonly Lag[],
): { found: boolean; lags: number[]; keys: Float64Array | null } {
  const circle = graphOf(problem) ? clashingLags(problem, lags) : clashingLags(problem, lags.map(withoutMax))
  if (circle.length > 0) return { found: false, lags: circle, keys: null }
  const whole = oneThatIs(problem)
  if (whole) return { found: true, lags: [], keys: whole }
  const limited = lags.flatMap((l, i) => (l.max === null ? [] : [i]))
  const kept = new Set<number>()
  const withKept = () => withLatest(problem, lags, kept)
  let keys = oneThatIs(withKept())
  if (!keys) return { found: false, lags: [], keys: null }
  const broken: number[] = []
  for (const lag of limited) {
    kept.add(lag)
    const kin = oneThatIs(withKept())
    if (kin) {
      keys = kin
      continue
    }
    kept.delete(lag)
    broken.push(lag)
  }
  return { found: broken.length === 0, lags: broken, keys }
}

const withoutMax = (lag: Lag): Lag => ({ ...lag, max: null })

function withLatest(problem: Problem, lags: readonly Lag[], kept: ReadonlySet<number>): Problem {
  const lists: [number, number][][] = Array.from({ length: problem.operations }, () => [])
  for (const i of kept) {
    const { from, to, max } = lags[i]!
    lists[to]!.push([from, max ?? 0])
  }
  return { ...problem, latest: packed(lists) }
}

/** Keys of one of some schedules that comes right; null where none does. */
function oneThatIs(problem: Problem): Float64Array | null {
  const graph = graphOf(problem)
  if (!graph) return null
  const decoder = new Decoder(problem, graph)
  const random = seeded(1)
  const keys = new Float64Array(problem.operations)
  const places = new PairPlaces(problem, graph, random)
  // Near together: pairs are worked on in turns.
  let at = places.first.map((place) => 0.1 * place)
  const length = graph.tail.reduce((most, t) => Math.max(most, t), 0)
  for (let k = 0; k < TRIES; k++) {
    places.writeKeys(at, keys)
    if (k >= TRIES / 2) for (let i = 0; i < keys.length; i++) keys[i]! += length * random()
    // Its starts, as keys, lead the search back to it or near it, whichever way they are decoded.
    if (decoder.decode(keys, k % 2 === 0)) return Float64Array.from(decoder.start)
    at = places.other(at)
  }
  return null
}
