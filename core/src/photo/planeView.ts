import type { Box, Point } from '../geometry/path.ts'
import { pixelsPerMm, project, unproject, type Camera } from './camera.ts'
import type { Picture } from './picture.ts'
import { withMats, type Vision } from './vision.ts'

/** How a picture shows a flat plane: from millimetres to pixels and back. */
export interface PlaneView {
  toPicture: (x: number, y: number) => Point
  toPlane: (px: number, py: number) => Point
  /** Pixels that a millimetre is wide at a place. */
  perMm: (p: Point) => number
}

/** The plane that lies `z` mm above the mat. */
export const viewOf = (camera: Camera, z = 0): PlaneView => ({
  toPicture: (x, y) => project(camera, x, y, z),
  toPlane: (px, py) => unproject(camera, px, py, z),
  perMm: (p) => pixelsPerMm(camera, p, z),
})

/** A scan: the same size everywhere, `perMm` pixels a millimetre, with its origin at the picture's lower left. */
export const viewOfScan = (perMm: number, height: number): PlaneView => ({
  toPicture: (x, y) => [x * perMm, height - 1 - y * perMm],
  toPlane: (px, py) => [px / perMm, (height - 1 - py) / perMm],
  perMm: () => perMm,
})

/** A picture of the plane from straight above: pixel (i, j) shows (minX + (i + 0.5) / perMm, maxY - (j + 0.5) / perMm). */
export interface FlatPicture extends Picture {
  box: Box
  perMm: number
}

/** What the picture shows of a box of the plane, from straight above. What lies outside the picture is white. */
export function straighten(cv: Vision, picture: Picture, view: PlaneView, box: Box, perMm: number): FlatPicture {
  const width = Math.max(1, Math.round((box.maxX - box.minX) * perMm))
  const height = Math.max(1, Math.round((box.maxY - box.minY) * perMm))
  return withMats((keep) => {
    const from = keep(new cv.Mat(picture.height, picture.width, cv.CV_8UC4))
    from.data.set(picture.data)
    const mapX = keep(new cv.Mat(height, width, cv.CV_32FC1))
    const mapY = keep(new cv.Mat(height, width, cv.CV_32FC1))
    const [xs, ys] = [mapX.data32F, mapY.data32F]
    for (let j = 0; j < height; j++) {
      const y = box.maxY - (j + 0.5) / perMm
      for (let i = 0; i < width; i++) {
        const p = view.toPicture(box.minX + (i + 0.5) / perMm, y)
        xs[j * width + i] = p[0]
        ys[j * width + i] = p[1]
      }
    }
    const to = keep(new cv.Mat())
    cv.remap(from, to, mapX, mapY, cv.INTER_LINEAR, cv.BORDER_CONSTANT, new cv.Scalar(255, 255, 255, 255))
    return { width, height, data: new Uint8ClampedArray(to.data), box, perMm }
  })
}
