import { boxOf, generateLast, translate, type Part, type Path } from '@gentle-awl/core'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { useCompare } from '../../../../stores/compareStore.ts'
import { linerSheet } from '../../../liners/linerSheet.ts'
import { boardLayout } from './boardLayout.ts'
import { hatchOf, tintOf } from '../../../../drawing/layerLook.ts'
import { thicknessBody } from './layerScene.ts'
import { asCss, rampFor, thicknessColour } from './thicknessColours.ts'

const box = (w: number, h: number, x = 0, y = 0): Path => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]
const part = (id: string, place: Part['place'], outline: Path, more: Partial<Part> = {}): Part => ({
  id,
  place,
  name: id,
  role: null,
  materialName: '',
  thickness: 1,
  count: 2,
  outline,
  lines: [],
  skives: [],
  notches: [],
  dimensions: [],
  grain: { from: [60, 0], to: [20, 0] },
  becauses: [],
  findings: [],
  areas: [],
  ...more,
})

describe('the pair board', () => {
  const parts = [
    part('a', 'foot', box(200, 80, -50, 10)),
    part('b', 'foot', box(150, 120)),
    part('c', 'wall', box(90, 30, 5, -200)),
    part('d', 'foot', box(240, 60)),
    part('welt', 'under', box(600, 20), { strip: true }),
  ]
  const groups = boardLayout(parts, ['foot', 'wall', 'under'], 420, 1)
  const laid = groups.flatMap((g) => g.parts.map((p) => boxOf(translate(p.part.outline, p.dx, p.dy))))

  it('says what every part takes where it lies', () => {
    groups
      .flatMap((g) => g.parts)
      .forEach((p, i) => {
        const { minX, minY, maxX, maxY } = laid[i]!
        for (const [said, is] of [
          [p.box.minX, minX],
          [p.box.minY, minY],
          [p.box.maxX, maxX],
          [p.box.maxY, maxY],
        ])
          expect(said).toBeCloseTo(is!, 9)
      })
  })
  it('holds every part once, by its place, and leaves strips out', () => {
    expect(groups.map((g) => g.place)).toEqual(['foot', 'wall'])
    expect(groups.flatMap((g) => g.parts.map((p) => p.part.id))).toEqual(['a', 'b', 'd', 'c'])
  })
  it('lays none on another and none past the width', () => {
    laid.forEach((a, i) => {
      expect(a.maxX).toBeLessThanOrEqual(420)
      for (const b of laid.slice(i + 1)) {
        expect(a.maxX < b.minX || b.maxX < a.minX || a.maxY < b.minY || b.maxY < a.minY).toBe(true)
      }
    })
  })
  it('gives a name the pixels that it takes, whatever they are in mm', () => {
    const small = [part('a', 'wall', box(12, 12)), part('b', 'wall', box(12, 12)), part('c', 'wall', box(12, 12))]
    for (const px of [0.5, 1, 2]) {
      const [group] = boardLayout(
        small.map((p) => ({ ...p, name: 'Corner patch, lateral' })),
        ['wall'],
        260,
        px,
      )
      const at = group!.parts.map((p) => p.label)
      // Twelve letters side by side, or on the next row under two lines.
      for (const [i, a] of at.entries()) {
        for (const b of at.slice(i + 1)) {
          expect(Math.abs(a.x - b.x) >= 12 * 7 * px || Math.abs(a.y - b.y) >= 2 * 15 * px).toBe(true)
        }
      }
    }
  })
  it('stands the parts of a row on one line, and a full row begins a new one', () => {
    expect(laid[0]!.minY).toBeCloseTo(laid[1]!.minY, 9)
    expect(laid[2]!.maxY).toBeLessThan(laid[0]!.minY)
  })
})

describe('tones of thickness', () => {
  it('run from the thin end to the thick one and stay there beyond', () => {
    const ramp = { from: 2, to: 6 }
    expect(thicknessColour(1, ramp)).toEqual(thicknessColour(2, ramp))
    expect(thicknessColour(9, ramp)).toEqual(thicknessColour(6, ramp))
    expect(asCss(thicknessColour(2, ramp))).toBe('rgb(46 92 112)')
    expect(asCss(thicknessColour(6, ramp))).toBe('rgb(178 60 62)')
  })
  it('take their range from what is there, in halves, without the few thinnest places', () => {
    const values = [...Array.from({ length: 96 }, () => 2.3), ...Array.from({ length: 4 }, () => 0.2), 0, 0]
    expect(rampFor([...values, ...Array.from({ length: 10 }, () => 5.1)])).toEqual({ from: 2, to: 5.5 })
    expect(rampFor([])).toEqual({ from: 0, to: 1 })
  })
  it('colour both walls and leave bottom and cone in wood', () => {
    const surface = generateLast({
      length: 255,
      heelHeight: 15,
      toeSpring: 9,
      toeBoxHeight: 25.5,
      seatWidth: 55,
      waistWidth: 54,
      jointWidth: 77,
      coneHeight: 76,
      coneFront: 0.4,
      coneWidth: 24,
      swing: 0.045,
      arch: 0.2,
      backBulge: 4.2,
      backIn: 0.29,
      toeSlope: 0.18,
      toeShape: 'almond',
      instepGirth: 223,
      waistGirth: 218,
      jointGirth: 225,
      heelGirth: null,
      seatSlope: 0.6,
    })
    const n = surface.columns * surface.rows
    const ramp = { from: 1, to: 3 }
    const { colours, positions } = thicknessBody(
      surface,
      { by: 1, lateral: new Float32Array(n).fill(1), medial: new Float32Array(n).fill(3) },
      ramp,
    )
    const at = (v: number) => [...(colours ?? []).slice(3 * v, 3 * v + 3)].map((c) => Number(c.toFixed(4)))
    const want = (t: number) => thicknessColour(t, ramp).map((c) => Number(c.toFixed(4)))
    expect(at(0)).toEqual(want(1))
    expect(at(n)).toEqual(want(3))
    expect(at(positions.length / 3 - 1)).toEqual([0.62, 0.52, 0.4])
  })
  it('tell neighbouring layers apart by tint and by hatch', () => {
    const order = ['vampLining', 'stiffener', 'vamp', 'insole', 'filler', 'midsole', 'outsole']
    for (let i = 1; i < order.length; i++) {
      expect(tintOf(order[i]!)).not.toBe(tintOf(order[i - 1]!))
      expect(hatchOf(order[i]!)).not.toBe(hatchOf(order[i - 1]!))
    }
  })
})

describe('two versions of a part', () => {
  beforeEach(() => setActivePinia(createPinia()))
  it('the kept shape stays while the part changes, and the difference is measured', () => {
    const compare = useCompare()
    const before = part('puff', 'wall', box(100, 50))
    compare.toggle('pair', before)
    const after = part('puff', 'wall', box(104, 50))
    expect(compare.of('pair', 'puff')).toEqual(before.outline)
    expect(compare.difference('pair', after)?.most).toBeCloseTo(4, 9)
    expect(compare.difference('pair', after)?.area).toBeCloseTo(4, 9)
    expect(compare.difference('another', after)).toBeNull()
    compare.toggle('pair', after)
    expect(compare.of('pair', 'puff')).toBeNull()
  })
})

describe('the sheet of a new liner', () => {
  it('is in millimetres, holds both feet of every outline at true size, mirrored, and a bar of 100 mm', () => {
    const slanted: Path = [
      [0, 0],
      [250, 0],
      [200, 80],
    ]
    const svg = linerSheet([{ name: 'Sock liner', path: slanted }])
    const [, width, boxWidth] = /width="([\d.]+)mm".*viewBox="0 0 ([\d.]+) /.exec(svg) ?? []
    expect(width).toBe(boxWidth)
    const shapes = [...svg.matchAll(/<path d="M([^"Z]+)Z"/g)].map(([, d]) =>
      d!.split('L').map((p) => p.split(' ').map(Number)),
    )
    expect(shapes).toHaveLength(2)
    for (const s of shapes) {
      const xs = s.map((p) => p[0]!)
      expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(250, 6)
    }
    // The point of the one lies above its base, that of the other below.
    const tip = (s: number[][]) => {
      const base = s.filter((p) => Math.abs(p[0]! - 212) > 1).map((p) => p[1])[0]!
      return (s.find((p) => Math.abs(p[0]! - 212) < 1)?.[1] ?? 0) - base
    }
    expect(tip(shapes[0]!) * tip(shapes[1]!)).toBeLessThan(0)
    expect(svg).toContain('h100m-100-3v6')
  })
})
