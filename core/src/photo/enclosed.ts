import { signedArea, type Path, type Point } from '../geometry/path.ts'
import { atRim, beyond, invert, rims } from './masks.ts'
import type { FlatPicture } from './planeView.ts'
import { withMats, type Vision, type VisionMat } from './vision.ts'

/** Smaller outlines are letters, eyelets and blots, mm2. */
export const LEAST_AREA = 400
/** Gaps that are tried to be bridged, mm. */
const BRIDGES = [0.8, 2, 4, 7] as const
/** What is thinner than this is a line that sticks out, no part of an outline, mm. */
const TAIL = 2

/**
 * Outlines that dark lines (255 in `ink`) enclose. What cannot be reached from the rim without crossing a line is inside;
 * lines are widened for that by half a gap and what is outside grows back by as much (a closing, Serra 1982). Outlines
 * within others are found as the areas that lines leave between them. Outer or inner rims of the lines, to about a fifth of a
 * millimetre, counter-clockwise, mm, the largest first.
 */
export function enclosed(cv: Vision, ink: VisionMat, flat: FlatPicture): Path[] {
  const { width, height, perMm } = flat
  const found: Path[] = []
  const middle = (path: Path): Point => {
    let [x, y] = [0, 0]
    for (const p of path) [x, y] = [x + p[0], y + p[1]]
    return [x / path.length, y / path.length]
  }
  const same = (a: Path, b: Path): boolean => {
    const [p, q] = [middle(a), middle(b)]
    const [s, t] = [signedArea(a), signedArea(b)]
    return Math.hypot(p[0] - q[0], p[1] - q[1]) < 6 && Math.abs(s - t) < 0.12 * Math.max(s, t)
  }
  const take = (paths: readonly Path[]): void => {
    for (const path of paths) if (!found.some((f) => same(f, path))) found.push(path)
  }
  withMats((keep) => {
    const free = keep(new cv.Mat(height, width, cv.CV_8UC1))
    const outside = keep(new cv.Mat(height, width, cv.CV_8UC1))
    const inside = keep(new cv.Mat(height, width, cv.CV_8UC1))
    const core = keep(new cv.Mat(height, width, cv.CV_8UC1))
    const labels = keep(new cv.Mat())
    const tail = (TAIL / 2) * perMm
    for (const bridge of BRIDGES) {
      const reach = (bridge / 2) * perMm
      beyond(cv, ink, reach, free)
      const regions = cv.connectedComponents(free, labels, 4)
      const out = atRim(labels.data32S, width, height)
      const label = labels.data32S
      const isOut = new Uint8Array(regions)
      for (const l of out) isOut[l] = 255
      const open = outside.data
      for (let i = 0; i < label.length; i++) open[i] = isOut[label[i]!]!
      // Inside is what lies beyond the reach of outside; of that, what is wider than a tail (an opening by a disc).
      beyond(cv, outside, reach + tail, core)
      beyond(cv, core, tail, inside)
      invert(inside)
      take(rims(cv, inside, flat, LEAST_AREA))
      // What lines leave between them, each area for itself.
      const least = LEAST_AREA * perMm * perMm
      const sizes = new Int32Array(regions)
      for (const l of label) sizes[l]!++
      for (let l = 1; l < regions; l++) {
        if (sizes[l]! < least || isOut[l] !== 0) continue
        const area = outside.data
        for (let i = 0; i < label.length; i++) area[i] = label[i] === l ? 255 : 0
        beyond(cv, outside, reach, inside)
        invert(inside)
        take(rims(cv, inside, flat, LEAST_AREA))
      }
    }
  })
  return found.sort((a, b) => signedArea(b) - signedArea(a))
}
