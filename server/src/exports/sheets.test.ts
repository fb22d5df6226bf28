import {
  boxOf,
  contains,
  intersect,
  nearest,
  planPair,
  type DrawablePart,
  type Part,
  type Path,
  type Point,
  pairParts,
  piecesOf,
  type PairPart,
} from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { demoInput, demoPairs } from '../demo/workshop.ts'
import { layOutAll, OVERLAP, pagesOf, papers, windowOf, type Paper, type Placed, type Sheet } from './sheets.ts'
import { keptCache } from '../../../core/test/keptCache.ts'

const cache = keptCache()
const plans = demoPairs.slice(0, 3).map((pair) => planPair(demoInput(pair), cache))
const pairs = plans.map((plan) => pairParts(plan.parts))
const all = (sheets: readonly Sheet[]) => sheets.flatMap((s, page) => s.placed.map((p) => ({ ...p, page })))
const windowAt = ({ stretch }: Placed, paper: Paper) => stretch?.window ?? { x: 0, y: 0, ...windowOf(paper) }
const within = ([x, y]: Point, w: { x: number; y: number; width: number; height: number }, by = 1e-6) =>
  x >= w.x - by && x <= w.x + w.width + by && y >= w.y - by && y <= w.y + w.height + by
const least = (outline: Path) => {
  const b = boxOf(outline)
  return [b.maxX - b.minX, b.maxY - b.minY].sort((p, q) => p - q)
}

describe.each(Object.keys(papers) as Paper[])('sheets on %s', (paper) => {
  const window = windowOf(paper)
  const laid = pairs.map((parts) => layOutAll(parts, paper))

  it('hold every part of both feet, every point of it on some page', () => {
    laid.forEach((sheets, k) => {
      const wanted = pairs[k]!.filter((p) => !p.feet[0]!.part.strip)
      for (const { id, feet } of wanted) {
        for (const { foot, part } of feet) {
          const places = all(sheets).filter((p) => p.part.id === id && p.foot === foot)
          expect(places.length, `${part.name}, ${foot}`).toBeGreaterThan(0)
          part.outline.forEach((_, i) => {
            const shown = places.some((p) => within(mirroredLike(p, part)[i]!, windowAt(p, paper)))
            expect(shown, `${part.name}, ${foot}, point ${i}`).toBe(true)
          })
        }
      }
    })
  })
  it('never cut what fits the paper, upright or across', () => {
    for (const p of laid.flatMap(all)) {
      const [short, long] = least(p.part.outline)
      const fits =
        short! + 2 <= Math.min(window.width, window.height) && long! + 2 <= Math.max(window.width, window.height)
      if (fits) expect(p.stretch, p.part.name).toBeNull()
    }
  })
  it('lay nothing on anything else, nor past the paper, and all at true size', () => {
    for (const sheets of laid) {
      for (const { placed } of sheets) {
        const shapes = placed.map((p) => {
          const outline = p.move(p.part.outline)
          const w = p.stretch?.window
          const corners: Path | null = w
            ? [
                [w.x, w.y],
                [w.x + w.width, w.y],
                [w.x + w.width, w.y + w.height],
                [w.x, w.y + w.height],
              ]
            : null
          return corners ? intersect(outline, corners, p.part.name) : outline
        })
        shapes.forEach((a, i) => {
          const box = boxOf(a)
          expect(box.minX).toBeGreaterThan(-0.01)
          expect(box.minY).toBeGreaterThan(-0.01)
          expect(box.maxX).toBeLessThan(window.width + 0.01)
          expect(box.maxY).toBeLessThan(window.height + 0.01)
          for (const b of shapes.slice(i + 1)) {
            const apart = Math.min(...a.map((p) => nearest(b, p, true).away), ...b.map((p) => nearest(a, p, true).away))
            expect(apart, `${placed[i]!.part.name}`).toBeGreaterThan(1)
            expect(contains(a, b[0]!) || contains(b, a[0]!)).toBe(false)
          }
        })
        for (const p of placed) {
          const [from, to] = [p.part.outline, p.move(p.part.outline, false)]
          for (let i = 7; i < from.length; i += 7) {
            const gap = (l: Path) => Math.hypot(l[i]![0] - l[0]![0], l[i]![1] - l[0]![1])
            expect(gap(to)).toBeCloseTo(gap(from), 6)
          }
        }
      }
    }
  })
  it('lay stretches of a part on each other by crosses that are printed whole on both of their sheets', () => {
    const stretches = laid.flatMap(all).filter((p) => p.stretch)
    for (const p of stretches) {
      expect(p.crosses.length).toBeGreaterThanOrEqual(2)
      const w = windowAt(p, paper)
      for (const [x, y] of p.crosses) {
        expect(within([x, y], { x: w.x + 3, y: w.y + 3, width: w.width - 6, height: w.height - 6 }, 0.01)).toBe(true)
      }
    }
    for (const sheets of laid) {
      const cut = all(sheets).filter((p) => p.stretch)
      for (const p of cut) {
        // Every cross is on the neighbour too, at the same place of the part.
        const others = cut.filter((q) => q.part === p.part && q.foot === p.foot && q !== p)
        for (const cross of p.crosses) {
          const at = backTo(p, cross)
          const met = others.some((q) =>
            q.crosses.some((c) => Math.hypot(backTo(q, c)[0] - at[0], backTo(q, c)[1] - at[1]) < 1e-6),
          )
          expect(met, p.part.name).toBe(true)
        }
      }
    }
    expect(OVERLAP).toBeGreaterThan(6)
  })
})

/** A placed part's own points in the order of the part's outline. */
const mirroredLike = (p: Placed, part: DrawablePart): Path => p.move(part.outline, false)

/** A place of the page as a place of the part: the rigid motion turned back, found from three of the part's points. */
function backTo(p: Placed, at: Point): Point {
  const o: Path = [
    [0, 0],
    [1, 0],
    [0, 1],
  ]
  const [z, ex, ey] = o.map((q) => p.move([q], false)[0])
  const [ux, uy] = [ex![0] - z![0], ex![1] - z![1]]
  const [vx, vy] = [ey![0] - z![0], ey![1] - z![1]]
  const [dx, dy] = [at[0] - z![0], at[1] - z![1]]
  return [dx * ux + dy * uy, dx * vx + dy * vy]
}

it('the parts of a welted derby on A4 take two thirds of the 24 pages they once took', () => {
  expect(layOutAll(pairs[0]!, 'a4').length).toBeLessThan(18)
})

it('a left part of its own lies beside the right one, and what is for one foot alone lies alone', () => {
  const [insole, puff, sock] = ['insole', 'puff', 'sock'].map((id) => plans[0]!.parts.find((p) => p.id === id) as Part)
  const shorter = { ...insole!, outline: insole!.outline.map(([x, y]): [number, number] => [x * 0.98, y]) }
  const pair = pairParts([insole!, puff!], [shorter, sock!])
  expect(pair.map((p) => [p.id, ...p.feet.map((f) => f.foot)])).toEqual([
    ['insole', 'left', 'right'],
    ['puff', 'right'],
    ['sock', 'left'],
  ])
  expect(pair.map(piecesOf)).toEqual([2, 1, 1])
  const sheets = layOutAll(pair, 'a3')
  const length = (foot: string) => {
    const p = all(sheets).find((q) => q.part.id === 'insole' && q.foot === foot) as Placed
    return least(p.move(p.part.outline))[1]
  }
  expect(length('left')! / length('right')!).toBeCloseTo(0.98, 6)
  expect(all(sheets).filter((p) => p.part.id === 'puff')).toHaveLength(1)
  expect(pagesOf(sheets, 'insole').length).toBeGreaterThan(0)
  expect(pagesOf(sheets, 'nothing')).toEqual([])
})

it('a piece larger than any paper goes in a grid of sheets that overlap', () => {
  const [big] = pairs[0]!
  const huge: PairPart = {
    ...big!,
    feet: [
      {
        foot: 'right',
        part: {
          ...big!.feet[0]!.part,
          id: 'huge',
          outline: [
            [0, 0],
            [600, 0],
            [600, 500],
            [0, 500],
          ],
        },
      },
    ],
  }
  const places = all(layOutAll([huge], 'a4'))
  expect(places.length).toBe(places[0]!.stretch?.of)
  expect(places.length).toBeGreaterThanOrEqual(8)
  for (const corner of huge.feet[0]!.part.outline) {
    expect(places.some((p) => within(p.move([corner], false)[0]!, windowAt(p, 'a4')))).toBe(true)
  }
})
