import { buildLast, firstSelfIntersection, planPair, styles, UpperDecisions } from '@gentle-awl/core'
import { expect, it } from 'vitest'
import { demoFoundLasts, demoLasts } from './lasts.ts'
import { demoMaterials, demoPairs } from './workshop.ts'
import { keptCache } from '../../../core/test/keptCache.ts'

const shelf = [...demoLasts, ...demoFoundLasts()]
const cache = keptCache(12)

it.each(shelf.map((last) => [last.name, last] as const))(
  'every style on %s gives closed pieces that do not cross themselves, and seams that fit',
  (_name, last) => {
    expect(buildLast(last).length).toBeGreaterThan(200)
    for (const style of styles) {
      const plan = planPair(
        {
          decisions: {
            ...demoPairs[0]!.decisions,
            upper: UpperDecisions.parse({ style, options: { toeCap: true, counter: true } }),
          },
          last,
          materials: demoMaterials,
          houseRules: {},
        },
        cache,
      )
      for (const piece of plan.upper.pieces) {
        expect(firstSelfIntersection(piece.net), `${style}, ${piece.name}`).toBeNull()
        expect(firstSelfIntersection(piece.outline), `${style}, ${piece.name}, cut`).toBeNull()
      }
      for (const join of plan.upper.joins) expect(Math.abs(join.ease), `${style}, ${join.seam}`).toBeLessThan(0.3)
    }
  },
)
