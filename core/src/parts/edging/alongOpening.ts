import { nearest } from '../../geometry/polyline.ts'
import { subpath } from '../../geometry/subpath.ts'
import { offsetLine } from '../../geometry/offsetLine.ts'
import type { Path } from '../../geometry/path.ts'
import { wallSides, type Side } from '../../trade/side.ts'
import { isOfOpening } from '../../upper/opening.ts'
import type { DrawnUpper } from '../../upper/style.ts'
import type { Profile, WallArea } from '../../trade/wallArea.ts'
import { flipped } from '../../upper/styles/lines.ts'
import { edging, type EdgingNeeds } from './needs.ts'
import { edgingRules } from './rules.ts'

/**
 * A strip along the edge that is finished, `width` mm into the wall; its front ends are thinned like its inner edge. In
 * front of the throat a facing lies on the vamp, outside of the wall: what is in it there is no layer of it.
 */
export function lyingAlong(
  { drawn, work, book }: EdgingNeeds,
  { part, name, depth }: Pick<WallArea, 'part' | 'name' | 'depth'>,
  width: number,
  thickness: number,
  inner: Profile | null,
): WallArea[] {
  if (!drawn || width <= 0) return []
  const { facings, topLine, throat } = drawn
  // The tape under the lacing holds the facings already.
  const down = work.onFacings && facings !== null && part !== edging.tape
  const end: Profile = [
    [0, 0],
    [book.value(edgingRules.ends), thickness],
  ]
  const edgesOf = (side: Side): Path[] => {
    if (drawn.straps) return edgesOfStraps(drawn.pieces, side)
    if (!down) return [topLine[side]]
    return [[...flipped(subpath(facings[side], 0, nearest(facings[side], throat).at)), ...topLine[side].slice(1)]]
  }
  const layer = (side: Side, edge: Path): WallArea => {
    const back = offsetLine(edge, width).reverse()
    return {
      part,
      name,
      side,
      depth,
      thickness,
      area: [...edge, ...back],
      thinned: inner
        ? [
            { edge: back, profile: inner, widthRule: edgingRules.legEdge },
            ...(facings
              ? [{ edge: [back[back.length - 1]!, edge[0]!], profile: end, widthRule: edgingRules.ends }]
              : []),
          ]
        : [],
    }
  }
  return wallSides.flatMap((side) => edgesOf(side).map((edge) => layer(side, edge)))
}

/** All edges of straps on a side, each with its strap on its left. */
const edgesOfStraps = (pieces: DrawnUpper['pieces'], side: Side): Path[] =>
  pieces.flatMap((p) =>
    p.places
      .filter((place) => place.side === side)
      .flatMap((place) => place.edges.filter((e) => isOfOpening(e.name, false)).map((e) => e.line)),
  )
