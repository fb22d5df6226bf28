import {
  DesignBoard,
  FormeMap,
  makeForme,
  RuleBook,
  styleBook,
  UpperDecisions,
  type KeyPoint,
  type Point,
} from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../../../../../core/test/samplePair.ts'
import { generateLast } from '@gentle-awl/core'
import { byRule, figured, movedTo } from './movePoints.ts'

const surface = generateLast(sampleMeasures.walking)
const map = new FormeMap(surface, makeForme(surface, 'paper', 'all round'))
const boardWith = (points: UpperDecisions['points'] = {}) => {
  const board = new DesignBoard(map, new RuleBook({}, {}), UpperDecisions.parse({ style: 'derby', points }), 340)
  styleBook.derby.draw(board)
  return board
}
const pointOf = (board: DesignBoard, id: string): KeyPoint => {
  const p = board.points.find((x) => x.id === id)
  if (!p) throw new Error(`no ${id}`)
  return p
}
const near = (a: Point, b: Point) => expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeLessThan(1e-6)

describe('moving a point', () => {
  it('on both sides moves each by the same step', () => {
    const board = boardWith()
    const ankle = pointOf(board, 'ankle')
    const [x, y] = ankle.at.lateral
    const after = boardWith(movedTo(board, ankle, 'lateral', [x + 4, y - 3], 'both'))
    near(pointOf(after, 'ankle').at.lateral, [x + 4, y - 3])
    near(pointOf(after, 'ankle').at.medial, [ankle.at.medial[0] + 4, ankle.at.medial[1] - 3])
  })
  it('on one side leaves the other, whichever side is looked at', () => {
    const board = boardWith()
    const ankle = pointOf(board, 'ankle')
    const after = pointOf(boardWith(movedTo(board, ankle, 'medial', [90, 50], 'lateral')), 'ankle')
    near(after.at.medial, [90, 50])
    near(after.at.lateral, ankle.at.lateral)
  })
  it('of which the shoe has one moves the line of both sides, from either', () => {
    for (const side of ['lateral', 'medial'] as const) {
      const board = boardWith()
      const foot = pointOf(board, 'backFoot')
      expect(foot.sides).toEqual(['lateral'])
      const points = movedTo(board, foot, side, [-3, 0], side)
      expect(Object.keys(points)).toEqual(['backFoot:both'])
      near(pointOf(boardWith(points), 'backFoot').at.medial, [-3, 0])
    }
  })
  it('many small steps add up before any plan has followed', () => {
    let board = boardWith()
    const ankle = pointOf(board, 'ankle')
    const [x, y] = ankle.at.lateral
    for (let k = 0; k < 8; k++) {
      const [px, py] = board.whereIs(ankle, 'lateral')
      // The point is the one of the first plan all the time.
      board = new DesignBoard(
        map,
        new RuleBook({}, {}),
        UpperDecisions.parse({ points: movedTo(board, ankle, 'lateral', [px - 0.5, py], 'both') }),
        340,
      )
    }
    near(board.whereIs(ankle, 'lateral'), [x - 4, y])
  })
  it('by a figure, and back to the rule', () => {
    const board = boardWith()
    const top = pointOf(board, 'backTop')
    const points = figured(board, top, 0, 55, 'both')
    expect(pointOf(boardWith(points), 'backTop').figures[0]!.value).toBeCloseTo(55, 6)
    const ankle = pointOf(board, 'ankle')
    const both = figured(boardWith(points), ankle, 1, 30, 'lateral')
    expect(Object.keys(both).sort()).toEqual(['ankle:lateral', 'backTop:both'])
    expect(byRule(both, ankle)).toEqual(points)
    expect(byRule(points, top)).toEqual({})
  })
})
