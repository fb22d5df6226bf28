import { describe, expect, it } from 'vitest'
import { clockFace, timeOfDay } from './clockFace.ts'

describe('clocks', () => {
  it.each([
    [-5, '0:00'],
    [5_000, '0:05'],
    [20 * 60_000, '20:00'],
    [3_600_000 + 129_000, '1:02:09'],
    [3 * 86_400_000 + 5 * 3_600_000, '3 d 5 h'],
  ])('%s ms read %s', (ms, face) => expect(clockFace(ms)).toBe(face))
  it('names the day only when it is another one', () => {
    const now = new Date(2026, 0, 5, 9, 0).getTime()
    expect(timeOfDay(new Date(2026, 0, 5, 23, 0).getTime(), now)).toBe('23:00')
    expect(timeOfDay(new Date(2026, 0, 6, 7, 30).getTime(), now)).toBe('Tue 6 Jan, 07:30')
  })
})
