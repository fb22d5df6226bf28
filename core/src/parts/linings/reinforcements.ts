import { disc } from '../../geometry/disc.ts'
import { intersect, unite } from '../../geometry/polygonClip.ts'
import { offsetLine } from '../../geometry/offsetLine.ts'
import { subpathBetween } from '../../geometry/subpath.ts'
import { distance, signedArea, type Path } from '../../geometry/path.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'
import { wallSides } from '../../trade/side.ts'
import type { Piece } from '../../upper/piece.ts'
import { foldedPiece, sidePiece, type EdgeDraft } from '../../upper/pieceMaker.ts'
import { flipped, perSide } from '../../upper/styles/lines.ts'
import type { BasePattern } from '../../upper/basePattern.ts'

export const reinforcementRules = {
  thickness: {
    key: 'reinforcement.thickness',
    name: 'Thickness of stay tape and patches',
    value: 0.3,
    min: 0.1,
    max: 1,
    unit: 'mm',
    why: 'Woven tape or thin split: it holds the leather from stretching and may not show.',
  },
  skive: {
    key: 'reinforcement.skive',
    name: 'Edges of a leather stay skived over',
    value: 5,
    min: 2,
    max: 12,
    unit: 'mm',
    why: 'Woven tape lies flat as it is; the edge of a leather one would be felt, and seen through the upper.',
  },
  facing: {
    key: 'reinforcement.facing',
    name: 'Tape under the lacing, width',
    value: 18,
    min: 10,
    max: 30,
    unit: 'mm',
    why: 'Eyelets pull on the leather round them; the tape carries the pull along the whole facing.',
  },
  backing: {
    key: 'reinforcement.backing',
    name: 'Thickness of a backing under lace holes',
    value: 0.8,
    min: 0.3,
    max: 1.6,
    unit: 'mm',
    why: 'Without eyelets the lace saws at the leather: a backing of leather takes that, and keeps the holes round.',
  },
  past: {
    key: 'reinforcement.pastEyelets',
    name: 'Tape under the lacing past the eyelets',
    value: 3,
    min: 1,
    max: 8,
    unit: 'mm',
    why: 'What pulls at a hole pulls at its far rim: there the tape must still be.',
  },
  patch: {
    key: 'reinforcement.patch',
    name: 'Patch where vamp and quarter meet, radius',
    value: 12,
    min: 6,
    max: 20,
    unit: 'mm',
    why: 'All the pull of the lacing ends in this corner: unpatched it tears.',
  },
  stay: {
    key: 'reinforcement.stay',
    name: 'Stay over the back seam, a side',
    value: 8,
    min: 5,
    max: 15,
    unit: 'mm',
    why: 'Laid over the opened seam it keeps the stitches from gaping.',
  },
} satisfies Record<string, Rule>

/** The stay ends this far below the top line, mm. */
const BELOW_TOP = 6
const CORNERS = 40

const closedEdge = (outline: Path): EdgeDraft[] => {
  const path = signedArea(outline) > 0 ? outline : flipped(outline)
  return [{ name: 'edge', role: 'raw', line: [...path, path[0]!] }]
}

/** Tape under the lacing, a patch in the corner of vamp and quarter, and a stay over the back seam: where the upper has them. */
export function reinforcements({ drawn, row }: Pick<BasePattern, 'drawn' | 'row'>, book: RuleBook): Piece[] {
  const out: Piece[] = []
  if (drawn.facings) {
    const width = book.value(reinforcementRules.facing)
    const radius = book.value(reinforcementRules.patch)
    for (const side of wallSides) {
      const facing = drawn.facings[side]
      const strip: Path = [...facing, ...offsetLine(facing, -width).reverse()]
      const wall = unite(drawn.pieces.flatMap((p) => p.places.filter((q) => q.side === side).map((q) => q.forme)))
      out.push(
        sidePiece(
          { id: 'facingTape', name: row?.fitting === 'none' ? 'Backing under the lacing' : 'Tape under the lacing' },
          side,
          closedEdge(intersect(strip, wall)),
          book,
        ),
        sidePiece(
          { id: 'cornerPatch', name: 'Corner patch' },
          side,
          closedEdge(intersect(disc(facing[facing.length - 1]!, radius, CORNERS), wall)),
          book,
        ),
      )
    }
  }
  const back = drawn.backLine
  if (back && drawn.pieces.some((p) => p.edges.some((e) => e.seam === 'back' && e.role === 'closed seam'))) {
    const top = back[back.length - 1]
    const low = back.find((p) => distance(p, back[0]!) > 1) ?? back[0]
    const high = [...back].reverse().find((p) => distance(p, top!) > BELOW_TOP) ?? top
    const line = subpathBetween(back, low!, high!)
    const inner = offsetLine(line, -book.value(reinforcementRules.stay))
    const half = (): EdgeDraft[] => [
      { name: 'foot', role: 'raw', line: [line[0]!, inner[0]!] },
      { name: 'side', role: 'raw', line: inner },
      { name: 'top', role: 'raw', line: [inner[inner.length - 1]!, line[line.length - 1]!] },
    ]
    out.push(
      foldedPiece(
        { id: 'backStay', name: 'Stay over the back seam' },
        perSide(half),
        { from: line[line.length - 1]!, to: line[0]!, upright: true, onForme: flipped(line) },
        book,
      ),
    )
  }
  return out
}
