import { isBetter, type Candidate, type Exchange } from './candidate.ts'

/** Figures before those of the items: area, reach, and how far mates lie apart. */
const HEAD = 3

/** Memory for the best layout of so many items, to be handed to every thread; `LOCK` and `ROUND` count in its whole numbers. */
export interface SharedMemory {
  state: SharedArrayBuffer
  figures: SharedArrayBuffer
  whole: SharedArrayBuffer
}
const LOCK = 0
const ROUND = 1

export const sharedMemory = (items: number): SharedMemory => ({
  state: new SharedArrayBuffer(2 * Int32Array.BYTES_PER_ELEMENT),
  figures: new SharedArrayBuffer((HEAD + 2 * items) * Float64Array.BYTES_PER_ELEMENT),
  whole: new SharedArrayBuffer(2 * items * Int32Array.BYTES_PER_ELEMENT),
})

/** An exchange between threads: the best layout lies in memory that all of them see. */
export function sharedExchange(memory: SharedMemory): Exchange {
  const state = new Int32Array(memory.state)
  const figures = new Float64Array(memory.figures)
  const whole = new Int32Array(memory.whole)
  const items = whole.length / 2
  let seen: { round: number; best: Candidate | null } = { round: 0, best: null }

  /** Few figures are copied while it is held: others try again until it is free. */
  const held = <T>(then: () => T): T => {
    while (Atomics.compareExchange(state, LOCK, 0, 1) !== 0);
    try {
      return then()
    } finally {
      Atomics.store(state, LOCK, 0)
    }
  }
  const read = (): Candidate | null => {
    const round = Atomics.load(state, ROUND)
    if (round !== seen.round) {
      const best: Candidate = {
        area: figures[0]!,
        reach: figures[1]!,
        apart: figures[2]!,
        places: {
          x: figures.slice(HEAD, HEAD + items),
          y: figures.slice(HEAD + items),
          turn: whole.slice(0, items),
          laid: Uint8Array.from(whole.subarray(items)),
        },
      }
      seen = { round, best }
    }
    return seen.best
  }
  return {
    tell: (found) =>
      held(() => {
        if (!isBetter(found, read())) return
        figures[0] = found.area
        figures[1] = found.reach
        figures[2] = found.apart
        figures.set(found.places.x, HEAD)
        figures.set(found.places.y, HEAD + items)
        whole.set(found.places.turn)
        whole.set(found.places.laid, items)
        Atomics.add(state, ROUND, 1)
      }),
    best: () => (Atomics.load(state, ROUND) === seen.round ? seen.best : held(read)),
  }
}
