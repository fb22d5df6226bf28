import { describe, expect, it } from 'vitest'
import { boardId } from '../../test/samplePair.ts'
import { keptCache } from '../../test/keptCache.ts'
import { pairOfEachStyle } from '../../test/warmAndCold.ts'
import { traitsOf } from '../model/construction.ts'
import { planPair } from '../plan/planPair.ts'
import { spoken } from '../units/sentence.ts'
import { howToCards, howTosFor } from './howTo.ts'
import { WorkDecisions } from '../model/work.ts'
import { tools, type ToolId } from './tools.ts'

const cache = keptCache(12)
const inputs = Object.values(pairOfEachStyle)
/** By hand on a leather insole, and by machine on a board, in another order of work. */
const makers = [
  { by: 'hand', ways: {}, materials: {} },
  { by: 'machine', ways: { lasting: 'lining first', rest: 'drafted and left' }, materials: { insole: boardId } },
] as const
const steps = inputs.flatMap((input) =>
  makers.flatMap(({ by, ways, materials }) => {
    const d = input.decisions
    if (traitsOf(d.construction).welted && 'insole' in materials) return []
    const work = WorkDecisions.parse({ ways })
    const decisions = { ...d, stitching: { by, own: {} }, materials: { ...d.materials, ...materials }, work }
    return planPair({ ...input, decisions }, cache).steps
  }),
)

describe('cards of technique', () => {
  it('each is shown at some step, and names none that no pair has', () => {
    const keys = new Set(steps.map((s) => s.key))
    const used = new Set(steps.flatMap((s) => s.tools))
    for (const card of howToCards) {
      expect(
        card.steps.filter((key) => !keys.has(key)),
        card.id,
      ).toEqual([])
      expect(
        card.tools.filter((tool) => !used.has(tool)),
        card.id,
      ).toEqual([])
      expect(
        steps.some((s) => howTosFor(s).includes(card)),
        card.id,
      ).toBe(true)
    }
  })
  it('every tool that is laid out is one that some step needs', () => {
    const used = new Set<ToolId>(steps.flatMap((s) => s.tools))
    const rare: ToolId[] = ['lastingMachine', 'warm', 'spray', 'screwdriver']
    expect((Object.keys(tools) as ToolId[]).filter((t) => !used.has(t) && !rare.includes(t))).toEqual([])
  })
  it('have ids and titles of their own, and say something', () => {
    expect(new Set(howToCards.map((c) => c.id)).size).toBe(howToCards.length)
    expect(new Set(howToCards.map((c) => c.name)).size).toBe(howToCards.length)
    for (const card of howToCards) for (const t of card.text) expect(spoken(t).length, card.id).toBeGreaterThan(30)
  })
  it('come with the step they are for: the plier’s twist at the toe, evening the ends at a welt seam', () => {
    const at = (key: string) => howTosFor(steps.find((s) => s.key === key)!).map((c) => c.id)
    expect(at('last-toe')).toEqual(expect.arrayContaining(['pliers', 'tack', 'feather-edge']))
    expect(at('sew-welt')).toEqual(expect.arrayContaining(['two-needles', 'wax-awl', 'knots']))
    expect(at('print')).toEqual([])
  })
})
