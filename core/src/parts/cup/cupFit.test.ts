import { describe, expect, it } from 'vitest'
import { sampleMeasures } from '../../../test/samplePair.ts'
import { offset } from '../../geometry/polygonClip.ts'
import { rotate, translate, type Path } from '../../geometry/path.ts'
import { generateLast } from '../../last/generate.ts'
import { RuleBook } from '../../trade/rules.ts'
import { cupFit } from './cupFit.ts'
import { lastedShoe } from './lastedShoe.ts'
import { spoken } from '../../units/sentence.ts'

const book = new RuleBook({}, {})
const walking = generateLast(sampleMeasures.walking)

describe('a cup sole', () => {
  const shoe = lastedShoe(walking, { upper: 1.4, lining: 0.9, stiffener: 1.2, puff: 1 }, book).outline
  const anywhere = (p: Path): [number, number][] =>
    translate(rotate(p, 127), 300, -40).map(([x, y]): [number, number] => [x, y])
  const sole = (by: number) => ({ outline: anywhere(offset(shoe, by)), turned: false, flipped: false })

  it('drawn round the shoe at an even distance has that room everywhere, wherever it lay', () => {
    const fit = cupFit(shoe, sole(1), book)
    expect(fit.verdict).toBe('good')
    expect(fit.least.room).toBeGreaterThan(0.7)
    expect(fit.most.room).toBeLessThan(1.4)
    expect(fit.finding.level).toBe('fine')
    expect(fit.clearance).toHaveLength(shoe.length)
  })
  it('is tight, roomy or gappy by its size', () => {
    const tight = cupFit(shoe, sole(-1.2), book)
    expect(tight.verdict).toBe('tight')
    expect(tight.least.room).toBeCloseTo(-1.2, 0)
    expect(tight.finding).toMatchObject({ level: 'stop' })
    expect(spoken(tight.finding.sentence)).toMatch(/1\.\d mm larger than the cup/)
    expect(cupFit(shoe, sole(2), book).verdict).toBe('roomy')
    expect(cupFit(shoe, sole(4), book).verdict).toBe('gappy')
  })
  it('the other foot, another size or a line that crosses itself is noticed', () => {
    const mirrored = { ...sole(1), flipped: true }
    expect(cupFit(shoe, mirrored, book).least.room).toBeLessThan(0)
    expect(() => cupFit(shoe, { ...sole(1), outline: anywhere(offset(shoe, 25)) }, book)).toThrow(/different sizes/)
    const loop = Array.from({ length: 40 }, (_, i): [number, number] => [
      140 * Math.cos((i / 40) * 2 * Math.PI),
      50 * Math.sin((i / 20) * 2 * Math.PI),
    ])
    expect(() => cupFit(shoe, { outline: loop, turned: false, flipped: false }, book)).toThrow(/crosses itself/)
  })
  it('thicker layers leave less room', () => {
    const thicker = lastedShoe(walking, { upper: 2.2, lining: 0.9, stiffener: 1.2, puff: 1 }, book).outline
    const [a, b] = [cupFit(shoe, sole(1.5), book), cupFit(thicker, sole(1.5), book)]
    expect(a.least.room - b.least.room).toBeCloseTo(0.8, 0)
  })
})
