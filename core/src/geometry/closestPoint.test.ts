import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ball } from '../../test/knownBodies.ts'
import { sampleMeasures } from '../../test/samplePair.ts'
import { ClosestPoints } from './closestPoint.ts'
import type { Vec3 } from './vec3.ts'
import { generateLast } from '../last/generate.ts'
import { bodyMesh } from '../last/surface.ts'

describe('nearest points', () => {
  it('of a ball lie on the line to its centre', () => {
    const near = new ClosestPoints(ball(50, [10, 20, 30], 60), 4)
    fc.assert(
      fc.property(
        fc.tuple(
          fc.integer({ min: -150, max: 150 }),
          fc.integer({ min: -150, max: 150 }),
          fc.integer({ min: -150, max: 150 }),
        ),
        ([x, y, z]) => {
          const at: Vec3 = [10 + x, 20 + y, 30 + z]
          const away = Math.hypot(x, y, z)
          // The facets lie up to 0.08 mm inside the ball.
          expect(Math.abs(near.to(at).distance - Math.abs(away - 50))).toBeLessThan(0.1)
        },
      ),
      { numRuns: 200 },
    )
  })
  it('agree with looking at every triangle', () => {
    const mesh = bodyMesh(generateLast(sampleMeasures.flat))
    const [fine, coarse] = [new ClosestPoints(mesh, 5), new ClosestPoints(mesh, 1e6)]
    for (let i = 0; i < 60; i++) {
      const at: Vec3 = [((i * 37) % 300) - 20, ((i * 53) % 120) - 60, ((i * 29) % 140) - 20]
      expect(fine.to(at).distance).toBeCloseTo(coarse.to(at).distance, 9)
    }
  })
})

describe('nearest points of a sheet laid flat', () => {
  it('agree with looking at every triangle, over it, on its edge and far outside, and find a place on it exactly', () => {
    const [columns, rows] = [23, 11]
    // Uneven, so that triangles reach over several boxes.
    const positions = new Float64Array(
      Array.from({ length: columns * rows }, (_, v) => {
        const [i, j] = [Math.floor(v / rows), v % rows]
        return [7 * i + 1.3 * Math.sin(j), 5 * j + Math.cos(2 * i), 0]
      }).flat(),
    )
    const triangles = new Uint32Array(
      Array.from({ length: (columns - 1) * (rows - 1) }, (_, c) => {
        const v = Math.floor(c / (rows - 1)) * rows + (c % (rows - 1))
        return [v, v + rows, v + 1, v + 1, v + rows, v + rows + 1]
      }).flat(),
    )
    const [fine, coarse] = [
      new ClosestPoints({ positions, triangles }, 4),
      new ClosestPoints({ positions, triangles }, 1e6),
    ]
    fc.assert(
      fc.property(
        fc.double({ min: -60, max: 220, noNaN: true }),
        fc.double({ min: -60, max: 110, noNaN: true }),
        (x, y) => {
          const [a, b] = [fine.to([x, y, 0]), coarse.to([x, y, 0])]
          expect(a.distance).toBeCloseTo(b.distance, 9)
          if (x > 8 && x < 145 && y > 3 && y < 46) {
            expect(a.distance).toBeLessThan(1e-9)
            expect(Math.hypot(a.point[0] - x, a.point[1] - y)).toBeLessThan(1e-9)
          }
        },
      ),
      { numRuns: 400 },
    )
  })
})
