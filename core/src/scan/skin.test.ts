import { describe, expect, it } from 'vitest'
import { ball } from '../../test/knownBodies.ts'
import { sampleMeasures } from '../../test/samplePair.ts'
import type { Side } from '../trade/side.ts'
import { bottomView, backProfile, sideView } from '../last/lastDrawing.ts'
import { generateLast } from '../last/generate.ts'
import { landmarks } from '../last/landmarks.ts'
import { packSurface } from '../last/packed.ts'
import { lastReadings } from '../last/readings.ts'
import { shelfFigures } from '../last/shelfFigures.ts'
import { boxOf, distance } from '../geometry/path.ts'
import { gaussian, seeded } from '../geometry/random.ts'
import type { Vec3 } from '../geometry/vec3.ts'
import { writeObj, writePly, writeStl, writeStlText } from '../formats/meshFiles.ts'
import { centreHeights, halfSections } from './halfSections.ts'
import { FAN_END, onPlane, planeOf } from './planes.ts'
import { surfaceThrough, topOf } from './skin.ts'

const L = 280
/** A level ellipsoid, 280 x 90 x 80, on the ground: as long as a last, and known everywhere. */
const [A, B, C] = [140, 45, 40]
const unitBall = ball(1, [0, 0, 0], 120)
const egg = unitBall.positions.map((v, i) => (i % 3 === 0 ? A + A * v : i % 3 === 1 ? B * v : C + C * v))
const off = (p: Vec3) => Math.hypot((p[0] - A) / A, p[1] / B, (p[2] - C) / C) - 1
const sidesOf = (positions: Float64Array, triangles: Uint32Array) => {
  const centre = centreHeights(L, positions)
  const one = (side: Side) => halfSections(L, positions, triangles, side, centre)
  return { lateral: one('lateral'), medial: one('medial') }
}
const sides = sidesOf(egg as Float64Array, unitBall.triangles)

describe('a body cut by half planes', () => {
  it('is found again where it is: an ellipsoid, looked at from inside in every direction', () => {
    let worst = 0
    for (let x = 12; x < 270; x += 9) {
      for (const y of [-20, -6, 7, 18]) {
        for (const z of [12, 30, 45, 66]) worst = Math.max(worst, Math.abs(off(surfaceThrough(sides, [x, y, z]))) * B)
      }
    }
    expect(worst).toBeLessThan(0.15)
  })
  it('noise is averaged to well below its own size', () => {
    const random = seeded(4)
    const rough = egg.map((v) => v + 0.1 * gaussian(random))
    const noisy = sidesOf(rough as Float64Array, unitBall.triangles)
    const errors: number[] = []
    for (let x = 30; x < 250; x += 4) {
      for (const z of [20, 50, 65]) {
        const p: Vec3 = [x, 20, z]
        const [a, b] = [surfaceThrough(noisy, p), surfaceThrough(sides, p)]
        errors.push(Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]))
      }
    }
    expect(Math.sqrt(errors.reduce((s, e) => s + e * e, 0) / errors.length)).toBeLessThan(0.09)
  })
  it('a hole is bridged along the curve on either side, a missing flank is not', () => {
    const without = (gone: (x: number, y: number, z: number) => boolean) => {
      const kept: number[] = []
      for (let k = 0; k < unitBall.triangles.length; k += 3) {
        const [a, b, c] = unitBall.triangles.slice(k, k + 3)
        if (!gone(egg[a! * 3]!, egg[a! * 3 + 1]!, egg[a! * 3 + 2]!)) kept.push(a!, b!, c!)
      }
      return Uint32Array.from(kept)
    }
    const holed = sidesOf(
      egg as Float64Array,
      without((x, y, z) => y < 0 && Math.hypot(x - 140, z - 40) < 9),
    )
    expect(holed.lateral.bridged).toBeGreaterThan(10)
    expect(holed.medial.bridged).toBeLessThan(1.5)
    expect(Math.abs(off(surfaceThrough(holed, [140, -10, 41]))) * B).toBeLessThan(0.4)
    expect(() =>
      sidesOf(
        egg as Float64Array,
        without((x, y) => y < -20 && x > 80 && x < 200),
      ),
    ).toThrow(/lateral side has a hole \d+ mm wide, too wide to bridge/)
  })
  it('the top of a cut is its highest point', () => {
    for (const p of [60, 90, 120]) {
      const top = topOf(sides, p)
      expect(Math.abs(top.y)).toBeLessThan(0.2)
      expect(Math.abs(off([top.x, top.y, top.z])) * C).toBeLessThan(0.1)
    }
  })
  it('places and planes are each other’s inverse all the way round', () => {
    for (let p = 0; p <= FAN_END; p += 0.7) {
      const { x, u } = onPlane(L, p, 31)
      const back = planeOf(L, x, u)
      expect(back.plane).toBeCloseTo(p, 6)
      expect(back.reach).toBeCloseTo(31, 9)
    }
  })
})

describe('drawings of a last', () => {
  it.each(Object.entries(sampleMeasures))('%s: every dimension is as long as its figure says', (_name, m) => {
    const surface = generateLast(m)
    const r = lastReadings(surface, landmarks(surface))
    for (const view of [sideView(surface, r), bottomView(surface, r)]) {
      for (const d of view.dimensions) expect(Math.abs(distance(d.from, d.to) - d.value), d.name).toBeLessThan(0.6)
      for (const line of view.lines) expect(line.path.flat().every(Number.isFinite)).toBe(true)
    }
    const outline = sideView(surface, r).lines.find((l) => l.kind === 'outline')
    const box = boxOf(outline?.path ?? [])
    expect(box.maxX - box.minX).toBeCloseTo(m.length, 0)
    expect(box.maxY).toBeCloseTo(m.heelHeight + m.coneHeight, 0)
    const back = backProfile(surface)
    expect(Math.min(...back.map((p) => p.inwards))).toBeLessThan(0.6)
    expect(back.at(-1)?.inwards).toBeGreaterThan(2)
    expect(back.map((p) => p.height)).toEqual(back.map((_, i) => i * 10))
  })
  it('a list says length and heel without building, whatever the last is made from', () => {
    const m = sampleMeasures.heeled
    expect(shelfFigures({ kind: 'measures', measures: m })).toEqual({ length: 262, heelHeight: 50 })
    const surface = packSurface(generateLast(m))
    const kept = shelfFigures({
      kind: 'kept',
      surface,
      origin: { from: 'scan', name: 'x', foot: 'right', triangles: 0, within: null },
    })
    expect(kept.length).toBe(262)
    expect(Math.abs(kept.heelHeight - 50)).toBeLessThan(0.5)
  })
})

describe('mesh files', () => {
  const corner = { positions: Float64Array.from([0, 0, 0, 10, 0, 0, 0, 20, 0]), triangles: Uint32Array.from([0, 1, 2]) }
  it('OBJ and text STL say just what there is', () => {
    expect(writeObj(corner, 'one two')).toBe(
      '# one two, millimetres\no one_two\nv 0.0000 0.0000 0.0000\nv 10.0000 0.0000 0.0000\nv 0.0000 20.0000 0.0000\nf 1 2 3\n',
    )
    expect(writeStlText(corner, 'a').match(/vertex/g)).toHaveLength(3)
  })
  it('binary STL carries the count and the outward normal, and never begins with "solid"', () => {
    const bytes = writeStl(corner, 'solid thing')
    const view = new DataView(bytes.buffer)
    expect(bytes).toHaveLength(84 + 50)
    expect(view.getUint32(80, true)).toBe(1)
    expect([84, 88, 92].map((at) => view.getFloat32(at, true))).toEqual([0, 0, 1])
    expect(String.fromCharCode(...bytes.slice(0, 5))).not.toBe('solid')
  })
  it('PLY is as long as its header says', () => {
    const bytes = writePly(corner)
    const text = String.fromCharCode(...bytes)
    expect(bytes.length - text.indexOf('end_header\n') - 'end_header\n'.length).toBe(3 * 12 + 13)
  })
})
