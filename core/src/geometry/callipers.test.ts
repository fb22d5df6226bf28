import { describe, expect, it } from 'vitest'
import { rotate, type Path, type Point } from './path.ts'
import { calliperWidths } from './callipers.ts'

/** A bottom 200 mm long: 50 wide at 40, 30 at 90, and in front 40 to one side at 130, 35 to the other at 150. */
const side = (knots: [number, number][]): Point[] =>
  Array.from({ length: 401 }, (_, k): Point => {
    const x = k / 2
    const i = knots.findIndex(([at]) => at >= x)
    const [[a, u], [b, v]] = [knots[Math.max(0, i - 1)]!, knots[Math.max(1, i)]!]
    return [x, u + ((v - u) * (x - a)) / (b - a)]
  })
const outline: Path = [
  ...side([
    [0, 1],
    [40, 25],
    [90, 15],
    [130, 40],
    [200, 1],
  ]).map(([x, y]): Point => [x, -y]),
  ...side([
    [0, 1],
    [40, 25],
    [90, 15],
    [150, 35],
    [200, 1],
  ]).reverse(),
]

describe('callipers on a bottom', () => {
  it('find the widest seat, the narrowest waist, and both joints, though they do not lie opposite each other', () => {
    const w = calliperWidths(outline, 0, 200)
    expect(Math.abs((w.seat?.value ?? 0) - 50)).toBeLessThan(0.3)
    expect(Math.abs((w.seat?.from[0] ?? 0) - 40)).toBeLessThan(0.5)
    expect(Math.abs((w.waist?.value ?? 0) - 30)).toBeLessThan(0.2)
    expect(Math.abs((w.joint?.value ?? 0) - 75)).toBeLessThan(0.3)
    // Straight across it is less at either joint.
    expect(Math.abs((w.joint?.from[0] ?? 0) - 140)).toBeLessThan(0.5)
  })
  it('read nothing in front of where a part ends', () => {
    const back = outline.filter((p) => p[0] < 80)
    const w = calliperWidths(back, 0, 200)
    expect(Math.abs((w.seat?.value ?? 0) - 50)).toBeLessThan(0.3)
    expect(w.waist).toBeNull()
    expect(w.joint).toBeNull()
  })
  it('are moved by a turn of the outline: they lie along the axis', () => {
    expect(calliperWidths(rotate(outline, 2), 0, 200).waist?.value).not.toBeCloseTo(30, 2)
  })
})
