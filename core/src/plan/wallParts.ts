import type { FormeMap } from '../forme/formeMap.ts'
import { heelPatch } from '../forme/heelPatch.ts'
import { toePatch } from '../forme/toePatch.ts'
import type { DevelopedBottom } from '../last/developedBottom.ts'
import type { Side } from '../last/frame.ts'
import type { Landmarks } from '../last/landmarks.ts'
import type { LastSurface } from '../last/surface.ts'
import { edgeSkiveRules } from '../layers/edgeSkive.ts'
import { layerRules } from '../layers/layerRules.ts'
import { deriveLayers, type Layers } from '../layers/layers.ts'
import { pieceAreas, pieceOrder } from '../layers/pieceAreas.ts'
import { TurnedStack, type TurnedEdge } from '../layers/turnedStack.ts'
import { DEPTHS, type WallArea } from '../layers/wallArea.ts'
import { WallStack } from '../layers/wallStack.ts'
import { constructionOf } from '../model/construction.ts'
import type { PairDecisions } from '../model/pair.ts'
import type { RuleBook } from '../model/rules.ts'
import { foamRule, liningParts, sideLiningParts, trimOf } from '../parts/linings/liningParts.ts'
import { ownLinings } from '../parts/linings/ownLinings.ts'
import { liningRules } from '../parts/linings/liningRules.ts'
import { reinforcementRules } from '../parts/linings/reinforcements.ts'
import { sideLiningRules } from '../parts/linings/sideLining.ts'
import type { Part } from '../parts/part.ts'
import { BEYOND_JOINT, stiffener, stiffenerEnds } from '../parts/stiffener.ts'
import { stiffenerRules } from '../parts/stiffenerRules.ts'
import { topLineByRule, topLineRules, type TopLine } from '../parts/topLine.ts'
import { topLineOfUpper } from '../parts/topLineOfUpper.ts'
import { puffBackAtFeather, puffRules, toePuff } from '../parts/toePuff.ts'
import { edgeRules } from '../upper/edgeRules.ts'
import type { BasePattern, Upper } from '../upper/upper.ts'
import { stampOf, type PairMaterials } from './materials.ts'
import type { StageCache } from './stageCache.ts'

/** The toe sheet starts this far behind what lies on it, mm. */
const BEHIND = 14
/** The heel sheet of short stiffeners reaches at least this share of L, so that the front can be moved without laying it out anew. */
const SHORT_REACH = 0.36
/** The heel sheet grows with the top line in steps, so that dragging the line a little does not lay it out anew; mm. */
const SHEET_STEP = 10

export interface WallNeeds {
  surface: LastSurface
  marks: Landmarks
  map: FormeMap
  /** Null for a drawn pattern: it lies on no forme. */
  base: BasePattern | null
  upper: Upper
  bottom: DevelopedBottom
  decisions: PairDecisions
  material: PairMaterials
  book: RuleBook
}

/** Parts inside the wall with the layers they make. */
export interface Wall {
  parts: Part[]
  stack: WallStack
  turned: TurnedStack
  layers: Layers
  /** How far the widest layer is turned under the last, mm. */
  margin: number
}

/** From the base pattern to the layers of the wall: linings, stiffener, puff and what reinforces between them. */
export function wallParts(needs: WallNeeds, cache: StageCache): Wall {
  const { surface, marks, map, base, upper, bottom, decisions: d, material, book } = needs
  const L = surface.length
  const joint = surface.joints
  const top = cache.stage('topLine', [L, base, map, book.stamp(topLineRules)], () =>
    // A boot's shaft stands far above what a stiffener can hold: it keeps to the height of a low shoe.
    base && !base.drawn.front ? topLineOfUpper(map, base.drawn, book) : topLineByRule(L, book),
  )
  const ends = stiffenerEnds(L, joint, d.stiffener, book)
  const liningT = material.lining.thickness
  const heelSheet = heelSheetFor(needs, top, ends, cache)
  const stiffenerPart = cache.stage(
    'stiffener',
    [heelSheet, map, base, top, JSON.stringify(d.stiffener), stampOf(material.stiffener), book.stamp(stiffenerRules)],
    () =>
      stiffener({
        map,
        patch: heelSheet,
        topLine: top,
        facings: base?.drawn.facings ?? null,
        length: L,
        joint,
        decisions: d.stiffener,
        material: material.stiffener,
        book,
      }),
  )

  // The sheet starts behind the crease line so that it can be drawn, and further back for a puff that passes it.
  const puffBack = puffBackAtFeather(L, d.puff, book)
  const toeStart = Math.floor((Math.min(joint.lateral, puffBack) - BEHIND) / 10) * 10
  const toeSheet = cache.stage('toeSheet', [surface, toeStart, liningT, material.puff.thickness], () =>
    toePatch(surface, toeStart, liningT + material.puff.thickness / 2),
  )
  const puffPart = cache.stage(
    'puff',
    [toeSheet, map, JSON.stringify(d.puff), stampOf(material.puff), book.stamp(puffRules)],
    () =>
      toePuff({
        map,
        patch: toeSheet,
        length: L,
        joint,
        ridgeJoint: marks.ridgeJoint[0],
        decisions: d.puff,
        material: material.puff,
        book,
      }),
  )
  const linings = cache.stage(
    'linings',
    [
      base ?? upper,
      JSON.stringify(d.lining),
      stampOf(material.lining),
      stampOf(material.foam),
      book.stamp({ ...liningRules, ...reinforcementRules, ...edgeRules, ...edgeSkiveRules, foamRule }),
    ],
    () =>
      base
        ? liningParts({ base, decisions: d.lining, material: material.lining, foam: material.foam, book })
        : ownLinings(upper.pieces, d.upper.own?.drawn === 'cut edge', material.lining, book),
  )
  const sides = cache.stage(
    'sideLinings',
    [base, ends.lateral, ends.medial, puffBack, stampOf(material.lining), book.stamp(sideLiningRules)],
    () => (base ? sideLiningParts({ base, stiffenerEnd: ends, puffBack, material: material.lining, book }) : []),
  )
  const parts = [...linings, ...sides, stiffenerPart, puffPart]
  const layered = cache.stage(
    'layers',
    [
      map,
      upper,
      bottom,
      ...parts,
      stampOf(material.upper),
      JSON.stringify(d.lining),
      d.construction,
      book.stamp({ ...layerRules, ...edgeSkiveRules, ...edgeRules, ...stiffenerRules, ...puffRules, ...liningRules }),
    ],
    () => layersOf(needs, parts, base?.drawn.pieces ?? []),
  )
  return { parts, ...layered }
}

/** The heel of the last laid flat as high and as far forward as the stiffener may go. */
function heelSheetFor(
  { surface, material, book }: WallNeeds,
  top: TopLine,
  ends: Record<Side, number>,
  cache: StageCache,
) {
  const L = surface.length
  const reach: Record<Side, number> = {
    lateral: reachOf(ends.lateral, surface.joints.lateral, L),
    medial: reachOf(ends.medial, surface.joints.medial, L),
  }
  const rule = topLineByRule(L, book)
  let excess = 0
  for (const side of ['lateral', 'medial'] as const) {
    for (let k = 0; k <= 20; k++) {
      const station = (ends[side] * k) / 20
      excess = Math.max(excess, top.height(side, station) - rule.height(side, station), top.back - rule.back)
    }
  }
  const more = Math.ceil(excess / SHEET_STEP) * SHEET_STEP
  const middle = material.lining.thickness + material.stiffener.thickness / 2
  return cache.stage('heelSheet', [surface, book.stamp(topLineRules), more, reach.lateral, reach.medial, middle], () =>
    heelPatch(surface, reach, (side, station) => Math.max(rule.back + 6, rule.height(side, station)) + more, middle),
  )
}

/** How far the heel sheet is laid out, in steps, so that moving the front a little does not lay it out anew. */
function reachOf(end: number, joint: number, length: number): number {
  const most = Math.min(joint + BEYOND_JOINT, 0.78 * length)
  return end <= SHORT_REACH * length ? SHORT_REACH * length : Math.max(end, most)
}

function layersOf(
  { map, bottom, decisions: d, material, book }: WallNeeds,
  parts: readonly Part[],
  pieces: BasePattern['drawn']['pieces'],
) {
  const order = pieceOrder(pieces)
  const areas = [
    ...parts.flatMap((p) => p.areas),
    ...pieces.flatMap((p) => pieceAreas(p, DEPTHS.upper + (order.get(p.id) ?? 0), material.upper.thickness, book)),
  ]
  // A drawn pattern lies on no forme: then upper and lining are taken as one thickness all over.
  if (pieces.length === 0) areas.push(...evenWall(map, material))
  const stack = new WallStack(areas)
  const trim = trimOf(d.lining, book)
  const outwards = constructionOf[d.construction].margin === 'out'
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
  const edges: TurnedEdge[] = [
    { parts: [...linings, 'lining'], reach: trim, share: even },
    { parts: ['stiffener'], reach: stiff, share: cupped(stiff, material.stiffener.thickness, 1, 0.8) },
    { parts: ['puff'], reach: puff, share: cupped(puff, material.puff.thickness, 1, 0.85) },
    ...(outwards ? [] : [{ parts: [...pieces.map((p) => p.id), 'upper'], reach: margin, share: even }]),
  ]
  const turned = new TurnedStack(map, stack, edges)
  return {
    stack,
    turned,
    margin,
    layers: {
      ...deriveLayers({ map, areas, wall: stack, turned, bottom, margin, turnedOut, book }),
      areas,
      turned: edges,
    },
  }
}

/** Upper and lining over the whole wall, for a pattern whose pieces have no place on it. */
function evenWall(map: FormeMap, material: PairMaterials): WallArea[] {
  return (['lateral', 'medial'] as const).flatMap((side) => {
    const area = [
      ...map.feathers[side],
      ...[...map.centre].reverse().slice(1),
      ...[...map.rim].reverse().slice(1),
      ...[...map.back].reverse().slice(1, -1),
    ]
    const base = { side, area, thinned: [] }
    return [
      { ...base, part: 'lining', name: 'Lining', depth: DEPTHS.lining, thickness: material.lining.thickness },
      { ...base, part: 'upper', name: 'Upper', depth: DEPTHS.upper, thickness: material.upper.thickness },
    ]
  })
}
