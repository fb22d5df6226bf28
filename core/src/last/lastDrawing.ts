import type { Path, Point } from '../geometry/path.ts'
import type { LastReadings } from './readings.ts'
import { girthStations } from './landmarks.ts'
import { calliperWidths, bottomWidths } from '../geometry/callipers.ts'
import {
  atX,
  backCurve,
  bottomPoint,
  featherLine,
  featherPlan,
  ridgeAndToe,
  wallPoint,
  type LastSurface,
} from './surface.ts'

/** A line of a drawing of the last, and what it is: it decides how it is drawn. */
export interface LastLine {
  kind: 'outline' | 'feather' | 'hidden' | 'ground' | 'tape' | 'axis'
  closed: boolean
  path: Path
}

/** A distance drawn with arrows between two points, its figure beside it, mm. `away` shifts it off the body, square to itself. */
export interface LastDimension {
  name: string
  from: Point
  to: Point
  away: number
  value: number
}

/** One view at true size, mm, y up. */
export interface LastView {
  name: string
  lines: LastLine[]
  dimensions: LastDimension[]
}

/** How far the back curve stands in from its fullest point, by height over the seat, mm. */
export function backProfile(surface: LastSurface, step = 10): { height: number; inwards: number }[] {
  const back = backCurve(surface)
  const seat = back[0]![2]
  const fullest = Math.min(...back.map((p) => p[0]))
  const top = back[back.length - 1]![2] - seat
  const list: { height: number; inwards: number }[] = []
  for (let height = 0; height <= top; height += step) {
    const i = Math.max(
      1,
      back.findIndex((p) => p[2] - seat >= height),
    )
    const [a, b] = [back[i - 1]!, back[i]!]
    const t = b[2] > a[2] ? Math.min(1, Math.max(0, (seat + height - a[2]) / (b[2] - a[2]))) : 0
    list.push({ height, inwards: a[0] + (b[0] - a[0]) * t - fullest })
  }
  return list
}

/** The last from the lateral side, toe to the right, on the ground. */
export function sideView(surface: LastSurface, r: LastReadings): LastView {
  const L = surface.length
  const flat = (p: readonly number[]): Point => [p[0]!, p[2]!]
  const top = surface.rows - 1
  const rim = Array.from({ length: surface.coneColumn + 1 }, (_, i) => wallPoint(surface, 'lateral', i, top))
  const lateral = featherLine(surface, 'lateral')
  const outline = [...backCurve(surface), ...rim.slice(1), ...ridgeAndToe(surface).slice(1)].map(flat)
  const middle = Array.from({ length: surface.columns }, (_, i) => bottomPoint(surface, i, (surface.across - 1) / 2))
  const m = r.landmarks
  const box = atX(ridgeAndToe(surface), 0.905 * L)
  const under = atX(middle, 0.905 * L)
  return {
    name: 'From the lateral side',
    lines: [
      {
        kind: 'ground',
        closed: false,
        path: [
          [-14, 0],
          [L + 14, 0],
        ],
      },
      { kind: 'outline', closed: true, path: [...outline, ...[...middle].reverse().slice(1).map(flat)] },
      { kind: 'feather', closed: false, path: lateral.map(flat) },
      { kind: 'hidden', closed: false, path: featherLine(surface, 'medial').map(flat) },
      ...girthStations.map((s): LastLine => ({ kind: 'tape', closed: true, path: r.tapes[s].map(flat) })),
    ],
    dimensions: [
      { name: 'Length', from: [0, 0], to: [L, 0], away: -18, value: L },
      { name: 'Heel height', from: [0, 0], to: [0, r.heelHeight], away: 12, value: r.heelHeight },
      {
        name: 'Back height',
        from: [0, m.heelFeather[2]],
        to: [0, m.coneBack[2]],
        away: 26,
        value: r.backHeight,
      },
      { name: 'Toe spring', from: [L, 0], to: [L, r.toeSpring], away: -34, value: r.toeSpring },
      { name: 'Toe box', from: [L, under[2]], to: [L, box[2]], away: -12, value: r.toeBoxHeight },
      {
        name: 'Cone',
        from: [m.coneBack[0], m.coneBack[2]],
        to: [m.coneFront[0], m.coneFront[2]],
        away: 10,
        value: m.coneFront[0] - m.coneBack[0],
      },
    ],
  }
}

/** The bottom seen from above, medial side up, toe to the right. */
export function bottomView(surface: LastSurface, r: LastReadings): LastView {
  const L = surface.length
  const flat = (p: readonly number[]): Point => [p[0]!, p[1]!]
  const lateral = featherLine(surface, 'lateral')
  const medial = featherLine(surface, 'medial')
  // Widths are square to the axis, though the joints do not lie opposite each other: drawn between the two.
  const outline = featherPlan(surface)
  const read = calliperWidths(outline, 0, L)
  const touched = (y: number): Point =>
    outline.reduce((best, p) => (Math.abs(p[1] - y) < Math.abs(best[1] - y) ? p : best))
  const widths = bottomWidths.flatMap((name) => {
    const w = read[name]
    if (!w) return []
    const joint = name === 'joint'
    return [
      {
        name: `${name[0]!.toUpperCase()}${name.slice(1)}`,
        value: r.widths[name],
        x: w.from[0],
        lateral: joint ? touched(w.from[1]) : w.from,
        medial: joint ? touched(w.to[1]) : w.to,
      },
    ]
  })
  return {
    name: 'Bottom, from above',
    lines: [
      {
        kind: 'axis',
        closed: false,
        path: [
          [-8, 0],
          [L + 8, 0],
        ],
      },
      { kind: 'feather', closed: true, path: [...lateral, ...[...medial].reverse().slice(1, -1)].map(flat) },
      ...widths.flatMap((w): LastLine[] =>
        [w.lateral, w.medial].map((p) => ({ kind: 'hidden', closed: false, path: [p, [w.x, p[1]]] })),
      ),
    ],
    dimensions: widths.map((w) => ({
      name: w.name,
      from: [w.x, w.lateral[1]],
      to: [w.x, w.medial[1]],
      away: 0,
      value: w.value,
    })),
  }
}
