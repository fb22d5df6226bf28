import { outwardNormals, resample } from '../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'

/** Distance between points at which a line is read, mm. */
export const STEP = 0.5

/** A closed line with points `STEP` apart and its normals, which point outwards. */
export interface Rail {
  points: Path
  normals: readonly Point[]
}

/** A rail along a closed line, evened over `sigma` mm by a Gauss window, so that its normals are steady. */
export function railAlong(path: Path, sigma: number): Rail {
  const even = resample(path, Math.max(24, Math.round(pathLength(path, true) / STEP)), true)
  const n = even.length
  const reach = Math.min(Math.ceil((3 * sigma) / STEP), Math.floor(n / 4))
  const weights = Array.from({ length: 2 * reach + 1 }, (_, k) => Math.exp(-0.5 * (((k - reach) * STEP) / sigma) ** 2))
  const sum = weights.reduce((a, b) => a + b, 0)
  const points = even.map((_, i): Point => {
    let [x, y] = [0, 0]
    for (let k = -reach; k <= reach; k++) {
      const p = even[(i + k + n) % n]!
      x += weights[k + reach]! * p[0]
      y += weights[k + reach]! * p[1]
    }
    return [x / sum, y / sum]
  })
  return { points, normals: outwardNormals(points) }
}

/** The rail moved by a distance at each point along its normals. */
export const movedOut = ({ points, normals }: Rail, by: ArrayLike<number>): Path =>
  points.map(([x, y], i): Point => [x + normals[i]![0] * by[i]!, y + normals[i]![1] * by[i]!])
