import type { FormeMap } from '../forme/formeMap.ts'
import type { DevelopedBottom } from '../last/developedBottom.ts'
import type { Sheet } from '../layers/edgeSkive.ts'
import { deriveLayers, type Layers } from '../layers/layers.ts'
import { pieceAreas, pieceOrder } from '../layers/pieceAreas.ts'
import type { EdgeSight } from '../layers/skivedStretches.ts'
import { TurnedStack, type TurnedEdge } from '../layers/turnedStack.ts'
import { WallStack } from '../layers/wallStack.ts'
import { traitsOf } from '../model/construction.ts'
import type { PairDecisions } from '../model/pair.ts'
import { trimOf } from '../parts/linings/liningParts.ts'
import { sideLiningRules } from '../parts/linings/sideLining.ts'
import { puffRules } from '../parts/puff/toePuff.ts'
import { stiffenerRules } from '../parts/stiffener/rules.ts'
import { ofPiece, type ByPiece } from '../trade/cutFrom.ts'
import type { Part } from '../trade/part.ts'
import type { GatherBand } from '../trade/gatherBand.ts'
import { backerOf, kindOf } from '../trade/partCatalogue.ts'
import type { RuleBook } from '../trade/rules.ts'
import { DEPTHS, type WallArea } from '../trade/wallArea.ts'
import { edgeRules } from '../upper/edgeRules.ts'
import type { Piece } from '../upper/piece.ts'
import type { DrawnUpper } from '../upper/style.ts'
import type { BasePattern } from '../upper/basePattern.ts'

/** What the layers of the wall are read off. */
export interface LayerInputs {
  map: FormeMap
  base: BasePattern | null
  bottom: DevelopedBottom
  parts: readonly Part[]
  construction: PairDecisions['construction']
  decisions: PairDecisions['lining']
  /** Height of the insole's edge and thicknesses, mm. */
  insoleEdge: number
  upper: Sheet
  own: ByPiece<Sheet>
  sight: EdgeSight
  /** Of a drawn pattern's pieces, which have no place of their own. */
  backer: number
  lining: number
  stiffener: number
  puff: number
  book: RuleBook
}

/** The layers of the wall, ready to be asked. */
export interface WallLayers {
  stack: WallStack
  turned: TurnedStack
  layers: Layers
  /** How much of the widest margin lies flat under the insole at most, mm. */
  liesUnder: number
}

/** What lies on the wall and what is turned under or outwards at its foot, with what comes of it. */
export function layersOf(inputs: LayerInputs): WallLayers {
  const { map, base, bottom, parts, book } = inputs
  const pieces = base?.drawn.pieces ?? []
  const order = pieceOrder(pieces)
  const areas = [
    ...parts.flatMap((p) => p.areas),
    ...pieces.flatMap((p) => {
      const gathered = bandsOn(p, base?.drawn)
      return pieceAreas(
        p,
        DEPTHS.upper + (order.get(p.id) ?? 0),
        ofPiece(inputs.own, p.id, inputs.upper),
        inputs.sight,
        book,
      ).map((area) => (gathered.length > 0 ? { ...area, gathered } : area))
    }),
  ]
  // A drawn pattern lies on no forme: then upper and lining are taken as one thickness all over.
  if (pieces.length === 0) areas.push(...evenWall(map, { ...inputs, upper: inputs.upper.thickness }))
  const stack = new WallStack(areas)
  const trim = trimOf(inputs.decisions, book)
  const { outwards } = traitsOf(inputs.construction)
  const turnedOut = outwards ? book.value(edgeRules.turnedOut) : null
  // Where the upper goes outwards only lining, stiffener and puff are turned under.
  const margin = outwards ? Math.max(trim, book.value(puffRules.turnUnder)) : book.value(edgeRules.lasting)
  const stiff = book.value(stiffenerRules.turnUnder)
  const puff = book.value(puffRules.turnUnder)
  const cupped = (turn: number, thickness: number, flat: number, edge: number) =>
    [
      [0, 1],
      [0.3 * turn, Math.min(1, flat / thickness)],
      [turn, Math.min(1, edge / thickness)],
    ] as const
  const even = [[0, 1]] as const
  const linings = parts.filter((p) => p.place === 'foot').map((p) => p.id)
  const sides = parts.filter((p) => kindOf(p.id) === 'sideLining').map((p) => p.id)
  const sideTurn = book.value(sideLiningRules.turnUnder)
  const edges: TurnedEdge[] = [
    { parts: [...linings, 'lining'], reach: trim, share: even },
    { parts: ['stiffener'], reach: stiff, share: cupped(stiff, inputs.stiffener, 1, 0.8) },
    ...(sides.length > 0 && sideTurn > 0 ? [{ parts: sides, reach: sideTurn, share: even }] : []),
    { parts: ['puff'], reach: puff, share: cupped(puff, inputs.puff, 1, 0.85) },
    ...(outwards
      ? []
      : [
          {
            parts: [...pieces.flatMap((p) => [p.id, backerOf(p.id)]), 'upper'],
            reach: margin,
            share: even,
            ...(base?.margin ? { more: base.margin } : {}),
          },
        ]),
  ]
  const { insoleEdge } = inputs
  const turned = new TurnedStack(map, stack, edges, insoleEdge)
  const liesUnder = Math.max(...bottom.stations.map(({ side, x }) => turned.reachUnder(side, x)))
  return {
    stack,
    turned,
    liesUnder,
    layers: {
      ...deriveLayers({ map, areas, wall: stack, turned, bottom, margin, turnedOut, book }),
      areas,
      turned: edges,
      insoleEdge,
    },
  }
}

/** Where a piece is drawn together into folds: what is folded along the middle with the vamp, what is of the shaft with it. */
function bandsOn({ id, fold }: Piece, drawn: DrawnUpper | undefined): readonly GatherBand[] {
  if (kindOf(id) === 'shaft') return drawn?.shaftFolds?.bands ?? []
  return fold ? (drawn?.opened?.gathers?.bands ?? []) : []
}

/** Upper and lining over the whole wall, for a pattern whose pieces have no place on it. */
function evenWall(map: FormeMap, { upper, backer, lining }: Record<'upper' | 'backer' | 'lining', number>): WallArea[] {
  return (['lateral', 'medial'] as const).flatMap((side) => {
    const area = [
      ...map.feathers[side],
      ...[...map.centre].reverse().slice(1),
      ...[...map.rim].reverse().slice(1),
      ...[...map.back].reverse().slice(1, -1),
    ]
    const base = { side, area, thinned: [] }
    return [
      { ...base, part: 'lining', name: 'Lining', depth: DEPTHS.lining, thickness: lining },
      { ...base, part: 'upper', name: 'Upper', depth: DEPTHS.upper, thickness: upper + backer },
    ]
  })
}
