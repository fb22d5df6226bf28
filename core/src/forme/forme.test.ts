import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { nearest, pointAt } from '../geometry/polyline.ts'
import { distance, pathLength, signedArea, type Point } from '../geometry/path.ts'
import { isSimple } from '../geometry/selfIntersection.ts'
import { smoothLine } from '../geometry/smoothLine.ts'
import { dist3, dot, sub, type Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'
import { generateLast } from '../last/generate.ts'
import { atX, backCurve, featherLine, ridgeAndToe, type LastSurface } from '../last/surface.ts'
import { length3 } from '../../test/lengths.ts'
import { makeForme, type Forme } from './forme.ts'
import { FormeMap } from './formeMap.ts'
import { formeWalls } from './formeWalls.ts'
import { openForepart, type Opened } from './opened.ts'
import { layWall } from './layWall.ts'
import { wallLines, wallTriangles } from './wallGrid.ts'
import { flattenSheet } from '../flatten/asRigidAsPossible.ts'
import { seamWeights } from '../flatten/seams.ts'

const sides: Side[] = ['lateral', 'medial']
/** Distance of a point from a straight stretch, mm. */
const toSegment = (p: Vec3, a: Vec3, b: Vec3): number => {
  const [u, w] = [sub(b, a), sub(p, a)]
  const t = Math.min(1, Math.max(0, dot(u, w) / dot(u, u)))
  return dist3(p, [a[0] + t * u[0], a[1] + t * u[1], a[2] + t * u[2]])
}

describe.each(Object.entries(sampleMeasures))('the forme of the %s last', (_name, m) => {
  let surface: LastSurface
  let forme: Forme
  let map: FormeMap
  beforeAll(() => {
    surface = generateLast(m)
    forme = makeForme(surface, 'true seams', 'back and vamp')
    map = new FormeMap(surface, forme)
  })
  it('has no flipped triangle and keeps back, rim, ridge and toe rib at their true length', () => {
    expect(forme.flipped).toBe(0)
    for (const d of forme.drift) if (d.name !== 'feather') expect(Math.abs(d.flat - d.last)).toBeLessThan(0.8)
    expect(new Set(forme.drift.map((d) => d.name)).size).toBe(5)
    const back = length3(backCurve(surface))
    expect(pathLength(map.back)).toBeCloseTo(back, 0)
  })
  it('stands on the foot of the back curve with the joint level', () => {
    expect(Math.hypot(...map.back[0]!)).toBeLessThan(1e-9)
    const joint = map.featherAt((surface.joints.lateral + surface.joints.medial) / 2)
    expect(Math.abs(joint[1])).toBeLessThan(1e-6)
    expect(joint[0]).toBeGreaterThan(0.6 * m.length)
    // The toe lies forward and above it, because of the toe spring and the toe box.
    expect(map.toeRib[0]![0]).toBeGreaterThan(joint[0])
  })
  it('maps there and back within 0.05 mm, everywhere on either wall', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: surface.columns - 3 }),
        fc.integer({ min: 0, max: surface.rows - 3 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom(...sides),
        (i, j, s, t, side) => {
          // Any place of any cell's first triangle, feather line included.
          const w = forme.walls[side]
          const corner = (v: number): Vec3 => [w[3 * v]!, w[3 * v + 1]!, w[3 * v + 2]!]
          const v = i * forme.rows + j
          const [a, b, c] = [corner(v), corner(v + forme.rows), corner(v + 1)]
          const [x, y] = s + t > 1 ? [1 - s, 1 - t] : [s, t]
          const on: Vec3 = [0, 1, 2].map((d) => a[d]! + x * (b[d]! - a[d]!) + y * (c[d]! - a[d]!)) as unknown as Vec3
          const p = map.fromLast(side, on)
          const there = map.toLast(side, p)
          // Cells whose diagonal runs the other way are met up to their own bend.
          expect(dist3(there, on)).toBeLessThan(0.2)
          expect(distance(map.fromLast(side, there), p)).toBeLessThan(0.05)
          expect(dist3(map.toLast(side, map.fromLast(side, there)), there)).toBeLessThan(0.05)
        },
      ),
      { numRuns: 150 },
    )
  })
  it('a straight line on the forme is a smooth one on the last, hardly longer or shorter', () => {
    const line = Array.from({ length: 60 }, (_, i): Point => [30 + i * 2, 28])
    for (const side of sides) {
      const there = line.map((p) => map.toLast(side, p))
      expect(length3(there) / 118).toBeGreaterThan(0.94)
      expect(length3(there) / 118).toBeLessThan(1.06)
      // No step of it turns by more than 6 degrees.
      for (let i = 1; i + 1 < there.length; i++) {
        const [p, q, r] = [there[i - 1]!, there[i]!, there[i + 1]!]
        const [a, b] = [[0, 1, 2].map((d) => q[d]! - p[d]!), [0, 1, 2].map((d) => r[d]! - q[d]!)]
        const cos = a.reduce((s, x, d) => s + x * b[d]!, 0) / (Math.hypot(...a) * Math.hypot(...b))
        expect(cos).toBeGreaterThan(Math.cos(0.105))
      }
    }
  })
  it('the re-gridded walls lie on the last and keep its edges', () => {
    const walls = formeWalls(surface)
    for (const side of sides) {
      const feather = featherLine(surface, side)
      const own = wallLines(surface).feather.map((v) => walls[side].slice(3 * v, 3 * v + 3))
      expect(length3(own.map((p) => [p[0]!, p[1]!, p[2]!] as const))).toBeCloseTo(length3(feather), 0)
      const top = wallLines(surface).ridge[10]!
      expect(Math.abs(walls.lateral[3 * top]! - walls.medial[3 * top]!)).toBeLessThan(1e-9)
    }
  })
  it('a pattern’s feather line is the last’s own on each side, and comes back from it', () => {
    for (const side of sides) {
      const own = featherLine(surface, side)
      const line = map.feathers[side]
      for (let i = 4; i < line.length - 4; i += 6) {
        const there = map.toLast(side, line[i]!)
        const away = Math.min(...own.slice(1).map((p, k) => toSegment(there, own[k]!, p)))
        expect(away).toBeLessThan(0.15)
        expect(distance(map.fromLast(side, there), line[i]!)).toBeLessThan(0.05)
      }
    }
  })
  it('the place of a point in the landmarks’ frame is found again', () => {
    const p: Point = [97.3, 41.2]
    expect(distance(map.fromLandmarks(map.toLandmarks(p)), p)).toBeLessThan(1e-9)
    expect(map.toLandmarks([0, 0])).toEqual([0, 0])
  })

  describe('opened out along the centre', () => {
    let opened: Opened
    let throat: Point
    beforeAll(() => {
      throat = map.ridgeAt(0.62 * m.length)
      opened = openForepart(map, throat, throat, [])
    })
    it('has a straight centre line as long as a tape reads on the last', () => {
      const run = pathLength(map.centre) - nearest(map.centre, throat).at
      // The last's own ridge and toe rib, from the throat forward.
      const tape = ridgeAndToe(surface)
      const from = atX(tape, map.toLast('lateral', throat)[0])
      const ahead = tape.filter((p, i) => p[0] > from[0] || i > tape.length / 2)
      expect(Math.abs(distance(opened.fold.from, opened.fold.to) - length3([from, ...ahead]))).toBeLessThan(0.15)
      expect(Math.abs(distance(opened.fold.from, opened.fold.to) - run)).toBeLessThan(1)
      const way = [0, 1].map((d) => (opened.fold.to[d]! - opened.fold.from[d]!) / run)
      for (let k = 1; k <= 12; k++) {
        const p = opened.place(pointAt(map.centre, pathLength(map.centre) - (run * (12 - k)) / 12.5))
        const off = (p[0] - throat[0]) * way[1]! - (p[1] - throat[1]) * way[0]!
        expect(Math.abs(off)).toBeLessThan(0.4)
      }
    })
    it('leaves everything behind the pivot where it was', () => {
      for (let x = 20; x < throat[0] - 12; x += 9) expect(opened.place([x, 30])).toEqual([x, 30])
    })
    it('leaves a seam where it was that bows in front of the pivot, and bends the rest all the same', () => {
      const foot = map.above(throat[0] - 20, 0)
      const seam = smoothLine([throat, [throat[0] + 14, throat[1] * 0.55], foot])
      const held = openForepart(map, throat, throat, [seam])
      const moved = (o: Opened) => Math.max(...seam.slice(1).map((p) => distance(p, o.place(p))))
      expect(moved(opened)).toBeGreaterThan(0.15)
      expect(moved(held)).toBeLessThan(0.05)
      expect(Math.abs(pathLength(seam.map(held.place)) - pathLength(seam))).toBeLessThan(0.03)
      expect(held.fold).toEqual(opened.fold)
    })
    it('lies flat without a fold, and its feather line is longer by what lasting works in', () => {
      const front = map.feather.filter((p) => p[0] > throat[0] - 30)
      const ring = [...front.map(opened.place), ...[opened.fold.to, opened.fold.from]]
      expect(signedArea(ring)).toBeGreaterThan(0)
      expect(isSimple(ring.filter((p, i) => i === 0 || distance(p, ring[i - 1]!) > 0.2))).toBe(true)
      expect(opened.feather.opened).toBeGreaterThan(opened.feather.forme)
      expect(opened.feather.opened).toBeLessThan(1.25 * opened.feather.forme)
    })
  })
})

describe('a wall laid flat from a coarse sheet', () => {
  it('is the sheet that is laid flat at once, in the same energy', () => {
    const surface = generateLast(sampleMeasures.heeled)
    const mesh = { positions: formeWalls(surface).lateral, triangles: wallTriangles(surface.columns, surface.rows) }
    const seams = [wallLines(surface).back, wallLines(surface).ridge]
    for (const lines of [[], seams]) {
      const once = flattenSheet(mesh, lines.length > 0 ? seamWeights(mesh, lines) : undefined)
      const twice = layWall(mesh, surface, lines)
      expect(twice.energy / once.energy).toBeCloseTo(1, 3)
      expect(twice.rounds).toBeLessThan(once.rounds)
      expect(twice.flipped).toBe(0)
      // Up to a turn and a shift they are the same: compare two long distances across.
      const across = (flat: Float64Array, a: number, b: number) =>
        Math.hypot(flat[2 * a]! - flat[2 * b]!, flat[2 * a + 1]! - flat[2 * b + 1]!)
      const corner = surface.columns * surface.rows - 1
      for (const [a, b] of [
        [0, corner],
        [surface.rows - 1, corner - surface.rows + 1],
      ]) {
        expect(across(twice.flat, a!, b!)).toBeCloseTo(across(once.flat, a!, b!), 1)
      }
    }
  })
})

describe('how the sides are laid on each other', () => {
  const surface = generateLast(sampleMeasures.walking)
  it('laid together all round they differ least; at two points they meet there', () => {
    const round = makeForme(surface, 'true seams', 'all round')
    const back = makeForme(surface, 'true seams', 'back and vamp')
    expect(round.difference.mean).toBeLessThan(0.5 * back.difference.mean)
    expect(back.matched).toHaveLength(2)
    const map = new FormeMap(surface, back)
    // The vamp point lies on both ridges, up to half of what the sides differ in its distance from the back point.
    const at = map.ridgeAt(0.69 * 290)
    expect(distance(at, back.matched[1]!)).toBeLessThan(1)
  })
  it('paper strains less, true seams drift less', () => {
    const paper = makeForme(surface, 'paper', 'back and vamp')
    const seams = makeForme(surface, 'true seams', 'back and vamp')
    const drift = (f: Forme) =>
      f.drift.filter((d) => d.name === 'back').reduce((s, d) => s + Math.abs(d.flat - d.last), 0)
    expect(drift(seams)).toBeLessThan(0.25 * drift(paper))
    const strain = (f: Forme) => f.strain.lateral.reduce((s, x) => s + x * x, 0)
    expect(strain(paper)).toBeLessThan(strain(seams))
  })
})

describe('above the cone', () => {
  it('a shaft stands on the rim without a step', () => {
    const surface = generateLast(sampleMeasures.boot)
    const map = new FormeMap(surface, makeForme(surface, 'true seams', 'back and vamp'))
    const [a, b] = [map.rim[0]!, map.rim[map.rim.length - 1]!]
    // A level line over the cone, and one straight up through its rim.
    const over = Array.from({ length: 60 }, (_, k): Point => [a[0] + 24 + ((b[0] - a[0] - 24) * k) / 59, b[1] + 25])
    const middle = map.rim[Math.floor(map.rim.length / 2)]!
    const up = Array.from({ length: 60 }, (_, k): Point => [middle[0], middle[1] + 6 + k])
    for (const line of [over, up]) {
      const there = line.map((p) => map.toLast('lateral', p))
      for (let i = 1; i < line.length; i++) {
        const step = dist3(there[i]!, there[i - 1]!) / distance(line[i]!, line[i - 1]!)
        expect(step).toBeGreaterThan(0.6)
        expect(step).toBeLessThan(1.9)
      }
    }
  })
})
