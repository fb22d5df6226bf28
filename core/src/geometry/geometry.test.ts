import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { comesNearer, curvatures, nearest, outwardNormals, pointAt, resample } from './polyline.ts'
import { bandAlong, intersect, offset, unite } from './polygonClip.ts'
import { convexHull } from './convexHull.ts'
import { gaussianSmooth, naturalSpline, pchip } from './interpolate.ts'
import {
  boxOf,
  contains,
  GeometryError,
  mirror,
  pathLength,
  rotate,
  signedArea,
  type Path,
  type Point,
} from './path.ts'
import { isSimple } from './selfIntersection.ts'

const circle = (r: number, n = 720, cx = 0, cy = 0): Path =>
  Array.from({ length: n }, (_, i): Point => [
    cx + r * Math.cos((2 * Math.PI * i) / n),
    cy + r * Math.sin((2 * Math.PI * i) / n),
  ])
const ellipse = (a: number, b: number, n = 4000): Path =>
  Array.from({ length: n }, (_, i): Point => [a * Math.cos((2 * Math.PI * i) / n), b * Math.sin((2 * Math.PI * i) / n)])

describe('length and area', () => {
  it('an ellipse of 50 x 30 measures what its integral says', () => {
    // Complete elliptic integral: 4 a E(1 - b^2 / a^2), E(0.64) = 1.2763499431699064.
    expect(pathLength(ellipse(50, 30), true)).toBeCloseTo(4 * 50 * 1.2763499431699064, 3)
    expect(signedArea(ellipse(50, 30))).toBeCloseTo(Math.PI * 1500, 2)
  })
  it('turning and mirroring change neither', () => {
    fc.assert(
      fc.property(fc.double({ min: -360, max: 360, noNaN: true }), (angle) => {
        const e = ellipse(40, 22, 200)
        const turned = mirror(rotate(e, angle))
        expect(pathLength(turned, true)).toBeCloseTo(pathLength(e, true), 8)
        expect(signedArea(turned)).toBeCloseTo(signedArea(e), 6)
      }),
    )
  })
  it('mirroring twice gives the very same points', () => {
    const e = ellipse(40, 22, 60)
    expect(mirror(mirror(e))).toEqual(e)
  })
})

describe('offset', () => {
  it.each([5, -5, 12.5, -19])('a circle offset by %s is a circle', (by) => {
    const out = offset(circle(20), by)
    for (const [x, y] of out) expect(Math.abs(Math.hypot(x, y) - (20 + by))).toBeLessThan(0.02)
  })
  it('keeps the distance asked for from any convex outline', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -60, max: 60 }), fc.integer({ min: -60, max: 60 })), {
          minLength: 6,
          maxLength: 20,
        }),
        fc.integer({ min: 1, max: 12 }),
        (points, by) => {
          const hull = convexHull(points)
          fc.pre(hull.length >= 3 && signedArea(hull) > 100)
          const grown = offset(hull, by)
          expect(isSimple(grown)).toBe(true)
          for (const p of grown) expect(nearest(hull, p, true).away).toBeCloseTo(by, 1)
          // Steiner: the area grows by perimeter x distance and the area of the corners' circle.
          expect(signedArea(grown)).toBeCloseTo(
            signedArea(hull) + pathLength(hull, true) * by + Math.PI * by * by,
            -0.5,
          )
        },
      ),
      { numRuns: 60 },
    )
  })
  it('says so when nothing is left', () => {
    expect(() => offset(circle(10), -11, 'the insole')).toThrow(GeometryError)
    expect(() => offset(circle(10), -11, 'the insole')).toThrow(/the insole/)
  })
})

describe('clipping', () => {
  it('two circles share the lens that geometry gives', () => {
    const r = 10
    const d = 10
    const lens = intersect(circle(r), circle(r, 720, d))
    const exact = 2 * r * r * Math.acos(d / (2 * r)) - (d / 2) * Math.sqrt(4 * r * r - d * d)
    expect(signedArea(lens)).toBeCloseTo(exact, 1)
  })
  it('a loop in a path is dissolved', () => {
    const crossed: Path = [
      [0, 0],
      [40, 0],
      [40, 20],
      [20, 20],
      [20, -4],
      [24, -4],
      [24, 24],
      [0, 24],
    ]
    expect(isSimple(crossed)).toBe(false)
    expect(isSimple(unite([crossed]))).toBe(true)
  })
  it('a band keeps to its width and to the piece', () => {
    const square: Path = [
      [0, 0],
      [50, 0],
      [50, 50],
      [0, 50],
    ]
    const band = bandAlong(
      [
        [0, 0],
        [50, 0],
      ],
      12,
      square,
    )
    expect(boxOf(band)).toMatchObject({ minX: 0, minY: 0, maxX: 50 })
    expect(boxOf(band).maxY).toBeCloseTo(12, 3)
  })
})

describe('along a path', () => {
  it('curvature of a circle is one over its radius', () => {
    for (const k of curvatures(circle(25))) expect(k).toBeCloseTo(1 / 25, 5)
  })
  it('normals of a counter-clockwise circle point outwards', () => {
    const c = circle(10, 90)
    outwardNormals(c).forEach((n, i) => expect(n[0] * c[i]![0] + n[1] * c[i]![1]).toBeCloseTo(10, 6))
  })
  it('a point taken at a length is found there again', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.999, noNaN: true }), (share) => {
        const e = ellipse(50, 30, 500)
        const at = share * pathLength(e, true)
        const p = pointAt(e, at, true)
        const found = nearest(e, p, true)
        expect(found.away).toBeLessThan(1e-9)
        expect(found.at).toBeCloseTo(at, 6)
      }),
    )
  })
  it('comes nearer than what it is away, and to no less', () => {
    const line = ellipse(50, 30, 90)
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        (x, y) => {
          const { away } = nearest(line, [x, y])
          expect(comesNearer(line, [x, y], away * 1.000001 + 1e-9)).toBe(true)
          expect(comesNearer(line, [x, y], away * 0.999999)).toBe(false)
          expect(comesNearer(line, [x, y], -away - 1)).toBe(false)
        },
      ),
    )
  })
  it('resampling spaces points evenly', () => {
    const even = resample(circle(30, 1440), 60, true)
    const steps = even.map((p, i) => Math.hypot(p[0] - even[(i + 1) % 60]![0], p[1] - even[(i + 1) % 60]![1]))
    expect(Math.max(...steps) - Math.min(...steps)).toBeLessThan(0.01)
  })
})

describe('hull', () => {
  it('holds every point and is convex', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 })), {
          minLength: 3,
          maxLength: 60,
        }),
        (points) => {
          const hull = convexHull(points)
          fc.pre(hull.length >= 3)
          for (const k of curvatures(hull)) expect(k).toBeGreaterThan(0)
          // Corners are round to a hundredth: a thin hull needs a little more than that to be held.
          const grown = offset(hull, 0.05)
          for (const p of points) expect(contains(grown, p)).toBe(true)
        },
      ),
    )
  })
})

describe('curves through points', () => {
  it('a monotone cubic never leaves the range of its neighbours', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -100, max: 100 }), { minLength: 3, maxLength: 12 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (ys, q) => {
          const curve = pchip(ys.map((y, i) => [i, y] as const))
          const x = q * (ys.length - 1)
          const i = Math.min(ys.length - 2, Math.floor(x))
          expect(curve(x)).toBeGreaterThanOrEqual(Math.min(ys[i]!, ys[i + 1]!) - 1e-9)
          expect(curve(x)).toBeLessThanOrEqual(Math.max(ys[i]!, ys[i + 1]!) + 1e-9)
        },
      ),
    )
  })
  it('a natural spline through points of a straight line is that line', () => {
    const curve = naturalSpline([
      [0, 1],
      [2, 5],
      [3, 7],
      [7, 15],
    ])
    for (const x of [0, 0.7, 2.5, 6.9]) expect(curve(x)).toBeCloseTo(1 + 2 * x, 10)
  })
  it('blurring leaves a straight line straight and a constant constant', () => {
    const line = Float64Array.from({ length: 50 }, (_, i) => 3 * i - 7)
    gaussianSmooth(line, 5, false).forEach((v, i) => expect(v).toBeCloseTo(line[i]!, 9))
    gaussianSmooth(new Float64Array(40).fill(2.5), 4, true).forEach((v) => expect(v).toBeCloseTo(2.5, 12))
  })
  it('a periodic blur does not care where the loop begins', () => {
    const bump = Float64Array.from({ length: 64 }, (_, i) => (i < 10 ? 1 : 0))
    const turned = Float64Array.from(bump, (_, i) => bump[(i + 20) % 64]!)
    const a = gaussianSmooth(bump, 3, true)
    const b = gaussianSmooth(turned, 3, true)
    b.forEach((v, i) => expect(v).toBeCloseTo(a[(i + 20) % 64]!, 12))
  })
})
