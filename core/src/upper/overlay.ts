import { nearest, resample } from '../geometry/polyline.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import type { UpperLine } from './upperLines.ts'

/** How far one line of a design lies from the same line of another, mm. */
export interface LineDistance {
  name: string
  side: Side
  /** The greatest distance, and where that is on the first. */
  most: number
  at: Point
  /** In the mean along the line. */
  mean: number
}

/** Lines that two designs of one last can be held against each other by. */
const COMPARED: readonly UpperLine['kind'][] = ['top line', 'facing', 'back', 'seam']
/** Lines are compared so far apart, mm. */
const STEP = 1

/** The points of a line with their distances from another; both ways, since one may go on where the other ends. */
function away(a: Path, b: Path): { at: Point; by: number }[] {
  const places = (line: Path) => resample(line, Math.max(2, Math.round(pathLength(line) / STEP)))
  return [
    ...places(a).map((p) => ({ at: p, by: nearest(b, p).away })),
    ...places(b).map((p) => {
      const near = nearest(a, p)
      return { at: near.point, by: near.away }
    }),
  ]
}

/**
 * Two designs on one forme, line by line: those that both have under one name on one side, the farthest apart first. The greatest
 * distance is Hausdorff's, the mean is taken along both.
 */
export function overlayDistances(lines: readonly UpperLine[], other: readonly UpperLine[]): LineDistance[] {
  const same = (a: UpperLine, b: UpperLine) =>
    a.kind === b.kind && a.side === b.side && (a.kind !== 'seam' || a.name === b.name)
  return lines
    .filter((a) => COMPARED.includes(a.kind) && a.path.length > 1)
    .flatMap((a): LineDistance[] => {
      const b = other.find((l) => same(a, l) && l.path.length > 1)
      if (!b) return []
      const all = away(a.path, b.path)
      const worst = all.reduce((x, y) => (y.by > x.by ? y : x))
      const mean = all.reduce((s, x) => s + x.by, 0) / all.length
      return [{ name: a.name, side: a.side, most: worst.by, at: worst.at, mean }]
    })
    .sort((a, b) => b.most - a.most)
}
