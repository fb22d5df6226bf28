import type { BasePattern } from '../basePattern.ts'
import type { UpperFinding } from '../checks/needs.ts'
import type { DesignBoard } from '../designPoints.ts'
import { eyeletRowOn } from '../eyelets.ts'
import { ownPieces } from '../ownPattern.ts'
import type { KeyPoint } from '../keyPoint.ts'
import { PointPlaces } from '../pointPlaces.ts'
import { styleGaps } from '../styleRules.ts'
import { heightDifference } from '../throat.ts'
import { mm, say, type Sentence } from '../../units/sentence.ts'
import { placedPieces } from './placedPieces.ts'
import { placedUpper, type Unnamed } from './placedUpper.ts'

/** A drawn pattern on the forme, and what is to be said of its place there. */
export interface PlacedBase {
  base: BasePattern | null
  /** By which its pieces are moved. */
  points: readonly KeyPoint[]
  findings: UpperFinding[]
}

/** A bottom edge that misses the feather line by more than this belongs elsewhere, or to another last, mm. */
const OTHER_LAST = 4

const missing: Record<Unnamed, [Sentence, string]> = {
  'top line': [
    'No edge is named “top line” on both sides: the last cannot be asked about the opening.',
    'Name the edges that make up the opening “top line”.',
  ],
  back: [
    'No edge is named “back”: where the pattern stands behind the heel is not known.',
    'Name the back seam, or the fold at the back, “back”.',
  ],
  vamp: [
    'No piece is folded along the middle in front: the forepart cannot be laid on the last.',
    'Draw the vamp as a half with a straight “fold” along its middle.',
  ],
}

/**
 * Lays a drawn pattern on the forme: vamp by its fold and toe, sides by feather and back, all moved by hand after that. Its base is
 * null where it is not asked for, or where what the last is asked about has no name.
 */
export function placedBase(board: DesignBoard): PlacedBase {
  const { own } = board.decisions
  if (!own?.placed) return { base: null, points: [], findings: [] }
  if (own.drawn === 'cut edge') {
    return {
      base: null,
      points: [],
      findings: [
        notPlaced(
          'Where the knife goes is drawn, not where the leather ends on the last: it cannot be laid on the feather line.',
          'Draw the finished lines, and say so.',
        ),
      ],
    }
  }
  const pieces = ownPieces(own, board.book)
  const { placed, loose } = placedPieces(board, own, pieces)
  const drawn = placedUpper(placed, loose, board.book.value(styleGaps.derby) / 2)
  if (typeof drawn === 'string') return { base: null, points: board.points, findings: [notPlaced(...missing[drawn])] }
  const worst = placed.reduce((a, b) => (b.off > a.off ? b : a))
  const fits = worst.off <= OTHER_LAST
  const findings: UpperFinding[] = [
    {
      id: 'upper.placed',
      level: fits ? 'fine' : 'stop',
      where: 'place on the last',
      sentence: fits
        ? say`Laid on the last, ${worst.piece.name} misses the feather line most: by ${mm(worst.off, 1)} in the mean.`
        : say`${worst.piece.name} misses the feather line of this last by ${mm(worst.off, 1)} in the mean: the last is not asked about the pattern until it lies right.`,
      measured: worst.off,
      limit: OTHER_LAST,
      unit: 'mm',
      mend: fits ? '' : 'Move it where it belongs, or choose the last it was drawn for.',
      at: null,
    },
    ...loose.map((piece): UpperFinding => ({
      id: `upper.loose.${piece.id}`,
      level: 'fine',
      where: piece.name,
      sentence: `${piece.name} has no bottom edge and no fold in front: it is cut, but lies nowhere on the last.`,
      measured: 0,
      limit: 0,
      unit: 'count',
      mend: '',
      at: null,
    })),
  ]
  if (!fits) return { base: null, points: board.points, findings }
  return {
    base: {
      board: new PointPlaces(board.map, board.decisions),
      points: board.points,
      throatDifference: drawn.facings ? null : heightDifference(board.map, drawn.topLine),
      drawn,
      margin: null,
      row: eyeletRowOn(pieces, board.decisions.lacing, board.book),
      placing: findings,
    },
    points: board.points,
    findings,
  }
}

const notPlaced = (sentence: Sentence, mend: string): UpperFinding => ({
  id: 'upper.placed',
  level: 'watch',
  where: 'place on the last',
  sentence,
  measured: 1,
  limit: 0,
  unit: 'count',
  mend,
  at: null,
})

/** Checks of a placed pattern: what is off is mended in the drawing, or by moving a piece; no button draws for its maker. */
export const ofPlaced = (findings: readonly UpperFinding[]): UpperFinding[] =>
  findings.filter((f) => f.id !== 'upper.joins').map(({ remedy: _, ...f }) => f)
