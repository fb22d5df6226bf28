import { nearest } from '../../geometry/polyline.ts'
import { subpath } from '../../geometry/subpath.ts'
import { offsetLine } from '../../geometry/offsetLine.ts'
import type { Path } from '../../geometry/path.ts'
import { wallSides } from '../../trade/side.ts'
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
  return wallSides.map((side): WallArea => {
    const edge: Path = down
      ? [...flipped(subpath(facings[side], 0, nearest(facings[side], throat).at)), ...topLine[side].slice(1)]
      : topLine[side]
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
  })
}
