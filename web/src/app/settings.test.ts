import { describe, expect, it } from 'vitest'
import { lengthUnit, showFigure, showLength, showMinutes, showWork } from './settings.ts'
import { isTyping } from './shortcuts.ts'

describe('figures on screen', () => {
  it('lengths follow the chosen unit, other figures keep their own', () => {
    expect(showLength(58)).toBe('58.0 mm')
    expect(showFigure(58, 'mm')).toBe('58.0 mm')
    expect(showFigure(0.135, 'share')).toBe('0.135')
    expect(showFigure(12, 'min')).toBe('12 min')
    expect(showFigure(3, 'count')).toBe('3')
    lengthUnit.value = 'inch'
    expect(showLength(58)).toBe('2 5/16″')
    expect(showFigure(12, 'min')).toBe('12 min')
  })
  it.each([
    [0, '0 min'],
    [59.4, '59 min'],
    [60, '1 h'],
    [125, '2 h 5 min'],
    [1440, '1 d'],
    [4320 + 240, '3 d 4 h'],
  ])('%s minutes are said as %s', (minutes, words) => expect(showMinutes(minutes)).toBe(words))
  it('work is told in hours, however many', () => {
    expect([45, 60, 125, 26 * 60 + 5].map(showWork)).toEqual(['45 min', '1 h', '2 h 5 min', '26 h 5 min'])
  })
})

it('single keys are not taken from somebody who is typing', () => {
  const make = (html: string) => {
    const div = document.createElement('div')
    div.innerHTML = html
    return div.firstElementChild
  }
  expect(isTyping(make('<input type="text">'))).toBe(true)
  expect(isTyping(make('<textarea></textarea>'))).toBe(true)
  expect(isTyping(make('<select></select>'))).toBe(true)
  expect(isTyping(make('<input type="range">'))).toBe(false)
  expect(isTyping(make('<button></button>'))).toBe(false)
  expect(isTyping(null)).toBe(false)
})
