import { cumulative, outwardNormals } from '../geometry/polyline.ts'
import { unite } from '../geometry/polygonClip.ts'
import { gaussianSmooth } from '../geometry/interpolate.ts'
import type { Path, Point } from '../geometry/path.ts'
import type { DevelopedBottom } from '../last/developedBottom.ts'
import type { Side } from '../trade/side.ts'

/** The lasted shoe's edge seen on the bottom: the feather line pushed out by what lies there. */
export interface LastedOutline {
  outline: Path
  /** Layer thickness at every point of `along`, mm. */
  thickness: number[]
  /** The feather outline's points, which `thickness` belongs to. */
  along: Path
  thickest: number
  thinnest: number
}

/** Pushes every point of an outline out along its normal by its own distance and dissolves what crosses. */
export function pushedOut(outline: Path, by: readonly number[], what: string): Path {
  const normals = outwardNormals(outline)
  return unite([outline.map(([x, y], i): Point => [x + normals[i]![0] * by[i]!, y + normals[i]![1] * by[i]!])], what)
}

/** The upper bridges a step below it rather than following it: steps are eased over about this length, mm. */
const BRIDGE = 8
const EASED_SAMPLES = 512

/** Averages values along a closed outline with a Gaussian of BRIDGE mm; constant values stay exactly as they are. */
function eased(outline: Path, values: readonly number[]): number[] {
  const run = cumulative(outline, true)
  const total = run[run.length - 1]!
  const even = new Float64Array(EASED_SAMPLES)
  let i = 0
  for (let k = 0; k < EASED_SAMPLES; k++) {
    const at = (total * k) / EASED_SAMPLES
    while (i < outline.length - 1 && run[i + 1]! < at) i++
    const t = (at - run[i]!) / (run[i + 1]! - run[i]!)
    even[k] = values[i]! + (values[(i + 1) % values.length]! - values[i]!) * t
  }
  const smooth = gaussianSmooth(even, (BRIDGE / total) * EASED_SAMPLES, true)
  return values.map((_, v) => {
    const q = (run[v]! / total) * EASED_SAMPLES
    const k = Math.floor(q)
    const [a, b] = [smooth[k % EASED_SAMPLES]!, smooth[(k + 1) % EASED_SAMPLES]!]
    return a + (b - a) * (q - k)
  })
}

/** The feather line pushed out by the thickness of all that lies on the wall there, mm. */
export function lastedOutline(bottom: DevelopedBottom, thicknessAt: (side: Side, x: number) => number): LastedOutline {
  const thickness = eased(
    bottom.outline,
    bottom.stations.map(({ side, x }) => thicknessAt(side, x)),
  )
  return {
    outline: pushedOut(bottom.outline, thickness, 'the lasted outline'),
    thickness,
    along: bottom.outline,
    thickest: Math.max(...thickness),
    thinnest: Math.min(...thickness),
  }
}
