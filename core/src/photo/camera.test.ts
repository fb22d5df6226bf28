import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { pixelsPerMm, project, stanceOf, unproject, type Camera } from './camera.ts'

/** Straight above (100, 150), 400 mm high, the picture's right the mat's right. */
const above: Camera = {
  f: 800,
  cx: 500,
  cy: 400,
  k1: 0,
  k2: 0,
  rotation: [1, 0, 0, 0, -1, 0, 0, 0, -1],
  shift: [-100, 150, 400],
}

describe('a camera', () => {
  it('straight above shows millimetres at focal length over height, and less of what stands up', () => {
    expect(project(above, 100, 150)).toEqual([500, 400])
    expect(project(above, 150, 150)).toEqual([600, 400])
    // 100 mm nearer: 800 / 300 pixels a millimetre.
    expect(project(above, 150, 150, 100)[0]).toBeCloseTo(500 + (50 * 800) / 300, 9)
    expect(pixelsPerMm(above, [10, 10])).toBeCloseTo(2, 6)
    expect(stanceOf(above)).toEqual({ height: 400, lean: 0 })
  })
  it('bends by its lens as the formula says', () => {
    const [u] = project({ ...above, k1: -0.1, k2: 0.05 }, 300, 150)
    const r2 = 0.25
    expect(u).toBeCloseTo(500 + 800 * 0.5 * (1 - 0.1 * r2 + 0.05 * r2 * r2), 9)
  })
  it('finds on the plane what it was shown, from any side, through any lens, at any height', () => {
    const turn = fc.double({ min: -0.9, max: 0.9, noNaN: true })
    fc.assert(
      fc.property(
        turn,
        turn,
        fc.double({ min: -0.15, max: 0.15, noNaN: true }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.double({ min: -80, max: 80, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        (a, b, k1, x, y, z) => {
          const [ca, sa, cb, sb] = [Math.cos(a), Math.sin(a), Math.cos(b), Math.sin(b)]
          const camera: Camera = {
            f: 1500,
            cx: 1000,
            cy: 700,
            k1,
            k2: 0.02,
            rotation: [cb, sa * sb, -ca * sb, 0, -ca, -sa, -sb, sa * cb, -ca * cb],
            shift: [5, -8, 420],
          }
          const [px, py] = project(camera, x, y, z)
          const [qx, qy] = unproject(camera, px, py, z)
          expect(Math.hypot(qx - x, qy - y)).toBeLessThan(1e-6)
        },
      ),
    )
  })
})
