import { describe, expect, it } from 'vitest'
import { lastNames, lastWithHeel, upperNeeds } from '../../../test/lastsWithHeels.ts'
import { distance, pathLength, signedArea, type Path, type Point } from '../../geometry/path.ts'
import { pointsAt } from '../../geometry/polyline.ts'
import type { RuleFigures } from '../../model/pair.ts'
import { UpperDecisions } from '../../model/upper.ts'
import { spoken } from '../../units/sentence.ts'
import { RuleBook } from '../../trade/rules.ts'
import { DesignBoard } from '../designPoints.ts'
import { deriveUpper, drawBase } from '../upper.ts'

const drawn = (...of: Parameters<typeof upperNeeds>) => drawBase(upperNeeds(...of))!.drawn

/** Points of a line every half millimetre. */
const dense = (line: Path): Point[] => {
  const whole = pathLength(line)
  return pointsAt(
    line,
    Array.from({ length: Math.floor(2 * whole) + 1 }, (_, i) => i / 2),
  )
}

describe('a pull-on boot', () => {
  const style = 'pull-on boot'
  it.each(lastNames)(
    'on the %s last lets the short heel of that last through, wherever it is measured across',
    (name) => {
      const { front, backLine } = drawn(name, { style })
      const back = dense(backLine!)
      const narrowest = Math.min(...dense(front!).map((p) => Math.min(...back.map((q) => distance(p, q)))))
      expect(2 * narrowest).toBeGreaterThan(lastWithHeel(name).heelGirth - 0.3)
      // And is no sack: nowhere more than a thumb wider than it must be.
      expect(2 * narrowest).toBeLessThan(lastWithHeel(name).heelGirth + 20)
    },
  )
  it('is as much wider as a house asks for', () => {
    const top = (rules: RuleFigures) => drawn('boot', { style }, rules).topLine.lateral[0]!
    expect(distance(top({ 'upper.pullOnEase': 1.06 }), top({}))).toBeCloseTo(0.03 * lastWithHeel('boot').heelGirth, 6)
  })
  it('that was drawn too narrow is told, and its button mends it', () => {
    const board = new DesignBoard(
      lastWithHeel('boot').map,
      new RuleBook({}, {}),
      UpperDecisions.parse({ style }),
      lastWithHeel('boot').heelGirth,
    )
    const plain = deriveUpper(upperNeeds('boot', { style }))
    const instep = plain.points.find((p) => p.id === 'shaftInstep')!
    const [x, y] = instep.at.lateral
    const points = { 'shaftInstep:both': board.placeFor(instep, 'lateral', [x - 14, y]) }
    const told = deriveUpper(upperNeeds('boot', { style, points })).findings.find((f) => f.id === 'upper.pullOn')!
    expect(told.level).not.toBe('fine')
    expect(told.limit - told.measured).toBeGreaterThan(15)
    expect(told.remedy?.kind).toBe('choice')
    const decided = told.remedy?.kind === 'choice' ? told.remedy.decisions.upper?.points : undefined
    const mended = deriveUpper(upperNeeds('boot', { style, points: { ...points, ...(decided as typeof points) } }))
    expect(mended.findings.find((f) => f.id === 'upper.pullOn')!.level).toBe('fine')
  })
  it('has two loops a shoe, as long as what stands above the top line and is sewn in, twice', () => {
    const u = deriveUpper(upperNeeds('walking', { style }))
    const loops = u.pieces.filter((p) => p.id.startsWith('pullLoop'))
    expect(loops.map((p) => p.side)).toEqual(['lateral', 'medial'])
    for (const loop of loops) {
      expect(signedArea(loop.outline)).toBeCloseTo(22 * 2 * (35 + 30), 9)
      expect(Math.abs(loop.grain.to[1] - loop.grain.from[1])).toBeGreaterThan(50)
    }
    expect(u.lacing).toBeNull()
  })
})

describe('a laced boot', () => {
  const style = 'laced boot'
  it.each(lastNames)('on the %s last has its hooks above the bend and its eyelets on the instep', (name) => {
    const { map } = lastWithHeel(name)
    const { lacing } = deriveUpper(upperNeeds(name, { style }))
    const rim = map.rim[map.rim.length - 1]!
    for (const { at, hook } of lacing!.pairs) {
      // What lies lower than the cone's front edge and before it is on the instep of the last.
      if (at.lateral[1] > rim[1]) expect(hook).toBe(true)
      if (!hook) expect(at.lateral[0]).toBeGreaterThan(rim[0])
    }
    expect(lacing!.pairs.filter((p) => p.hook).length).toBeGreaterThanOrEqual(3)
    expect(lacing!.pairs.filter((p) => !p.hook).length).toBeGreaterThanOrEqual(3)
  })
  it('is laced as far apart in the air as it was drawn: the gap and twice the distance from the edge', () => {
    const { lacing } = deriveUpper(upperNeeds('boot', { style }))
    for (const p of lacing!.pairs.slice(0, lacing!.hooks - 1)) expect(p.gap).toBeCloseTo(12 + 2 * 11, 0)
  })
  it('takes a lace whose crosses are the hypotenuse of gap and spacing', () => {
    const { lacing } = deriveUpper(upperNeeds('boot', { style }))
    const { pairs, spacing, laceThrough } = lacing!
    const byHand = pairs
      .slice(1)
      .reduce((sum, p, i) => sum + 2 * Math.hypot((p.gap + pairs[i]!.gap) / 2, spacing), pairs[pairs.length - 1]!.gap)
    // On the instep the row bends: there the two differ by a little.
    expect(Math.abs(laceThrough - byHand)).toBeLessThan(0.03 * byHand)
  })
  it.each(lastNames)('on the %s last stands upright over the heel, and its top line runs on without a step', (name) => {
    const { map } = lastWithHeel(name)
    const { backLine, topLine } = drawn(name, { style })
    const n = backLine!.length
    const [a, b] = [backLine![n - 6]!, backLine![n - 1]!].map((p) => map.toLast('lateral', p))
    expect(Math.abs(Math.atan2(b![0] - a![0], b![2] - a![2]))).toBeLessThan(0.03)
    // Seen from the side its points are as far apart on the last as on the forme.
    for (const side of ['lateral', 'medial'] as const) {
      const line = dense(topLine[side])
      const seen = line.map((p) => map.toLast(side, p))
      seen.slice(1).forEach((p, i) => {
        const across = Math.hypot(p[0] - seen[i]![0], p[2] - seen[i]![2])
        expect(Math.abs(across - distance(line[i + 1]!, line[i]!))).toBeLessThan(0.12)
      })
    }
  })
  it('passes its own checks on a last it is made for', () => {
    const u = deriveUpper(upperNeeds('boot', { style }))
    expect(u.findings.filter((f) => f.level === 'stop').map((f) => spoken(f.sentence))).toEqual([])
  })
})
