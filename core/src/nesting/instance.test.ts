import { describe, expect, it } from 'vitest'
import { GeometryError } from '../geometry/path.ts'
import { NestInstance } from './instance.ts'
import { stockOf } from './shapes.ts'

const square = [
  [0, 0],
  [50, 0],
  [50, 50],
  [0, 50],
]
const crossed: [number, number][] = [
  [0, 0],
  [50, 50],
  [50, 0],
  [0, 40],
]
const piece = { id: 'a', outline: square, count: 3 }
const instance = { bin: { outline: square }, pieces: [piece] }

describe('what is to be laid', () => {
  it('lies as it is drawn, on one bin and without a gap, where nothing else is said', () => {
    expect(NestInstance.parse(instance)).toEqual({
      bin: { outline: square, holes: [], marks: [] },
      gap: 0,
      max_bins: 1,
      pieces: [{ ...piece, rotations: [0], mirror: false, avoid: [], turned_off: [] }],
    })
  })
  it.each([
    [{ ...instance, gap: -1 }, 'gap', ''],
    [{ ...instance, pieces: [{ ...piece, rotations: [] }] }, 'pieces.0.rotations', ''],
    [{ ...instance, pieces: [{ ...piece, outline: square.slice(0, 2) }] }, 'pieces.0.outline', 'three corners'],
    [{ ...instance, pieces: [piece, piece] }, 'pieces', 'Two pieces are called a'],
    [{ ...instance, pieces: [{ ...piece, count: 4001 }] }, 'pieces', 'lay at most 4000'],
    [{ ...instance, bin: { outline: crossed } }, 'bin.outline', 'crosses itself'],
  ])('is told what is wrong with it: %#', (asked, where, sentence) => {
    const { error } = NestInstance.safeParse(asked)
    expect(error?.issues[0]?.path.join('.')).toBe(where)
    expect(error?.issues[0]?.message).toContain(sentence)
  })
  it('a piece that crosses itself or covers nothing is refused by its name', () => {
    const cut = { id: 'a', count: 1, rotations: [0], mirror: false }
    expect(() => stockOf([{ ...cut, outline: crossed }], 1)).toThrow(
      new GeometryError('The outline of piece a crosses itself.'),
    )
    expect(() => stockOf([{ ...cut, outline: [...crossed.slice(0, 2), [25, 25]] }], 1)).toThrow('covers nothing')
  })
})
