import { developBottom } from '../../last/developedBottom.ts'
import type { Side } from '../../trade/side.ts'
import { landmarks } from '../../last/landmarks.ts'
import type { LastSurface } from '../../last/surface.ts'
import { lastedOutline, type LastedOutline } from '../../layers/lastedOutline.ts'
import { PairDecisions } from '../../model/pair.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { stiffenerEnds } from '../stiffener/stiffener.ts'
import { stiffenerRules } from '../stiffener/rules.ts'
import { puffBackAtFeather, puffRules } from '../puff/toePuff.ts'

/** Thickness of what will lie over a last, mm. */
export interface PlannedLayers {
  upper: number
  lining: number
  stiffener: number
  puff: number
}

/** Where those layers end on the feather line, x from the heel back, and the widths of their skives, mm. */
export interface PlannedEnds {
  stiffenerEnd: Record<Side, number>
  stiffenerSkive: number
  puffBack: number
  puffSkive: number
}

/** Thickness outside the last at a place of the feather line: a skived front counts straight from nothing to full. */
export function plannedThickness(layers: PlannedLayers & PlannedEnds, side: Side, x: number): number {
  const ramp = (into: number, width: number) => (width > 0 ? Math.min(1, Math.max(0, into / width)) : into > 0 ? 1 : 0)
  return (
    layers.upper +
    layers.lining +
    layers.stiffener * ramp(layers.stiffenerEnd[side] - x, layers.stiffenerSkive) +
    layers.puff * ramp(x - layers.puffBack, layers.puffSkive)
  )
}

/**
 * The lasted outline of a last under layers that are only thought of yet, before there is a pair with an upper:
 * stiffener and puff end where the rules put them.
 */
export function lastedShoe(surface: LastSurface, layers: PlannedLayers, book: RuleBook): LastedOutline {
  const L = surface.length
  const { stiffener, puff } = PairDecisions.shape
  const ends = stiffenerEnds(L, surface.joints, stiffener.parse({}), book)
  const all = {
    ...layers,
    stiffenerEnd: { lateral: ends.lateral, medial: ends.medial },
    stiffenerSkive: book.value(stiffenerRules.topSkive),
    puffBack: puffBackAtFeather(surface, puff.parse({}), book),
    puffSkive: book.value(puffRules.backSkive),
  }
  return lastedOutline(developBottom(surface, landmarks(surface)), (side, x) => plannedThickness(all, side, x))
}
