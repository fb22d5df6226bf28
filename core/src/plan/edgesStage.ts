import { deriveEdges, type Edges } from '../edges/edges.ts'
import { skivingList, type SkivedPart, type SkiveGroup } from '../edges/skivingList.ts'
import type { Material } from '../model/material.ts'
import { ofPiece } from '../trade/cutFrom.ts'
import { edging, type EdgingNeeds } from '../parts/edging/needs.ts'
import { stripLegs, stripSkive } from '../parts/edging/stripSkive.ts'
import type { OpeningStrip } from '../edges/seamSections.ts'
import type { Part } from '../trade/part.ts'
import { backerOf, familyOf } from '../trade/partCatalogue.ts'
import { recordOfPiece } from '../trade/recordName.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Upper } from '../upper/upper.ts'
import type { PairMaterials } from './materials.ts'
import type { FootPlan } from './plan.ts'
import type { StageCache } from './stageCache.ts'
import type { Wall } from './wallParts.ts'

/** How the edges of a shoe are thinned and joined. */
export function edgesStage(
  { upper, wall, material, book }: { upper: Upper; wall: Wall; material: PairMaterials; book: RuleBook },
  cache: StageCache,
): Edges {
  const { linings, sight } = wall
  return cache.ruled(
    'edges',
    {
      pieces: upper.pieces,
      linings,
      sight,
      leather: material.upper,
      lining: material.lining,
      backer: material.backer,
      own: material.own,
      work: upper.topFinish,
    },
    book,
    ({ work, pieces, linings: inside, sight: seen, leather, lining, backer, own }, rules) => {
      const materialOf = (id: string) => ofPiece(own, id, leather)
      return deriveEdges({
        upper: {
          pieces,
          sight: seen,
          sheetOf: materialOf,
          backerOf: (id) => ofPiece(own, backerOf(id), backer)?.thickness ?? null,
          strip: stripAlong({ work, upper: leather, own, book: rules }, lining.thickness),
          book: rules,
        },
        linings: {
          pieces: inside,
          sight: { ...seen, facing: 'foot', spans: {} },
          sheetOf: (id) => ofPiece(own, id, lining),
          backerOf: () => null,
          strip: null,
          book: rules,
        },
        materialOf,
        book: rules,
      })
    },
  )
}

/** The bead or binding of an opening as it is cut through with the edge. */
function stripAlong(
  { work, upper, own, book }: Pick<EdgingNeeds, 'work' | 'upper' | 'own' | 'book'>,
  lining: number,
): OpeningStrip | null {
  const id = work.finish === 'bead' ? edging.bead : work.finish === 'bound' ? edging.binding : null
  if (id === null) return null
  const { thickness, kind } = ofPiece(own, id, upper)
  const legs = stripLegs(work, book)
  return {
    ply: {
      part: id,
      name: id === edging.bead ? 'Bead' : 'Binding',
      thickness,
      // Both legs are thinned alike; the longer one is cut through as far as it goes.
      skive: stripSkive(id, { thickness, kind }, Math.max(legs.outer, legs.inner), book),
      backer: null,
    },
    legs,
    lining: { part: 'lining', name: 'Lining', thickness: lining, skive: null, backer: null },
  }
}

/** What of a shoe is skived. */
export type SkivedShoe = Pick<FootPlan, 'upper' | 'edges'> & { parts: readonly Part[] }

/** Everything skived on a shoe: its upper's pieces and its parts; of both feet's where they are mirrors. */
function skivedOf(
  { upper, edges, parts }: SkivedShoe,
  materialOf: (piece: string) => Material,
  foot: SkivedPart['foot'],
): SkivedPart[] {
  const feet = foot === null ? 2 : 1
  return [
    ...upper.pieces.map((p): SkivedPart => {
      const { name, thickness } = materialOf(p.id)
      return {
        id: recordOfPiece(p.id),
        name: p.name,
        materialName: name,
        thickness,
        count: feet,
        foot,
        skives: edges.markings[p.id]?.skives ?? [],
      }
    }),
    // What is pared to a height is no skive of an edge.
    ...parts
      .filter((p) => familyOf(p.id) !== 'wedge' && familyOf(p.id) !== 'top piece')
      .map((p) => ({ ...p, count: (p.count * feet) / 2, foot })),
  ]
}

/** The skiving list of both shoes. */
export const skivingOf = (
  right: SkivedShoe,
  left: SkivedShoe | null,
  { own, upper }: Pick<PairMaterials, 'own' | 'upper'>,
): SkiveGroup[] => {
  const materialOf = (id: string) => ofPiece(own, id, upper)
  return skivingList(
    left
      ? [...skivedOf(right, materialOf, 'right'), ...skivedOf(left, materialOf, 'left')]
      : skivedOf(right, materialOf, null),
  )
}
