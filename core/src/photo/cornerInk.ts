import { median } from '../geometry/median.ts'
import { distance, lerpPoint, type Path, type Point } from '../geometry/path.ts'
import type { CornerProof } from './corners.ts'
import { lightAt, type Grey } from './picture.ts'
import type { PlaneView } from './planeView.ts'

/** Samples round a place that show the paper, at this distance, mm. */
const ROUND = 16
const PAPER = 2.2

/** How much darker than the paper round it a place is, 0 to 1. */
function inkAt(picture: Grey, view: PlaneView, [x, y]: Point): number {
  const light = (px: number, py: number) => lightAt(picture, ...view.toPicture(px, py))
  const paper = Array.from({ length: ROUND }, (_, k) => {
    const a = (2 * Math.PI * k) / ROUND
    return light(x + PAPER * Math.cos(a), y + PAPER * Math.sin(a))
  }).sort((a, b) => a - b)
  return Math.max(0, 1 - light(x, y) / Math.max(2, paper[Math.floor(ROUND * 0.7)]!))
}

/** Share of the way to a corner on which ink is seen, and how dark against the line's own. */
const INKED = 0.8
const DARK = 0.6
/** So near to a line, beyond half its width, ink tells nothing: it is the line's own, mm. */
const BESIDE = 0.35

/** A corner of a drawn line is one where ink goes on along both of its sides until they meet. */
export function cornerInk(picture: Grey, view: PlaneView, path: Path, width: number): CornerProof {
  const usual = median(path.filter((_, i) => i % 10 === 0).map((p) => inkAt(picture, view, p)))
  const inked = (from: Point, to: Point): boolean => {
    const n = Math.max(4, Math.round(distance(from, to) / 0.25))
    let [dark, last] = [0, 0]
    for (let k = 1; k <= n; k++) {
      if (inkAt(picture, view, lerpPoint(from, to, k / n)) < DARK * usual) continue
      dark++
      if (k > n / 2) last++
    }
    // Most of all towards the corner: there an even bend has left the straight way.
    return dark >= INKED * n && last >= Math.ceil(n / 2) - 1
  }
  return ({ ends, point, away }) => away >= width / 2 + BESIDE && ends.every((end) => inked(end, point))
}
