import { signedArea, type Path, type Point } from '../geometry/path.ts'
import type { FlatPicture } from './planeView.ts'
import { withMats, type Vision, type VisionMat } from './vision.ts'

/** Swaps black and white, in place. */
export function invert(mask: VisionMat): void {
  const { data } = mask
  for (let i = 0; i < data.length; i++) data[i] = 255 - data[i]!
}

/** Outer rims of the white areas of a mask that are larger than `least` mm2, counter-clockwise, mm. */
export function rims(cv: Vision, mask: VisionMat, { box, perMm }: FlatPicture, least: number): Path[] {
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
export function beyond(cv: Vision, mask: VisionMat, reach: number, to: VisionMat): void {
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
