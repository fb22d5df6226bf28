import { nearest, pointAt } from '../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'
import type { FormeMap } from '../forme/formeMap.ts'
import type { Side } from '../trade/side.ts'
import type { MovedPoint, UpperDecisions } from '../model/upper.ts'
import type { KeyPoint, PointTrack } from './keyPoint.ts'
import {
  isEndPlace,
  MARGIN_PLACES,
  marginFoot,
  marginPlace,
  marginPoint,
  NARROWEST_MARGIN,
  WIDEST_MARGIN,
  type MarginMore,
} from './marginMore.ts'

/**
 * Where key points lie on the mean forme by the decisions, and which decision puts one somewhere. It reads no house
 * rule, so it may be kept.
 */
export class PointPlaces {
  readonly feather: Record<Side, Path>
  /** The back curve led on above the last: it leans less and less, as the leg does over the heel, and stands upright. */
  readonly back: Path
  readonly ridge: Path
  readonly length: number

  constructor(
    readonly map: FormeMap,
    readonly decisions: UpperDecisions,
  ) {
    this.length = map.surface.length
    this.feather = map.feathers
    this.back = map.backLedOn
    this.ridge = map.ridge
  }

  private track(track: PointTrack, side: Side): Path | null {
    if (track === 'ridge') return this.ridge
    if (track === 'back') return this.back
    return track === 'feather' ? this.feather[side] : null
  }

  /** Where a decision puts a point: in the landmarks' frame, or by the share of its track. */
  private decided(point: Pick<KeyPoint, 'id' | 'track' | 'byRule'>, side: Side, place: MovedPoint): Point {
    const { track } = point
    if (track === 'margin') {
      const { out, by } = this.margin(point, side)
      const more = this.within(by, place[0] * this.length)
      const [x, y] = point.byRule[side]
      return [x + out[0] * more, y + out[1] * more]
    }
    const line = this.track(track, side)
    if (!line) return this.map.fromLandmarks(place)
    return pointAt(line, track === 'back' ? place[0] * this.length : place[0] * pathLength(line))
  }

  /** The decision that puts a key point at a place of the forme: the inverse of the above. */
  placeFor(point: KeyPoint, side: Side, p: Point): MovedPoint {
    if (point.track === 'margin') {
      const { out, by } = this.margin(point, side)
      const [x, y] = point.byRule[side]
      return [this.within(by, (p[0] - x) * out[0] + (p[1] - y) * out[1]) / this.length, 0]
    }
    const line = this.track(point.track, side)
    if (!line) return [...this.map.toLandmarks(p)]
    const { at } = nearest(line, p)
    return [point.track === 'back' ? at / this.length : at / pathLength(line), 0]
  }

  /** The decision that gives a key point one of its figures (see `figures`), the others staying as they are. */
  placeByFigure(point: KeyPoint, side: Side, index: number, value: number): MovedPoint {
    const whole = pathLength(this.map.feather)
    if (point.track === 'back') return [value / this.length, 0]
    if (point.track === 'margin') {
      const { by } = this.margin(point, side)
      return [this.within(by, value - by) / this.length, 0]
    }
    if (point.track === 'ridge')
      return this.placeFor(point, side, pointAt(this.map.centre, pathLength(this.map.centre) - value))
    if (point.track === 'feather')
      return [
        Math.min(1, nearest(this.feather[side], pointAt(this.map.feather, value)).at / pathLength(this.feather[side])),
        0,
      ]
    const now = nearest(this.map.feather, this.whereIs(point, side))
    const [along, up] = index === 0 ? [value, now.away] : [now.at, value]
    const foot = pointAt(this.map.feather, along)
    const behind = pointAt(this.map.feather, Math.max(0, along - 2))
    const ahead = pointAt(this.map.feather, Math.min(whole, along + 2))
    const l = Math.hypot(ahead[0] - behind[0], ahead[1] - behind[1]) || 1
    return [
      ...this.map.toLandmarks([
        foot[0] - ((ahead[1] - behind[1]) / l) * up,
        foot[1] + ((ahead[0] - behind[0]) / l) * up,
      ]),
    ]
  }

  /** Where a key point lies by the decisions of this board, whatever it was drawn with. */
  whereIs(point: Pick<KeyPoint, 'id' | 'track' | 'sides' | 'byRule'>, side: Side): Point {
    const moves = this.decisions.points
    const move = (point.sides.length === 1 ? undefined : moves[`${point.id}:${side}`]) ?? moves[`${point.id}:both`]
    return move ? this.decided(point, side, move) : point.byRule[side]
  }

  /** The way out of the feather at a margin point, and how wide the margin is there by rule, mm. */
  private margin({ id, byRule }: Pick<KeyPoint, 'id' | 'byRule'>, side: Side): { out: Point; by: number } {
    const { foot, out } = marginFoot(this.feather[side], marginPlace(id) ?? 0)
    const [x, y] = byRule[side]
    return { out, by: (x - foot[0]) * out[0] + (y - foot[1]) * out[1] }
  }

  /** So much more that a margin stays one that can be cut. */
  private within(by: number, more: number): number {
    return Math.max(NARROWEST_MARGIN - by, Math.min(WIDEST_MARGIN - by, more))
  }

  /**
   * What the margin points add to the margin by the decisions; null where none was moved. `by` is the margin by rule on
   * each side, mm.
   */
  marginMore(by: Record<Side, number>): MarginMore | null {
    const moves = this.decisions.points
    if (!Object.keys(moves).some((key) => marginPlace(key.split(':')[0]!) !== null)) return null
    const of = (side: Side) =>
      Array.from({ length: MARGIN_PLACES }, (_, k) => {
        const id = marginPoint(k)
        const move = (isEndPlace(k) ? undefined : moves[`${id}:${side}`]) ?? moves[`${id}:both`]
        return move ? this.within(by[side], move[0] * this.length) : 0
      })
    return { lateral: of('lateral'), medial: of('medial') }
  }

  /** A key point's figures at a place of the forme, as a shoemaker would give them, mm. */
  figures(track: PointTrack, p: Point, side: Side = 'lateral'): KeyPoint['figures'] {
    if (track === 'margin') return [{ name: 'past the feather', value: nearest(this.feather[side], p).away }]
    if (track === 'back') return [{ name: 'up the back', value: nearest(this.back, p).at }]
    const feather = nearest(this.map.feather, p)
    if (track === 'feather') return [{ name: 'along the feather', value: feather.at }]
    if (track === 'ridge')
      return [{ name: 'from the toe', value: pathLength(this.map.centre) - nearest(this.map.centre, p).at }]
    return [
      { name: 'along the feather', value: feather.at },
      { name: 'above the feather', value: feather.away },
    ]
  }
}
