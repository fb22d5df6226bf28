import type { FlatPicture } from './planeView.ts'
import { withMats, type Vision, type VisionMat } from './vision.ts'

/** Lines are narrower than this, mm: what is wider is ground or shadow. */
const WIDEST = 3.4
/** A line is darker than the paper beside it by at least this share, and by so many times what the paper varies. */
const LEAST = 0.07
const OVER_NOISE = 4

/**
 * Where a straightened picture shows lines: 255 in a mask. A line is what is darker than the paper round it and thinner than
 * any pencil's widest (black hat: closing less picture, Serra 1982), by a share of the paper's own brightness, so that neither
 * shade nor an uneven light is taken for one; fainter stretches count where they go on from darker ones (hysteresis, Canny 1986).
 * What `hidden` says is left out.
 */
export function inkOf(cv: Vision, flat: FlatPicture, hidden: (x: number, y: number) => boolean): VisionMat {
  const { width, height, perMm, data, box } = flat
  const mask = new cv.Mat(height, width, cv.CV_8UC1)
  withMats((keep) => {
    const colour = keep(new cv.Mat(height, width, cv.CV_8UC4))
    colour.data.set(data)
    const grey = keep(new cv.Mat())
    cv.cvtColor(colour, grey, cv.COLOR_RGBA2GRAY)
    cv.GaussianBlur(grey, grey, new cv.Size(3, 3), 0.6)
    const size = Math.round(WIDEST * perMm) | 1
    const closed = keep(new cv.Mat())
    cv.morphologyEx(
      grey,
      closed,
      cv.MORPH_CLOSE,
      keep(cv.getStructuringElement(cv.MORPH_RECT, new cv.Size(size, size))),
    )
    const dark = new Uint8Array(width * height)
    const [light, paper, marked] = [grey.data, closed.data, mask.data]
    // Shares of the paper's light in two hundredths.
    const count = new Int32Array(256)
    for (let i = 0; i < dark.length; i++) {
      const c = paper[i]!
      const share = c > 12 ? Math.min(255, Math.round((200 * (c - light[i]!)) / c)) : 0
      dark[i] = share
      count[share]!++
    }
    // The paper's own grain: half of all places are lighter than this.
    let [half, seen] = [0, 0]
    while (half < 255 && (seen += count[half]!) < dark.length / 2) half++
    const low = Math.max(200 * LEAST, OVER_NOISE * half)
    const high = 1.6 * low
    for (let i = 0; i < marked.length; i++) marked[i] = dark[i]! >= low ? 255 : 0
    for (let j = 0; j < height; j++) {
      for (let i = 0; i < width; i++) {
        if (marked[j * width + i] !== 0 && hidden(box.minX + (i + 0.5) / perMm, box.maxY - (j + 0.5) / perMm)) {
          marked[j * width + i] = 0
        }
      }
    }
    const labels = keep(new cv.Mat())
    const n = cv.connectedComponents(mask, labels, 8)
    const [strong, places] = [new Int32Array(n), new Int32Array(n)]
    const label = labels.data32S
    for (let i = 0; i < label.length; i++) {
      const l = label[i]!
      places[l]!++
      if (dark[i]! >= high) strong[l]!++
    }
    // Grains are no line: it is at least as large as a pencil stroke of three millimetres.
    const least = 0.8 * perMm * perMm
    for (let i = 0; i < label.length; i++) {
      const l = label[i]!
      if (l !== 0 && (strong[l]! < 3 || places[l]! < least)) marked[i] = 0
    }
  })
  return mask
}
