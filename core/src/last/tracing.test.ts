import { describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { offset } from '../geometry/polygonClip.ts'
import { seeded, gaussian } from '../geometry/random.ts'
import { boxOf, distance, mirror, pathLength, rotate, translate, type Path, type Point } from '../geometry/path.ts'
import { BottomTracing } from '../model/last.ts'
import { nearest } from '../geometry/polyline.ts'
import { bottomShape } from './bottom.ts'
import { developBottom } from './developedBottom.ts'
import { buildLast, checkedLast, tracedMeasures } from './buildLast.ts'
import { generateLast } from './generate.ts'
import { landmarks } from './landmarks.ts'
import { lastReadings } from './readings.ts'
import { featherLine } from './surface.ts'
import { longestCaliper, pencilOffset, readTracing, smoothClosed, tracedHalfWidth } from './tracing.ts'

const m = sampleMeasures.walking
const surface = generateLast(m)
/** The true feather line seen from above. */
const feather: Path = [
  ...featherLine(surface, 'lateral'),
  ...featherLine(surface, 'medial').reverse().slice(1, -1),
].map((p): Point => [p[0], p[1]])
const tracingOf = (path: Path, some: Partial<BottomTracing> = {}): BottomTracing =>
  BottomTracing.parse({ points: path.map(([x, y]) => [x, y]), pencil: 0, smoothing: 0, ...some })
const anywhere = (path: Path, turn = 70) => translate(rotate(path, turn), 240, -33)

describe('a traced bottom', () => {
  it('is found again wherever it lay on the paper: length, widths, joints', () => {
    for (const turn of [0, 70, 181, 300]) {
      const read = readTracing(tracingOf(anywhere(feather, turn)), m)
      const box = boxOf(feather)
      expect(read.bottom.length).toBeCloseTo(box.maxX - box.minX, 1)
      expect(Math.abs(read.widths.seat - 62)).toBeLessThan(0.5)
      expect(Math.abs(read.widths.waist - 61)).toBeLessThan(0.6)
      expect(Math.abs(read.widths.joint - 88)).toBeLessThan(1.5)
      const box2 = boxOf(read.outline)
      expect(box2.minX).toBeCloseTo(0, 6)
      // Medial, with its hollow waist, lies up.
      expect(tracedHalfWidth(read.bottom, 'medial', 125)).toBeLessThan(tracedHalfWidth(read.bottom, 'lateral', 125) - 5)
    }
  })
  it('of the left foot is laid medial side up as well, and can be flipped by hand', () => {
    const left = readTracing(tracingOf(mirror(feather)), m)
    const right = readTracing(tracingOf(feather), m)
    // The ends of the caliper sit on points half a millimetre apart, so the axis may turn by a hair.
    const apart = (a: number, b: number) => expect(Math.abs(a - b)).toBeLessThan(0.4)
    apart(tracedHalfWidth(left.bottom, 'medial', 120), tracedHalfWidth(right.bottom, 'medial', 120))
    const flipped = readTracing(tracingOf(feather, { flipped: true }), m)
    apart(tracedHalfWidth(flipped.bottom, 'medial', 120), tracedHalfWidth(right.bottom, 'lateral', 120))
    const turned = readTracing(tracingOf(feather, { turned: true }), m)
    expect(turned.widths.seat).toBeGreaterThan(turned.widths.joint - 25)
  })
  it('is freed of its pencil: a line drawn round outside comes back to the last', () => {
    const pencil = 0.8
    const outside = tracingOf(offset(feather, pencil), { pencil, digitised: 'outside' })
    const middle = tracingOf(offset(feather, pencil / 2), { pencil, digitised: 'middle' })
    const bare = readTracing(tracingOf(feather), m)
    for (const t of [outside, middle]) {
      const read = readTracing(t, m)
      expect(Math.abs(read.bottom.length - bare.bottom.length)).toBeLessThan(0.05)
      expect(Math.abs(read.widths.joint - bare.widths.joint)).toBeLessThan(0.1)
    }
    expect(readTracing({ ...outside, digitised: 'inside' }, m).bottom.length - bare.bottom.length).toBeCloseTo(
      2 * pencil,
      1,
    )
    expect(pencilOffset({ pencil, digitised: 'inside' })).toBe(0)
    expect(pencilOffset({ pencil, digitised: 'middle' })).toBe(pencil / 2)
    expect(pencilOffset({ pencil, digitised: 'outside' })).toBe(pencil)
  })
  it('is smoothed: a shaky hand is calmed, a circle keeps its size, and how far it moved is told', () => {
    const random = seeded(3)
    const shaky = feather.map(([x, y]): Point => [x + 0.35 * gaussian(random), y + 0.35 * gaussian(random)])
    const rough = readTracing(tracingOf(shaky), m)
    const calm = readTracing(tracingOf(shaky, { smoothing: 4 }), m)
    expect(pathLength(calm.outline, true)).toBeLessThan(pathLength(rough.outline, true) - 1)
    expect(rough.smoothed.most).toBe(0)
    expect(calm.smoothed.usual).toBeGreaterThan(0.05)
    expect(calm.smoothed.most).toBeLessThan(1.6)
    const circle: Path = Array.from({ length: 720 }, (_, i): Point => [
      30 * Math.cos(i / 114.59),
      30 * Math.sin(i / 114.59),
    ])
    const smooth = smoothClosed(circle, 4)
    // 2 G - G^2 takes (sigma k)^4 / 4 off a wave of wave number k = 1 / 30: 0.002 mm of 30.
    expect(Math.max(...smooth.map((p) => Math.abs(Math.hypot(...p) - 30)))).toBeLessThan(0.01)
  })
  it('laid against the bottom is as much longer as the bottom curves', () => {
    const heeled = sampleMeasures.heeled
    const { centre } = bottomShape(heeled)
    const true3 = generateLast(heeled)
    const plan = [...featherLine(true3, 'lateral'), ...featherLine(true3, 'medial').reverse().slice(1, -1)]
    let along = 0
    const table: number[] = [0]
    for (let i = 1; i <= 2620; i++) {
      const [a, b] = [(i - 1) / 10, i / 10]
      along += Math.hypot(b - a, centre(b) - centre(a))
      table.push(along)
    }
    const wrapped = plan.map((p): Point => [table[Math.round(Math.max(0, p[0]) * 10)]!, p[1]])
    const read = readTracing(tracingOf(wrapped, { laid: 'wrapped' }), heeled)
    const straight = boxOf(plan.map((p): Point => [p[0], p[1]]))
    expect(Math.abs(read.bottom.length - (straight.maxX - straight.minX))).toBeLessThan(0.4)
    expect(readTracing(tracingOf(wrapped), heeled).bottom.length - read.bottom.length).toBeGreaterThan(3)
  })
  it('gives the same insole wherever the line was begun and however the paper lay', () => {
    const drawn = feather.filter((_, i) => i % 2 === 0)
    const insole = (path: Path): Path => {
      const s = buildLast({
        shape: { kind: 'traced', measures: m, tracing: tracingOf(path, { smoothing: 3 }) },
        buildUps: [],
      })
      return developBottom(s, landmarks(s)).outline
    }
    const first = insole(drawn)
    const off = (path: Path) => Math.max(...insole(path).map((p) => nearest(first, p, true).away))
    for (const k of [7, 30, 61]) expect(off([...drawn.slice(k), ...drawn.slice(0, k)])).toBeLessThan(0.02)
    for (const turn of [3, 41, 133, 250]) expect(off(anywhere(drawn, turn))).toBeLessThan(0.02)
  })
  it('carries walls of the girths and heights measured, over just that outline', () => {
    const shape = {
      kind: 'traced' as const,
      measures: { ...m, length: 200, jointWidth: 60 },
      tracing: tracingOf(anywhere(feather)),
    }
    const measures = tracedMeasures(shape)
    expect(Math.abs(measures.length - 290)).toBeLessThan(0.3)
    const { surface: built, readings } = checkedLast({ shape, buildUps: [] })
    expect(built.length).toBeCloseTo(measures.length, 6)
    expect(Math.abs(readings.landmarks.heelBack[0])).toBeLessThan(0.05)
    expect(Math.abs(readings.landmarks.toeTip[0] - measures.length)).toBeLessThan(0.05)
    for (const station of ['joint', 'waist', 'instep'] as const) {
      expect(Math.abs(readings.girths[station] - m[`${station}Girth`])).toBeLessThan(0.1)
    }
    for (const side of ['lateral', 'medial'] as const) {
      for (const p of featherLine(built, side)) {
        const away = Math.min(...feather.map((q) => distance(q, [p[0], p[1]])))
        expect(away).toBeLessThan(2.5)
      }
    }
  })
  it('with joints set by hand measures its girth there', () => {
    const tracing = tracingOf(feather, { joints: { lateral: 170, medial: 200 } })
    const built = buildLast({ shape: { kind: 'traced', measures: m, tracing }, buildUps: [] })
    const marks = landmarks(built)
    expect(marks.jointLateral[0]).toBeCloseTo(170 + featherLine(built, 'lateral')[0]![0], 1)
    expect(Math.abs(lastReadings(built, marks).girths.joint - m.jointGirth)).toBeLessThan(0.1)
  })
  it('that is none is refused in a sentence', () => {
    const square: Path = [
      [0, 0],
      [100, 0],
      [200, 0],
      [260, 0],
      [260, 90],
      [200, 90],
      [100, 90],
      [0, 90],
    ]
    const grown = (k: number) => feather.map(([x, y]): Point => [x * k, y * k])
    expect(() => readTracing(tracingOf(grown(0.1)), m)).toThrow(/mm from corner to corner.*Check the unit/)
    expect(() => readTracing(tracingOf(grown(10)), m)).toThrow(/Check the unit/)
    const flat = Array.from({ length: 40 }, (_, i): Point => [i < 20 ? i * 14 : (39 - i) * 14, i % 2 ? 0.3 : 0])
    expect(() => readTracing(tracingOf(flat), m)).toThrow(/encloses almost nothing|crosses itself/)
    const eight = Array.from({ length: 60 }, (_, i): Point => [
      140 * Math.cos(i / 9.549),
      45 * Math.sin((2 * i) / 9.549),
    ])
    expect(() => readTracing(tracingOf(eight), m)).toThrow(/encloses almost nothing|crosses itself/)
    expect(() => readTracing(tracingOf(square), m)).not.toThrow()
    expect(BottomTracing.safeParse({ points: [[0, 0]] }).success).toBe(false)
  })
})

describe('the longest caliper', () => {
  it('of an ellipse is its long axis', () => {
    const ellipse = Array.from({ length: 360 }, (_, i): Point => [
      140 * Math.cos((i * Math.PI) / 180),
      40 * Math.sin((i * Math.PI) / 180),
    ])
    const [a, b] = longestCaliper(rotate(ellipse, 33))
    expect(distance(a, b)).toBeCloseTo(280, 6)
  })
})
