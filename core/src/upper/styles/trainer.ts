import { nearest, pointAt } from '../../geometry/along.ts'
import { pathLength, type Path } from '../../geometry/path.ts'
import type { Side } from '../../last/frame.ts'
import { wallSides, type DesignBoard } from '../designPoints.ts'
import { foldedPiece, sidePiece, type EdgeDraft } from '../pieceMaker.ts'
import type { DrawnUpper, Style } from '../style.ts'
import { drawOpenTabs } from './derby.ts'
import { beside, between, flipped, joined, perSide, smoothLine, stretch } from './lines.ts'

/** Width of the eye stays, mm. */
const STAY = 22
/** Depth of the padded collar below the top line, mm, and where it begins, as a share of the top line from the facing. */
const COLLAR = 21
const COLLAR_FRONT = 0.24
/** How far the back tab reaches down the back, share of L. */
const TAB = 0.13

/** A trainer: the derby's ground plan with eye stays and a back tab laid on, and a padded collar under the top line. */
function draw(board: DesignBoard): DrawnUpper {
  const L = board.length
  const base = drawOpenTabs(board, 'lasting margin', board.decisions.topEdge ?? 'folded')
  const { facings, topLine, backLine, quarters } = base
  if (!facings) return base
  const top = backLine[backLine.length - 1]

  // The collar's lower edge runs below the top line; quarter and collar meet there, the quarter on top.
  const share = (side: Side, t: number) => t * pathLength(topLine[side])
  const under = (side: Side, t: number) => pointAt(beside(topLine[side], COLLAR), share(side, t))
  const low = board.free(
    'collarLow',
    'Lowest of the collar',
    perSide((side) => under(side, 0.52)),
    'The padding holds the foot round and below the ankle bones.',
  )
  const backAt = board.onBack(
    'collarBack',
    'Collar at the back',
    nearest(board.back, top).at - 1.15 * COLLAR,
    'The padding fills the hollow above the heel.',
  )
  const end = nearest(backLine, backAt).point
  const collarLine = perSide((side) => {
    const at = pointAt(topLine[side], share(side, COLLAR_FRONT))
    return {
      line: smoothLine([at, low[side], under(side, 0.8), end], { end: [-1, 0.15] }),
      onTop: share(side, COLLAR_FRONT),
      at,
    }
  })
  const pieces = base.pieces.filter((p) => !p.id.startsWith('quarter'))
  for (const side of wallSides) {
    const collar = collarLine[side]
    const edges = quarters[side]
    const topOf = edges[3]
    pieces.push(
      sidePiece(
        { id: 'quarter', name: 'Quarter' },
        side,
        [
          ...edges.slice(0, 3),
          { ...topOf, line: [...stretch(topLine[side], 0, collar.onTop).slice(0, -1), collar.at] },
          { name: 'over the collar', role: 'lap over', line: collar.line, seam: `collar.${side}` },
          { name: 'back', role: 'closed seam', line: flipped(between(backLine, backLine[0], end)), seam: 'back' },
        ],
        board.book,
      ),
      sidePiece(
        { id: 'collar', name: 'Collar' },
        side,
        [
          { name: 'collar edge', role: 'lap under', line: flipped(collar.line), seam: `collar.${side}` },
          {
            name: 'top line',
            role: topOf.role,
            line: [collar.at, ...stretch(topLine[side], collar.onTop, pathLength(topLine[side])).slice(1)],
          },
          { name: 'back', role: 'closed seam', line: flipped(between(backLine, end, top)), seam: 'collarBack' },
        ],
        board.book,
      ),
    )
  }
  // Eye stays lie on the quarters along the facings; they are cut to the same edges and stitched round.
  for (const side of wallSides) {
    const outer = facings[side]
    const inner = beside(outer, -STAY)
    const tip = edgeBelow(quarters[side][1].line, inner[inner.length - 1])
    const head = nearest(topLine[side], inner[0])
    const stay: EdgeDraft[] = [
      { name: 'stay front', role: 'lap over', line: between(quarters[side][1].line, tip, outer[outer.length - 1]) },
      { name: 'facing', role: 'folded', line: flipped(outer) },
      {
        name: 'top line',
        role: quarters[side][3].role,
        line: [outer[0], ...stretch(topLine[side], 0, head.at).slice(1, -1), head.point],
      },
      { name: 'stay edge', role: 'lap over', line: joined([head.point], inner.slice(1, -1), [tip]) },
    ]
    pieces.push(sidePiece({ id: 'stay', name: 'Eye stay' }, side, stay, board.book))
  }
  const tabAt = nearest(
    backLine,
    backLine[
      Math.max(
        0,
        backLine.findIndex((p) => p[1] > top[1] - TAB * L),
      )
    ],
  ).point
  const tabHalf = (side: 'lateral' | 'medial'): EdgeDraft[] => {
    const wide = nearest(topLine[side], top).at - 14
    const corner = stretch(topLine[side], wide, wide + 0.01)[0]
    return [
      {
        name: 'tab edge',
        role: 'lap over',
        line: smoothLine([tabAt, [tabAt[0] + 12, tabAt[1] + 10], corner], { start: [1, 0] }),
      },
      {
        name: 'top line',
        role: quarters[side][3].role,
        line: [corner, ...stretch(topLine[side], wide, pathLength(topLine[side])).slice(1)],
      },
    ]
  }
  pieces.push(
    foldedPiece(
      { id: 'backTab', name: 'Back tab' },
      perSide(tabHalf),
      { from: top, to: tabAt, upright: true },
      board.book,
    ),
  )
  return { ...base, pieces }
}

/** Place on a line nearest to a point. */
const edgeBelow = (line: Path, p: readonly [number, number]) => nearest(line, p).point

export const trainer: Style = {
  sentence: 'For a cup sole: eye stays and a back tab laid on, tongue and collar padded.',
  options: [{ key: 'toeCap', name: 'Toe cap', byDefault: false }],
  topEdge: 'folded',
  bottom: 'lasting margin',
  draw,
}
