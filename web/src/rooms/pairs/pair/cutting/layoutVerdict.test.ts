import { afterEach, describe, expect, it } from 'vitest'
import { lengthUnit } from '../../../../app/settings.ts'
import { layoutVerdict } from './layoutVerdict.ts'

afterEach(() => (lengthUnit.value = 'mm'))
const news = { placements: [], left: 0, area: 135_000, reach: 341, progress: 1 }

describe('what a layout comes to', () => {
  it('is how much of the sheet is used, and what of it the pieces cover', () => {
    // 341 x 600 mm are 20.46 dm2; 13.5 of them are 65.98 %.
    expect(layoutVerdict(news, 600, false)).toBe(
      'All of it from 341 mm of the sheet: 20.5 dm², of which the pieces cover 66 %.',
    )
  })
  it('is said in inches and square feet where the screen is in inches', () => {
    lengthUnit.value = 'inch'
    // 12 x 24 inches are two square feet, half of them covered.
    expect(layoutVerdict({ ...news, reach: 12 * 25.4, area: 92_903 }, 24 * 25.4, false)).toBe(
      'All of it from 12″ of the sheet: 2.00 sq ft, of which the pieces cover 50 %.',
    )
  })
  it('names what has no place, and while it is looked for says no more than that', () => {
    expect(layoutVerdict({ ...news, left: 3 }, 600, true)).toBe('For 3 pieces no place is found yet.')
    expect(layoutVerdict({ ...news, left: 3 }, 600, false)).toBe('For 3 pieces no place was found on this sheet.')
    expect(layoutVerdict({ ...news, left: 1 }, 600, false)).toBe('For one piece no place was found on this sheet.')
  })
})
