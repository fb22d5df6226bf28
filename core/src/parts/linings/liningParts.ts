import { bandAlong } from '../../geometry/polygonClip.ts'
import { pieceSkives, skivedFace } from '../../layers/pieceSkives.ts'
import { pieceAreas, pieceOrder } from '../../layers/pieceAreas.ts'
import type { EdgeSight } from '../../layers/skivedStretches.ts'
import { DEPTHS } from '../../trade/wallArea.ts'
import type { Side } from '../../trade/side.ts'
import type { Because } from '../../trade/because.ts'
import { isWoven, type Material } from '../../model/material.ts'
import type { PairDecisions } from '../../model/pair.ts'
import type { OpeningFinish } from '../../upper/opening.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'
import { edgeRules } from '../../upper/edgeRules.ts'
import { joinsOf } from '../../upper/joins.ts'
import { grainOf, withMarks } from '../../upper/marks.ts'
import type { Piece, PieceEdge } from '../../upper/piece.ts'
import { pieceAsPart } from '../../upper/pieceAsPart.ts'
import type { BasePattern } from '../../upper/basePattern.ts'
import type { Part, PartPlace } from '../../trade/part.ts'
import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import { gatheredEdges } from '../../upper/gathers.ts'
import { foamAreas, foamPieces, tongueLining } from './foam.ts'
import { lacingBacking, tapeFindings } from './lacingTape.ts'
import { liningRules } from './liningRules.ts'
import { offFold } from './linings.ts'
import { reinforcementRules, reinforcements } from './reinforcements.ts'
import { sideLiningRules, sideLinings } from './sideLining.ts'
import { mm, say } from '../../units/sentence.ts'
import { styleBook } from '../../upper/styles/index.ts'
import { kindOf } from '../../trade/partCatalogue.ts'
import { ofPiece, type OwnMaterials } from '../../trade/cutFrom.ts'

export interface LiningPartNeeds {
  base: BasePattern
  /** The linings of vamp and quarters and the heel grip (see liningPieces). */
  pieces: readonly Piece[]
  decisions: PairDecisions['lining']
  material: Material
  /** What a padded tongue and collar are filled with; null takes the rule's. */
  foam: Material | null
  /** What tapes, patches and stays are of; null takes the rule's. */
  stay: Material | null
  /** What pieces are cut from that have something of their own. */
  own: OwnMaterials
  /** How the opening is finished. */
  opening: OpeningFinish
  book: RuleBook
}

/** Thickness of the foam in tongue and collar where no material was chosen for it. */
export const foamRule = {
  key: 'lining.foam',
  name: 'Foam of tongue and collar, thickness',
  value: 6,
  min: 2,
  max: 14,
  unit: 'mm',
  why: 'Soft enough to close round the ankle, thick enough to be felt.',
} satisfies Rule

type StockMaterial = Pick<Material, 'name' | 'kind' | 'thickness' | 'face'>

interface LiningStock {
  place: PartPlace
  role: Part['role']
  material: StockMaterial
  depth: number
}

/** Linings, heel grip, tongue lining, foam and reinforcements as parts of the pair. */
export function liningParts(needs: LiningPartNeeds): Part[] {
  const { base, material, book } = needs
  const { pieces: upper } = base.drawn
  const lining: LiningStock = {
    place: 'foot',
    role: 'lining',
    material,
    depth: DEPTHS.lining,
  }
  const tape: LiningStock = {
    place: 'wall',
    role: 'stay',
    material: needs.stay ?? {
      name: 'stay tape',
      kind: 'woven tape',
      thickness: book.value(reinforcementRules.thickness),
      face: null,
    },
    depth: DEPTHS.reinforcement,
  }
  const foam: LiningStock = {
    place: 'foot',
    role: 'foam',
    material: needs.foam ?? { name: 'soft foam', kind: 'foam', thickness: book.value(foamRule), face: null },
    depth: DEPTHS.foam,
  }
  const linings = needs.pieces
  const { joins } = joinsOf(linings)
  // What laps under, seen from the foot, lies further out.
  const order = pieceOrder(linings)
  const deepest = Math.max(0, ...order.values())
  const { style } = base.board.decisions
  const padded = style !== 'own pattern' && styleBook[style].padded
  return [
    ...linings.map((p) =>
      asPart(
        withMarks(p, joins, gatheredEdges(base.drawn)),
        { ...lining, depth: lining.depth + (deepest - (order.get(p.id) ?? 0)) / 10 },
        becauseOf(p, needs),
        needs,
      ),
    ),
    ...tongueLining(upper, book).map((p) =>
      asPart(p, lining, [becauseOfRule('Wider than the tongue, a side', liningRules.tongueWider, book)], needs),
    ),
    ...(padded
      ? foamPieces(upper, book).map((p) => ({
          ...asPart(
            p,
            foam,
            [
              becauseOfRule('Clear of stitched edges', liningRules.foamInset, book),
              ...(ofPiece(needs.own, p.id, needs.foam) === null ? [becauseOfRule('Thickness', foamRule, book)] : []),
            ],
            needs,
          ),
          areas: foamAreas(p, upper, ofPiece(needs.own, p.id, foam.material).thickness, book),
        }))
      : []),
    ...reinforcements(base, book).map((p) => {
      const own = ofPiece(needs.own, p.id, needs.stay)
      const tapes = kindOf(p.id) === 'facingTape'
      const backing = tapes && base.row?.fitting === 'none' && !own ? lacingBacking(book) : null
      const cut = own ?? backing
      const part = (becauses: Because[]) => ({
        ...asPart(withMarks(p, []), { ...tape, material: cut ?? tape.material }, becauses, needs),
        findings: tapes ? tapeFindings(base.row, book) : [],
      })
      const thickness = own
        ? []
        : [becauseOfRule('Thickness', backing ? reinforcementRules.backing : reinforcementRules.thickness, book)]
      return !cut || isWoven(cut)
        ? part(thickness)
        : skivedAround(
            part([...thickness, becauseOfRule('Edges skived over', reinforcementRules.skive, book)]),
            p,
            cut,
            reinforcementRules.skive,
            book,
          )
    }),
  ]
}

/** The side linings of a pair as parts: they alone go by where stiffener and puff end. */
export function sideLiningParts({
  base,
  stiffenerEnd,
  puffBack,
  material,
  own,
  opening,
  book,
}: Pick<LiningPartNeeds, 'base' | 'material' | 'own' | 'opening' | 'book'> & {
  /** Where stiffener and puff end on the feather line, mm from the heel back. */
  stiffenerEnd: Record<Side, number>
  puffBack: number
}): Part[] {
  const stock: LiningStock = {
    place: 'wall',
    role: 'lining',
    material,
    depth: DEPTHS.side,
  }
  return sideLinings(base, stiffenerEnd, { lateral: puffBack, medial: puffBack }, book).map((p) =>
    skivedAround(
      asPart(
        p,
        stock,
        [
          becauseOfRule('Laps stiffener and puff by', sideLiningRules.overlap, book),
          becauseOfRule('Up the wall, share of the last length', sideLiningRules.height, book),
          becauseOfRule('Turned under the feather by', sideLiningRules.turnUnder, book),
        ],
        { own, opening, book },
      ),
      p,
      ofPiece(own, p.id, material),
      sideLiningRules.overlap,
      book,
    ),
  )
}

function asPart(
  piece: Piece,
  usual: LiningStock,
  becauses: Because[],
  { own, opening, book }: Pick<LiningPartNeeds, 'own' | 'opening' | 'book'>,
): Part {
  const material: StockMaterial = ofPiece(own, piece.id, usual.material)
  // A piece without notches of its own still has its direction.
  const drawn = pieceAsPart({ ...piece, grain: grainOf(piece) }, material)
  const sight: EdgeSight = { facing: usual.place === 'foot' ? 'foot' : 'out', spans: {}, ...opening }
  return {
    ...drawn,
    role: usual.role,
    place: usual.place,
    becauses,
    skives: pieceSkives(piece, material, sight, book),
    areas: pieceAreas(piece, usual.depth, material, sight, book),
  }
}

/**
 * What lies between lining and upper is skived to nothing along its edges, all but those at the feather line and a fold:
 * a side lining inside the skives of stiffener and puff. `rule` says over how much. Cloth is not skived.
 */
function skivedAround(part: Part, piece: Piece, material: StockMaterial, rule: Rule, book: RuleBook): Part {
  if (isWoven(material)) return part
  const width = book.value(rule)
  const profile = [
    [0, 0],
    [width, part.thickness],
  ] as [number, number][]
  const loose = (e: Pick<PieceEdge, 'name' | 'role'>) => e.name !== 'feather' && e.role !== 'fold'
  return {
    ...part,
    skives: piece.edges.filter(loose).map((e) => ({
      name: e.name,
      edge: e.line,
      band: bandAlong(e.line, width, piece.net),
      profile,
      shape: 'to nothing' as const,
      face: skivedFace(material),
      sentence: say`Straight to nothing over ${mm(width)}.`,
    })),
    areas: part.areas.map((a) => ({
      ...a,
      thinned: (piece.places.find((q) => q.side === a.side)?.edges ?? []).filter(loose).map((e) => ({
        edge: e.line,
        profile,
        widthRule: rule,
      })),
    })),
  }
}

function becauseOf(piece: Piece, { base, decisions, book }: LiningPartNeeds): Because[] {
  const trims = piece.edges.some((e) => e.role === 'trimmed')
  const bottom = piece.edges.find((e) => e.role === 'lasting margin')
  const trim = decisions.trim
  const left = trimOf(decisions, book)
  return [
    ...(trims ? [becauseOfRule('Proud of the opening', liningRules.proud, book)] : []),
    ...(bottom
      ? [
          {
            id: 'margin',
            quantity: 'Lasting margin of the lining',
            value: bottom.allowance,
            unit: 'mm' as const,
            sentence: say`Cut as wide as the upper’s, so that the pliers hold it; once lasted it is trimmed ${trim === 'feather' ? 'to the feather line' : say`to ${mm(left)}`}.`,
            inputs: [],
            origin: book.inForce(edgeRules.lasting).origin,
            rule: edgeRules.lasting.key,
          },
        ]
      : []),
    ...(kindOf(piece.id) === 'quarterLining'
      ? [
          becauseOfRule('Comes in at the foot of the back', liningRules.backEase, book),
          base.drawn.foot
            ? becauseOfRule('Seam behind the upper’s', liningRules.seamBehind, book)
            : becauseOfRule('Seam at the feather, share of the last length', liningRules.seamShare, book),
        ]
      : []),
    ...(piece.id === 'heelGrip'
      ? [
          becauseOfRule('Front edge, share of the last length', liningRules.gripReach, book),
          {
            id: 'foldStraightened',
            quantity: 'Back line straightened for the fold by',
            value: offFold(piece),
            unit: 'mm' as const,
            sentence:
              'Cut in one piece with the suede side to the foot; what the back curve leaves beside the fold the leather gives.',
            inputs: [],
            origin: 'measured on the last' as const,
          },
        ]
      : []),
    ...(decisions.back === 'butt seam' && kindOf(piece.id) === 'quarterLining'
      ? [
          {
            id: 'allowance',
            quantity: 'Allowance at the back',
            value: 0,
            unit: 'mm' as const,
            sentence:
              'A butt seam: the edges are cut at opposing angles and meet; the thread passes through half to two thirds of the thickness. The top end must meet exactly.',
            inputs: [],
            origin: 'house rule' as const,
          },
        ]
      : []),
  ]
}

/** How far the lasted lining is left under the feather, mm. */
export function trimOf(decisions: PairDecisions['lining'], book: RuleBook): number {
  if (decisions.trim === 'feather') return 0
  return book.value(decisions.trim === 'short' ? liningRules.trimShort : liningRules.trimLong)
}
