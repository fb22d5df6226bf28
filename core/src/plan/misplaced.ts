import { distanceBetween } from '../geometry/distanceBetween.ts'
import { boxOf, counterClockwise, type Box, type Path } from '../geometry/path.ts'
import { areaOutside, commonArea, offset } from '../geometry/polygonClip.ts'
import type { FlawKind } from '../model/hide.ts'
import type { LaidPlace, LayTurn } from '../model/layout.ts'
import { betweenWays, tightAt } from './tightAt.ts'
import {
  canHide,
  laidPiece,
  middleLaid,
  tooPoorFor,
  whereLaid,
  type HowLaid,
  type LayGround,
  type ToLay,
} from './cuttingLayout.ts'

/** What is wrong with where a piece lies; `at` and `other` count places. */
export type Misplaced = { at: number } & (
  | { kind: 'overlap'; other: number; area: number }
  | { kind: 'near'; other: number; apart: number }
  | { kind: 'edge'; area: number }
  | { kind: 'flaw'; flaw: FlawKind }
  | { kind: 'grade' }
  | { kind: 'turn'; off: number }
)

/** Two pieces may lie into each other, or off the sheet, by no more than this, mm: less than a knife's edge. */
const ALLOWED = 0.05
/** Degrees that a piece may be off its tight direction, by how it is laid; on a hide that was looked at place by place. */
const OFF: Readonly<Record<LayTurn, number>> = { along: 0.5, near: 10.5, free: Infinity }
const OFF_FIELD: Readonly<Record<LayTurn, number>> = { along: 6.5, near: 10.5, free: Infinity }

interface Lies {
  at: number
  on: number
  bare: Path
  inset: Path
  /** With its share of the gap. */
  grown: Path
  box: Box
}

/** Outlines grown by so much: a piece that is dragged is looked at some fifty times a second. */
const offsets = new WeakMap<Path, Map<number, Path>>()
function grownBy(path: Path, by: number): Path {
  const known = offsets.get(path) ?? new Map<number, Path>()
  offsets.set(path, known)
  const found = known.get(by) ?? offset(path, by, 'a piece')
  known.set(by, found)
  return found
}

const apart = (a: Box, b: Box): boolean => a.minX >= b.maxX || b.minX >= a.maxX || a.minY >= b.maxY || b.minY >= a.maxY

/**
 * All that is wrong with a layout: pieces that lie over each other, or nearer than the knife asks for, off the hide, on a
 * flaw, on a part that is too poor for them, or further off the tight direction than is allowed. Everything is looked at by
 * its whole outline (intersection of polygons), to 0.05 mm. With `only`, what concerns that one place.
 */
export function misplaced(
  pieces: readonly ToLay[],
  grounds: readonly LayGround[],
  places: readonly LaidPlace[],
  { gap, turn, hidesFlaws }: HowLaid,
  only?: number,
): Misplaced[] {
  const lies = places.map((place, at): Lies | null => {
    const found = laidPiece(pieces, place)
    if (!found || !grounds[place.on]) return null
    const lay = (path: Path) => whereLaid(path, place)
    const { outline } = found.cut
    const grown = lay(grownBy(outline, (gap - ALLOWED) / 2))
    return {
      at,
      on: place.on,
      bare: lay(outline),
      inset: lay(grownBy(outline, -ALLOWED)),
      grown,
      box: boxOf(grown),
    }
  })
  const wrong: Misplaced[] = []
  lies.forEach((a, at) => {
    if (!a) return
    for (const b of lies.slice(0, at)) {
      if (!b || a.on !== b.on || (only !== undefined && only !== at && only !== b.at) || apart(a.box, b.box)) continue
      if (commonArea(a.grown, b.grown) === 0) continue
      const area = commonArea(a.inset, b.bare)
      if (area > 0) wrong.push({ kind: 'overlap', at, other: b.at, area })
      else wrong.push({ kind: 'near', at, other: b.at, apart: distanceBetween(a.bare, b.bare) })
    }
    if (only !== undefined && only !== at) return
    const place = places[at]!
    const { piece, cut } = laidPiece(pieces, place)!
    const ground = grounds[place.on]!
    const outside = areaOutside(a.inset, counterClockwise(ground.outline))
    if (outside > 0) wrong.push({ kind: 'edge', at, area: outside })
    const seen = hidesFlaws && cut.seen ? whereLaid(grownBy(cut.seen, -ALLOWED), place) : a.inset
    const flaw = ground.flaws.find((f) => commonArea(canHide(f) ? seen : a.inset, f.outline) > 0)
    if (flaw) wrong.push({ kind: 'flaw', at, flaw: flaw.kind })
    if (tooPoorFor(ground.zones, piece).some((z) => commonArea(a.inset, z) > 0)) wrong.push({ kind: 'grade', at })
    const off = betweenWays(cut.tight + place.rotation, tightAt(ground, middleLaid(cut.outline, place)))
    const allowed = ground.directions.length > 0 ? OFF_FIELD : OFF
    if (off > allowed[turn]) wrong.push({ kind: 'turn', at, off })
  })
  return wrong
}
