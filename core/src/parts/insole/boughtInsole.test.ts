import { describe, expect, it } from 'vitest'
import { rotate, translate, type Path, type Point } from '../../geometry/path.ts'
import { offset } from '../../geometry/polygonClip.ts'
import { outwardNormals, resample } from '../../geometry/polyline.ts'
import { DrawnLine } from '../../model/drawnLine.ts'
import { RuleBook } from '../../trade/rules.ts'
import { spoken } from '../../units/sentence.ts'
import { boughtInsole } from './boughtInsole.ts'

/** A last's bottom: narrow heel, hollow waist on the medial side. */
const bottom: Path = resample(
  Array.from({ length: 200 }, (_, i): Point => {
    const a = (2 * Math.PI * i) / 200
    const t = (1 - Math.cos(a)) / 2
    const half = 26 + 14 * t - (Math.sin(a) < 0 ? 8 : 3) * Math.exp(-(((t - 0.42) / 0.13) ** 2))
    return [265 * t, -Math.sin(a) * half]
  }),
  300,
  true,
)
const book = new RuleBook({}, {})
/** As it lay under the camera. */
const lying = (path: Path) =>
  DrawnLine.parse({ outline: translate(rotate(path, 201), 40, 99).map(([x, y]) => [x, y]), pencil: 0 })
const levels = (path: Path, rules = book) => boughtInsole(bottom, lying(path), rules).findings.map((f) => f.level)

describe('an insole that was bought', () => {
  it('of just this last is fine', () => {
    const held = boughtInsole(bottom, lying(bottom), book)
    expect(held.findings.map((f) => f.level)).toEqual(['fine', 'fine'])
    expect(held.usual).toBeLessThan(0.05)
  })
  it('that is a size larger all round is trimmed; a size smaller is not to be used', () => {
    expect(levels(offset(bottom, 2))).toEqual(['fine', 'watch'])
    expect(levels(offset(bottom, -1.5))).toEqual(['watch', 'fine'])
    expect(levels(offset(bottom, -2.5))).toEqual(['stop', 'fine'])
    // A workshop that builds the edge up may allow it.
    expect(levels(offset(bottom, -2.5), new RuleBook({ 'insole.boughtSmall': 3 }, {}))).toEqual(['fine', 'fine'])
  })
  it('says where it lacks, and by how much', () => {
    const normals = outwardNormals(bottom)
    const dented = bottom.map(([x, y], i): Point => {
      const by = y > 0 ? -3 * Math.exp(-(((x - 180) / 15) ** 2)) : 0
      return [x + normals[i]![0] * by, y + normals[i]![1] * by]
    })
    const [small] = boughtInsole(bottom, lying(dented), book).findings
    expect(small!.level).toBe('stop')
    expect(small!.measured).toBeGreaterThan(2.5)
    expect(small!.measured).toBeLessThan(3.1)
    expect(spoken(small!.sentence)).toMatch(/^Medial side at the joint: it lies [\d.]+ mm inside the feather line\.$/)
  })
})
