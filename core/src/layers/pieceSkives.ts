import { bandAlong } from '../geometry/polygonClip.ts'
import { offsetLine } from '../geometry/offsetLine.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { Skive } from '../trade/part.ts'
import type { Piece } from '../upper/piece.ts'
import { edgeSkive } from './edgeSkive.ts'
import { mm, say } from '../units/sentence.ts'

/** The skived edges of a piece, as they are drawn on it and cut in section. */
export function pieceSkives(piece: Piece, thickness: number, book: RuleBook, facing: 'out' | 'foot'): Skive[] {
  return piece.edges.flatMap((e): Skive[] => {
    const profile = edgeSkive(e.role, thickness, e.allowance, book, facing)
    if (!profile) return []
    const edge = e.allowance > 0 ? offsetLine(e.line, -e.allowance) : e.line
    const width = profile[profile.length - 1]![0]
    const thin = profile[Math.min(1, profile.length - 2)]![1]
    return [
      {
        name: `${e.name}${e.side === 'whole' ? '' : `, ${e.side}`}`,
        edge,
        band: bandAlong(edge, width, piece.outline),
        profile: profile.map(([d, t]): [number, number] => [d, t]),
        sentence:
          e.role === 'lap under'
            ? say`To ${mm(thin, 2)} over the lap and a little more, so that the seam is no ridge.`
            : say`From ${mm(thin, 2)} at the edge, so that the foot does not feel it.`,
      },
    ]
  })
}
