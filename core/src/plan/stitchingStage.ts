import type { Edges } from '../edges/edges.ts'
import type { Path } from '../geometry/path.ts'
import { traitsOf } from '../model/construction.ts'
import type { PairDecisions } from '../model/pair.ts'
import { ofPiece, type ByPiece } from '../trade/cutFrom.ts'
import type { Part, PieceMarking } from '../trade/part.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Side } from '../trade/side.ts'
import { sewnParts } from '../seams/soleSeams.ts'
import type { SeamNeeds } from '../seams/seamRows.ts'
import { stitched, stitchUpper, upperAtSole, type Stitching } from '../seams/stitching.ts'
import type { Piece } from '../upper/piece.ts'
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
    feathers,
    decisions,
    material,
    book,
  }: {
    upper: Upper
    wall: Wall
    edges: Edges
    /** Parts under the foot: what is sewn through the sole. */
    under: readonly Part[]
    feathers: Record<Side, Path>
    decisions: PairDecisions
    material: PairMaterials
    book: RuleBook
  },
  cache: StageCache,
): Stitching {
  const families = (i: FamilyInputs, rules: RuleBook): SeamNeeds[] => {
    const family = (seen: SeamNeeds['seen'], pieces: readonly Piece[], usual: number, lining: number): SeamNeeds => ({
      pieces,
      seen,
      sections: i.sections.filter((s) => s.seen === seen),
      way: i.how.by,
      own: i.how.own,
      thicknessOf: (id) => ofPiece(i.own, id, usual),
      lining,
      book: rules,
    })
    return [family('outside', i.pieces, i.leather, i.lining), family('foot', i.linings, i.lining, 0)]
  }
  const inputs: FamilyInputs = {
    pieces: upper.pieces,
    linings: wall.linings,
    sections: edges.seams,
    how: decisions.stitching,
    own: material.thick,
    leather: material.upper.thickness,
    lining: material.lining.thickness,
  }
  const closed = cache.ruled('stitching', inputs, book, (i, rules) => stitchUpper(families(i, rules), rules))
  const sewn = cache.same('sewn soles', sewnParts(under))
  const down = sewn.length > 0 ? upperAtSole(families(inputs, book)) : 0
  const insole = under.find((p) => p.id === 'insole')
  const wallSewn = traitsOf(decisions.construction).inCup && decisions.work.ways.cup === 'glued and sewn'
  const cup =
    wallSewn && insole
      ? cache.same('cup seam', {
          pieces: upper.pieces,
          feathers,
          insole: insole.outline,
          upper: material.upper.thickness + material.lining.thickness,
        })
      : null
  return cache.ruled('sole seams', { closed, sewn, down, cup }, book, (i, rules) =>
    stitched(i.closed, i.sewn, i.down, i.cup, rules),
  )
}

/** What the seams of upper and linings are read off. */
interface FamilyInputs extends Readonly<Record<string, unknown>> {
  pieces: readonly Piece[]
  linings: readonly Piece[]
  sections: Edges['seams']
  how: PairDecisions['stitching']
  own: ByPiece<number>
  /** Thicknesses, mm. */
  leather: number
  lining: number
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
