import { developBottom } from '../last/developedBottom.ts'
import { landmarks } from '../last/landmarks.ts'
import type { LastSurface } from '../last/surface.ts'
import { lastedOutline, type LastedOutline } from '../layers/lastedOutline.ts'
import { PairDecisions } from '../model/pair.ts'
import type { RuleBook } from '../model/rules.ts'
import { stiffenerEnds } from '../parts/stiffener.ts'
import { stiffenerRules } from '../parts/stiffenerRules.ts'
import { puffBackAtFeather, puffRules } from '../parts/toePuff.ts'

/** Thickness of what will lie over a last, mm. */
export interface PlannedLayers {
  upper: number
  lining: number
  stiffener: number
  puff: number
}

/** The lasted outline of a last under layers that are only thought of yet: stiffener and puff end where the rules put them. */
export function lastedShoe(surface: LastSurface, layers: PlannedLayers, book: RuleBook): LastedOutline {
  const L = surface.length
  const { stiffener, puff } = PairDecisions.shape
  const ends = stiffenerEnds(L, surface.joints, stiffener.parse({}), book)
  return lastedOutline(developBottom(surface, landmarks(surface)), {
    ...layers,
    stiffenerEnd: { lateral: ends.lateral, medial: ends.medial },
    stiffenerSkive: book.value(stiffenerRules.topSkive),
    puffBack: puffBackAtFeather(L, puff.parse({}), book),
    puffSkive: book.value(puffRules.backSkive),
  })
}
