import { describe, expect, it } from 'vitest'
import { nearest } from '../geometry/polyline.ts'
import type { Point } from '../geometry/path.ts'
import type { DevelopedBottom } from '../last/developedBottom.ts'
import { plannedThickness, type PlannedEnds, type PlannedLayers } from '../parts/cup/lastedShoe.ts'
import { lastedOutline } from './lastedOutline.ts'

const layers: PlannedLayers & PlannedEnds = {
  upper: 1.5,
  lining: 1,
  stiffener: 0,
  puff: 0,
  stiffenerEnd: { lateral: 70, medial: 70 },
  stiffenerSkive: 15,
  puffBack: 230,
  puffSkive: 15,
}

/** A bottom like an ellipse of 290 x 90. */
function ellipseBottom(): DevelopedBottom {
  const n = 240
  const outline = Array.from({ length: n }, (_, i): Point => [
    145 - 145 * Math.cos((2 * Math.PI * i) / n),
    -45 * Math.sin((2 * Math.PI * i) / n),
  ])
  return {
    outline,
    stations: outline.map(([x, y]) => ({ side: y <= 0 ? ('lateral' as const) : ('medial' as const), x })),
    jointLateral: [184, -40],
    jointMedial: [209, 38],
    length: 290,
    flatX: (x) => x,
  }
}

describe('the lasted outline', () => {
  it('with the same layers everywhere is an exact offset', () => {
    const bottom = ellipseBottom()
    const { outline, thickest, thinnest } = lastedOutline(bottom, (side, x) => plannedThickness(layers, side, x))
    expect(thickest).toBeCloseTo(2.5, 9)
    expect(thinnest).toBeCloseTo(2.5, 9)
    for (const p of outline) expect(nearest(bottom.outline, p, true).away).toBeCloseTo(2.5, 1)
  })
  it('is fuller at heel and toe by what lies there, and the step between is eased', () => {
    const bottom = ellipseBottom()
    const { thickness, along } = lastedOutline(bottom, (side, x) =>
      plannedThickness({ ...layers, stiffener: 2.4, puff: 2 }, side, x),
    )
    const at = (x: number) => thickness[along.findIndex((p) => p[0] > x)]
    expect(at(10)).toBeCloseTo(4.9, 2)
    expect(at(150)).toBeCloseTo(2.5, 2)
    expect(thickness[along.reduce((b, p, i) => (p[0] > along[b]![0] ? i : b), 0)]).toBeCloseTo(4.5, 2)
    const steepest = Math.max(
      ...thickness.map(
        (t, i) =>
          Math.abs(t - thickness[(i + 1) % thickness.length]!) /
          Math.hypot(
            along[i]![0] - along[(i + 1) % along.length]![0],
            along[i]![1] - along[(i + 1) % along.length]![1],
          ),
      ),
    )
    expect(steepest).toBeLessThan(2.4 / 15 + 0.02)
  })
  it('a skived front counts straight from nothing to full', () => {
    const l = { ...layers, stiffener: 2 }
    expect(plannedThickness(l, 'medial', 40)).toBeCloseTo(4.5, 9)
    expect(plannedThickness(l, 'medial', 62.5)).toBeCloseTo(3.5, 9)
    expect(plannedThickness(l, 'medial', 70)).toBeCloseTo(2.5, 9)
  })
})
