import { HideFields, signedArea, type Point } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { broughtHide, marked, middleThickness, roundPatch, soundArea, straight } from './hideFigures.ts'

const hide = HideFields.parse({ name: 'Calf 1', outline: straight(900, 400) })

describe('a hide', () => {
  it('is as large as it is without its flaws', () => {
    const flawed = marked(hide, 'hole', straight(100, 50))
    expect(soundArea(flawed)).toBe(900 * 400 - 5000)
    // A lesser part is still leather.
    expect(soundArea(marked(hide, 'lesser', straight(100, 50)))).toBe(900 * 400)
    expect(HideFields.safeParse(flawed).success).toBe(true)
  })
  it('brought in by camera begins at 0, its holes where they were in it', () => {
    const round = (x: number, y: number, r: number, n: number): Point[] =>
      Array.from({ length: n }, (_, k) => [
        x + r * Math.cos((2 * Math.PI * k) / n),
        y + r * Math.sin((2 * Math.PI * k) / n),
      ])
    const { outline, flaws } = broughtHide(round(-300, 50, 400, 3000), [round(-200, 50, 12, 40)])
    expect(outline.length).toBeLessThanOrEqual(300)
    expect(Math.min(...outline.map((p) => p[0]))).toBeCloseTo(0, 0)
    expect(signedArea(outline) / (Math.PI * 400 ** 2)).toBeCloseTo(1, 2)
    const middle = flaws[0]!.outline.reduce((s, p) => [s[0] + p[0] / 40, s[1] + p[1] / 40] as Point, [0, 0] as Point)
    expect(middle[0]).toBeCloseTo(500, 0)
    expect(middle[1]).toBeCloseTo(400, 0)
    expect(HideFields.safeParse({ name: 'x', outline, flaws }).success).toBe(true)
  })
  it('is as thick as the middle of what was measured on it', () => {
    const at = (thickness: number) => ({ at: [0, 0] as [number, number], thickness })
    expect(middleThickness({ samples: [] })).toBeNull()
    expect(middleThickness({ samples: [at(1.2), at(1.6), at(1.4)] })).toBe(1.4)
  })
  it('is marked with a round patch as wide as it was said to be', () => {
    const patch = roundPatch([100, 60], 30)
    expect(Math.max(...patch.map((p) => p[0])) - Math.min(...patch.map((p) => p[0]))).toBeCloseTo(30, 6)
    expect(signedArea(patch)).toBeCloseTo(8 * 15 ** 2 * Math.sin(Math.PI / 8), -1)
  })
  it('whose edge crosses itself is refused with a sentence', () => {
    const crossed = HideFields.safeParse({
      name: 'x',
      outline: [
        [0, 0],
        [100, 100],
        [100, 0],
        [0, 100],
      ],
    })
    expect(crossed.error?.issues[0]?.message).toBe('The outline crosses itself: draw it round once.')
  })
})
