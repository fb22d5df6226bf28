import bunny from 'bunny'
import { beforeAll, describe, expect, it } from 'vitest'
import { ball, boxMesh } from '../../test/knownBodies.ts'
import { sampleMeasures } from '../../test/samplePair.ts'
import { ClosestPoints, type TriangleMesh } from '../geometry/closestPoint.ts'
import { GeometryError } from '../geometry/path.ts'
import { dist3, type Vec3 } from '../geometry/vec3.ts'
import { generateAt, generateLast } from '../last/generate.ts'
import { girthPlanes, girthStations, landmarks } from '../last/landmarks.ts'
import { lastReadings } from '../last/readings.ts'
import { girth } from '../last/section.ts'
import { bodyMesh, featherLine, wallPoint, type LastSurface } from '../last/surface.ts'
import type { LastMeasures } from '../model/last.ts'
import { FEATHER_HANDLES, noShift } from './featherOfScan.ts'
import { heal } from './health.ts'
import { importScan, readyScan, type ScanResult } from './importScan.ts'
import { pretendScan, type Scanning } from './pretend.ts'
import { toFrame } from './stand.ts'
import { guessUnit } from './units.ts'
import { weld } from './weld.ts'
import { spoken } from '../units/sentence.ts'

/** Another triangulation than the canonical grid's, about as fine as a hand scanner's. */
const SEEN = { columns: 161, rows: 61, across: 33, ribSamples: 400, rimSamples: 64, ridgeSamples: 240 }

const scanOf = (m: LastMeasures, how: Scanning) => pretendScan(generateAt(m, SEEN), how)
const bring = (mesh: TriangleMesh, choices = {}) => importScan(readyScan(mesh, 'mm'), choices)

/** Distances of all wall points of one surface from the body of another, sorted. */
function apart(found: LastSurface, truth: LastSurface): number[] {
  const near = new ClosestPoints(bodyMesh(truth))
  const list: number[] = []
  for (const side of ['lateral', 'medial'] as const) {
    for (let i = 0; i < found.columns; i++) {
      for (let j = 0; j < found.rows; j++) list.push(near.to(wallPoint(found, side, i, j)).distance)
    }
  }
  return list.sort((a, b) => a - b)
}
const p95 = (sorted: number[]) => sorted[Math.floor(0.95 * (sorted.length - 1))]

const cases: [string, LastMeasures, Scanning][] = [
  ['flat', sampleMeasures.flat, { seed: 11, noise: 0.1 }],
  ['walking, left', sampleMeasures.walking, { seed: 12, noise: 0.1, left: true }],
  ['heeled, with holes and turned faces', sampleMeasures.heeled, { seed: 13, noise: 0.1, holes: 4, turnedFaces: 0.03 }],
  ['boot', sampleMeasures.boot, { seed: 14, noise: 0.1 }],
  ['pointed', { ...sampleMeasures.heeled, toeShape: 'pointed' }, { seed: 15, noise: 0.1 }],
]

describe.each(cases)('a scan of a known last: %s', (_name, m, how) => {
  let truth: LastSurface
  let result: ScanResult
  let place: (p: Vec3) => Vec3
  beforeAll(() => {
    truth = generateLast(m)
    const scan = scanOf(m, how)
    place = scan.place
    result = bring(scan)
  })

  it('comes back within 0.3 mm, 95 points of 100', () => {
    expect(p95(apart(result.surface, truth))).toBeLessThan(0.3)
    expect(result.within).toBeLessThan(0.3)
  })
  it('has the girths within 0.7 mm, and the length', () => {
    const [found, known] = [result.surface, truth].map((s) => ({ s, planes: girthPlanes(landmarks(s)) }))
    for (const station of girthStations) {
      const off = girth(found!.s, found!.planes[station]) - girth(known!.s, known!.planes[station])
      expect(Math.abs(off), station).toBeLessThan(0.7)
    }
    expect(Math.abs(result.surface.length - m.length)).toBeLessThan(0.4)
  })
  it('stands as the last did: heel, toe and the right medial side', () => {
    expect(result.stance.foot).toBe(how.left ? 'left' : 'right')
    expect(dist3(toFrame(result.stance, place([0, 0, 0])), [0, 0, 0])).toBeLessThan(0.6)
    expect(dist3(toFrame(result.stance, place([m.length, 0, 0])), [m.length, 0, 0])).toBeLessThan(0.9)
    const medial = toFrame(result.stance, place([0.5 * m.length, 20, 40]))
    expect(medial[1]).toBeGreaterThan(19)
  })
  it('finds the feather line where it is', () => {
    for (const side of ['lateral', 'medial'] as const) {
      const known = featherLine(truth, side)
      const away = result.feather[side].map((p) => {
        const q = toFrame(result.stance, p)
        return known.reduce((best, a, i) => {
          if (i === 0) return best
          const b = known[i - 1]!
          const d = dist3(a, b)
          const t = Math.min(
            1,
            Math.max(0, [0, 1, 2].reduce((s, c) => s + (q[c]! - b[c]!) * (a[c]! - b[c]!), 0) / (d * d)),
          )
          return Math.min(best, dist3(q, [0, 1, 2].map((c) => b[c]! + (a[c]! - b[c]!) * t) as unknown as Vec3))
        }, Infinity)
      })
      away.sort((a, b) => a - b)
      expect(p95(away)).toBeLessThan(0.6)
    }
  })
  it('is a whole canonical surface: shared seams, no broken number, joints where they are', () => {
    const s = result.surface
    for (const part of [s.walls.lateral, s.walls.medial, s.bottom]) expect(part.every(Number.isFinite)).toBe(true)
    for (let j = 0; j < s.rows; j++) {
      for (const i of [0, s.columns - 1]) expect(wallPoint(s, 'medial', i, j)).toEqual(wallPoint(s, 'lateral', i, j))
    }
    expect(Math.abs(s.joints.medial - truth.joints.medial)).toBeLessThan(1)
    expect(Math.abs(s.joints.lateral - truth.joints.lateral)).toBeLessThan(1)
  })
})

describe('what a person settles', () => {
  const scan = scanOf(sampleMeasures.walking, { seed: 21, noise: 0.05 })
  const ready = readyScan(scan, 'mm')

  it('a dragged landmark is taken as it is', () => {
    const medial = scan.place([215, 38, 8])
    const { stance, surface } = importScan(ready, { landmarks: { jointMedial: medial } })
    expect(dist3(stance.landmarks.jointMedial, medial)).toBeLessThan(1e-9)
    expect(surface.joints.medial).toBeCloseTo(215, 0)
    expect(surface.joints.lateral).toBeCloseTo(0.635 * 290, 0)
  })
  it('toe and heel dragged sideways turn the axis', () => {
    const { stance } = importScan(ready, {
      landmarks: { toeTip: scan.place([290, 3, 16]), heelBack: scan.place([0, 0, 40]) },
    })
    const tip = toFrame(stance, scan.place([290, 0, 16]))
    expect(tip[1]).toBeCloseTo(-3, 0)
  })
  it('medial and lateral joints changed about make it the other foot', () => {
    const found = importScan(ready).stance.landmarks
    const swapped = importScan(ready, {
      landmarks: { jointMedial: found.jointLateral, jointLateral: found.jointMedial },
    })
    expect(swapped.stance.foot).toBe('left')
  })
  it('a measured heel height pitches the last', () => {
    const { surface } = importScan(ready, { heelHeight: 31 })
    expect(Math.abs(lastReadings(surface, landmarks(surface)).heelHeight - 31)).toBeLessThan(0.6)
    expect(Math.min(...surface.bottom.filter((_, i) => i % 3 === 2))).toBeGreaterThan(-0.5)
  })
  it('the feather line moves up the wall at its handles and stays elsewhere', () => {
    const shift = noShift()
    shift.medial[3] = 2
    const base = importScan(ready).surface
    const moved = importScan(ready, { feather: shift }).surface
    const height = (s: LastSurface, x: number) =>
      featherLine(s, 'medial').reduce((m, p) => (Math.abs(p[0] - x) < Math.abs(m[0] - x) ? p : m))[2]
    const at = FEATHER_HANDLES[3] * 290
    expect(height(moved, at) - height(base, at)).toBeGreaterThan(1)
    expect(Math.abs(height(moved, 230) - height(base, 230))).toBeLessThan(0.1)
    expect(Math.abs(featherLine(moved, 'lateral')[40]![2] - featherLine(base, 'lateral')[40]![2])).toBeLessThan(0.15)
  })
  it('the same scan gives the same surface', () => {
    expect(importScan(ready).surface).toEqual(importScan(ready).surface)
  })
  it('tells how far it is, in rising shares', () => {
    const shares: number[] = []
    importScan(
      readyScan(scan, 'mm', (s) => shares.push(s)),
      {},
      (s) => shares.push(s),
    )
    expect(shares.at(-1)).toBe(1)
    expect([...shares].sort((a, b) => a - b)).toEqual(shares)
  })
})

describe('a mesh that is not as it should be', () => {
  const scan = scanOf(sampleMeasures.walking, { seed: 31, noise: 0.05, upright: true })
  const without = (gone: (p: Vec3) => boolean): TriangleMesh => {
    const { positions: v, triangles: t } = scan
    const kept: number[] = []
    for (let k = 0; k < t.length; k += 3) {
      const corner = t[k]! * 3
      if (!gone([v[corner]!, v[corner + 1]!, v[corner + 2]!])) kept.push(t[k]!, t[k + 1]!, t[k + 2]!)
    }
    return { positions: v, triangles: Uint32Array.from(kept) }
  }

  it('inside out, or half of it, is turned and said', () => {
    const { positions, triangles: t } = scan
    const inside = Uint32Array.from(t, (_, i) => t[i % 3 === 0 ? i : i % 3 === 1 ? i + 1 : i - 1]!)
    const result = bring({ positions, triangles: inside })
    expect(result.health.turned).toBe(result.health.triangles)
    expect(result.notes.map((s) => spoken(s)).join()).toMatch(/inside out and have been turned/)
    expect(p95(apart(result.surface, generateLast(sampleMeasures.walking)))).toBeLessThan(0.3)
  })
  it('a small hole is bridged and said, a large one refused with its width', () => {
    const small = bring(without((p) => Math.hypot(p[0] - 150, p[1] + 40, p[2] - 30) < 9))
    expect(small.notes.map((s) => spoken(s)).join()).toMatch(/One hole bridged, the largest \d+ mm across/)
    expect(p95(apart(small.surface, generateLast(sampleMeasures.walking)))).toBeLessThan(0.3)
    expect(() => bring(without((p) => Math.hypot(p[0] - 150, p[1] + 40, p[2] - 30) < 45))).toThrow(
      /hole \d+ mm across; up to 60 mm can be bridged/,
    )
  })
  it('a last without its bottom or without its cone is refused, not guessed', () => {
    expect(() => bring(without((p) => p[2] < 12 && p[0] > 60))).toThrow(GeometryError)
    expect(() => bring(without((p) => p[2] > 103))).toThrow(/hole \d+ mm across|no flat cone cut/)
  })
  it('two lasts in one file are refused, a crumb is left out', () => {
    const shifted = scan.positions.map((v, i) => (i % 3 === 1 ? v + 200 : v))
    const both = (second: TriangleMesh): TriangleMesh => ({
      positions: Float64Array.from([...scan.positions, ...second.positions]),
      triangles: Uint32Array.from(
        [...scan.triangles, ...second.triangles].map((t, i) =>
          i < scan.triangles.length ? t : t + scan.positions.length / 3,
        ),
      ),
    })
    expect(() => bring(both({ positions: shifted, triangles: scan.triangles }))).toThrow(/2 separate bodies/)
    const crumbed = bring(both(ball(3, [100, 160, 20], 8)))
    expect(crumbed.health.crumbs).toBe(1)
    expect(crumbed.notes.map((s) => spoken(s)).join()).toMatch(/One loose crumb was left out/)
  })
  it('a ball, a box and a rabbit are no lasts, and each is told why', () => {
    expect(() => bring(ball(120))).toThrow(/does not look like a last/)
    expect(() => bring(boxMesh(280, 90, 100, 24))).toThrow(GeometryError)
    const rabbit: TriangleMesh = {
      positions: Float64Array.from(bunny.positions.flat()),
      triangles: Uint32Array.from(bunny.cells.flat()),
    }
    for (const size of [1, 10, 18, 24, 28]) {
      const scaled = { ...rabbit, positions: rabbit.positions.map((v) => v * size) }
      expect(() => bring(scaled), `${size} times`).toThrow(/last/)
    }
  })
  it('too many triangles, a broken number or next to nothing are refused in a sentence', () => {
    const many = { positions: new Float64Array(9), triangles: new Uint32Array(3_000_003) }
    expect(() => readyScan(many, 'mm')).toThrow(/1000001 triangles; up to 1000000/)
    const broken = { positions: Float64Array.from([0, 0, Number.NaN]), triangles: Uint32Array.from([0, 0, 0]) }
    expect(() => readyScan(broken, 'mm')).toThrow(/Point 1 of the file is not a number/)
    expect(() => readyScan(boxMesh(1, 1, 1, 1), 'mm')).toThrow(/12 triangles: too few/)
  })
  it('in another unit it is the same last', () => {
    const inInches = { ...scan, positions: scan.positions.map((v) => v / 25.4) }
    const result = importScan(readyScan(inInches, 'inch'))
    expect(Math.abs(result.surface.length - 290)).toBeLessThan(0.4)
    expect(() => importScan(readyScan(inInches, 'mm'))).toThrow(/flat cone|mm long/)
  })
})

describe('joining corners', () => {
  it('a box of loose triangles becomes one closed body of known volume', () => {
    const n = 6
    const { positions, triangles } = weld(boxMesh(30, 20, 10, n))
    // Euler: vertices - edges + faces = 2, edges = 3 / 2 faces.
    expect(positions.length / 3 - triangles.length / 6).toBe(2)
    const { health } = heal({ positions, triangles })
    expect(health).toMatchObject({ holes: [], turned: 0, crumbs: 0, triangles: 12 * n * n })
  })
  it('drops triangles without area and keeps points that differ', () => {
    const mesh = {
      positions: Float64Array.from([0, 0, 0, 100, 0, 0, 0, 100, 0, 0, 0, 0, 100, 0, 0, 100, 0, 0]),
      triangles: Uint32Array.from([0, 1, 2, 3, 4, 5]),
    }
    const out = weld(mesh)
    expect(out.triangles).toHaveLength(3)
    expect(out.positions).toHaveLength(9)
  })
})

describe('units', () => {
  it('are guessed by what makes a last of it', () => {
    expect(guessUnit(310)).toBe('mm')
    expect(guessUnit(31)).toBe('cm')
    expect(guessUnit(0.31)).toBe('m')
    expect(guessUnit(12.2)).toBe('inch')
    expect(guessUnit(3000)).toBeNull()
    expect(guessUnit(1.5)).toBeNull()
  })
})
