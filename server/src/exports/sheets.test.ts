import { boxOf, planPair, StageCache, type Part } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { demoLasts } from '../demo/lasts.ts'
import { demoMaterials, demoPairs } from '../demo/workshop.ts'
import { layOut, layOutAll, OVERLAP, pagesFor, papers, windowOf, type Paper } from './sheets.ts'

const cache = new StageCache()
const parts: Part[] = demoPairs.slice(0, 3).flatMap((pair) => {
  const last = demoLasts.find((l) => l.id === pair.decisions.lastId)
  if (!last) throw new Error('no last')
  return planPair({ decisions: pair.decisions, last, materials: demoMaterials, houseRules: {} }, cache).parts
})

describe.each(Object.keys(papers) as Paper[])('sheets on %s', (paper) => {
  it('show every point of both feet on some page, and whatever lies near a cut on both of its pages', () => {
    const window = windowOf(paper)
    for (const part of parts) {
      const sheet = layOut(part, paper)
      expect(sheet.placed.map((p) => p.foot).sort()).toEqual(['left', 'right'])
      for (const { move } of sheet.placed) {
        for (const [x, y] of move(part.outline)) {
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
      const [a, b] = sheet.placed.map(({ move }) => move(part.outline))
      const gap = Math.min(...a.map((p) => Math.min(...b.map((q) => Math.hypot(p[0] - q[0], p[1] - q[1])))))
      expect(gap).toBeGreaterThan(5)
    }
  })
  it('put small parts together: none is lost, none lies on another, all at true size', () => {
    const sheets = layOutAll(parts.slice(0, 26), paper)
    const window = windowOf(paper)
    const wanted = parts.slice(0, 26).filter((p) => !p.strip)
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

it('counts pages: one window, one window and a bit, many', () => {
  expect(pagesFor(190, 190)).toBe(1)
  expect(pagesFor(191, 190)).toBe(2)
  expect(pagesFor(190 + 178, 190)).toBe(2)
  expect(pagesFor(190 + 2 * 178 + 0.1, 190)).toBe(4)
})
