import { boxOf, planPair, signedArea, type Point, pairParts } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { demoFile } from '../../test/demoFile.ts'
import { demoPairs } from '../demo/workshop.ts'
import { pairSvg, partSvg } from './partsSvg.ts'
import { keptCache } from '../../../core/test/keptCache.ts'

const pair = demoPairs[0]!
const file = { ...demoFile(pair), revision: 2, label: { ...pair.label, name: 'Derby <b> & "co"' } }
const plan = planPair(file, keptCache())

/** The cut line of the first group as it stands on the sheet, y up again. */
function cutOf(svg: string): Point[] {
  const d = /class="cut" d="M([^Z]+)Z"/.exec(svg)?.[1] ?? ''
  return d.split('L').map((p): Point => {
    const [x, y] = p.split(' ').map(Number)
    return [x!, -y!]
  })
}

describe('SVG of a part', () => {
  it('is as large on paper as the part, in millimetres', () => {
    for (const part of plan.parts) {
      const svg = partSvg(part, 'right', 'face')
      const [, w, h] = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg)?.map(Number) ?? []
      const box = boxOf(part.outline)
      expect(w).toBeCloseTo(box.maxX - box.minX + 10, 3)
      expect(h).toBeCloseTo(box.maxY - box.minY + 10, 3)
      expect(svg).toContain(`width="${w}mm"`)
      // All of it lies on the sheet.
      const [, dx, dy] = /translate\(([-\d.]+) ([-\d.]+)\)/.exec(svg)?.map(Number) ?? []
      for (const [x, y] of cutOf(svg)) {
        expect(x + dx!).toBeGreaterThan(4.9)
        expect(x + dx!).toBeLessThan(w! - 4.9)
        expect(dy! - y).toBeGreaterThan(4.9)
        expect(dy! - y).toBeLessThan(h! - 4.9)
      }
    }
  })
  it('left and right have the same area and lie mirrored', () => {
    for (const part of plan.parts) {
      const [right, left] = [cutOf(partSvg(part, 'right', 'face')), cutOf(partSvg(part, 'left', 'face'))]
      expect(Math.abs(signedArea(left))).toBeCloseTo(Math.abs(signedArea(right)), 0)
      expect(boxOf(left).maxY).toBeCloseTo(-boxOf(right).minY, 3)
      expect(boxOf(left).maxX).toBeCloseTo(boxOf(right).maxX, 3)
    }
  })
})

describe('SVG of the pair', () => {
  it('holds every part twice, apart from each other, and escapes what a maker may write', () => {
    const svg = pairSvg(file, pairParts(plan.parts), 'face')
    expect(svg.match(/<g id="/g)).toHaveLength(2 * plan.parts.length)
    expect(svg).toContain('Derby &lt;b&gt; &amp; &quot;co&quot;')
    expect(svg).not.toContain('<b>')
    const places = [...svg.matchAll(/<g id="([^"]+)"[^>]*translate\(([-\d.]+) ([-\d.]+)\)/g)].map((m) => m[0])
    expect(new Set(places).size).toBe(places.length)
  })
})
