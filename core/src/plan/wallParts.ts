import { flattenSheet } from '../flatten/asRigidAsPossible.ts'
import type { FormeMap } from '../forme/formeMap.ts'
import { heelPatch } from '../forme/heelPatch.ts'
import { toePatch } from '../forme/toePatch.ts'
import type { DevelopedBottom } from '../last/developedBottom.ts'
import type { Side } from '../trade/side.ts'
import type { Landmarks } from '../last/landmarks.ts'
import type { LastSurface } from '../last/surface.ts'
import { toeTape } from '../last/toeTape.ts'
import type { EdgeSight } from '../layers/skivedStretches.ts'
import { turnedSpans } from '../layers/turnedSpans.ts'
import type { PairDecisions } from '../model/pair.ts'
import type { RuleBook } from '../trade/rules.ts'
import { backers } from '../parts/backers/backers.ts'
import { coverThickness } from '../parts/insole/insoleCover.ts'
import { edgingParts } from '../parts/edging/edging.ts'
import { liningParts, sideLiningParts } from '../parts/linings/liningParts.ts'
import { liningPieces } from '../parts/linings/linings.ts'
import { ownLiningPieces, ownLinings } from '../parts/linings/ownLinings.ts'
import type { Because } from '../trade/because.ts'
import type { Part } from '../trade/part.ts'
import { BEYOND_JOINT, stiffener, stiffenerEnds } from '../parts/stiffener/stiffener.ts'
import { openingRowAt } from '../seams/openingRow.ts'
import { heightsThrough, topLineByRule, type TopLine } from '../upper/topLine.ts'
import { topLineOfUpper } from '../upper/topLineOfUpper.ts'
import { puffBackAtFeather, toePuff } from '../parts/puff/toePuff.ts'
import type { Piece } from '../upper/piece.ts'
import type { BasePattern } from '../upper/basePattern.ts'
import type { Upper } from '../upper/upper.ts'
import type { PairMaterials } from './materials.ts'
import type { StageCache } from './stageCache.ts'
import { layersOf, type WallLayers } from './wallLayers.ts'

/** The toe sheet starts this far behind what lies on it, mm. */
const BEHIND = 14
/**
 * The heel sheet of short stiffeners reaches at least this share of L, so that the front can be moved without laying it
 * out anew.
 */
const SHORT_REACH = 0.36
/** The heel sheet grows with the top line in steps, so that dragging the line a little does not lay it out anew; mm. */
const SHEET_STEP = 10

const NO_HEIGHTS: readonly Because[] = []

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
export interface Wall extends WallLayers {
  parts: Part[]
  /** Pieces of the linings, with their edges. */
  linings: Piece[]
  /** How the upper's edges are seen. */
  sight: EdgeSight
  /** Heights of the top line above the feather, as it is drawn; none of a shaft, nor of a drawn pattern. */
  heights: readonly Because[]
}

/** From the base pattern to the layers of the wall: linings, stiffener, puff and what reinforces between them. */
export function wallParts(needs: WallNeeds, cache: StageCache): Wall {
  const { surface, marks, map, base, upper, bottom, decisions: d, material, book } = needs
  const L = surface.length
  const joint = surface.joints
  const byRule = cache.ruled('topLineByRule', { L }, book, (i, rules) => topLineByRule(i.L, rules))
  // A boot's shaft stands far above what a stiffener can hold: it keeps to the height of a low shoe.
  const low = base?.drawn.backLine && !base.drawn.front ? base : null
  const top = low
    ? cache.ruled('topLine', { map, low }, book, (i, rules) => topLineOfUpper(i.map, i.low.drawn, rules))
    : byRule
  const ends = stiffenerEnds(L, joint, d.stiffener, book)
  const lining = material.lining.thickness
  const { heel, toe } = material.liningsAt
  const insoleEdge = material.insole.thickness + (d.insole.covered ? coverThickness(material.cover.thickness, book) : 0)
  const over = (inside: number) => cache.same('turned over', { insoleEdge, inside })
  // A shoe that is open behind has nothing to stiffen there, one of straps no toe to hold.
  const behind = base === null || base.drawn.backLine !== null
  const toes = !base?.drawn.straps
  const stiffenerPart =
    behind &&
    cache.ruled(
      'stiffener',
      {
        surface,
        map,
        patch: heelSheetFor(needs, top, byRule, ends, cache),
        topLine: top,
        base,
        over: over(heel),
        decisions: d.stiffener,
        material: material.stiffener,
      },
      book,
      ({ surface: last, base: pattern, ...i }, rules) =>
        stiffener({
          ...i,
          facings: pattern?.drawn.facings ?? null,
          length: last.length,
          joint: last.joints,
          book: rules,
        }),
    )

  // The sheet starts behind the crease line so that it can be drawn, and further back for a puff that passes it.
  const puffBack = puffBackAtFeather(surface, d.puff, book)
  const toeStart = Math.floor((Math.min(joint.lateral, puffBack) - BEHIND) / 10) * 10
  const toeSheet =
    toes &&
    cache.stage('toeSheet', { surface, toeStart, middle: toe + material.puff.thickness / 2 }, (i) =>
      toePatch(i.surface, i.toeStart, i.middle, (mesh) => cache.dear('toeFlat', i, () => flattenSheet(mesh))),
    )
  const puffPart =
    toeSheet &&
    cache.ruled(
      'puff',
      { surface, marks, map, patch: toeSheet, over: over(toe), decisions: d.puff, material: material.puff },
      book,
      ({ surface: last, marks: m, ...i }, rules) =>
        toePuff({
          ...i,
          tape: toeTape(last),
          length: last.length,
          joint: last.joints,
          ridgeJoint: m.ridgeJoint[0],
          book: rules,
        }),
    )
  const spans = cache.stage('turned spans', { base }, (i) => turnedSpans(i.base?.drawn.pieces ?? []))
  const { finish, onFacings } = upper.topFinish
  const opening = cache.same('opening', { finish, onFacings })
  const sight = cache.same('sight', { facing: 'out' as const, spans, ...opening })
  const cutEdge = d.upper.own?.drawn === 'cut edge'
  const inside = base
    ? cache.ruled('lining pieces', { base, decisions: d.lining }, book, (i, rules) =>
        liningPieces({ ...i.base, decisions: i.decisions, book: rules }),
      )
    : cache.ruled('own lining pieces', { upper, cutEdge }, book, (i, rules) =>
        ownLiningPieces(i.upper.pieces, i.cutEdge, rules),
      )
  const linings = base
    ? cache.ruled(
        'linings',
        {
          base,
          pieces: inside,
          decisions: d.lining,
          material: material.lining,
          foam: material.foam,
          stay: material.stay,
          own: material.own,
          opening,
        },
        book,
        (i, rules) => liningParts({ ...i, book: rules }),
      )
    : cache.ruled(
        'own linings',
        {
          pieces: inside,
          cutEdge,
          opening,
          material: material.lining,
          own: material.own,
        },
        book,
        (i, rules) => ownLinings({ ...i, book: rules }),
      )
  const sides =
    base && stiffenerPart && puffPart
      ? cache.ruled(
          'sideLinings',
          {
            base,
            lateral: ends.lateral,
            medial: ends.medial,
            puffBack,
            material: material.lining,
            own: material.own,
            opening,
          },
          book,
          ({ lateral, medial, ...i }, rules) =>
            sideLiningParts({ ...i, stiffenerEnd: { lateral, medial }, book: rules }),
        )
      : []
  const backed = cache.ruled(
    'backers',
    { pieces: upper.pieces, material: material.backer, own: material.own, sight },
    book,
    (i, rules) => backers({ ...i, book: rules }),
  )
  const strips = cache.ruled(
    'edging',
    {
      work: upper.topFinish,
      drawn: base?.drawn ?? null,
      sewn: d.stitching,
      leather: material.upper,
      stay: material.stay,
      own: material.own,
    },
    book,
    ({ sewn, leather, ...i }, rules) =>
      edgingParts({
        ...i,
        upper: leather,
        stitchAt: openingRowAt(sewn, rules),
        book: rules,
      }),
  )
  const parts = cache.list('parts of the wall', [
    ...linings,
    ...strips,
    ...sides,
    ...backed,
    ...(stiffenerPart ? [stiffenerPart] : []),
    ...(puffPart ? [puffPart] : []),
  ])
  const layered = cache.ruled(
    'layers',
    {
      map,
      base,
      bottom,
      parts,
      construction: d.construction,
      decisions: d.lining,
      insoleEdge,
      upper: material.upperSheet,
      own: material.sheets,
      sight,
      backer: material.backer?.thickness ?? 0,
      lining,
      stiffener: material.stiffener.thickness,
      puff: material.puff.thickness,
    },
    book,
    (i, rules) => layersOf({ ...i, book: rules }),
  )
  return { parts: [...parts], linings: inside, sight, heights: low ? top.becauses : NO_HEIGHTS, ...layered }
}

/** The heel of the last laid flat as high and as far forward as the stiffener may go. */
function heelSheetFor(
  { surface, material }: WallNeeds,
  top: TopLine,
  byRule: ReturnType<typeof topLineByRule>,
  ends: Record<Side, number>,
  cache: StageCache,
) {
  const L = surface.length
  let excess = 0
  for (const side of ['lateral', 'medial'] as const) {
    for (let k = 0; k <= 20; k++) {
      const station = (ends[side] * k) / 20
      excess = Math.max(excess, top.height(side, station) - byRule.height(side, station), top.back - byRule.back)
    }
  }
  return cache.stage(
    'heelSheet',
    {
      surface,
      knots: cache.same('knots', byRule.knots),
      more: Math.ceil(excess / SHEET_STEP) * SHEET_STEP,
      lateral: reachOf(ends.lateral, surface.joints.lateral, L),
      medial: reachOf(ends.medial, surface.joints.medial, L),
      middle: material.liningsAt.heel + material.stiffener.thickness / 2,
    },
    (i) => {
      const { surface: last, knots, more, lateral, medial, middle } = i
      const height = heightsThrough(knots)
      return heelPatch(
        last,
        { lateral, medial },
        (side, station) => Math.max(knots.back + 6, height(side, station)) + more,
        middle,
        (mesh) => cache.dear('heelFlat', i, () => flattenSheet(mesh)),
      )
    },
  )
}

/** How far the heel sheet is laid out, in steps, so that moving the front a little does not lay it out anew. */
function reachOf(end: number, joint: number, length: number): number {
  const most = Math.min(joint + BEYOND_JOINT, 0.78 * length)
  return end <= SHORT_REACH * length ? SHORT_REACH * length : Math.max(end, most)
}
