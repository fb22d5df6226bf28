import { describe, expect, it } from 'vitest'
import { nearest } from '../../geometry/polyline.ts'
import { boxOf, mirror, signedArea, type Path, type Point } from '../../geometry/path.ts'
import { isSimple } from '../../geometry/selfIntersection.ts'
import { leftPart } from './leftPart.ts'
import { cutLine, notchNear } from './notch.ts'
import type { Part } from '../../trade/part.ts'

const circle: Path = Array.from({ length: 360 }, (_, i): Point => [
  40 * Math.cos((i * Math.PI) / 180),
  40 * Math.sin((i * Math.PI) / 180),
])

describe('notches', () => {
  it('point inwards from the place nearest to the target', () => {
    const n = notchNear(circle, [0, 100], 'medial')
    expect(n.at[1]).toBeCloseTo(40, 6)
    expect(n.inwards[1]).toBeCloseTo(-1, 6)
  })
  it('take a triangle of 3 mm depth on the side, a fine one at the ends of the centre line', () => {
    const side = notchNear(circle, [0, 40], 'medial')
    const end = notchNear(circle, [40, 0], 'centre')
    const cut = cutLine(circle, [side, end])
    expect(isSimple(cut)).toBe(true)
    expect(cut.some((p) => Math.hypot(p[0], p[1] - 37) < 0.01)).toBe(true)
    expect(cut.some((p) => Math.hypot(p[0] - 37.5, p[1]) < 0.01)).toBe(true)
    // Half base times depth of both triangles, and the sliver between chord and arc.
    expect(signedArea(circle) - signedArea(cut)).toBeCloseTo(1.6 * 3 + 0.9 * 2.5, 0)
  })
  it('leave the length of the piece within three hundredths at a curved end', () => {
    const cut = cutLine(circle, [notchNear(circle, [40, 0], 'centre'), notchNear(circle, [-40, 0], 'centre')])
    const before = boxOf(circle)
    const after = boxOf(cut)
    expect(before.maxX - before.minX - (after.maxX - after.minX)).toBeLessThan(0.03)
  })
  it('anywhere on the line, first and last point of the list among them, touch nothing else', () => {
    for (const start of [0, 90, 180, 359]) {
      const turned = [...circle.slice(start), ...circle.slice(0, start)]
      const notches = [0, 1, 2, 3, 4].map((k) =>
        notchNear(turned, [50 * Math.cos(k * 1.2566), 50 * Math.sin(k * 1.2566)], 'medial'),
      )
      const cut = cutLine(turned, notches)
      expect(isSimple(cut)).toBe(true)
      const far = cut.filter((p) => notches.every((n) => Math.hypot(p[0] - n.at[0], p[1] - n.at[1]) > 4))
      for (const p of far) expect(Math.hypot(p[0], p[1])).toBeCloseTo(40, 9)
      expect(signedArea(circle) - signedArea(cut)).toBeCloseTo(5 * 1.6 * 3, 0)
    }
  })
  it('that would leave the piece are not cut', () => {
    const sliver: Path = [
      [0, 0],
      [60, 0],
      [60, 1],
      [0, 1],
    ]
    expect(cutLine(sliver, [{ kind: 'medial', at: [60, 0], inwards: [0, 1] }])).toEqual(sliver)
  })
})

describe('the left part', () => {
  const part: Part = {
    id: 'insole',
    place: 'under',
    areas: [],
    name: 'Insole',
    role: 'insole',
    materialName: 'x',
    thickness: 4,
    count: 2,
    outline: circle,
    lines: [
      {
        name: 'crease',
        kind: 'crease',
        path: [
          [0, -10],
          [5, 12],
        ],
        closed: false,
      },
    ],
    skives: [
      {
        name: 's',
        edge: [
          [0, 0],
          [10, 3],
        ],
        band: circle.slice(0, 60),
        profile: [
          [0, 0],
          [9, 2],
        ],
        shape: 'straight',
        face: 'flesh',
        sentence: '',
      },
    ],
    notches: [notchNear(circle, [0, 40], 'medial')],
    dimensions: [{ name: 'd', from: [0, 3], to: [8, 4], value: 8 }],
    grain: { from: [20, 0], to: [0, 5] },
    becauses: [],
    findings: [],
  }
  it('is the mirror in everything, and flipping it again gives the right one', () => {
    const left = leftPart(part)
    expect(left.outline).toEqual(mirror(part.outline))
    expect(signedArea(left.outline)).toBeGreaterThan(0)
    expect(left.notches[0]!.at[1]).toBeCloseTo(-40, 6)
    expect(left.dimensions[0]!.to).toEqual([8, -4])
    expect(left.lines[0]!.path).toEqual([
      [0, 10],
      [5, -12],
    ])
    expect(leftPart(left)).toEqual(part)
  })
  it('carries its medial notch on the other side of the drawing', () => {
    const [right, left] = [cutLine(part.outline, part.notches), cutLine(leftPart(part).outline, leftPart(part).notches)]
    for (const p of mirror(right)) expect(nearest(left, p, true).away).toBeLessThan(1e-9)
  })
})
