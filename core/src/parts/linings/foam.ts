import { offset } from '../../geometry/polygonClip.ts'
import type { Path } from '../../geometry/path.ts'
import { DEPTHS, type WallArea } from '../../trade/wallArea.ts'
import type { RuleBook } from '../../trade/rules.ts'
import type { Piece } from '../../upper/piece.ts'
import { flatPiece } from '../../upper/pieceMaker.ts'
import { liningRules } from './liningRules.ts'
import { kindOf } from '../../trade/partCatalogue.ts'

/** A flat piece with one raw edge all round. */
export const rawPiece = (id: string, name: string, side: Piece['side'], outline: Path, book: RuleBook): Piece =>
  flatPiece({ id, name }, side, [{ name: 'edge', role: 'raw', line: [...outline, outline[0]!] }], book)

/** Foam for a padded tongue and collar: the pieces' finished outlines, kept clear of everything that is stitched. */
export function foamPieces(pieces: readonly Piece[], book: RuleBook): Piece[] {
  const inset = book.value(liningRules.foamInset)
  return pieces
    .filter((p) => ['tongue', 'collar'].includes(kindOf(p.id) ?? ''))
    .map((p) =>
      rawPiece(
        p.id.replace(/^(tongue|collar)/, '$1Foam'),
        p.id === 'tongue' ? 'Foam of the tongue' : `Foam of the collar, ${p.side}`,
        p.side,
        offset(p.net, -inset, `the foam of the ${p.name.toLowerCase()}`),
        book,
      ),
    )
}

/**
 * Where foam lies on the wall: inside the place of the piece that it fills, clear of its edges. A tongue lies under the
 * lacing and has no place on the wall.
 */
export function foamAreas(foam: Piece, pieces: readonly Piece[], thickness: number, book: RuleBook): WallArea[] {
  const filled = pieces.find((p) => p.id === foam.id.replace('Foam', ''))
  return (filled?.places ?? []).map(({ side, forme }) => ({
    part: foam.id,
    name: foam.name,
    side,
    depth: DEPTHS.foam,
    thickness,
    area: offset(forme, -book.value(liningRules.foamInset), foam.name.toLowerCase()),
    thinned: [],
  }))
}

/** The lining of a tongue: wider than it, trimmed after it was glued over the last. */
export function tongueLining(pieces: readonly Piece[], book: RuleBook): Piece[] {
  const tongue = pieces.find((p) => p.id === 'tongue')
  if (!tongue) return []
  const wider = offset(tongue.net, book.value(liningRules.tongueWider), 'the tongue lining')
  return [rawPiece('tongueLining', 'Tongue lining', 'whole', wider, book)]
}
