import { signedArea, type Path, type Point } from '../geometry/path.ts'
import type { FlatPicture } from './planeView.ts'
import { withMats, type Vision, type VisionMat } from './vision.ts'

/** A closed line as it was met first, to about a fifth of a millimetre: its outer or inner rim, counter-clockwise, mm. */
export interface RoughOutline {
  path: Path
  /** Gaps of up to so many millimetres were taken for closed. */
  bridged: number
}

/** Smaller outlines are letters, eyelets and blots, mm2. */
export const LEAST_AREA = 400
/** Gaps that are tried to be bridged, mm. */
const BRIDGES = [0.8, 2, 4, 7] as const
/** What is thinner than this is a line that sticks out, no part of an outline, mm. */
const TAIL = 2

/** Outer rims of the white areas of a mask, mm. */
export function rims(cv: Vision, mask: VisionMat, { box, perMm }: FlatPicture, least = LEAST_AREA): Path[] {
  return withMats((keep) => {
    const contours = keep(new cv.MatVector())
    cv.findContours(mask, contours, keep(new cv.Mat()), cv.RETR_EXTERNAL, cv.CHAIN_APPROX_NONE)
    const out: Path[] = []
    for (let k = 0; k < contours.size(); k++) {
      const contour = contours.get(k)
      if (contour.rows > 40 && cv.contourArea(contour) > least * perMm * perMm) {
        const path: Point[] = []
        const at = contour.data32S
        for (let i = 0; i < contour.rows; i++) {
          path.push([box.minX + (at[2 * i]! + 0.5) / perMm, box.maxY - (at[2 * i + 1]! + 0.5) / perMm])
        }
        out.push(signedArea(path) < 0 ? path.reverse() : path)
      }
      contour.delete()
    }
    return out
  })
}

/** Places of a mask (0 or 255) from which its nearest white place lies farther than `reach` px. */
function beyond(cv: Vision, mask: VisionMat, reach: number, to: VisionMat): void {
  withMats((keep) => {
    const black = keep(new cv.Mat(mask.rows, mask.cols, cv.CV_8UC1))
    const [is, of] = [black.data, mask.data]
    for (let i = 0; i < is.length; i++) is[i] = of[i] === 0 ? 255 : 0
    const away = keep(new cv.Mat())
    cv.distanceTransform(black, away, cv.DIST_L2, 3)
    const [far, out] = [away.data32F, to.data]
    for (let i = 0; i < out.length; i++) out[i] = far[i]! > reach ? 255 : 0
  })
}

/** Labels of the areas of a mask that reach its rim. */
export function atRim(labels: Int32Array, width: number, height: number): Set<number> {
  const out = new Set<number>()
  for (let i = 0; i < width; i++) out.add(labels[i]!).add(labels[(height - 1) * width + i]!)
  for (let j = 0; j < height; j++) out.add(labels[j * width]!).add(labels[j * width + width - 1]!)
  out.delete(0)
  return out
}

/**
 * Outlines that dark lines (255 in `ink`) enclose. What cannot be reached from the rim without crossing a line is inside;
 * lines are widened for that by half a gap and what is outside grows back by as much (a closing, Serra 1982). Outlines
 * within others are found as the areas that lines leave between them. Largest first.
 */
export function enclosed(cv: Vision, ink: VisionMat, flat: FlatPicture): RoughOutline[] {
  const { width, height, perMm } = flat
  const found: RoughOutline[] = []
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
  const take = (paths: readonly Path[], bridged: number): void => {
    for (const path of paths) if (!found.some((f) => same(f.path, path))) found.push({ path, bridged })
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
      const body = inside.data
      for (let i = 0; i < body.length; i++) body[i] = 255 - body[i]!
      take(rims(cv, inside, flat), bridge)
      // What lines leave between them, each area for itself.
      const least = LEAST_AREA * perMm * perMm
      const sizes = new Int32Array(regions)
      for (const l of label) sizes[l]!++
      for (let l = 1; l < regions; l++) {
        if (sizes[l]! < least || isOut[l] !== 0) continue
        const [area, grown] = [outside.data, inside]
        for (let i = 0; i < label.length; i++) area[i] = label[i] === l ? 255 : 0
        beyond(cv, outside, reach, grown)
        const within = grown.data
        for (let i = 0; i < within.length; i++) within[i] = 255 - within[i]!
        take(rims(cv, grown, flat), bridge)
      }
    }
  })
  return found.sort((a, b) => signedArea(b.path) - signedArea(a.path))
}
