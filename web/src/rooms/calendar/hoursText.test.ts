import { describe, expect, it } from 'vitest'
import { hoursText, minutesOfDay, readHours, timeOfMinutes } from './hoursText.ts'

describe('hours of a day', () => {
  it.each([
    [
      '8:00 to 12:00, 13:00 to 17:00',
      [
        [480, 720],
        [780, 1020],
      ],
    ],
    [
      '8-12, 13.30-17',
      [
        [480, 720],
        [810, 1020],
      ],
    ],
    [
      '7:15 – 12 and 12 – 15:45',
      [
        [435, 720],
        [720, 945],
      ],
    ],
    ['free', []],
    ['', []],
  ] as const)('are read from %s', (text, hours) => {
    expect(readHours(text)).toEqual(hours)
    expect(readHours(hoursText(hours))).toEqual(hours)
  })
  it.each(['8 to', 'morning', '12 to 8', '8 to 12, 11 to 13', '8 to 25', '8:60x to 9'])('cannot be %s', (text) => {
    expect(readHours(text)).toBeNull()
  })
})

it('a time of day is read as it is written, and nothing else', () => {
  expect(['8:30', '8.05', '17', ' 0:00 '].map(minutesOfDay)).toEqual([510, 485, 1020, 0])
  expect(['24:00', '8:60', 'noon', '', '8:3'].map(minutesOfDay)).toEqual([null, null, null, null, null])
  for (const minutes of [0, 5, 510, 1439]) expect(minutesOfDay(timeOfMinutes(minutes))).toBe(minutes)
})
