import { beforeAll, describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../test/samplePair.ts'
import { offset } from '../geometry/polygonClip.ts'
import { nearest, resample } from '../geometry/polyline.ts'
import { distance, rotate, translate, type Path, type Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { generateLast } from '../last/generate.ts'
import type { LastSurface } from '../last/surface.ts'
import type { Taping } from '../model/upper.ts'
import { makeForme, referencePoints, type Forme } from './forme.ts'
import { FormeMap } from './formeMap.ts'
import { flatOutline, guessReferences } from './taped.ts'

let surface: LastSurface
let forme: Forme
beforeAll(() => {
  surface = generateLast(sampleMeasures.walking)
  forme = makeForme(surface, 'true seams', 'back and vamp')
})
const outlineOf = (side: Side) => resample(flatOutline(forme, forme.flat[side]), 300, true)
const marksOf = (side: Side) => referencePoints(surface, forme.walls, forme.flat[side])
/** As somebody would have it on his screen: turned, moved, the medial one face down. */
const drawn = (path: Path, side: Side): Path => {
  const flip = side === 'medial' ? path.map(([x, y]): Point => [x, -y]) : path
  return translate(rotate(flip, 37), 120, -80)
}
const tapingOf = (side: Side, outline: Path, marks = marksOf(side)): Taping => {
  const [back, vamp] = drawn(marks, side)
  return { outline: drawn(outline, side).map(([x, y]) => [x, y]), back: [...back!], vamp: [...vamp!] }
}
const both = (of: (side: Side) => Taping) => ({ lateral: of('lateral'), medial: of('medial') })

describe('a forme from tape', () => {
  it('of the computed sheets themselves is the computed forme, however they lie on the paper', () => {
    const taped = makeForme(
      surface,
      'true seams',
      'back and vamp',
      both((s) => tapingOf(s, outlineOf(s))),
    )
    expect(taped.taped?.mean).toBeLessThan(0.3)
    expect(taped.flipped).toBe(0)
    let worst = 0
    for (let v = 0; v < taped.mean.length; v += 2) {
      worst = Math.max(worst, Math.hypot(taped.mean[v]! - forme.mean[v]!, taped.mean[v + 1]! - forme.mean[v + 1]!))
    }
    expect(worst).toBeLessThan(1.2)
  })
  it('that was cut a millimetre large gives a forme a millimetre large, still mapped there and back', () => {
    const large = makeForme(
      surface,
      'true seams',
      'back and vamp',
      both((s) => tapingOf(s, resample(offset(outlineOf(s), 1), 400, true))),
    )
    expect(large.taped?.mean).toBeGreaterThan(0.7)
    expect(large.taped?.mean).toBeLessThan(1.6)
    const map = new FormeMap(surface, large)
    for (let x = 30; x < 240; x += 23) {
      const p: Point = [x, 24]
      expect(distance(map.fromLast('lateral', map.toLast('lateral', p)), p)).toBeLessThan(0.05)
    }
  })
  it('finds its reference points by itself, either way up', () => {
    for (const side of ['lateral', 'medial'] as const) {
      const outline = drawn(outlineOf(side), side)
      const guess = guessReferences(outline, flatOutline(forme, forme.flat[side]), marksOf(side))
      const [back, vamp] = drawn(marksOf(side), side)
      expect(distance(guess.back, back!)).toBeLessThan(2)
      expect(distance(guess.vamp, vamp!)).toBeLessThan(2)
      expect(nearest(outline, guess.vamp, true).away).toBeLessThan(1e-6)
    }
  })
  it('of another last, or with its points in the wrong place, is refused with the corner it misses', () => {
    const wrong = both((s) => ({
      ...tapingOf(s, outlineOf(s)),
      vamp: [...drawn([[60, 10]], s)[0]!] as [number, number],
    }))
    expect(() => makeForme(surface, 'true seams', 'back and vamp', wrong)).toThrow(
      /taping does not fit this last: at the .* mm away/,
    )
  })
})
