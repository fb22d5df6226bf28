import { offset } from '../geometry/polygonClip.ts'
import { boxOf, translate, type Path, type Point } from '../geometry/path.ts'
import type { Hide, HideGrade } from '../model/hide.ts'
import type { LaidPlace, LayTurn, PairLayout } from '../model/layout.ts'
import type { NestInstance, Placement } from '../nesting/instance.ts'
import { turnPath } from '../nesting/turnPath.ts'
import { shareOf, tightRaster, whereOff } from './tightAt.ts'
import type { CuttingGroup, CutPiece, FootCut } from './cuttingList.ts'

/** A straight sheet or the end of a roll, mm, its tight direction along its length. */
export interface StraightSheet {
  length: number
  width: number
}

/** What pieces are laid on, seen from its face: a hide, or a sheet as one without flaws and zones. */
export type LayGround = Pick<Hide, 'outline' | 'flaws' | 'zones' | 'tight' | 'directions'>

export const sheetGround = ({ length, width }: StraightSheet): LayGround => ({
  outline: [
    [0, 0],
    [length, 0],
    [length, width],
    [0, width],
  ],
  flaws: [],
  zones: [],
  tight: 0,
  directions: [],
})

/** How pieces are laid: room for the knife, mm, which way, and whether scars and stains may lie where they are not seen. */
export type HowLaid = Pick<PairLayout, 'gap' | 'turn' | 'hidesFlaws'>

/** One piece of one pair for one foot, as often as it is cut. */
export interface ToLay {
  pair: string
  piece: CutPiece
  cut: FootCut
}

/** Degrees between the turns of a piece that may lie as it fits. */
const STEP = 45
/** Turns off the tight direction that are near enough, degrees. */
const NEAR = [-10, -5, 0, 5, 10] as const

/** Turns off the way in which a hide gives least. */
const turnsOff: Readonly<Record<LayTurn, readonly number[]>> = {
  along: [0],
  near: NEAR,
  free: Array.from({ length: 180 / STEP }, (_, k) => k * STEP),
}
/** Where a hide gives its own way in every place, turns are so far apart, and a piece is laid no farther off, degrees. */
const FIELD_STEP = 10
const FIELD_OFF: Readonly<Record<Exclude<LayTurn, 'free'>, number>> = { along: 6, near: 10 }
/** A way that less of the hide has is not tried, as a share of it. */
const RARE = 0.03

/** Directions on a hide that a piece may be laid in by its tight direction, and where each of them is too far off. */
function waysOn(ground: LayGround, turn: LayTurn): { way: number; off: readonly Path[] }[] {
  const off = turnsOff[turn]
  if (turn === 'free' || ground.directions.length === 0) return off.map((o) => ({ way: ground.tight + o, off: [] }))
  const raster = tightRaster(ground, ground.outline)
  return Array.from({ length: 180 / FIELD_STEP }, (_, k) => k * FIELD_STEP)
    .filter((way) => shareOf(raster, way, FIELD_OFF[turn]) > RARE)
    .map((way) => ({ way, off: whereOff(raster, way, FIELD_OFF[turn]) }))
}

/**
 * Pieces that cover the forepart, which is seen most and strained most in lasting; an upper in one piece is its own
 * vamp, and of a sandal the straps over the foot are.
 */
const FOREPART: readonly string[] = ['vamp', 'cap', 'upper', 'frontStrap', 'instepStrap']
/** A piece of a pattern drawn elsewhere is what it is called. */
const CALLED = /\b(vamp|cap)\b/i

/**
 * The least that a piece is cut from: the best for vamp and toe cap, good for what else is seen, the rest wherever it
 * finds room.
 */
export function gradeNeeded({ id, name, record }: Pick<CutPiece, 'id' | 'name' | 'record'>): HideGrade {
  if (record === id) return 'lesser'
  return FOREPART.includes(id) || CALLED.test(name) ? 'best' : 'good'
}

/** Zones of a hide that are not good enough for a piece. */
export const tooPoorFor = (zones: Hide['zones'], piece: Pick<CutPiece, 'id' | 'name' | 'record'>): Path[] => {
  const needed = gradeNeeded(piece)
  return zones
    .filter(({ grade }) => needed === 'best' || (needed === 'good' && grade === 'lesser'))
    .map((z) => z.outline)
}

/** What can be laid of a pair by its outline: strips are cut along a straight edge. */
export const toLay = (pair: string, { pieces }: CuttingGroup): ToLay[] =>
  pieces.filter((p) => !p.strip).flatMap((piece) => piece.cuts.map((cut) => ({ pair, piece, cut })))

/** The name under which a piece is laid: the same for all its copies. */
export const layId = ({ pair, record, foot }: Pick<LaidPlace, 'pair' | 'record' | 'foot'>): string =>
  `${pair} ${record} ${foot}`
const idOf = ({ pair, piece, cut }: ToLay): string => layId({ pair, record: piece.record, foot: cut.foot })

/** A piece's line where it was laid. */
export const whereLaid = (line: Path, { x, y, rotation }: Pick<LaidPlace, 'x' | 'y' | 'rotation'>): Path =>
  translate(turnPath(line, rotation), x, y)

/** Middle of the piece's box where it lies: there it is asked which way the leather gives. */
export function middleLaid(outline: Path, at: Pick<LaidPlace, 'x' | 'y' | 'rotation'>): Point {
  const b = boxOf(whereLaid(outline, at))
  return [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2]
}

/** A place turned by so many degrees, counter-clockwise, about the middle of the piece's box where it lies. */
export function turnedInPlace<P extends Pick<LaidPlace, 'x' | 'y' | 'rotation'>>(
  place: P,
  outline: Path,
  by: number,
): P {
  const [x0, y0] = middleLaid(outline, place)
  const turned = { ...place, rotation: (place.rotation + by) % 360 }
  const [x1, y1] = middleLaid(outline, turned)
  return { ...turned, x: turned.x + x0 - x1, y: turned.y + y0 - y1 }
}

/** What may lie where it is not seen: a scar or a stain. A hole or a thin place tears when the margin is pulled over the last. */
export const canHide = ({ kind }: Hide['flaws'][number]): boolean => kind === 'scar' || kind === 'stain'

const corners = (path: Path): [number, number][] => path.map(([x, y]) => [x, y])

/**
 * Pieces to be laid on a hide or sheet, face up, with `gap` mm between them for the knife: none on a flaw, each on a part of
 * the hide that is good enough for it. `there` are outlines that lie on it already and stay: the rest is laid round them.
 */
export function cuttingLayout(
  pieces: readonly ToLay[],
  ground: LayGround,
  { gap, turn, hidesFlaws }: HowLaid,
  there: readonly Path[] = [],
): NestInstance {
  const taken = gap > 0 ? there.map((path) => offset(path, gap, 'a piece that lies there')) : there
  const marks = hidesFlaws ? ground.flaws.filter(canHide) : []
  const flaws = ground.flaws.filter((f) => !marks.includes(f))
  // Right and left of what is seen match best from neighbouring places.
  const mate = (p: ToLay) =>
    gradeNeeded(p.piece) === 'lesser'
      ? undefined
      : pieces.find((q) => q.pair === p.pair && q.piece.record === p.piece.record && q.cut.foot !== p.cut.foot)
  const ways = waysOn(ground, turn).flatMap(({ way, off }) => [0, 180].map((half) => ({ way: way + half, off })))
  return {
    bin: {
      outline: corners(ground.outline),
      holes: [...flaws.map((f) => f.outline), ...taken].map(corners),
      marks: marks.map((f) => corners(f.outline)),
    },
    gap,
    max_bins: 1,
    pieces: pieces.map((p) => ({
      id: idOf(p),
      outline: corners(p.cut.outline),
      count: p.cut.count,
      rotations: ways.map(({ way }) => way - p.cut.tight),
      turned_off: ways.flatMap(({ way, off }) =>
        off.length > 0 ? [{ rotation: way - p.cut.tight, areas: off.map(corners) }] : [],
      ),
      mirror: false,
      ...(mate(p) ? { mate: idOf(mate(p)!) } : {}),
      ...(p.cut.seen ? { seen: corners(p.cut.seen) } : {}),
      avoid: tooPoorFor(ground.zones, p.piece).map(corners),
    })),
  }
}

/** Outlines of pieces where they lie; of those that are not cut any more, nothing. */
export function outlinesLaid(pieces: readonly ToLay[], places: readonly LaidPlace[]): Path[] {
  const known = byName(pieces)
  return places.flatMap((p) => {
    const found = known.get(layId(p))
    return found ? [whereLaid(found.cut.outline, p)] : []
  })
}

/** Pieces without those that lie somewhere already: of as many copies as are left. */
export function stillToLay(pieces: readonly ToLay[], there: readonly LaidPlace[]): ToLay[] {
  const lie = new Map<string, number>()
  for (const p of there) lie.set(layId(p), (lie.get(layId(p)) ?? 0) + 1)
  return pieces.flatMap((p): ToLay[] => {
    const count = p.cut.count - (lie.get(idOf(p)) ?? 0)
    return count > 0 ? [{ ...p, cut: { ...p.cut, count } }] : []
  })
}

/** Where a search laid pieces, as places on ground `on`; copies are counted on past those that lie `there`. */
export function placesOf(
  pieces: readonly ToLay[],
  placements: readonly Placement[],
  on: number,
  there: readonly LaidPlace[],
): LaidPlace[] {
  const known = byName(pieces)
  const taken = new Set(there.map((p) => `${layId(p)} ${p.copy}`))
  return placements.flatMap(({ id, x, y, rotation }): LaidPlace[] => {
    const piece = known.get(id)
    if (!piece) return []
    let copy = 0
    while (taken.has(`${id} ${copy}`)) copy++
    taken.add(`${id} ${copy}`)
    const { pair, cut } = piece
    return [{ pair, record: piece.piece.record, foot: cut.foot, copy, on, x, y, rotation, pinned: false }]
  })
}

/** Pieces by name, once for each list of them: while one is pulled, all of them are asked for at every step. */
const named = new WeakMap<readonly ToLay[], Map<string, ToLay>>()
function byName(pieces: readonly ToLay[]): Map<string, ToLay> {
  const known = named.get(pieces) ?? new Map(pieces.map((p) => [idOf(p), p]))
  named.set(pieces, known)
  return known
}

/** What a place is of; null when no such piece is cut any more. */
export function laidPiece(pieces: readonly ToLay[], place: LaidPlace): ToLay | null {
  const found = byName(pieces).get(layId(place))
  return found && place.copy < found.cut.count ? found : null
}
