import { describe, expect, it } from 'vitest'
import { signedArea } from '../geometry/path.ts'
import { skiveOutline } from './skiveOutline.ts'

const area = (...args: Parameters<typeof skiveOutline>) => Math.abs(signedArea(skiveOutline(...args)))

describe('a skive in section', () => {
  it('rises to the whole leather, which goes on past it', () => {
    // A triangle over 5 mm and 1.4 mm thick leather from there to 20 mm.
    expect(
      area(
        [
          [0, 0],
          [5, 1.4],
        ],
        1.4,
        20,
      ),
    ).toBeCloseTo((5 * 1.4) / 2 + 15 * 1.4, 9)
  })
  it('of a strip that is thin as far as it goes ends with it', () => {
    expect(
      area(
        [
          [0, 0],
          [5, 0.8],
          [18, 0.8],
        ],
        1.4,
        30,
      ),
    ).toBeCloseTo((5 * 0.8) / 2 + 13 * 0.8, 9)
  })
})
