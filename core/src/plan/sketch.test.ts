import { expect, it } from 'vitest'
import { keptCache } from '../../test/keptCache.ts'
import { samplePair } from '../../test/samplePair.ts'
import { cardOf } from './cardOf.ts'
import { formeStage, lastStage, planPair } from './planPair.ts'
import { sketchOf } from './sketch.ts'

const cache = keptCache()
const input = samplePair()

function sketched(decisions: typeof input.decisions) {
  const plan = planPair({ ...input, decisions }, cache)
  const map = formeStage(lastStage(input.last, cache), decisions.upper.forme, cache)
  return { plan, sketch: sketchOf(plan, map, { ...input, decisions }), card: cardOf({ ...input, decisions }, cache) }
}

it('a sketch is the picture that the pair will have, and says nothing against a pair that can be made', () => {
  const { sketch, card } = sketched(input.decisions)
  expect(sketch.shapes).toEqual(card.shapes)
  expect(sketch.worst).toBe(card.worst)
  expect(sketch.stops.length > 0).toBe(card.worst === 'stop')
})

it('says each stop once, with what it belongs to', () => {
  const { sketch, plan } = sketched({ ...input.decisions, puff: { ...input.decisions.puff, length: 120 } })
  const part = plan.parts.find((p) => p.id === 'puff')!
  const stop = part.findings.find((f) => f.level === 'stop')!
  expect(sketch.worst).toBe('stop')
  expect(sketch.stops).toContainEqual({ where: part.name, sentence: stop.sentence })
  expect(new Set(sketch.stops.map((s) => JSON.stringify(s))).size).toBe(sketch.stops.length)
})

it('shows the eyelets of a laced shoe, and none of a slip-on', () => {
  const rounds = (decisions: typeof input.decisions) =>
    sketched(decisions).sketch.shapes.filter(({ kind }) => kind === 'eyelet')
  const laced = rounds(input.decisions)
  expect(laced).toHaveLength(5)
  for (const { path } of laced) {
    const wide = Math.max(...path.map((p) => p[0])) - Math.min(...path.map((p) => p[0]))
    // Holes of 4 mm, seen from the side on a wall that leans.
    expect(wide).toBeGreaterThan(2)
    expect(wide).toBeLessThan(4.6)
  }
  expect(rounds({ ...input.decisions, upper: { ...input.decisions.upper, style: 'court' } })).toEqual([])
})
