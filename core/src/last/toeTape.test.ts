import { beforeAll, describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { dist3 } from '../geometry/vec3.ts'
import { generateLast } from './generate.ts'
import { landmarks } from './landmarks.ts'
import { atX, ridgeAndToe, type LastSurface } from './surface.ts'
import { toeTape, type ToeTape } from './toeTape.ts'

describe.each(['flat', 'walking', 'heeled', 'boot'] as const)('a tape over the toe of the %s last', (name) => {
  let last: LastSurface
  let tape: ToeTape
  beforeAll(() => {
    last = generateLast(sampleMeasures[name])
    tape = toeTape(last)
  })
  it('reads nothing at the foremost point', () => {
    const tip = landmarks(last).toeTip
    expect(Math.abs(tape.placeOf(0) - tip[0])).toBeLessThan(0.05)
  })
  it('is read back: the place of a reading reads so much', () => {
    for (let r = 5; r <= 120; r += 7) expect(tape.readingAt(tape.placeOf(r))).toBeCloseTo(r, 6)
  })
  it('is never shorter than the straight way, and grows by at least as much as the place goes back', () => {
    const ridge = ridgeAndToe(last)
    const tip = ridge.reduce((a, b) => (b[0] > a[0] ? b : a))
    for (let x = 0.6 * last.length; x < last.length - 4; x += 3) {
      const straight = dist3(tip, atX(ridge, x))
      expect(tape.readingAt(x)).toBeGreaterThan(straight - 0.3)
      expect(tape.readingAt(x) - tape.readingAt(x + 3)).toBeGreaterThan(2.999)
    }
  })
  it('between two places of the toe box reads the ridge measured in small steps', () => {
    const ridge = ridgeAndToe(last)
    const [from, to] = [0.75 * last.length, 0.9 * last.length]
    let run = 0
    for (let k = 0; k < 400; k++) {
      const at = (i: number) => atX(ridge, from + ((to - from) * i) / 400)
      run += dist3(at(k), at(k + 1))
    }
    expect(tape.readingAt(from) - tape.readingAt(to)).toBeCloseTo(run, 1)
  })
})
