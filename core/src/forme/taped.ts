import { bendSheet } from '../flatten/heldSheet.ts'
import type { Mesh } from '../flatten/mesh.ts'
import { nearest, pointsAt, resample } from '../geometry/polyline.ts'
import { boxOf, distance, GeometryError, pathLength, type Path, type Point } from '../geometry/path.ts'
import { procrustes } from '../geometry/procrustes.ts'
import type { Taping } from '../model/upper.ts'
import { wallLines, type Grid } from './wallGrid.ts'
import { mm, say } from '../units/sentence.ts'

/** A corner of the taping may lie so far from the computed one, mm; further away it is another last's, or lies wrong. */
const CORNER = 30
/** Rounds in which an outline is laid on another. */
const ROUNDS = 40

const at = (flat: Float64Array, v: number): Point => [flat[2 * v]!, flat[2 * v + 1]!]

/** The edge of a wall laid flat, once round from the foot of the back: feather, toe rib, ridge, rim, back. */
export function flatOutline(grid: Grid & { coneColumn: number }, flat: Float64Array): Path {
  const l = wallLines(grid)
  const back = (line: readonly number[]) => [...line].reverse().slice(1)
  return [...l.feather, ...back(l.toeRib), ...back(l.ridge), ...back(l.rim), ...back(l.back)]
    .slice(0, -1)
    .map((v) => at(flat, v))
}

/** A taping moved (and turned over if it was drawn face down) so that its two reference points lie on the forme's. */
function laid(taping: Taping, marks: readonly [Point, Point], middle: Point): Path {
  const side = (a: Point, b: Point, p: Point) => (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])
  const centre = (path: Path): Point => {
    const b = boxOf(path)
    return [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2]
  }
  const over = side(taping.back, taping.vamp, centre(taping.outline)) * side(marks[0], marks[1], middle) < 0
  const flip = ([x, y]: Point): Point => (over ? [x, -y] : [x, y])
  const move = procrustes([flip(taping.back), flip(taping.vamp)], marks)
  return taping.outline.map((p) => move(flip(p)))
}

/**
 * A side's forme from tape instead of computation: the taping is laid on by its two reference points, the edge of the
 * computed sheet is drawn onto it between the four corners (foot, top of the back, front of the cone, toe), and the rest
 * follows as rigid as it can. So every point still maps to the last. Throws GeometryError when a corner is not there.
 */
export function tapedFlat(
  mesh: Mesh,
  grid: Grid & { coneColumn: number },
  flat: Float64Array,
  taping: Taping,
  marks: readonly [Point, Point],
  name: string,
): { flat: Float64Array; mean: number; most: number } {
  const outline = laid(taping, marks, at(flat, Math.floor(grid.columns / 2) * grid.rows + Math.floor(grid.rows / 2)))
  const l = wallLines(grid)
  const total = pathLength(outline, true)
  const corner = (v: number, what: string): number => {
    const near = nearest(outline, at(flat, v), true)
    if (near.away > CORNER) {
      throw new GeometryError(
        say`The ${name} taping does not fit this last: at the ${what} it lies ${mm(near.away, 0)} away. Check its two reference points.`,
      )
    }
    return near.at
  }
  const start = flat.slice()
  const held = new Uint8Array(flat.length / 2)
  let sum = 0
  let most = 0
  let count = 0
  const draw = (line: readonly number[], from: number, to: number) => {
    const run = [0]
    for (let k = 1; k < line.length; k++) run.push(run[k - 1]! + distance(at(flat, line[k - 1]!), at(flat, line[k]!)))
    // The shorter way round is the one that belongs to this stretch.
    let span = (((to - from) % total) + total) % total
    if (span > total / 2) span -= total
    const places = pointsAt(
      outline,
      run.map((r) => from + (span * r) / run[run.length - 1]!),
      true,
    )
    line.forEach((v, k) => {
      const away = distance(places[k]!, at(flat, v))
      sum += away
      count++
      most = Math.max(most, away)
      start.set(places[k]!, 2 * v)
      held[v] = 1
    })
  }
  const centre = [...l.ridge, ...l.toeRib.slice(1)]
  const [foot, top, front, toe] = [
    corner(l.feather[0]!, 'foot of the back'),
    corner(l.rim[0]!, 'top of the back'),
    corner(l.ridge[0]!, 'front of the cone'),
    corner(l.feather[l.feather.length - 1]!, 'toe'),
  ]
  draw(l.back, foot, top)
  draw(l.rim, top, front)
  draw(centre, front, toe)
  draw(l.feather, foot, toe)
  return { flat: bendSheet(mesh, start, held), mean: sum / count, most }
}

/**
 * Where the two reference points of a drawing probably lie: the drawing is laid on the computed outline as well as it
 * can be, either way up (iterated closest points, Besl and McKay 1992), and the forme's own points are read off it.
 */
export function guessReferences(outline: Path, forme: Path, marks: readonly [Point, Point]): Taping {
  const target = resample(forme, 160, true)
  const middle = (p: Path): Point => {
    const b = boxOf(p)
    return [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2]
  }
  const [o, f] = [middle(outline), middle(forme)]
  let best: { error: number; back: Point; vamp: Point } | null = null
  for (const mirror of [1, -1]) {
    for (const quarter of [0, 1, 2, 3]) {
      const a = (quarter * Math.PI) / 2
      const place = ([x, y]: Point): Point => {
        const [px, py] = [x - o[0], mirror * (y - o[1])]
        return [f[0] + Math.cos(a) * px - Math.sin(a) * py, f[1] + Math.sin(a) * px + Math.cos(a) * py]
      }
      // Every point of the forme finds its partner on the drawing; the drawing is moved so that partners meet.
      let moved: Path = outline.map(place)
      let error = Infinity
      for (let k = 0; k < ROUNDS; k++) {
        const partners = target.map((p) => nearest(moved, p, true).point)
        error = partners.reduce((s, p, i) => s + distance(p, target[i]!), 0) / target.length
        moved = moved.map(procrustes(partners, target))
      }
      if (best && best.error <= error) continue
      const back = (mark: Point): Point => {
        const { at: along } = nearest(moved, mark, true)
        return pointsAt(outline, [along], true)[0]!
      }
      best = { error, back: back(marks[0]), vamp: back(marks[1]) }
    }
  }
  if (!best) throw new GeometryError('There is no outline to lay on the forme.')
  return { outline: outline.map(([x, y]): [number, number] => [x, y]), back: [...best.back], vamp: [...best.vamp] }
}
