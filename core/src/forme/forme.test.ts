import { beforeAll, describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { nearest } from '../geometry/along.ts'
import { distance, pathLength, signedArea, type Point } from '../geometry/path.ts'
import { dist3, type Vec3 } from '../geometry/vec3.ts'
import { generateLast } from '../last/generate.ts'
import { atX, featherLine, type LastSurface } from '../last/surface.ts'
import { ribAt, verticalRib } from '../last/verticalRib.ts'
import type { Side } from '../last/frame.ts'
import { heelPatch, type HeelPatch } from './heelPatch.ts'
import { toePatch, type ToePatch } from './toePatch.ts'

const sides: Side[] = ['lateral', 'medial']
const steps = (n: number) => Array.from({ length: n + 1 }, (_, i) => i / n)

describe.each(Object.entries(sampleMeasures))('the wall round the heel of the %s last', (_name, m) => {
  let surface: LastSurface
  let patch: HeelPatch
  const reach = 0.36 * m.length
  const top = m.length / 5 + 9
  beforeAll(() => {
    surface = generateLast(m)
    patch = heelPatch(surface, { lateral: reach, medial: reach }, () => top, 0)
  })
  it('lies flat without a fold, standing on the foot of the back curve', () => {
    expect(patch.flipped).toBe(0)
    expect(patch.worstStrain).toBeLessThan(1.2)
    const [foot, head] = [patch.place('lateral', 0, 0), patch.place('lateral', 0, top)]
    expect(Math.hypot(...foot)).toBeLessThan(1e-9)
    expect(Math.abs(head[0])).toBeLessThan(1e-6)
    expect(head[1]).toBeGreaterThan(0)
    expect(patch.place('lateral', reach, 0)[0]).toBeGreaterThan(0)
    expect(patch.place('medial', reach, 0)[0]).toBeLessThan(0)
  })
  it('keeps lengths up the wall and along it within the strain that leather gives', () => {
    for (const side of sides) {
      for (const s of [0.2, 0.5, 0.9]) {
        const rib = verticalRib(surface, side, s * reach)
        const up = steps(24).map((t) => ribAt(rib, t * top))
        const flat = steps(24).map((t) => patch.place(side, s * reach, t * top))
        const space = up.slice(1).reduce((sum, p, i) => sum + dist3(p, up[i]), 0)
        expect(pathLength(flat) / space).toBeGreaterThan(0.93)
        expect(pathLength(flat) / space).toBeLessThan(1.07)
      }
      const along = steps(60).map((t) => ribAt(verticalRib(surface, side, t * reach), top / 2))
      const space = along.slice(1).reduce((sum, p, i) => sum + dist3(p, along[i]), 0)
      const flat = pathLength(steps(60).map((t) => patch.place(side, t * reach, top / 2)))
      expect(flat / space).toBeGreaterThan(0.96)
      expect(flat / space).toBeLessThan(1.04)
    }
  })
  it('does not turn over: a little square on the wall, seen from outside, is one on the sheet', () => {
    for (const s of [0.15, 0.5, 0.85]) {
      for (const h of [0.2, 0.6]) {
        const p = (ds: number, dh: number): Point => patch.place('lateral', s * reach + ds, h * top + dh)
        // Outside view of the right foot's lateral side: forward is to the right.
        expect(signedArea([p(0, 0), p(4, 0), p(4, 4), p(0, 4)])).toBeGreaterThan(8)
      }
    }
  })
  it('grows by half a turn of the leather it stands off when taken further out', () => {
    const outer = heelPatch(surface, { lateral: reach, medial: reach }, () => top, 2)
    const grown = outer.featherRun(reach, reach) - patch.featherRun(reach, reach)
    // The feather line turns by nearly half a circle round the heel; walls that lean move it less than 2 pi.
    expect(grown).toBeGreaterThan(2)
    expect(grown).toBeLessThan(2 * Math.PI + 0.5)
  })
})

describe('the toe', () => {
  const m = sampleMeasures.walking
  let surface: LastSurface
  let patch: ToePatch
  beforeAll(() => {
    surface = generateLast(m)
    patch = toePatch(surface, 170, 0)
  })
  it('lies flat without a fold, the toe point at the origin', () => {
    expect(patch.flipped).toBe(0)
    expect(patch.worstStrain).toBeLessThan(1.5)
    expect(patch.feather(220, 220).some((p) => Math.hypot(...p) < 1e-6)).toBe(true)
  })
  it('has lateral at the bottom and medial on top, back edges further back the further back they are taken', () => {
    const near = patch.lineAcross(() => 235)
    const far = patch.lineAcross(() => 215)
    expect(near[0][1]).toBeLessThan(0)
    expect(near[near.length - 1][1]).toBeGreaterThan(0)
    for (const p of far) expect(nearest(near, p).away).toBeGreaterThan(10)
    expect(Math.min(...far.map((p) => p[0]))).toBeLessThan(Math.min(...near.map((p) => p[0])) - 15)
  })
  it('keeps the length over the ridge from feather to feather', () => {
    for (const x of [210, 235, 250]) {
      const over: Vec3[] = [
        ...verticalRib(surface, 'lateral', x),
        ...verticalRib(surface, 'medial', x).reverse().slice(1),
      ]
      const space = over.slice(1).reduce((sum, p, i) => sum + dist3(p, over[i]), 0)
      const flat = pathLength(patch.lineAcross(() => x))
      expect(flat / space).toBeGreaterThan(0.93)
      expect(flat / space).toBeLessThan(1.07)
    }
  })
  it('ends its lines on the feather where they were asked for', () => {
    const line = patch.lineAcross(() => 230)
    const feather = patch.feather(200, 200)
    for (const p of [line[0], line[line.length - 1]]) expect(nearest(feather, p).away).toBeLessThan(0.15)
    const lateral = featherLine(surface, 'lateral')
    const medial = featherLine(surface, 'medial')
    const chord = dist3(atX(lateral, 230), atX(medial, 230))
    expect(distance(line[0], line[line.length - 1])).toBeGreaterThan(chord)
  })
  it('a dome laid flat has a longer edge than the one it comes from', () => {
    expect(patch.featherStretch()).toBeGreaterThan(1.02)
    expect(patch.featherStretch()).toBeLessThan(1.35)
  })
  it('says where there is no toe', () => {
    expect(() => patch.lineAcross(() => 289.9)).toThrow(/no place 289.9 mm/)
  })
})
