import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ball, cylinder } from '../../test/knownBodies.ts'
import { sampleMeasures } from '../../test/samplePair.ts'
import { ClosestPoints } from '../geometry/closestPoint.ts'
import { offset } from '../geometry/polygonClip.ts'
import { rotate, translate, type Path } from '../geometry/path.ts'
import { leastSquares, solveDense } from '../geometry/linearSolve.ts'
import { dist3, type Vec3 } from '../geometry/vec3.ts'
import { buildLast } from '../last/buildLast.ts'
import { buildUpFor, greatestShift, withBuildUp, withBuildUps, wallNormals } from '../last/buildUp.ts'
import { generateLast } from '../last/generate.ts'
import { girthPlanes, girthStations, landmarks } from '../last/landmarks.ts'
import { packSurface, unpackSurface } from '../last/packed.ts'
import { lastReadings } from '../last/readings.ts'
import { girth } from '../last/section.ts'
import { bodyMesh, wallPoint, type LastSurface } from '../last/surface.ts'
import { FootMeasures } from '../model/foot.ts'
import { heldAtOnce, holdOn, LastHoldFields } from '../model/lastHold.ts'
import { RuleBook } from '../trade/rules.ts'
import { compareLasts } from '../last/compareLasts.ts'
import { cupFit } from '../parts/cup/cupFit.ts'
import { fitRules, footFit } from '../last/footFit.ts'
import { gradeMeasures, gradeOf, gradeSurface, sizeRun, type Grade } from '../last/grade.ts'
import { lastedShoe } from '../parts/cup/lastedShoe.ts'

const book = new RuleBook({}, {})
const walking = generateLast(sampleMeasures.walking)
const read = (s: LastSurface) => lastReadings(s, landmarks(s))

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

describe('small systems', () => {
  it('are solved, and singular ones are not', () => {
    expect(
      solveDense(
        [
          [2, 1],
          [1, 3],
        ],
        [5, 10],
      ),
    ).toEqual([1, 3])
    expect(
      solveDense(
        [
          [0, 1],
          [1, 0],
        ],
        [4, 7],
      ),
    ).toEqual([7, 4])
    expect(
      solveDense(
        [
          [1, 2],
          [2, 4],
        ],
        [1, 2],
      ),
    ).toBeNull()
  })
  it('least squares finds the coefficients that made the values', () => {
    const rows = Array.from({ length: 20 }, (_, i) => [1, i, i * i])
    const fit = leastSquares(
      rows,
      rows.map(([, x, xx]) => 3 - 2 * x + 0.5 * xx),
    )
    expect(fit?.[0]).toBeCloseTo(3, 6)
    expect(fit?.[1]).toBeCloseTo(-2, 6)
    expect(fit?.[2]).toBeCloseTo(0.5, 8)
    expect(leastSquares([[1, 2]], [3])).toBeNull()
  })
})

describe('two lasts', () => {
  it('that are one differ nowhere', () => {
    const d = compareLasts(walking, walking)
    expect(d.standsOut).toBeLessThan(1e-9)
    expect(d.fallsShort).toBeLessThan(1e-9)
    expect(d.table.every((row) => row.first === row.second)).toBe(true)
  })
  it('of which one is a pipe a millimetre thicker stand that much out, and the other way round', () => {
    const [thin, thick] = [cylinder(40, 300), cylinder(41, 300)]
    // Both stand on the ground, so the thicker one is 2 mm higher and level at the bottom.
    const out = compareLasts(thick, thin)
    expect(out.standsOut).toBeCloseTo(2, 1)
    expect(out.fallsShort).toBeLessThan(0.05)
    expect(compareLasts(thin, thick).fallsShort).toBeGreaterThan(0.95)
    expect(compareLasts(thin, thick).standsOut).toBeLessThan(0.05)
  })
  it('laid together at the joint are moved by the difference of their joints', () => {
    const longer = generateLast({ ...sampleMeasures.walking, length: 300 })
    const d = compareLasts(longer, walking, 'joint')
    expect(d.shift).toBeCloseTo(((0.635 + 0.72) / 2) * 10, 3)
    expect(d.table[0]).toMatchObject({ name: 'Length' })
    expect(d.table[0].first - d.table[0].second).toBeCloseTo(10, 1)
  })
})

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
        const away = [0, 1, 2].reduce((s, c) => s + (p[c] - plane.point[c]) * plane.normal[c], 0) / n
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
      for (let k = 0; k < normals[side].length; k++) grown.walls[side][k] += 2 * normals[side][k]
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
    const shape = { kind: 'made' as const, measures: sampleMeasures.walking }
    const bare = buildLast({ shape, buildUps: [] })
    const built = buildLast({ shape, buildUps: [{ station: 'waist', place: 'over the top', thickness: 2, reach: 30 }] })
    expect(read(built).girths.waist - read(bare).girths.waist).toBeGreaterThan(2)
    expect(read(built).girths.heel).toBeCloseTo(read(bare).girths.heel, 1)
  })
})

describe('a kept surface', () => {
  it('comes back within half a hundredth, with the same girths', () => {
    const back = unpackSurface(packSurface(walking))
    expect(greatestShift(back, walking)).toBeLessThan(0.009)
    for (const s of girthStations) expect(Math.abs(read(back).girths[s] - read(walking).girths[s])).toBeLessThan(0.02)
  })
  it('that is not whole is refused', () => {
    const packed = packSurface(walking)
    expect(() => unpackSurface({ ...packed, points: packed.points.slice(3) })).toThrow(/not whole/)
  })
})

describe('size runs', () => {
  const paris: Grade = gradeOf('paris', 'kept', book)
  it('a made last grows by the rule in length and girths, by a third of it in width, and keeps its heel', () => {
    const up = gradeMeasures(sampleMeasures.walking, 2, paris)
    expect(up.length).toBeCloseTo(290 + 2 * 6.667, 6)
    expect(up.jointGirth).toBeCloseTo(262, 6)
    expect(up.instepGirth - sampleMeasures.walking.instepGirth).toBeCloseTo(10, 6)
    expect(up.jointWidth - sampleMeasures.walking.jointWidth).toBeCloseTo(3.3, 6)
    expect(up.heelHeight).toBe(25)
    expect(gradeMeasures(sampleMeasures.walking, 2, { ...paris, heel: 'with the length' }).heelHeight).toBeGreaterThan(
      26,
    )
  })
  it('up and down again is where it started', () => {
    const there = gradeMeasures(gradeMeasures(sampleMeasures.walking, 3, paris), -3, paris)
    expect(there.length).toBeCloseTo(290, 9)
    expect(there.jointGirth).toBeCloseTo(252, 9)
    expect(there.coneHeight).toBeCloseTo(80, 9)
  })
  it('a kept surface gets its length and its joint girth, and stands as high as before', () => {
    for (const sizes of [-2, 1.5]) {
      const graded = gradeSurface(walking, sizes, paris)
      expect(graded.length).toBeCloseTo(290 + sizes * 6.667, 2)
      expect(read(graded).girths.joint - read(walking).girths.joint).toBeCloseTo(sizes * 5, 1)
      expect(read(graded).heelHeight).toBeCloseTo(read(walking).heelHeight, 1)
      expect(read(graded).toeSpring).toBeCloseTo(read(walking).toeSpring, 0)
    }
    expect(() => gradeSurface(walking, 40, paris)).toThrow(/too far/)
  })
  it('every size of every sample last comes out, each larger than the one before', () => {
    for (const measures of Object.values(sampleMeasures)) {
      const run = sizeRun({ measures, surface: generateLast(measures) }, [-2, -1, 0, 1, 2], paris)
      const lengths = run.map((r) => ('problem' in r ? Number.NaN : read(r.surface).length))
      for (let i = 1; i < lengths.length; i++) expect(lengths[i] - lengths[i - 1]).toBeCloseTo(6.667, 0)
    }
  })
  it('a size that cannot be says so and leaves the others', () => {
    const m = { ...sampleMeasures.walking }
    const run = sizeRun({ measures: m, surface: walking }, [0, 12], { ...paris, girth: 12 })
    expect('problem' in run[0]).toBe(false)
    expect(run[1]).toMatchObject({ problem: expect.stringMatching(/The length would be 370.0 mm/) as string })
  })
  it('a workshop rule changes the step', () => {
    expect(gradeOf('uk', 'kept', new RuleBook({ 'grade.uk.girth': 5 }, {})).girth).toBe(5)
    expect(gradeOf('uk', 'kept', book).length).toBeCloseTo(25.4 / 3, 2)
  })
})

describe('last against foot', () => {
  const foot = FootMeasures.parse({ length: 275, jointGirth: 257, instepGirth: 250 })
  it('compares what was measured, with the allowance and its sentence', () => {
    const lines = footFit(read(walking), foot, book)
    expect(lines.map((l) => l.what)).toEqual(['length', 'joint', 'instep'])
    const joint = lines[1]
    expect(joint.over).toBeCloseTo(252 - 257, 1)
    expect(joint.buildUp).toBeCloseTo(5, 1)
    expect(joint.verdict).toBe('small')
    expect(joint.wanted.sentence).toContain('257 mm')
    const [length] = lines
    expect(length.wanted.value).toBe(275 + fitRules.length.value)
    expect(length.buildUp).toBe(0)
    expect(lines[2].verdict).toBe('right')
  })
  it('the workshop may want other allowances', () => {
    const [line] = footFit(
      read(walking),
      FootMeasures.parse({ jointGirth: 257 }),
      new RuleBook({ 'fit.joint': -6 }, {}),
    )
    expect(line.wanted.value).toBe(251)
    expect(line.verdict).toBe('right')
    expect(line.wanted.origin).toBe('this workshop')
  })
})

describe('a cup sole', () => {
  const shoe = lastedShoe(walking, { upper: 1.4, lining: 0.9, stiffener: 1.2, puff: 1 }, book).outline
  const anywhere = (p: Path): [number, number][] =>
    translate(rotate(p, 127), 300, -40).map(([x, y]): [number, number] => [x, y])
  const sole = (by: number) => ({ outline: anywhere(offset(shoe, by)), turned: false, flipped: false })

  it('drawn round the shoe at an even distance has that room everywhere, wherever it lay', () => {
    const fit = cupFit(shoe, sole(1), book)
    expect(fit.verdict).toBe('good')
    expect(fit.least.room).toBeGreaterThan(0.7)
    expect(fit.most.room).toBeLessThan(1.4)
    expect(fit.finding.level).toBe('fine')
    expect(fit.clearance).toHaveLength(shoe.length)
  })
  it('is tight, roomy or gappy by its size', () => {
    const tight = cupFit(shoe, sole(-1.2), book)
    expect(tight.verdict).toBe('tight')
    expect(tight.least.room).toBeCloseTo(-1.2, 0)
    expect(tight.finding).toMatchObject({ level: 'stop' })
    expect(tight.finding.sentence).toMatch(/1\.\d mm larger than the cup/)
    expect(cupFit(shoe, sole(2), book).verdict).toBe('roomy')
    expect(cupFit(shoe, sole(4), book).verdict).toBe('gappy')
  })
  it('the other foot, another size or a line that crosses itself is noticed', () => {
    const mirrored = { ...sole(1), flipped: true }
    expect(cupFit(shoe, mirrored, book).least.room).toBeLessThan(0)
    expect(() => cupFit(shoe, { ...sole(1), outline: anywhere(offset(shoe, 25)) }, book)).toThrow(/different sizes/)
    const loop = Array.from({ length: 40 }, (_, i): [number, number] => [
      140 * Math.cos((i / 40) * 2 * Math.PI),
      50 * Math.sin((i / 20) * 2 * Math.PI),
    ])
    expect(() => cupFit(shoe, { outline: loop, turned: false, flipped: false }, book)).toThrow(/crosses itself/)
  })
  it('thicker layers leave less room', () => {
    const thicker = lastedShoe(walking, { upper: 2.2, lining: 0.9, stiffener: 1.2, puff: 1 }, book).outline
    const [a, b] = [cupFit(shoe, sole(1.5), book), cupFit(thicker, sole(1.5), book)]
    expect(a.least.room - b.least.room).toBeCloseTo(0.8, 0)
  })
})

describe('who has a last', () => {
  const hold = (from: string, until: string | null) => ({ from, until })
  it('counts the most at once within the days asked for', () => {
    const others = [hold('2026-11-01', '2026-11-10'), hold('2026-11-08', null), hold('2026-11-20', '2026-11-25')]
    expect(heldAtOnce(others, hold('2026-11-01', '2026-11-30')).most).toBe(2)
    expect(heldAtOnce(others, hold('2026-11-01', '2026-11-30')).day).toBe('2026-11-08')
    expect(heldAtOnce(others, hold('2026-11-11', '2026-11-15')).most).toBe(1)
    expect(heldAtOnce(others, hold('2026-10-01', '2026-10-15')).most).toBe(0)
  })
  it('is the count of every day, whatever the uses', () => {
    const day = (n: number) => new Date(Date.UTC(2026, 0, n)).toISOString().slice(0, 10)
    const use = fc
      .tuple(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 0, max: 15 }), fc.boolean())
      .map(([from, long, open]) => hold(day(from), open ? null : day(from + long)))
    fc.assert(
      fc.property(fc.array(use, { maxLength: 8 }), use, (holds, span) => {
        let most = 0
        for (let n = 1; n <= 80; n++) {
          const d = day(n)
          if (d < span.from || (span.until !== null && d > span.until)) continue
          most = Math.max(most, holds.filter((h) => h.from <= d && (h.until === null || d <= h.until)).length)
        }
        expect(heldAtOnce(holds, span).most).toBe(most)
      }),
    )
  })
  it('says whose it is today, and refuses days that run backwards', () => {
    const holds = [hold('2026-11-01', '2026-11-10'), hold('2026-11-05', '2026-11-20')]
    expect(holdOn(holds, '2026-11-06')?.until).toBe('2026-11-20')
    expect(holdOn(holds, '2026-12-01')).toBeNull()
    const lastId = '01930000-0001-7000-8000-000000000001'
    expect(LastHoldFields.safeParse({ lastId, from: '2026-11-10', until: '2026-11-09' }).success).toBe(false)
    expect(LastHoldFields.safeParse({ lastId, from: '2026-02-30' }).success).toBe(false)
  })
})
