import { boxOf, type Box, type Path, type Point } from './path.ts'

/** Bands that the height of an outline is cut into; each keeps the edges that pass through it. */
const BANDS = 48

/**
 * Asks many points whether they lie inside one closed outline: the edges are sorted into level bands, so that a point
 * is compared with those of its own band only. Answers as `contains` does (crossings of a ray, odd is inside).
 */
export class Inside {
  private readonly box: Box
  private readonly bands: Float64Array[]
  private readonly height: number

  constructor(outline: Path) {
    this.box = boxOf(outline)
    const { minY, maxY } = this.box
    this.height = (maxY - minY) / BANDS || 1
    const lists: number[][] = Array.from({ length: BANDS }, () => [])
    for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
      const [a, b] = [outline[j]!, outline[i]!]
      if (a[1] === b[1]) continue
      const from = this.bandOf(Math.min(a[1], b[1]))
      const to = this.bandOf(Math.max(a[1], b[1]))
      for (let k = from; k <= to; k++) lists[k]!.push(a[0], a[1], b[0], b[1])
    }
    this.bands = lists.map((l) => Float64Array.from(l))
  }

  private bandOf(y: number): number {
    return Math.min(BANDS - 1, Math.max(0, Math.floor((y - this.box.minY) / this.height)))
  }

  has([x, y]: Point): boolean {
    const { minX, maxX, minY, maxY } = this.box
    if (x < minX || x > maxX || y < minY || y > maxY) return false
    const edges = this.bands[this.bandOf(y)]!
    let inside = false
    for (let k = 0; k < edges.length; k += 4) {
      const [y0, y1] = [edges[k + 1]!, edges[k + 3]!]
      if (y0 > y === y1 > y) continue
      if (x < edges[k]! + ((edges[k + 2]! - edges[k]!) * (y - y0)) / (y1 - y0)) inside = !inside
    }
    return inside
  }
}
