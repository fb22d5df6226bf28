import { creaseLine } from './creaseLine.ts'
import type { UpperNeeds } from './needs.ts'
import type { Forme } from '../forme/forme.ts'
import { distance, GeometryError, type Path, type Point } from '../geometry/path.ts'
import { wallSides, type Side } from '../trade/side.ts'
import type { Level } from '../model/level.ts'
import type { Because } from '../trade/because.ts'
import type { UpperFinding } from './checks/needs.ts'
import { upperFindings } from './checks/index.ts'
import { decorate } from './decoration.ts'
import { runsDownFacings } from './finishOnFacings.ts'
import type { KeyPoint } from './keyPoint.ts'
import { DesignBoard } from './designPoints.ts'
import { edgeRules } from './edgeRules.ts'
import { marginLeather, withMargins } from './marginMore.ts'
import { nearest } from '../geometry/polyline.ts'
import type { RuleBook } from '../trade/rules.ts'
import { joinsOf, type Join } from './joins.ts'
import { withMarks } from './marks.ts'
import { ownFindings, ownPieces } from './ownPattern.ts'
import { ofPlaced, placedBase } from './placing/placedBase.ts'
import type { BasePattern } from './basePattern.ts'
import type { EdgeRole } from '../model/edgeRoles.ts'
import { upperLines, type UpperLine } from './upperLines.ts'
import { eyeletRowOf, eyeletRowOn, withEyelets, withGuard, type EyeletRow } from './eyelets.ts'
import { layLacing, type Lacing } from './lacing.ts'
import { gatheredEdges } from './gathers.ts'
import type { FoldPlace } from '../model/upper.ts'
import { kindOf, type PartKind } from '../trade/partCatalogue.ts'
import type { Piece } from './piece.ts'
import { TONGUE_ABOVE } from './styles/tongue.ts'
import { PointPlaces } from './pointPlaces.ts'
import { styleBook } from './styles/index.ts'
import { withSlits } from './slits.ts'
import { topFinishWork, wrappedAt, type TopFinishWork } from './topFinish.ts'
import { mm, say, bare } from '../units/sentence.ts'

/** Where a shoe is open: behind, as a mule is, or over the toes too, as one of straps. */
export interface OpenAt {
  behind: boolean
  toes: boolean
}

/** The upper as planned: plain data. */
export interface Upper {
  pieces: Piece[]
  points: KeyPoint[]
  lines: UpperLine[]
  joins: Join[]
  topFinish: TopFinishWork
  /** What of the foot it leaves free. */
  open: OpenAt
  /** Null on a shoe without lacing, and for a pattern drawn elsewhere. */
  lacing: Lacing | null
  becauses: Because[]
  findings: UpperFinding[]
  worst: Level
  /** Pieces that differ between the versions of the designed folds: their cut outline in each. */
  foldVersions: { version: number; amount: number; piece: string; outline: Path }[]
  /** How the forepart was opened out, and what the folds gained. */
  opened: { bent: number; fold: [Point, Point]; gained: number; slashes: Path[] } | null
}

const worstOf = (levels: readonly Level[]): Level =>
  levels.includes('stop') ? 'stop' : levels.includes('watch') ? 'watch' : 'fine'

/** Pieces with all that is put on them once their outlines stand: rows of holes, notches and marks, slits. */
function dressed(
  pieces: readonly Piece[],
  joins: readonly Join[],
  { decisions, book }: Pick<UpperNeeds, 'decisions' | 'book'>,
  gathered: readonly Point[] = [],
): Piece[] {
  return pieces.map((p) => withSlits(withMarks(decorate(p, decisions, book), joins, gathered), book))
}

/** A piece with its eyelets; the tongue with its lace guard. */
function laced(
  piece: Piece,
  row: EyeletRow | null,
  { decisions, book }: Pick<UpperNeeds, 'decisions' | 'book'>,
): Piece {
  if (!row) return piece
  const isTongue = piece.edges.some((e) => e.name === 'top' || e.name === 'top of the tongue')
  return isTongue && decisions.lacing.guard ? withGuard(piece, row, TONGUE_ABOVE, book) : withEyelets(piece, row)
}

/** The base pattern on the forme; null for a pattern that was drawn elsewhere and is not laid on it. */
export function drawBase({
  map,
  decisions,
  book,
  heelGirth,
}: Pick<UpperNeeds, 'map' | 'decisions' | 'book' | 'heelGirth'>): BasePattern | null {
  const board = new DesignBoard(map, book, decisions, heelGirth)
  if (decisions.style === 'own pattern') return placedBase(board).base
  const style = styleBook[decisions.style]
  const plain = style.draw(board)
  const by = marginsByRule(plain.pieces, book)
  if (style.bottom === 'lasting margin') board.margins(by, reachesFeather(plain.pieces))
  const margin = board.marginMore(by)
  const drawn = { ...plain, pieces: withMargins(plain.pieces, board.feather, margin) }
  const { points, throatDifference } = board
  return {
    board: new PointPlaces(map, decisions),
    points,
    throatDifference,
    drawn,
    margin,
    row: eyeletRowOf(drawn, decisions.lacing, book),
  }
}

/** A piece's bottom edge comes so near to a place of the feather line that it runs through it, mm. */
const ON_FEATHER = 2

/** Whether any piece has its lasting margin at a place of a feather line. */
const reachesFeather = (pieces: readonly Piece[]) => (side: Side, foot: Point) =>
  pieces.some((p) =>
    p.places.some(
      (place) =>
        place.side === side &&
        place.edges.some((e) => e.role === 'lasting margin' && nearest(e.line, foot).away < ON_FEATHER),
    ),
  )

/** How wide the lasting margin is by rule on either side, mm. */
function marginsByRule(pieces: readonly Piece[], book: RuleBook): Record<Side, number> {
  const of = (side: Side) =>
    pieces
      .flatMap((p) => p.places.filter((q) => q.side === side).flatMap((q) => q.edges))
      .find((e) => e.role === 'lasting margin')?.allowance ?? book.value(edgeRules.lasting)
  return { lateral: of('lateral'), medial: of('medial') }
}

/**
 * Style, points and options become pieces with their allowances, marks, decoration and checks. Throws GeometryError
 * with a sentence.
 */
export function deriveUpper(needs: UpperNeeds, base: BasePattern | null = drawBase(needs)): Upper {
  const { map, decisions, book, layers } = needs
  if (decisions.style === 'own pattern') return ownUpper(needs, base)
  if (!base) throw new GeometryError('This style has no base pattern.')
  const style = styleBook[decisions.style]
  const { board, points, throatDifference, drawn, margin, row } = base
  const { joins } = joinsOf(drawn.pieces)
  const pieces = dressed(drawn.pieces, joins, needs, gatheredEdges(drawn)).map((p) => laced(p, row, needs))
  const top = decisions.topFinish ?? style.topFinish
  const checked = {
    ...needs,
    board,
    points: points.filter((p) => p.track !== 'margin'),
    throatDifference,
    drawn,
    margin,
    row,
    pieces,
    joins,
    bottom: style.bottom,
  }
  const findings = upperFindings(checked)
  return {
    pieces,
    points,
    lines: upperLines(checked),
    joins,
    topFinish: topFinishWork(
      { finish: top, onFacings: runsDownFacings(decisions, style.facingsFinishedBy) },
      { pieces, drawn },
      wrappedAt(pieces, layers),
      book,
    ),
    open: { behind: drawn.backLine === null, toes: drawn.straps !== undefined },
    lacing: layLacing(drawn, row, decisions.lacing, map, book),
    becauses: [
      ...formeBecauses(map.forme, drawn.opened ? distance(drawn.opened.fold.from, drawn.opened.fold.to) : null),
      ...(margin ? [leatherBecause(pieces)] : []),
    ],
    findings,
    worst: worstOf(findings.map((f) => f.level)),
    foldVersions: foldVersions(needs),
    opened: drawn.opened && {
      bent: drawn.opened.bent,
      fold: [drawn.opened.fold.from, drawn.opened.fold.to],
      gained: drawn.opened.gained,
      slashes: [...(drawn.opened.gathers?.slashes ?? []), ...(drawn.shaftFolds?.slashes ?? [])],
    },
  }
}

/** What shows the versions of the folds: the shaft's one side, or what is opened along the middle. */
function mayGather({ id, fold }: Piece, where: FoldPlace): boolean {
  return where === 'shaft' ? id === 'shaft.lateral' : fold !== null && GATHERED.has(kindOf(id))
}
const GATHERED: ReadonlySet<PartKind | null> = new Set(['vamp', 'upper', 'frontStrap', 'instepStrap'])

/** What is laid in folds in every version of them, side by side; nothing while there is one version or none. */
function foldVersions({ map, decisions, book, heelGirth }: UpperNeeds): Upper['foldVersions'] {
  const { versions } = decisions.folds
  if (versions.length < 2 || decisions.style === 'own pattern') return []
  const style = styleBook[decisions.style]
  return versions.flatMap((amount, version) => {
    const board = new DesignBoard(
      map,
      book,
      { ...decisions, folds: { ...decisions.folds, chosen: version } },
      heelGirth,
    )
    const { pieces } = style.draw(board)
    return withMargins(pieces, board.feather, board.marginMore(marginsByRule(pieces, book)))
      .filter((p) => mayGather(p, decisions.folds.where))
      .map((p) => ({ version, amount, piece: p.id, outline: p.outline }))
  })
}

/** An upper from a pattern drawn elsewhere: pieces, seams, top edge; laid on the forme, all that the last is asked about. */
function ownUpper(needs: UpperNeeds, base: BasePattern | null): Upper {
  const { map, decisions, book, layers } = needs
  const bare = base?.drawn.pieces ?? (decisions.own ? ownPieces(decisions.own, book) : [])
  const { joins } = joinsOf(bare)
  const row = base?.row ?? eyeletRowOn(bare, decisions.lacing, book)
  const pieces = dressed(bare, joins, { decisions, book }).map((p) => laced(p, row, { decisions, book }))
  const bottom = pieces.some((p) => p.edges.some((e) => e.role === 'turned-out margin'))
    ? 'turned-out margin'
    : 'lasting margin'
  const checked = base && { ...needs, ...base, pieces, joins, bottom: bottom as EdgeRole }
  const placing = base
    ? { points: base.points, findings: base.placing ?? [] }
    : placedBase(new DesignBoard(map, book, decisions, needs.heelGirth))
  const findings = [...ownFindings(pieces), ...placing.findings, ...(checked ? ofPlaced(upperFindings(checked)) : [])]
  const opened = base?.drawn.opened ?? null
  return {
    pieces,
    points: [...placing.points],
    lines: checked
      ? upperLines(checked)
      : wallSides.map((side) => ({ name: 'crease line', kind: 'crease' as const, side, path: creaseLine(map, side) })),
    joins,
    topFinish: topFinishWork(
      { finish: decisions.topFinish ?? 'folded', onFacings: runsDownFacings(decisions, null) },
      { pieces, drawn: base?.drawn ?? null },
      wrappedAt(pieces, layers),
      book,
    ),
    open: { behind: false, toes: false },
    lacing: base ? layLacing(base.drawn, row, decisions.lacing, map, book) : null,
    becauses: formeBecauses(map.forme, opened && distance(opened.fold.from, opened.fold.to)),
    findings,
    worst: worstOf(findings.map((f) => f.level)),
    foldVersions: [],
    opened: opened && { bent: opened.bent, fold: [opened.fold.from, opened.fold.to], gained: 0, slashes: [] },
  }
}

/** What margins set by hand save or take, as leather. */
function leatherBecause(pieces: readonly Piece[]): Because {
  const more = marginLeather(pieces)
  return {
    id: 'marginLeather',
    quantity: more <= 0 ? 'Leather saved at the margin, a pair' : 'More leather for the margin, a pair',
    value: 2 * Math.abs(more),
    unit: 'mm²',
    sentence:
      'The margin is set place by place: against one that is as wide all round, both shoes together. In a run it is worth trimming it from the pattern; a single pair keeps it wide, since nobody knows yet how far its leather gives.',
    inputs: [],
    origin: 'set by hand',
  }
}

function formeBecauses(forme: Forme, centre: number | null): Because[] {
  const worst = forme.drift
    .filter((d) => d.name === 'feather')
    .reduce((a, b) => (Math.abs(b.flat - b.last) > Math.abs(a.flat - a.last) ? b : a))
  return [
    {
      id: 'sidesDiffer',
      quantity: 'Sides differ along the feather by',
      value: forme.difference.feather,
      unit: 'mm',
      sentence: 'Both sides were laid on each other at the two marked points; this is what the mean forme evens out.',
      inputs: [
        { name: 'Along the ridge', value: forme.difference.ridge, unit: 'mm' },
        { name: 'At most', value: forme.difference.most, unit: 'mm' },
      ],
      origin: 'measured on the last',
    },
    {
      id: 'featherFlat',
      quantity: 'Feather line, flat against the last',
      value: worst.flat - worst.last,
      unit: 'mm',
      sentence: say`Laid flat, the ${worst.side} feather line is ${mm(worst.flat, 1)} instead of ${bare(worst.last, 1)}: so much is worked in when the margin is lasted.`,
      inputs: [],
      origin: 'measured on the last',
    },
    ...(centre === null
      ? []
      : [
          {
            id: 'centreLine',
            quantity: 'Centre line of the forepart',
            value: centre,
            unit: 'mm' as const,
            sentence: 'From the throat over the ridge and down the toe to the feather, at its true length.',
            inputs: [],
            origin: 'measured on the last' as const,
          },
        ]),
  ]
}
