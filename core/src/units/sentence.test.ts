import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MM_PER_INCH, readLength } from './length.ts'
import { bare, joined, mm, mmTo, say, spoken, type Sentence } from './sentence.ts'

describe('a sentence with lengths', () => {
  it('is written in the unit of whoever reads it', () => {
    const wall = say`The wall is ${mm(5.234, 1)} at its thickest; up to ${bare(5)} are usual, ${mmTo(4, 6)} at the toe.`
    expect(spoken(wall)).toBe('The wall is 5.2 mm at its thickest; up to 5 are usual, 4 to 6 mm at the toe.')
    expect(spoken(wall, 'inch')).toBe(
      'The wall is 13/64″ at its thickest; up to 13/64″ are usual, 5/32″ to 15/64″ at the toe.',
    )
  })
  it('is plain text where there is no length', () => {
    expect(say`Cut ${2} of ${'them'}.`).toBe('Cut 2 of them.')
    expect(say``).toBe('')
  })
  it('takes others in, and stays one that can be written either way', () => {
    const away = say`${mm(25.4)} away`
    const whole = say`It lies ${away}${' and'} ${say`${mm(50.8)} further`}.`
    expect(spoken(whole, 'inch')).toBe('It lies 1″ away and 2″ further.')
    expect(spoken(joined([whole, 'Move it.'], ' '))).toBe('It lies 25.4 mm away and 50.8 mm further. Move it.')
  })
  it('never says that what is finer than an inch rule shows is nothing', () => {
    expect(spoken(say`off by ${mm(0.1, 1)}, by ${mm(0)}`, 'inch')).toBe('off by less than 1/64″, by 0″')
  })
  it('survives being sent', () => {
    const sent = JSON.parse(JSON.stringify(say`At ${mm(12.5)}.`)) as Sentence
    expect(spoken(sent)).toBe('At 12.5 mm.')
  })
  it('writes what there is, to the hundredth, where no digits are asked for', () => {
    expect(spoken(say`${mm(4.199999999)}, ${mm(12)}, ${mm(0.125)}`)).toBe('4.2 mm, 12 mm, 0.13 mm')
  })
  it('in inches is off by no more than half of its finest part', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 400, noNaN: true }), (value) => {
        const read = readLength(spoken(say`${mm(value)}`, 'inch'))
        const finest = value < MM_PER_INCH / 2 ? 64 : 16
        expect(Math.abs((read ?? NaN) - value)).toBeLessThanOrEqual(MM_PER_INCH / finest / 2 + 1e-9)
      }),
    )
  })
})
