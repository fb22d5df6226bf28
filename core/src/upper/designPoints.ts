import { nearest, pointAt } from '../geometry/polyline.ts'
import type { Point } from '../geometry/path.ts'
import type { FormeMap } from '../forme/formeMap.ts'
import { wallSides, type Side } from '../trade/side.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import type { UpperDecisions } from '../model/upper.ts'
import type { KeyPoint, PointTrack } from './keyPoint.ts'
import { edgeRules } from './edgeRules.ts'
import { isEndPlace, MARGIN_PLACES, marginFoot, marginPoint } from './marginMore.ts'
import { PointPlaces } from './pointPlaces.ts'
import { type Sentence, say } from '../units/sentence.ts'

const of = (v: number | Record<Side, number>, side: Side): number => (typeof v === 'number' ? v : v[side])

/** What the places of the margin are called, from the heel to the toe. */
const MARGIN_NAMES = [
  'Margin at the heel',
  'Margin at the side of the heel',
  'Margin behind the waist',
  'Margin at the waist',
  'Margin in front of the waist',
  'Margin behind the joint',
  'Margin at the joint',
  'Margin at the side of the toe',
  'Margin at the toe',
]

/**
 * The drawing board of a style: rules set key points on the mean forme, decisions move them, and each remembers why
 * it is where it is. Points on the centre lines are one for both sides. It holds the rule book, so it is for drawing
 * alone; what may be kept of it is BasePattern.
 */
export class DesignBoard extends PointPlaces {
  readonly points: KeyPoint[] = []
  /** On low-cut styles: how much higher the medial line was drawn than the lateral one, mm. */
  throatDifference: number | null = null

  constructor(
    map: FormeMap,
    readonly book: RuleBook,
    decisions: UpperDecisions,
    /** Short heel of the last: what has to pass through a shaft without an opening, mm. */
    readonly heelGirth: number,
  ) {
    super(map, decisions)
  }

  option(name: string, byDefault = false): boolean {
    return this.decisions.options[name] ?? byDefault
  }

  private add(
    id: string,
    name: string,
    track: PointTrack,
    byRule: Record<Side, Point>,
    sides: readonly Side[],
    why: Sentence,
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
      figures: this.figures(track, at[sides[0]!], sides[0]),
      sentence: moved ? say`Moved by hand. By rule: ${why}` : why,
      origin: moved ? 'set by hand' : rule ? this.book.inForce(rule).origin : 'measured on the last',
      rule: rule?.key,
    })
    return at
  }

  /** A free point `up` mm square above the feather, over `x` mm from the heel back. */
  above(
    id: string,
    name: string,
    x: number | Record<Side, number>,
    up: number | Record<Side, number>,
    why: Sentence,
    rule?: Rule,
  ): Record<Side, Point> {
    const at = (side: Side) => this.map.above(of(x, side), of(up, side))
    return this.add(id, name, 'free', { lateral: at('lateral'), medial: at('medial') }, wallSides, why, rule)
  }

  /** A free point of each side. */
  free(id: string, name: string, at: Record<Side, Point>, why: Sentence): Record<Side, Point> {
    return this.add(id, name, 'free', at, wallSides, why)
  }

  /** A free point of which the shoe has one: on a line that both sides share, or that one side alone has. */
  shared(id: string, name: string, at: Point, why: Sentence, side: Side = 'lateral'): Point {
    return this.add(id, name, 'free', { lateral: at, medial: at }, [side], why)[side]
  }

  /** A point of the ridge, `x` mm from the heel back. */
  onRidge(id: string, name: string, x: number, why: Sentence, rule?: Rule): Point {
    const p = this.map.ridgeAt(x)
    return this.add(id, name, 'ridge', { lateral: p, medial: p }, ['lateral'], why, rule).lateral
  }

  /** A point of the back line, `up` mm along it from the feather. */
  onBack(id: string, name: string, up: number, why: Sentence, rule?: Rule): Point {
    const p = pointAt(this.back, up)
    return this.add(id, name, 'back', { lateral: p, medial: p }, ['lateral'], why, rule).lateral
  }

  /** The edge of the lasting margin at the places where it may be set by hand, `by` mm past the feather by rule. */
  margins(by: Record<Side, number>, reaches: (side: Side, foot: Point) => boolean): void {
    for (let place = 0; place < MARGIN_PLACES; place++) {
      const at = (side: Side): Point => {
        const { foot, out } = marginFoot(this.feather[side], place)
        return [foot[0] + out[0] * by[side], foot[1] + out[1] * by[side]]
      }
      const there = (side: Side) => reaches(side, marginFoot(this.feather[side], place).foot)
      const sides = isEndPlace(place) ? (['lateral'] as const) : wallSides.filter(there)
      if (sides.length === 0 || (isEndPlace(place) && !there('lateral'))) continue
      this.add(
        marginPoint(place),
        MARGIN_NAMES[place]!,
        'margin',
        { lateral: at('lateral'), medial: at('medial') },
        sides,
        'Wider just where it runs short, narrower where it only makes waste; between two places it goes over evenly.',
        edgeRules.lasting,
      )
    }
  }

  /** A point of the feather line, by the distance from the heel back at which it lies on the last. */
  onFeather(
    id: string,
    name: string,
    x: number | Record<Side, number>,
    why: Sentence,
    rule?: Rule,
  ): Record<Side, Point> {
    const at = (side: Side) => nearest(this.feather[side], this.map.featherAt(of(x, side))).point
    return this.add(id, name, 'feather', { lateral: at('lateral'), medial: at('medial') }, wallSides, why, rule)
  }
}
