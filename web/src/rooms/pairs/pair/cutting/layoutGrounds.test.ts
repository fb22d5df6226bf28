import type { LaidPlace } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { beginOn, onThese, usualSheet } from './layoutGrounds.ts'

const [A, B, C, D] = ['a', 'b', 'c', 'd'].map((hide) => ({ hide })) as [
  { hide: string },
  { hide: string },
  { hide: string },
  { hide: string },
]
const at = (on: number): LaidPlace => ({
  pair: 'p',
  record: 'upper.vamp',
  foot: 'left',
  copy: on,
  on,
  x: 10 * on,
  y: 0,
  rotation: 0,
  pinned: false,
})
const layout = { grounds: [A, B, C], places: [at(0), at(1), at(2)] }
/** On which hide each piece lies, by its own number. */
const lies = ({ grounds, places }: Pick<typeof layout, 'places'> & { grounds: readonly object[] }) =>
  places.map((p) => [p.copy, (grounds[p.on] as { hide?: string }).hide])

describe('what a layout lies on', () => {
  it('is left by the pieces of a hide that is taken away, the others stay on theirs', () => {
    expect(lies(onThese(layout, [0, 2]))).toEqual([
      [0, 'a'],
      [2, 'c'],
    ])
    expect(lies(onThese(layout, [2, 1, 0]))).toEqual([
      [0, 'a'],
      [1, 'b'],
      [2, 'c'],
    ])
  })
  it('begins on a hide that it lies on already without a piece being moved', () => {
    const next = beginOn(layout, B)
    expect(next.grounds).toEqual([B, A, C])
    expect(lies(next)).toEqual([
      [0, 'a'],
      [1, 'b'],
      [2, 'c'],
    ])
    expect(beginOn(layout, A)).toEqual(layout)
  })
  it('on a new hide has the pieces of the first; a straight sheet stands alone', () => {
    expect(lies(beginOn(layout, D))).toEqual([
      [0, 'd'],
      [1, 'b'],
      [2, 'c'],
    ])
    expect(beginOn(layout, usualSheet)).toEqual({ grounds: [usualSheet], places: [at(0)] })
  })
})
