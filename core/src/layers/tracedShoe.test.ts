import { describe, expect, it } from 'vitest'
import { nearest, outwardNormals, resample } from '../geometry/polyline.ts'
import { offset } from '../geometry/polygonClip.ts'
import {
  boxOf,
  contains,
  GeometryError,
  mirror,
  rotate,
  signedArea,
  translate,
  type Path,
  type Point,
} from '../geometry/path.ts'
import { DrawnLine } from '../model/drawnLine.ts'
import { RuleBook } from '../trade/rules.ts'
import { oldSock } from '../parts/sock/oldSock.ts'
import { placeName } from './heldAgainst.ts'
import { tracedShoe } from './tracedShoe.ts'
import { spoken } from '../units/sentence.ts'

const book = new RuleBook({}, {})
/** A bottom with a hollow medial waist and a narrower seat, heel at x = 0. */
const shoe: Path = resample(
  Array.from({ length: 200 }, (_, i): Point => {
    const a = (2 * Math.PI * i) / 200
    const t = (1 - Math.cos(a)) / 2
    const half = 27 + 15 * t - (Math.sin(a) < 0 ? 9 : 4) * Math.exp(-(((t - 0.42) / 0.13) ** 2))
    return [290 * t, -Math.sin(a) * half]
  }),
  300,
  true,
)
const drawn = (outline: Path, more: Partial<DrawnLine> = {}) =>
  DrawnLine.parse({ outline: outline.map(([x, y]) => [x, y]), pencil: 0, ...more })
/** The same line as it may lie on a sheet. */
const anyhow = (path: Path): Path => translate(rotate(path, 137), 312, -88)

describe('the lasted shoe as traced', () => {
  it('lies on the predicted outline however the sheet lay', () => {
    const t = tracedShoe(shoe, drawn(anyhow(shoe)), book)
    expect(t.usual).toBeLessThan(0.05)
    expect(t.finding.level).toBe('fine')
    for (const p of t.outline) expect(nearest(shoe, p, true).away).toBeLessThan(0.15)
  })
  it('takes the pencil off by the side that was followed', () => {
    for (const [digitised, off] of [
      ['inside', 0],
      ['middle', 0.5],
      ['outside', 1],
    ] as const) {
      const line = drawn(anyhow(offset(shoe, off)), { pencil: 1, digitised })
      expect(tracedShoe(shoe, line, book).usual).toBeLessThan(0.08)
    }
    // Followed on the outside and not told so, the shoe seems a whole line too large all round.
    const untold = tracedShoe(shoe, drawn(anyhow(offset(shoe, 1)), { pencil: 1, digitised: 'inside' }), book)
    expect(untold.usual).toBeCloseTo(1, 1)
    expect(untold.fullest.by).toBeLessThan(1.3)
  })
  it('finds where it is fuller, by how much, and says it', () => {
    const normals = outwardNormals(shoe)
    const bump: Path = shoe.map(([x, y], i): Point => {
      const by = y < 0 ? 4 * Math.exp(-(((x - 200) / 18) ** 2)) : 0
      return [x + normals[i]![0] * by, y + normals[i]![1] * by]
    })
    const t = tracedShoe(shoe, drawn(anyhow(bump)), book)
    expect(t.fullest.by).toBeGreaterThan(3)
    expect(t.fullest.by).toBeLessThan(4.2)
    expect(Math.abs(t.fullest.predicted[0] - 200)).toBeLessThan(15)
    expect(spoken(t.finding.sentence)).toMatch(/^Lateral side at the joint: .* fuller than predicted/)
    expect(t.finding.level).toBe('watch')
  })
  it('a left shoe traced as a right one is put right by flipping it', () => {
    const left = anyhow(mirror(shoe))
    const [plain, flipped] = [false, true].map((f) => tracedShoe(shoe, drawn(left, { flipped: f }), book).usual)
    expect(Math.min(plain!, flipped!)).toBeLessThan(0.05)
    expect(Math.max(plain!, flipped!)).toBeGreaterThan(1)
  })
  it('a line that crosses itself is refused with a sentence', () => {
    const eight: Path = [
      [0, 0],
      [100, 50],
      [200, 0],
      [290, 30],
      [200, 60],
      [100, 10],
      [0, 60],
      [-10, 30],
    ]
    expect(() => tracedShoe(shoe, drawn(eight), book)).toThrow(GeometryError)
    expect(() => tracedShoe(shoe, drawn(eight), book)).toThrow(/crosses itself/)
  })
  it('places have the names a shoemaker gives them', () => {
    expect(placeName([2, 0], 290)).toBe('At the heel')
    expect(placeName([60, 20], 290)).toBe('Medial side at the seat')
    expect(placeName([200, -30], 290)).toBe('Lateral side at the joint')
    expect(placeName([287, 0], 290)).toBe('At the toe')
  })
})

describe('a new liner from an old one', () => {
  it('is the line as traced, without the pencil', () => {
    const { sock, padding, becauses } = oldSock(
      drawn(anyhow(offset(shoe, 0.5)), { pencil: 1, digitised: 'middle' }),
      'none',
      book,
    )
    expect(signedArea(sock) / signedArea(shoe)).toBeCloseTo(1, 2)
    expect(padding).toBeNull()
    expect(becauses[0]!.value).toBeCloseTo(290, 0)
  })
  it('full padding stands out past it by the rule, half and heel pad end where they should', () => {
    const of = (reach: 'heel pad' | 'half' | 'full') => oldSock(drawn(anyhow(shoe)), reach, book)
    const full = of('full')
    for (const p of full.sock) {
      expect(contains(full.padding ?? [], p)).toBe(true)
      expect(nearest(full.padding ?? [], p, true).away).toBeCloseTo(7, 1)
    }
    const x0 = boxOf(full.sock).minX
    expect(boxOf(of('half').padding ?? []).maxX - x0).toBeCloseTo(0.45 * 290, 0)
    expect(boxOf(of('heel pad').padding ?? []).maxX - x0).toBeCloseTo(0.27 * 290, 0)
  })
})
