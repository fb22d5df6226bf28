import type { Edges } from '../edges/edges.ts'
import type { PairDecisions } from '../model/pair.ts'
import { ofPiece } from '../trade/cutFrom.ts'
import type { Part, PieceMarking } from '../trade/part.ts'
import type { RuleBook } from '../trade/rules.ts'
import { deriveStitching, type Stitching } from '../seams/stitching.ts'
import type { Upper } from '../upper/upper.ts'
import type { PairMaterials } from './materials.ts'
import type { FootPlan } from './plan.ts'
import type { StageCache } from './stageCache.ts'
import type { Wall } from './wallParts.ts'

/** How a shoe is sewn. */
export function stitchingStage(
  {
    upper,
    wall,
    edges,
    under,
    decisions,
    material,
    book,
  }: {
    upper: Upper
    wall: Wall
    edges: Edges
    /** Parts under the foot: what is sewn through the sole. */
    under: readonly Part[]
    decisions: PairDecisions
    material: PairMaterials
    book: RuleBook
  },
  cache: StageCache,
): Stitching {
  return cache.ruled(
    'stitching',
    {
      pieces: upper.pieces,
      linings: wall.linings,
      sections: edges.seams,
      how: decisions.stitching,
      under: cache.list('sewn parts', under),
      own: material.thick,
      leather: material.upper.thickness,
      lining: material.lining.thickness,
    },
    book,
    ({ pieces, linings, sections, how, under: bottom, own, leather, lining }, rules) =>
      deriveStitching(
        [
          {
            pieces,
            seen: 'outside',
            sections: sections.filter((s) => s.seen === 'outside'),
            way: how.by,
            own: how.own,
            thicknessOf: (id) => ofPiece(own, id, leather),
            lining,
            book: rules,
          },
          {
            pieces: linings,
            seen: 'foot',
            sections: sections.filter((s) => s.seen === 'foot'),
            way: how.by,
            own: how.own,
            thicknessOf: (id) => ofPiece(own, id, lining),
            lining: 0,
            book: rules,
          },
        ],
        bottom,
        rules,
      ),
  )
}

/** All that is marked on a piece of the upper: skives, laps, rows of stitches. */
export const markingOf = (
  { edges, stitching }: Pick<FootPlan, 'edges' | 'stitching'>,
  piece: string,
): PieceMarking => ({
  ...(edges.markings[piece] ?? { skives: [], spans: [] }),
  rows: stitching.rows[piece] ?? [],
})

/** A part with the rows of stitches that lie on it, as a lining has; the very same where nothing has changed. */
export const withRows = (part: Part, { rows }: Stitching, cache: StageCache): Part => {
  const its = rows[part.id]
  return its
    ? cache.stage(`rows on ${part.id}`, { part, rows: its }, (i) => ({
        ...i.part,
        lines: [...i.part.lines, ...i.rows],
      }))
    : part
}
