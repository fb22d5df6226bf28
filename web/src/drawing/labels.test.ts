import { segmentMeetsBox, type Path, type Point } from '@gentle-awl/core'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inLines, placeLabels, type Label, type LabelPlace } from './labels.ts'

const square = (x: number, y: number, w: number, h = w): Path => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]
const closed = (path: Path): Path => [...path, path[0]!]
const middle = (path: Path): Point => [
  path.reduce((sum, p) => sum + p[0], 0) / path.length,
  path.reduce((sum, p) => sum + p[1], 0) / path.length,
]
/** Far round all that is drawn. */
const frame = { minX: -2000, maxX: 4000, minY: -2000, maxY: 2000 }
const measure = (text: string, size: number) => text.length * size * 0.5
const label = (key: string, names: Path): Label => ({ key, lines: [key], size: 15, at: middle(names), names })
const boxOfPlace = (p: LabelPlace) => ({
  minX: p.x - p.width / 2,
  maxX: p.x + p.width / 2,
  minY: p.y - p.height / 2,
  maxY: p.y + p.height / 2,
})

describe('labels', () => {
  it('stand where they are wanted while there is room', () => {
    const big = square(0, 0, 300, 200)
    const [place] = placeLabels([label('Vamp', big)], [closed(big)], frame, measure)
    expect(place).toMatchObject({ x: 150, y: 100, lead: null })
  })
  it('go out of what is too small, and a line leads there from it where it is not next to it', () => {
    const patch = square(100, 100, 16)
    // Walls all round it leave only room further off.
    const walls = [40, 50, 60].map((d) => closed(square(108 - d, 108 - d, 2 * d)))
    const [place] = placeLabels([label('Corner patch', patch)], [closed(patch), ...walls], frame, measure)
    expect(place!.lead).not.toBeNull()
    const [from, to] = place!.lead!
    expect(patch).toContainEqual(from)
    const b = boxOfPlace(place!)
    expect(to[0] === b.minX || to[0] === b.maxX || to[1] === b.minY || to[1] === b.maxY).toBe(true)
    const [near] = placeLabels([label('Corner patch', patch)], [closed(patch)], frame, measure)
    expect(near!.lead).toBeNull()
    expect(boxOfPlace(near!).minY).toBeGreaterThan(116)
  })
  it('of things in a row never lie on each other, on a line or on what another names', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ w: fc.integer({ min: 8, max: 220 }), h: fc.integer({ min: 8, max: 140 }) }), {
          minLength: 1,
          maxLength: 9,
        }),
        (sizes) => {
          let x = 0
          const shapes = sizes.map(({ w, h }, i) => {
            const at = x
            // Names of up to twelve letters have their room beside each other, as on a board.
            x += Math.max(w, 110)
            return { key: `Part no ${i}`, path: square(at + (Math.max(w, 110) - w) / 2, -h, w, h) }
          })
          const places = placeLabels(
            shapes.map((s) => label(s.key, s.path)),
            shapes.map((s) => closed(s.path)),
            frame,
            measure,
          )
          expect(places.map((p) => p.key)).toEqual(shapes.map((s) => s.key))
          places.forEach((p, i) => {
            const a = boxOfPlace(p)
            for (const q of places.slice(i + 1)) {
              const b = boxOfPlace(q)
              expect(a.maxX <= b.minX || b.maxX <= a.minX || a.maxY <= b.minY || b.maxY <= a.minY).toBe(true)
            }
            for (const s of shapes) {
              const line = closed(s.path)
              for (let k = 1; k < line.length; k++) expect(segmentMeetsBox(line[k - 1]!, line[k]!, a)).toBe(false)
              if (s.key !== p.key) expect(segmentMeetsBox(middle(s.path), middle(s.path), a)).toBe(false)
            }
          })
        },
      ),
    )
  })
  it('stay in what is seen of the drawing', () => {
    // Too narrow for its name, at the upper edge of what is seen: the name goes below.
    const strip = square(100, 2, 12, 60)
    const seen = { minX: 0, maxX: 220, minY: 0, maxY: 120 }
    const [place] = placeLabels([{ ...label('Stay', strip), at: [106, -10] }], [closed(strip)], seen, measure)
    expect(boxOfPlace(place!).minY).toBeGreaterThan(62)
    expect(boxOfPlace(place!).maxY).toBeLessThan(120)
  })
  it('are rather laid on lines than cut off', () => {
    // All round are lines, so that only past the frame would a name stand free.
    const box = square(4, 4, 40, 24)
    const lines = Array.from({ length: 40 }, (_, i): Path => [
      [0, 3 * i],
      [120, 3 * i],
    ])
    const seen = { minX: 0, maxX: 120, minY: 0, maxY: 120 }
    const [place] = placeLabels([label('Toe cap', box)], [closed(box), ...lines], seen, measure)
    const b = boxOfPlace(place!)
    expect([b.minX >= 0, b.maxX <= 120, b.minY >= 0, b.maxY <= 120]).toEqual([true, true, true, true])
  })
  it('keep their names though there is no free place at all', () => {
    const same = square(0, 0, 20)
    const places = placeLabels(
      Array.from({ length: 40 }, (_, i) => label(`no ${i}`, same)),
      [closed(same)],
      frame,
      measure,
    )
    expect(places).toHaveLength(40)
    for (const p of places) expect(Number.isFinite(p.x) && Number.isFinite(p.y)).toBe(true)
  })
})

it('names are broken at words and commas, and no word is cut', () => {
  expect(inLines('Tape under the lacing, lateral', 12)).toEqual(['Tape under', 'the lacing', 'lateral'])
  expect(inLines('Insole', 12)).toEqual(['Insole'])
  expect(inLines('Counterlining', 5)).toEqual(['Counterlining'])
})
