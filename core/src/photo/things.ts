import { leastSquares } from '../geometry/linearSolve.ts'
import { contains, signedArea, type Path } from '../geometry/path.ts'
import { LEAST_AREA } from './enclosed.ts'
import { atRim, invert, rims } from './masks.ts'
import type { FlatPicture } from './planeView.ts'
import { withMats, type Vision } from './vision.ts'

/** A flat thing without a line: its outline, and holes in it, mm. */
export interface RoughThing {
  path: Path
  holes: Path[]
}

/** Smaller holes are awl marks and grain, mm2. */
const LEAST_HOLE = 30
/** The ground differs from itself by less than this, levels. */
const LEAST_STEP = 14
/** Places of the rim of the picture that are looked at, as a share of its sides. */
const RIM = 0.07
/** A thing this near to the rim of what is looked at may go on beyond it, mm. */
const NEAR_RIM = 1

/** The ground's colour as a parabola over the place, by what the rim of the picture shows, things that lie there left out. */
function groundOf(flat: FlatPicture, hidden: Uint8Array): ((x: number, y: number) => number)[] {
  const { width, height, data } = flat
  const [bx, by] = [Math.ceil(width * RIM), Math.ceil(height * RIM)]
  const step = Math.max(1, Math.round(Math.max(width, height) / 300))
  const rows: number[][] = []
  const values: [number[], number[], number[]] = [[], [], []]
  for (let j = 0; j < height; j += step) {
    for (let i = 0; i < width; i += step) {
      if (i >= bx && i < width - bx && j >= by && j < height - by) continue
      const at = j * width + i
      if (hidden[at]) continue
      const [u, v] = [i / width - 0.5, j / height - 0.5]
      rows.push([1, u, v, u * u, u * v, v * v])
      for (let c = 0; c < 3; c++) values[c]!.push(data[4 * at + c]!)
    }
  }
  return values.map((list) => {
    const sorted = [...list].sort((a, b) => a - b)
    const middle = sorted[sorted.length >> 1] ?? 255
    let weights: number[] = list.map((v) => (Math.abs(v - middle) < 60 ? 1 : 0.01))
    let fit = [middle, 0, 0, 0, 0, 0]
    for (let round = 0; round < 4; round++) {
      fit = leastSquares(rows, list, weights) ?? fit
      weights = list.map((v, i) => {
        const off = Math.abs(v - rows[i]!.reduce((s, r, k) => s + r * fit[k]!, 0))
        return off < 10 ? 1 : (10 / off) ** 2
      })
    }
    return (x, y) => {
      const [u, v] = [x / width - 0.5, y / height - 0.5]
      return fit[0]! + fit[1]! * u + fit[2]! * v + fit[3]! * u * u + fit[4]! * u * v + fit[5]! * v * v
    }
  })
}

/** The level that parts two heaps of figures best (Otsu 1979). */
export function parting(count: ArrayLike<number>): number {
  let [total, sum] = [0, 0]
  for (let k = 0; k < count.length; k++) {
    total += count[k]!
    sum += k * count[k]!
  }
  let [below, sumBelow, best, at] = [0, 0, -1, 0]
  for (let k = 0; k < count.length; k++) {
    below += count[k]!
    sumBelow += k * count[k]!
    if (below === 0 || below === total) continue
    const between = below * (total - below) * (sumBelow / below - (sum - sumBelow) / (total - below)) ** 2
    if (between > best) [best, at] = [between, k]
  }
  return at
}

/** Flat things on a ground of one colour: what differs from it by more than the ground does from itself. Largest first. */
export function thingsOf(cv: Vision, flat: FlatPicture, hiddenAt: (x: number, y: number) => boolean): RoughThing[] {
  const { width, height, data, box, perMm } = flat
  const hidden = new Uint8Array(width * height)
  for (let j = 0; j < height; j++) {
    for (let i = 0; i < width; i++) {
      if (hiddenAt(box.minX + (i + 0.5) / perMm, box.maxY - (j + 0.5) / perMm)) hidden[j * width + i] = 1
    }
  }
  const ground = groundOf(flat, hidden)
  return withMats((keep) => {
    const off = keep(new cv.Mat(height, width, cv.CV_8UC1))
    const step = off.data
    for (let j = 0; j < height; j++) {
      for (let i = 0; i < width; i++) {
        const at = j * width + i
        let sum = 0
        for (let c = 0; c < 3; c++) sum += (data[4 * at + c]! - ground[c]!(i, j)) ** 2
        step[at] = hidden[at] ? 0 : Math.min(255, Math.sqrt(sum / 3))
      }
    }
    cv.GaussianBlur(off, off, new cv.Size(5, 5), 1)
    const count = new Int32Array(256)
    for (const v of step) count[v]!++
    const level = Math.max(LEAST_STEP, parting(count))
    for (let i = 0; i < step.length; i++) step[i] = step[i]! > level ? 255 : 0
    const kernel = (mm: number) => {
      const size = Math.round(mm * perMm) | 1
      return keep(cv.getStructuringElement(cv.MORPH_ELLIPSE, new cv.Size(size, size)))
    }
    cv.morphologyEx(off, off, cv.MORPH_CLOSE, kernel(1))
    cv.morphologyEx(off, off, cv.MORPH_OPEN, kernel(2))
    const inside = (p: Path) =>
      p.every(
        ([x, y]) =>
          x > box.minX + NEAR_RIM && x < box.maxX - NEAR_RIM && y > box.minY + NEAR_RIM && y < box.maxY - NEAR_RIM,
      )
    const outlines = rims(cv, off, flat, LEAST_AREA).filter(inside)
    invert(off)
    // The ground itself reaches the rim; holes do not.
    const labels = keep(new cv.Mat())
    cv.connectedComponents(off, labels, 4)
    const label = labels.data32S
    const open = atRim(label, width, height)
    const rest = off.data
    for (let i = 0; i < rest.length; i++) if (open.has(label[i]!)) rest[i] = 0
    const holes = rims(cv, off, flat, LEAST_HOLE).filter(inside)
    return outlines
      .map((path): RoughThing => ({
        path,
        holes: holes.filter((h) => contains(path, h[0]!) && signedArea(h) < 0.9 * signedArea(path)),
      }))
      .sort((a, b) => signedArea(b.path) - signedArea(a.path))
  })
}
