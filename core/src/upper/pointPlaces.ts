import { nearest, pointAt } from '../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'
import type { FormeMap } from '../forme/formeMap.ts'
import type { Side } from '../trade/side.ts'
import type { MovedPoint, UpperDecisions } from '../model/upper.ts'
import type { KeyPoint, PointTrack } from './keyPoint.ts'

/** How far behind its foot a back line may be led on above the last, mm. */
const ABOVE_BACK = 90

/**
 * Where key points lie on the mean forme by the decisions, and which decision puts one somewhere. It reads no house
 * rule, so it may be kept.
 */
export class PointPlaces {
  readonly feather: Record<Side, Path>
  /** The back curve led on straight above the last. */
  readonly back: Path
  readonly ridge: Path
  readonly length: number

  constructor(
    readonly map: FormeMap,
    readonly decisions: UpperDecisions,
  ) {
    this.length = map.surface.length
    this.feather = map.feathers
    this.back = ledOn(map.back, ABOVE_BACK)
    this.ridge = map.ridge
  }

  private track(track: PointTrack, side: Side): Path | null {
    if (track === 'ridge') return this.ridge
    if (track === 'back') return this.back
    return track === 'feather' ? this.feather[side] : null
  }

  /** Where a decision puts a point: in the landmarks' frame, or by the share of its track. */
  private decided(track: PointTrack, side: Side, place: MovedPoint): Point {
    const line = this.track(track, side)
    if (!line) return this.map.fromLandmarks(place)
    return pointAt(line, track === 'back' ? place[0] * this.length : place[0] * pathLength(line))
  }

  /** The decision that puts a key point at a place of the forme: the inverse of the above. */
  placeFor(point: KeyPoint, side: Side, p: Point): MovedPoint {
    const line = this.track(point.track, side)
    if (!line) return [...this.map.toLandmarks(p)]
    const { at } = nearest(line, p)
    return [point.track === 'back' ? at / this.length : at / pathLength(line), 0]
  }

  /** The decision that gives a key point one of its figures (see `figures`), the others staying as they are. */
  placeByFigure(point: KeyPoint, side: Side, index: number, value: number): MovedPoint {
    const whole = pathLength(this.map.feather)
    if (point.track === 'back') return [value / this.length, 0]
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
    return move ? this.decided(point.track, side, move) : point.byRule[side]
  }

  /** A key point's figures at a place of the forme, as a shoemaker would give them, mm. */
  figures(track: PointTrack, p: Point): KeyPoint['figures'] {
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

/** A line led on straight beyond its end. */
function ledOn(line: Path, by: number): Path {
  const [a, b] = [line[line.length - 4]!, line[line.length - 1]!]
  const l = Math.hypot(b[0] - a[0], b[1] - a[1])
  return [...line, [b[0] + ((b[0] - a[0]) / l) * by, b[1] + ((b[1] - a[1]) / l) * by]]
}
