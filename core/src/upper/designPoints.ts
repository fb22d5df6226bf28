import { nearest, pointAt } from '../geometry/along.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'
import type { FormeMap } from '../forme/formeMap.ts'
import type { Side } from '../last/frame.ts'
import type { Origin } from '../model/because.ts'
import type { Rule, RuleBook } from '../model/rules.ts'
import type { MovedPoint, PointSide, UpperDecisions } from '../model/upper.ts'

export const wallSides: readonly Side[] = ['lateral', 'medial']

/** What a key point may move along: anywhere, the ridge, the back curve (and straight on above it), the feather line. */
export type PointTrack = 'free' | 'ridge' | 'back' | 'feather'

/** A key point of the design: by rule, unless somebody moved it. mm on the forme. */
export interface KeyPoint {
  id: string
  name: string
  track: PointTrack
  at: Record<Side, Point>
  byRule: Record<Side, Point>
  /** Which of it was moved by hand, if any. */
  moved: PointSide | null
  /** The sides on which it is shown and moved on its own; one alone when it is one point for the whole shoe. */
  sides: readonly Side[]
  /** Its figures as a shoemaker would give them. */
  figures: { name: string; value: number }[]
  sentence: string
  origin: Origin
  rule?: string
}

const of = (v: number | Record<Side, number>, side: Side): number => (typeof v === 'number' ? v : v[side])

/** How far behind its foot a back line may be led on above the last, mm. */
const ABOVE_BACK = 90
/**
 * The drawing board of a style: rules set key points on the mean forme, decisions move them, and each remembers why
 * it is where it is. Points on the centre lines are one for both sides.
 */
export class DesignBoard {
  readonly points: KeyPoint[] = []
  readonly feather: Record<Side, Path>
  /** The back curve led on straight above the last. */
  readonly back: Path
  readonly ridge: Path
  readonly length: number
  /** On low-cut styles: how much higher the medial line was drawn than the lateral one, mm. */
  throatDifference: number | null = null

  constructor(
    readonly map: FormeMap,
    readonly book: RuleBook,
    readonly decisions: UpperDecisions,
  ) {
    this.length = map.surface.length
    this.feather = map.feathers
    this.back = ledOn(map.back, ABOVE_BACK)
    this.ridge = map.ridge
  }

  option(name: string, byDefault = false): boolean {
    return this.decisions.options[name] ?? byDefault
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

  private add(
    id: string,
    name: string,
    track: PointTrack,
    byRule: Record<Side, Point>,
    sides: readonly Side[],
    why: string,
    rule?: Rule,
  ): Record<Side, Point> {
    const moves = this.decisions.points
    const draft = { id, track, sides, byRule }
    const at = { lateral: this.whereIs(draft, 'lateral'), medial: this.whereIs(draft, 'medial') }
    const moved = (['both', 'lateral', 'medial'] as const).find((s) => moves[`${id}:${s}`]) ?? null
    this.points.push({
      id,
      name,
      track,
      at,
      byRule,
      moved,
      sides,
      figures: this.figures(track, at[sides[0]]),
      sentence: moved ? `Moved by hand. By rule: ${why}` : why,
      origin: moved ? 'set by hand' : rule ? this.book.inForce(rule).origin : 'measured on the last',
      rule: rule?.key,
    })
    return at
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

  /** A free point `up` mm square above the feather, over `x` mm from the heel back. */
  above(
    id: string,
    name: string,
    x: number | Record<Side, number>,
    up: number | Record<Side, number>,
    why: string,
    rule?: Rule,
  ): Record<Side, Point> {
    const at = (side: Side) => this.map.above(of(x, side), of(up, side))
    return this.add(id, name, 'free', { lateral: at('lateral'), medial: at('medial') }, wallSides, why, rule)
  }

  /** A free point of each side. */
  free(id: string, name: string, at: Record<Side, Point>, why: string): Record<Side, Point> {
    return this.add(id, name, 'free', at, wallSides, why)
  }

  /** A free point of which the shoe has one: on a line that both sides share, or that one side alone has. */
  shared(id: string, name: string, at: Point, why: string, side: Side = 'lateral'): Point {
    return this.add(id, name, 'free', { lateral: at, medial: at }, [side], why)[side]
  }

  /** A point of the ridge, `x` mm from the heel back. */
  onRidge(id: string, name: string, x: number, why: string, rule?: Rule): Point {
    const p = this.map.ridgeAt(x)
    return this.add(id, name, 'ridge', { lateral: p, medial: p }, ['lateral'], why, rule).lateral
  }

  /** A point of the back line, `up` mm along it from the feather. */
  onBack(id: string, name: string, up: number, why: string, rule?: Rule): Point {
    const p = pointAt(this.back, up)
    return this.add(id, name, 'back', { lateral: p, medial: p }, ['lateral'], why, rule).lateral
  }

  /** A point of the feather line, by the distance from the heel back at which it lies on the last. */
  onFeather(id: string, name: string, x: number | Record<Side, number>, why: string, rule?: Rule): Record<Side, Point> {
    const at = (side: Side) => nearest(this.feather[side], this.map.featherAt(of(x, side))).point
    return this.add(id, name, 'feather', { lateral: at('lateral'), medial: at('medial') }, wallSides, why, rule)
  }
}

/** A line led on straight beyond its end. */
function ledOn(line: Path, by: number): Path {
  const [a, b] = [line[line.length - 4], line[line.length - 1]]
  const l = Math.hypot(b[0] - a[0], b[1] - a[1])
  return [...line, [b[0] + ((b[0] - a[0]) / l) * by, b[1] + ((b[1] - a[1]) / l) * by]]
}
