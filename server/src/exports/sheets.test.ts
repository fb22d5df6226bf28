import { boxOf, planPair, StageCache, type Part, type Path } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { demoInput, demoPairs } from '../demo/workshop.ts'
import { pairParts, piecesOf } from './pairParts.ts'
import { layOut, layOutAll, OVERLAP, pagesFor, papers, windowOf, type Paper } from './sheets.ts'

const cache = new StageCache()
const plans = demoPairs.slice(0, 3).map((pair) => planPair(demoInput(pair), cache).parts)
const parts = plans.flatMap((one) => pairParts(one))
/** Outlines of the pair as they lie, with what they must be. */
const outlines = (sheet: ReturnType<typeof layOut>) => sheet.placed.map(({ part, move }) => move(part.outline))

describe.each(Object.keys(papers) as Paper[])('sheets on %s', (paper) => {
  it('show every point of both feet on some page, and whatever lies near a cut on both of its pages', () => {
    const window = windowOf(paper)
    for (const part of parts) {
      const sheet = layOut(part, paper)
      expect(sheet.placed.map((p) => p.foot).sort()).toEqual(['left', 'right'])
      for (const outline of outlines(sheet)) {
        for (const [x, y] of outline) {
          const on = sheet.tiles.filter(
            (t) => x >= t.x && x <= t.x + window.width && y >= t.y && y <= t.y + window.height,
          )
          expect(on.length).toBeGreaterThan(0)
        }
      }
    }
  })
  it('keep both feet apart and at true size', () => {
    for (const part of parts) {
      const sheet = layOut(part, paper)
      const [a, b] = outlines(sheet)
      const gap = Math.min(...a.map((p) => Math.min(...b.map((q) => Math.hypot(p[0] - q[0], p[1] - q[1])))))
      expect(gap).toBeGreaterThan(5)
    }
  })
  it('put small parts together: none is lost, none lies on another, all at true size', () => {
    const sheets = layOutAll(parts.slice(0, 26), paper)
    const window = windowOf(paper)
    const wanted = parts.slice(0, 26).filter((p) => !p.feet[0].part.strip)
    expect(sheets.flatMap((s) => s.placed).length).toBe(2 * wanted.length)
    for (const s of sheets) {
      const boxes = s.placed.map((p) => boxOf(p.move(p.part.outline)))
      boxes.forEach((a, i) => {
        if (s.tiles.length === 1) {
          expect(a.minX).toBeGreaterThanOrEqual(0)
          expect(a.maxX).toBeLessThanOrEqual(window.width)
          expect(a.minY).toBeGreaterThanOrEqual(0)
          expect(a.maxY).toBeLessThanOrEqual(window.height)
        }
        const own = boxOf(s.placed[i].part.outline)
        const sides = (b: typeof a) => [b.maxX - b.minX, b.maxY - b.minY].sort((p, q) => p - q)
        sides(a).forEach((v, k) => expect(v).toBeCloseTo(sides(own)[k], 6))
        for (const b of boxes.slice(i + 1)) {
          const apart = a.maxX < b.minX || b.maxX < a.minX || a.maxY < b.minY || b.maxY < a.minY
          expect(apart).toBe(true)
        }
      })
    }
    expect(sheets.length).toBeLessThan(wanted.length)
  })
  it('overlap by the promised strip', () => {
    for (const part of parts) {
      const { tiles } = layOut(part, paper)
      const window = windowOf(paper)
      for (const t of tiles) {
        const right = tiles.find((u) => u.row === t.row && u.column === t.column + 1)
        if (right) expect(t.x + window.width - right.x).toBeCloseTo(OVERLAP, 9)
        const below = tiles.find((u) => u.column === t.column && u.row === t.row + 1)
        if (below) expect(below.y + window.height - t.y).toBeCloseTo(OVERLAP, 9)
      }
    }
  })
})

it('a left part of its own lies beside the right one, and what is for one foot alone lies alone', () => {
  const [insole, puff, sock] = ['insole', 'puff', 'sock'].map((id) => plans[0].find((p) => p.id === id) as Part)
  const shorter = { ...insole, outline: insole.outline.map(([x, y]): [number, number] => [x * 0.98, y]) }
  const pair = pairParts([insole, puff], [shorter, sock])
  expect(pair.map((p) => [p.id, ...p.feet.map((f) => f.foot)])).toEqual([
    ['insole', 'left', 'right'],
    ['puff', 'right'],
    ['sock', 'left'],
  ])
  expect(pair.map(piecesOf)).toEqual([2, 1, 1])
  const sheet = layOut(pair[0], 'a3')
  const long = (path: Path) => Math.max(boxOf(path).maxX - boxOf(path).minX, boxOf(path).maxY - boxOf(path).minY)
  const [left, right] = outlines(sheet).map(long)
  expect(left / right).toBeCloseTo(0.98, 6)
  expect(layOut(pair[1], 'a3').placed).toHaveLength(1)
})

it('counts pages: one window, one window and a bit, many', () => {
  expect(pagesFor(190, 190)).toBe(1)
  expect(pagesFor(191, 190)).toBe(2)
  expect(pagesFor(190 + 178, 190)).toBe(2)
  expect(pagesFor(190 + 2 * 178 + 0.1, 190)).toBe(4)
})
