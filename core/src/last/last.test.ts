import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { cylinder } from '../../test/knownBodies.ts'
import { sampleMeasures } from '../../test/samplePair.ts'
import { GeometryError, pathLength, type Path } from '../geometry/path.ts'
import { cross, dist3, dot, sub, unit, type Vec3 } from '../geometry/vec3.ts'
import type { LastMeasures } from '../model/last.ts'
import { bottomShape } from './bottom.ts'
import { developBottom } from './developedBottom.ts'
import type { Side } from '../trade/side.ts'
import { STATIONS } from './frame.ts'
import { generateLast } from './generate.ts'
import { girthPlanes, landmarks } from './landmarks.ts'
import { planOutline, outlineWidths } from './outline.ts'
import { lastReadings } from './readings.ts'
import { fromPlane, girth, planeAxes, sectionPoints, tapeLine } from './section.ts'
import { atX, backCurve, bodyMesh, featherLine, ridgeAndToe, wallPoint, type LastSurface } from './surface.ts'
import { ribAt, ribHeight, verticalRib } from './verticalRib.ts'

const sides: Side[] = ['lateral', 'medial']

describe('tape readings on bodies of known girth', () => {
  const body = cylinder(40, 300)
  it('square to a cylinder it reads its circumference', () => {
    expect(girth(body, { point: [150, 0, 0], normal: [1, 0, 0] })).toBeCloseTo(2 * Math.PI * 40, 0)
    expect(Math.abs(girth(body, { point: [150, 0, 0], normal: [1, 0, 0] }) - 2 * Math.PI * 40)).toBeLessThan(0.12)
  })
  it('aslant it reads the ellipse', () => {
    const tilt = Math.PI / 6
    const got = girth(body, { point: [150, 0, 40], normal: [Math.cos(tilt), 0, Math.sin(tilt)] })
    // Ramanujan's second formula is exact to far below a hundredth here.
    const [a, b] = [40 / Math.cos(tilt), 40]
    const h = ((a - b) / (a + b)) ** 2
    const exact = Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)))
    expect(Math.abs(got - exact)).toBeLessThan(0.15)
  })
  it('a plane that misses the body reads nothing', () => {
    expect(girth(body, { point: [900, 0, 0], normal: [1, 0, 0] })).toBe(0)
  })
  it('plane points lie in the plane and keep their distances', () => {
    const plane = { point: [120, 3, 20] as const, normal: [0.8, 0.1, 0.4] as const }
    const { normal } = planeAxes(plane)
    const flat = sectionPoints(body, plane).slice(0, 40)
    const space = flat.map((p) => fromPlane(plane, p))
    for (const p of space) {
      const d = sub(p, plane.point)
      expect(Math.abs(d[0] * normal[0] + d[1] * normal[1] + d[2] * normal[2])).toBeLessThan(1e-9)
    }
    expect(dist3(space[0]!, space[7]!)).toBeCloseTo(Math.hypot(flat[0]![0] - flat[7]![0], flat[0]![1] - flat[7]![1]), 9)
  })
})

describe('the outline of the feather line', () => {
  it('has just the widths asked for', () => {
    for (const some of Object.values(sampleMeasures)) {
      // As lasts were read before seats had a figure: at the stations.
      const m = { ...some, seatSlope: null }
      const widths = outlineWidths(planOutline(m, 4, 2), m.length)
      expect(widths.seat).toBeCloseTo(m.seatWidth, 2)
      expect(widths.waist).toBeCloseTo(m.waistWidth, 2)
      expect(widths.joint).toBeCloseTo(m.jointWidth, 2)
    }
  })
})

describe.each(Object.entries(sampleMeasures))('the generated %s last', (_name, m) => {
  let surface: LastSurface
  beforeAll(() => {
    surface = generateLast(m)
  })

  it('meets its girths', () => {
    const planes = girthPlanes(landmarks(surface))
    expect(Math.abs(girth(surface, planes.joint) - m.jointGirth)).toBeLessThan(0.06)
    expect(Math.abs(girth(surface, planes.waist) - m.waistGirth)).toBeLessThan(0.06)
    expect(Math.abs(girth(surface, planes.instep) - m.instepGirth)).toBeLessThan(0.06)
  })
  it('is just as long as asked, and as wide at the joints', () => {
    const marks = landmarks(surface)
    expect(Math.abs(marks.heelBack[0])).toBeLessThan(0.05)
    expect(Math.abs(marks.toeTip[0] - m.length)).toBeLessThan(0.05)
    // The outermost places lie a little beside the joints.
    expect(Math.abs(marks.jointMedial[1] - marks.jointLateral[1] - m.jointWidth)).toBeLessThan(0.9)
  })
  it('is a right last: medial towards +y, widest joint further forward on the medial side, hollow waist there', () => {
    const marks = landmarks(surface)
    expect(marks.jointMedial[1]).toBeGreaterThan(0)
    expect(marks.jointLateral[1]).toBeLessThan(0)
    expect(marks.jointMedial[0]).toBeGreaterThan(marks.jointLateral[0])
    const at = (side: Side) => Math.abs(featherLine(surface, side).find((p) => p[0] > 0.43 * m.length)?.[1] ?? 0)
    expect(at('medial')).toBeLessThan(at('lateral'))
  })
  it('shares back curve, ridge and toe rib between its walls to the last digit', () => {
    for (let j = 0; j < surface.rows; j++) {
      for (const i of [0, surface.columns - 1]) {
        expect(wallPoint(surface, 'medial', i, j)).toEqual(wallPoint(surface, 'lateral', i, j))
      }
    }
    for (let i = surface.coneColumn; i < surface.columns; i++) {
      expect(wallPoint(surface, 'medial', i, surface.rows - 1)).toEqual(
        wallPoint(surface, 'lateral', i, surface.rows - 1),
      )
    }
  })
  it('has no broken number and a level cone cut', () => {
    for (const w of Object.values(surface.walls)) expect(w.every(Number.isFinite)).toBe(true)
    const top = m.heelHeight + m.coneHeight
    for (let i = 0; i <= surface.coneColumn; i++) {
      for (const side of sides) expect(wallPoint(surface, side, i, surface.rows - 1)[2]).toBeCloseTo(top, 1)
    }
  })
  it('is smooth over the ridge and round the toe: no crease where the two walls meet', () => {
    const { columns, rows, coneColumn } = surface
    const normal = (a: Vec3, b: Vec3, c: Vec3) => unit(cross(sub(b, a), sub(c, a)))
    const bend = (p: Vec3, q: Vec3) => (Math.acos(Math.min(1, Math.max(-1, dot(p, q)))) * 180) / Math.PI
    for (let i = coneColumn + 3; i < columns - 6; i++) {
      const [here, ahead] = [wallPoint(surface, 'lateral', i, rows - 1), wallPoint(surface, 'lateral', i + 1, rows - 1)]
      const lateral = normal(here, wallPoint(surface, 'lateral', i, rows - 2), ahead)
      const medial = normal(here, ahead, wallPoint(surface, 'medial', i, rows - 2))
      // Two facets of a ridge rounded over 20 mm or more, two or three millimetres apart.
      expect(bend(lateral, medial), `column ${i}`).toBeLessThan(16)
    }
    for (let j = 4; j < rows - 4; j++) {
      for (const i of [0, columns - 1]) {
        const inner = i === 0 ? 1 : columns - 2
        const [here, above] = [wallPoint(surface, 'lateral', i, j), wallPoint(surface, 'lateral', i, j + 1)]
        const lateral = normal(here, wallPoint(surface, 'lateral', inner, j), above)
        const medial = normal(here, above, wallPoint(surface, 'medial', inner, j))
        // An almond toe is rounded over some 12 mm only, and its facets are 4 to 5 mm wide.
        expect(bend(lateral, medial), `row ${j} at column ${i}`).toBeLessThan(27)
      }
    }
  })
  it('is a closed body that faces outwards', () => {
    const { positions: p, triangles: t } = bodyMesh(surface)
    let volume = 0
    for (let k = 0; k < t.length; k += 3) {
      const [a, b, c] = [t[k]! * 3, t[k + 1]! * 3, t[k + 2]! * 3]
      volume +=
        (p[a]! * (p[b + 1]! * p[c + 2]! - p[b + 2]! * p[c + 1]!) -
          p[a + 1]! * (p[b]! * p[c + 2]! - p[b + 2]! * p[c]!) +
          p[a + 2]! * (p[b]! * p[c + 1]! - p[b + 1]! * p[c]!)) /
        6
    }
    // A last of this length is one to two litres of wood, less for a small one.
    expect(volume / 1e6).toBeGreaterThan(0.6)
    expect(volume / 1e6).toBeLessThan(2.4)
  })
  it('has a fair ridge that never turns back and a back curve with some grip', () => {
    const ridge = ridgeAndToe(surface)
    for (let i = 1; i < surface.columns - surface.coneColumn; i++)
      expect(ridge[i]![0]).toBeGreaterThan(ridge[i - 1]![0])
    const back = backCurve(surface)
    const fullest = Math.min(...back.map((p) => p[0]))
    expect(back[back.length - 1]![0] - fullest).toBeGreaterThan(2)
    expect(lastReadings(surface, landmarks(surface)).findings[0]!.level).toBe('fine')
  })
  it('rolls its bottom out to a simple outline a little longer than it looks from below', () => {
    const marks = landmarks(surface)
    const bottom = developBottom(surface, marks)
    // Against the arc length of the profile's own formula, integrated finely; the belly differs by tenths.
    const { centre } = bottomShape(m)
    const [from, to] = [marks.heelFeather[0], marks.toeFeather[0]]
    let exact = 0
    for (let i = 0; i < 20000; i++) {
      const step = (to - from) / 20000
      exact += Math.hypot(step, centre(from + (i + 1) * step) - centre(from + i * step))
    }
    expect(Math.abs(bottom.length - exact)).toBeLessThan(0.5)
    expect(bottom.stations).toHaveLength(bottom.outline.length)
    const across = bottom.jointMedial[1] - bottom.jointLateral[1]
    expect(across).toBeGreaterThan(m.jointWidth - 0.9)
    expect(across).toBeLessThan(m.jointWidth + 1.5)
  })
})

describe('rolling out', () => {
  it('is exact on a bottom that is a plain cylinder', () => {
    const body = cylinder(40, 300)
    // Bend the bottom over an arc of radius 200 about the y axis, 60 wide.
    const { columns } = body
    for (let i = 0; i < columns; i++) {
      const a = (i / (columns - 1)) * 1.2
      const [x, z] = [200 * Math.sin(a), 200 - 200 * Math.cos(a)]
      for (let j = 0; j < 3; j++) body.bottom.set([x, -30 + 30 * j, z], (i * 3 + j) * 3)
      body.walls.lateral.set([x, -30, z], i * body.rows * 3)
      body.walls.medial.set([x, 30, z], i * body.rows * 3)
    }
    const marks = {
      ...landmarks(body),
      heelFeather: [0, 0, 0] as const,
      toeFeather: [200 * Math.sin(1.2), 0, 0] as const,
    }
    const bottom = developBottom(body, { ...marks, jointLateral: [100, 0, 0], jointMedial: [120, 0, 0] })
    expect(bottom.length).toBeCloseTo(240, 1)
    expect(bottom.jointLateral[1]).toBeCloseTo(-30, 6)
    expect(bottom.flatX(200 * Math.sin(0.6))).toBeCloseTo(120, 1)
  })
})

describe('a rib straight up the wall', () => {
  it('stays in its plane and starts on the feather', () => {
    const surface = generateLast(sampleMeasures.walking)
    for (const side of sides) {
      for (const x of [60, 90, 150, 200]) {
        const rib = verticalRib(surface, side, x)
        for (const p of rib) expect(p[0]).toBeCloseTo(x, 6)
        expect(ribHeight(rib)).toBeGreaterThan(30)
        expect(dist3(rib[0]!, ribAt(rib, 0))).toBe(0)
      }
    }
    // The two sides meet at the back.
    expect(verticalRib(surface, 'lateral', 0)).toEqual(verticalRib(surface, 'medial', 0))
  })
})

describe('girths to order', () => {
  it('many sensible combinations are met', () => {
    fc.assert(
      fc.property(
        fc.record({
          length: fc.integer({ min: 220, max: 320 }),
          heel: fc.integer({ min: 0, max: 60 }),
          joint: fc.double({ min: -0.02, max: 0.03, noNaN: true }),
          waist: fc.double({ min: -0.015, max: 0.02, noNaN: true }),
          toe: fc.constantFrom('round', 'almond', 'soft square', 'pointed', 'blunt' as const),
        }),
        ({ length, heel, joint, waist, toe }) => {
          const k = length / 290
          const base = sampleMeasures.walking
          const m: LastMeasures = {
            ...base,
            length,
            heelHeight: heel,
            toeSpring: 10 * k,
            toeBoxHeight: 30 * k,
            seatWidth: 62 * k,
            waistWidth: 61 * k,
            jointWidth: 88 * k,
            coneHeight: 80 * k,
            coneWidth: 28 * k,
            jointGirth: 252 * k * (1 + joint),
            waistGirth: 247 * k * (1 + joint + waist),
            instepGirth: 251 * k * (1 + joint),
            toeShape: toe,
          }
          const surface = generateLast(m)
          const planes = girthPlanes(landmarks(surface))
          expect(Math.abs(girth(surface, planes.joint) - m.jointGirth)).toBeLessThan(0.5)
          expect(Math.abs(girth(surface, planes.waist) - m.waistGirth)).toBeLessThan(0.5)
          expect(Math.abs(girth(surface, planes.instep) - m.instepGirth)).toBeLessThan(0.5)
        },
      ),
      { numRuns: 12 },
    )
  })
  it('an impossible one is refused with the figure that cannot be met', () => {
    expect(() => generateLast({ ...sampleMeasures.walking, jointGirth: 150 })).toThrow(GeometryError)
    expect(() => generateLast({ ...sampleMeasures.walking, waistGirth: 330 })).toThrow(/girth of \d+ mm cannot be met/)
  })
  it('a heel girth is met together with the other three, by moving the cone a little', () => {
    for (const m of Object.values(sampleMeasures)) {
      const bare = generateLast(m)
      const natural = girth(bare, girthPlanes(landmarks(bare)).heel)
      for (const by of [-8, 9]) {
        const surface = generateLast({ ...m, heelGirth: natural + by })
        const planes = girthPlanes(landmarks(surface))
        expect(Math.abs(girth(surface, planes.heel) - natural - by)).toBeLessThan(0.06)
        for (const station of ['joint', 'waist', 'instep'] as const) {
          expect(Math.abs(girth(surface, planes[station]) - m[`${station}Girth`])).toBeLessThan(0.06)
        }
        expect(Math.sign(landmarks(surface).coneFront[0] - landmarks(bare).coneFront[0])).toBe(Math.sign(by))
        expect(Math.abs(landmarks(surface).coneFront[0] - landmarks(bare).coneFront[0])).toBeLessThan(16)
      }
    }
  })
  it('a heel girth out of reach is refused with the nearest that can be had', () => {
    const m = { ...sampleMeasures.walking, heelGirth: 400 }
    expect(() => generateLast(m)).toThrow(/heel girth of 400 mm cannot be met.*nearest is 3[3-6]\d\.\d mm/)
  })
  it('widths are those asked for, read on the surface itself', () => {
    for (const m of Object.values(sampleMeasures)) {
      const surface = generateLast(m)
      const r = lastReadings(surface, landmarks(surface))
      expect(Math.abs(r.widths.seat - m.seatWidth)).toBeLessThan(0.3)
      expect(Math.abs(r.widths.waist - m.waistWidth)).toBeLessThan(0.3)
      expect(Math.abs(r.widths.joint - m.jointWidth)).toBeLessThan(0.3)
      expect(Math.abs(r.heelHeight - m.heelHeight)).toBeLessThan(0.2)
      expect(Math.abs(r.toeSpring - m.toeSpring)).toBeLessThan(0.3)
      expect(Math.abs(r.toeBoxHeight - m.toeBoxHeight)).toBeLessThan(1.5)
    }
  })
  it('toes differ as their names say: a pointed one is narrowest near its tip, a square one widest', () => {
    const width = (toeShape: LastMeasures['toeShape']) => {
      const surface = generateLast({ ...sampleMeasures.walking, toeShape })
      const at = (side: Side) => Math.abs(atX(featherLine(surface, side), 0.965 * surface.length)[1])
      return at('lateral') + at('medial')
    }
    const widths = (['pointed', 'almond', 'round', 'soft square'] as const).map(width)
    for (let i = 1; i < widths.length; i++) expect(widths[i]).toBeGreaterThan(widths[i - 1]! + 3)
  })
  it('a humped ridge is noticed', () => {
    const m = { ...sampleMeasures.walking, waistGirth: 262 }
    const surface = generateLast(m)
    expect(lastReadings(surface, landmarks(surface)).findings[0]!.level).toBe('watch')
  })
})

describe('the joint plane', () => {
  it('holds both joints and the ridge over them', () => {
    const surface = generateLast(sampleMeasures.boot)
    const marks = landmarks(surface)
    const plane = girthPlanes(marks).joint
    const { normal } = planeAxes(plane)
    for (const p of [marks.jointLateral, marks.jointMedial, marks.ridgeJoint]) {
      const d = sub(p, plane.point)
      expect(Math.abs(d[0] * normal[0] + d[1] * normal[1] + d[2] * normal[2])).toBeLessThan(1e-9)
    }
    const line: Path = tapeLine(surface, plane)
    expect(pathLength(line, true)).toBeCloseTo(girth(surface, plane), 12)
    expect(marks.jointMedial[0]).toBeCloseTo(STATIONS.jointMedial * 300, 6)
  })
})
