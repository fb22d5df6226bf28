import { describe, expect, it } from 'vitest'
import { cylinder } from '../../test/knownBodies.ts'
import { sampleMeasures } from '../../test/samplePair.ts'
import { dist3 } from '../geometry/vec3.ts'
import { buildLast } from './buildLast.ts'
import { buildUpFor, greatestShift, withBuildUp, withBuildUps, wallNormals } from './buildUp.ts'
import { generateLast } from './generate.ts'
import { girthPlanes, landmarks } from './landmarks.ts'
import { lastReadings } from './readings.ts'
import { girth } from './section.ts'
import { wallPoint, type LastSurface } from './surface.ts'

const walking = generateLast(sampleMeasures.walking)
const read = (s: LastSurface) => lastReadings(s, landmarks(s))

describe('leather glued on', () => {
  it('stands out by its thickness where it is thickest, by nothing at its edges, and leaves the bottom alone', () => {
    const built = withBuildUp(walking, { station: 'instep', place: 'over the top', thickness: 3, reach: 35 })
    expect(greatestShift(built, walking)).toBeGreaterThan(2.85)
    expect(greatestShift(built, walking)).toBeLessThanOrEqual(3 + 1e-9)
    expect(built.bottom).toEqual(walking.bottom)
    const plane = girthPlanes(landmarks(walking)).instep
    const n = Math.hypot(...plane.normal)
    for (const side of ['lateral', 'medial'] as const) {
      for (let i = 0; i < walking.columns; i++) {
        expect(wallPoint(built, side, i, 0)).toEqual(wallPoint(walking, side, i, 0))
        const p = wallPoint(walking, side, i, walking.rows - 1)
        const away = [0, 1, 2].reduce((s, c) => s + (p[c]! - plane.point[c]!) * plane.normal[c]!, 0) / n
        if (Math.abs(away) > 35) expect(wallPoint(built, side, i, walking.rows - 1)).toEqual(p)
      }
    }
  })
  it('keeps the seams shared', () => {
    const built = withBuildUps(walking, [
      { station: 'joint', place: 'over the top', thickness: 2, reach: 40 },
      { station: 'waist', place: 'medial', thickness: 1.5, reach: 30 },
    ])
    for (let i = built.coneColumn; i < built.columns; i++) {
      const [a, b] = [wallPoint(built, 'lateral', i, built.rows - 1), wallPoint(built, 'medial', i, built.rows - 1)]
      expect(dist3(a, b)).toBeLessThan(1e-9)
    }
  })
  it('round a whole pipe adds two pi times its thickness to the girth, by its normals', () => {
    const pipe = cylinder(40, 300)
    const normals = wallNormals(pipe)
    const grown = { ...pipe, walls: { lateral: pipe.walls.lateral.slice(), medial: pipe.walls.medial.slice() } }
    for (const side of ['lateral', 'medial'] as const)
      for (let k = 0; k < normals[side].length; k++) grown.walls[side][k]! += 2 * normals[side][k]!
    const plane = { point: [150, 0, 0] as const, normal: [1, 0, 0] as const }
    expect(girth(grown, plane) - girth(pipe, plane)).toBeCloseTo(2 * Math.PI * 2, 1)
  })
  it('is found for a girth that is wanted, and refused when it would be a lump or is not needed', () => {
    for (const station of ['joint', 'waist', 'instep'] as const) {
      const bare = read(walking).girths[station]
      const b = buildUpFor(walking, station, 'over the top', bare + 5)
      const built = withBuildUp(walking, b)
      expect(girth(built, girthPlanes(landmarks(walking))[station])).toBeCloseTo(bare + 5, 1)
      expect(b.thickness).toBeGreaterThan(1.5)
      expect(b.thickness).toBeLessThan(6)
    }
    expect(() => buildUpFor(walking, 'joint', 'over the top', 240)).toThrow(/reads 252.0 mm already/)
    expect(() => buildUpFor(walking, 'joint', 'medial', 320)).toThrow(/Even 12 mm of leather on the medial side/)
  })
  it('is part of the last that is built', () => {
    const shape = { kind: 'measures' as const, measures: sampleMeasures.walking }
    const bare = buildLast({ shape, buildUps: [] })
    const built = buildLast({ shape, buildUps: [{ station: 'waist', place: 'over the top', thickness: 2, reach: 30 }] })
    expect(read(built).girths.waist - read(bare).girths.waist).toBeGreaterThan(2)
    expect(read(built).girths.heel).toBeCloseTo(read(bare).girths.heel, 1)
  })
})
