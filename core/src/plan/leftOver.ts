import { areaOutside, commonArea, offset, remainders, type Region } from '../geometry/polygonClip.ts'
import { contains, signedArea, type Path } from '../geometry/path.ts'
import { simplify } from '../geometry/simplify.ts'
import type { HideFields } from '../model/hide.ts'

/** What is narrower than twice this is no leather to cut from, mm: a finger's breadth. */
const NARROW = 8
/** A knife takes a little round each piece, mm. */
const KNIFE = 0.5
/** Offcuts smaller than this are not kept, mm2: a square decimetre, a tongue or a pair of tabs. */
const LEAST = 10_000
/** Of an outline that is drawn, not cut, mm. */
const ROUGH = 0.2

type Left = Pick<HideFields, 'outline' | 'flaws' | 'zones' | 'samples' | 'directions'>

const corners = (path: Path): [number, number][] =>
  simplify([...path, path[0]!], ROUGH)
    .slice(0, -1)
    .map(([x, y]) => [x, y])

/**
 * What is left of a hide after pieces were cut from it: the largest part first, with holes where pieces lay within it, and
 * every other part of a square decimetre or more as an offcut; flaws, zones and thicknesses go with the part that they are on.
 * Nothing when all of it is used up.
 */
export function leftOver(hide: Left, cut: readonly Path[]): Left[] {
  // A hole that was there is cut out as well: what stands between it and the next is a web, not leather.
  const holes = hide.flaws.filter((f) => f.kind === 'hole').map((f) => f.outline)
  const taken = [...holes, ...cut.map((path) => offset(path, KNIFE, 'a piece'))]
  return remainders(hide.outline, taken, NARROW)
    .filter(({ outline, holes }) => signedArea(outline) - holes.reduce((sum, h) => sum + signedArea(h), 0) >= LEAST)
    .map((region): Left => partOf(hide, region))
}

function partOf(hide: Left, { outline, holes }: Region): Left {
  const on = ({ outline: mark }: { outline: Path }) =>
    commonArea(mark, outline) > 0 && !holes.some((hole) => areaOutside(mark, hole) === 0)
  return {
    outline: corners(outline),
    flaws: [
      ...hide.flaws.filter((f) => f.kind !== 'hole' && on(f)),
      ...holes.map((h) => ({ kind: 'hole' as const, outline: corners(h) })),
    ],
    zones: hide.zones.filter(on),
    // What was seen beside a part still says how it lies.
    directions: hide.directions,
    samples: hide.samples.filter(({ at }) => contains(outline, at) && !holes.some((hole) => contains(hole, at))),
  }
}
