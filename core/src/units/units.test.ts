import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mmFromOunces, ouncesFromMm } from './leather.ts'
import { readFigure } from './figure.ts'
import { inchFraction, readLength } from './length.ts'
import { lastFromSize, sizeFromLast, sizeSystems } from './sizes.ts'

describe('inches', () => {
  it.each([
    [25.4, '1″'],
    [34.925, '1 3/8″'],
    [12.7, '1/2″'],
    [0, '0″'],
    [1.5875, '1/16″'],
    [25.3, '1″'],
  ])('%s mm is %s', (mm, text) => expect(inchFraction(mm)).toBe(text))

  it('reads back what it writes to within half a sixteenth', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 400, noNaN: true }), (mm) => {
        const back = readLength(inchFraction(mm))
        expect(back).not.toBeNull()
        expect(Math.abs((back as number) - mm)).toBeLessThanOrEqual(25.4 / 32 + 1e-9)
      }),
    )
  })

  it.each([
    ['12', 12],
    ['12.5 mm', 12.5],
    ['12,5', 12.5],
    ['3/16"', 4.7625],
    ['1 3/8 in', 34.925],
    ['2 in', 50.8],
  ])('reads %s', (text, mm) => expect(readLength(text)).toBeCloseTo(mm, 6))
  it.each(['', 'wide', '1/0 in', '--4'])('refuses "%s"', (text) => expect(readLength(text)).toBeNull())
})

describe('a figure', () => {
  it.each([
    ['12', 12],
    ['1,2', 1.2],
    ['1.2 mm', 1.2],
    ['-4', -4],
    ['−0,5', -0.5],
    [',5', 0.5],
    ['1/3', 1 / 3],
    ['1 1/2', 1.5],
    [' 2 ', 2],
  ])('is read from "%s"', (text, value) => expect(readFigure(text)).toBeCloseTo(value, 12))
  it.each(['', '1.234,5', '1,2,3', '12 13', 'about 3', '1/0', '1e3', '--4', 'Infinity'])(
    'is not guessed from "%s"',
    (text) => expect(readFigure(text)).toBeNull(),
  )
  it('is the same with comma and point, whatever it is', () => {
    fc.assert(
      fc.property(fc.integer({ min: -99999, max: 99999 }), (n) => {
        const text = (n / 100).toFixed(2)
        expect(readFigure(text)).toBe(n / 100)
        expect(readFigure(text.replace('.', ','))).toBe(n / 100)
      }),
    )
  })
})

describe('leather', () => {
  it('64 ounces are an inch', () => expect(mmFromOunces(64)).toBeCloseTo(25.4, 9))
  it('goes there and back', () => expect(mmFromOunces(ouncesFromMm(2.4))).toBeCloseTo(2.4, 12))
})

describe('sizes', () => {
  it('knows the fixed points of each system', () => {
    expect(sizeFromLast('paris', 280)).toBeCloseTo(42, 9)
    expect(sizeFromLast('uk', (35 * 25.4) / 3)).toBeCloseTo(10, 9)
    expect(sizeFromLast('us men', 290) - sizeFromLast('uk', 290)).toBeCloseTo(1, 9)
    expect(sizeFromLast('us women', 250) - sizeFromLast('uk', 250)).toBeCloseTo(2.5, 9)
    expect(sizeFromLast('mondopoint', 285)).toBe(270)
  })
  it('finds the last again from the size', () => {
    fc.assert(
      fc.property(fc.constantFrom(...sizeSystems), fc.double({ min: 200, max: 330, noNaN: true }), (system, length) => {
        expect(lastFromSize(system, sizeFromLast(system, length))).toBeCloseTo(length, 6)
      }),
    )
  })
})
