import { describe, expect, it } from 'vitest'
import { cylinder } from '../../test/knownBodies.ts'
import { sampleMeasures } from '../../test/samplePair.ts'
import { convexHull } from '../geometry/convexHull.ts'
import { pathLength, type Point } from '../geometry/path.ts'
import { generateLast } from './generate.ts'
import { tapeAlong } from './tapeAlong.ts'

describe('the tape along a last', () => {
  it('reads twice pi times the radius all along a cylinder', () => {
    const { at, girth } = tapeAlong(cylinder(35, 250))
    expect([at[0], at.at(-1)]).toEqual([0.08 * 250, 0.97 * 250])
    expect(Math.max(...Array.from(at.slice(1), (x, i) => x - at[i]!))).toBeLessThan(5)
    for (const g of girth) expect(Math.abs(g - 2 * Math.PI * 35)).toBeLessThan(0.3)
  })
  it.each(Object.keys(sampleMeasures) as (keyof typeof sampleMeasures)[])(
    'reads round the points of the surface that lie in each plane: %s',
    (name) => {
      const surface = generateLast(sampleMeasures[name])
      const { at, girth } = tapeAlong(surface)
      // Columns of the wall lie nearly upright: the hull of all points within a slice of them is about as long.
      for (const k of [10, 25, 40, 55]) {
        const slice: Point[] = []
        for (const grid of [surface.walls.lateral, surface.walls.medial, surface.bottom])
          for (let i = 0; i < grid.length; i += 3)
            if (Math.abs(grid[i]! - at[k]!) < 1.5) slice.push([grid[i + 1]!, grid[i + 2]!])
        const about = pathLength(convexHull(slice), true)
        expect(Math.abs(girth[k]! - about) / about).toBeLessThan(0.04)
      }
    },
  )
  it('grows and shrinks with the last', () => {
    const small = tapeAlong(generateLast(sampleMeasures.walking))
    const wide = tapeAlong(generateLast({ ...sampleMeasures.walking, jointGirth: 262 }))
    const joint = small.at.findIndex((x) => x > 0.66 * 290)
    expect(wide.girth[joint]! - small.girth[joint]!).toBeGreaterThan(6)
    expect(wide.girth[joint]! - small.girth[joint]!).toBeLessThan(14)
    expect(Math.abs(wide.girth[2]! - small.girth[2]!)).toBeLessThan(2)
  })
})
