import { boxOf, Inside, type Path, type Point } from '@gentle-awl/core'

/** Where a few lines of words go: the middle of the first line's foot, and the size they are set in, points. */
export interface LabelPlace {
  at: Point
  size: number
}

/** Sizes tried, from what reads well down to what can just be read, points. */
const SIZES = [9, 7.5, 6, 5]
/** Height of a line for each point of size, and how far words keep from lines, mm. */
const LEADING = 0.47
const CLEAR = 1.2
/** Places are tried on a grid of so many mm. */
const GRID = 4

type Rect = { minX: number; minY: number; maxX: number; maxY: number }

/** Does a straight stretch touch a rectangle? (Liang and Barsky 1984.) */
function touches(a: Point, b: Point, r: Rect): boolean {
  let [t0, t1] = [0, 1]
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
  for (const [p, q] of [
    [-dx, a[0] - r.minX],
    [dx, r.maxX - a[0]],
    [-dy, a[1] - r.minY],
    [dy, r.maxY - a[1]],
  ] as const) {
    if (p === 0) {
      if (q < 0) return false
      continue
    }
    const t = q / p
    if (p < 0) t0 = Math.max(t0, t)
    else t1 = Math.min(t1, t)
    if (t0 > t1) return false
  }
  return true
}

/**
 * Where words stand inside an outline without touching its edge or any of the `lines`: as near to its middle as there is
 * room, in the largest size that fits. `widthOf` says how wide the words are in a size, mm. Within `window`, where only
 * that much of the outline is on the page. Null when there is no room.
 */
export function labelPlace(
  outline: Path,
  lines: readonly { path: Path; closed: boolean }[],
  rows: number,
  widthOf: (size: number) => number,
  window: Rect | null,
): LabelPlace | null {
  const box = boxOf(outline)
  const within: Rect = window
    ? {
        minX: Math.max(box.minX, window.minX),
        minY: Math.max(box.minY, window.minY),
        maxX: Math.min(box.maxX, window.maxX),
        maxY: Math.min(box.maxY, window.maxY),
      }
    : box
  const stretches: [Point, Point][] = [{ path: outline, closed: true }, ...lines].flatMap(({ path, closed }) =>
    path.flatMap((p, i): [Point, Point][] =>
      i + 1 < path.length ? [[p, path[i + 1]!]] : closed && path.length > 1 ? [[p, path[0]!]] : [],
    ),
  )
  const [cx, cy] = [(within.minX + within.maxX) / 2, (within.minY + within.maxY) / 2]
  const inside = new Inside(outline)
  const places: Point[] = []
  for (let x = within.minX; x <= within.maxX; x += GRID)
    for (let y = within.minY; y <= within.maxY; y += GRID) places.push([x, y])
  places.sort((a, b) => Math.hypot(a[0] - cx, a[1] - cy) - Math.hypot(b[0] - cx, b[1] - cy))
  for (const size of SIZES) {
    const half = widthOf(size) / 2
    const up = rows * size * LEADING
    for (const [x, y] of places) {
      const rect = {
        minX: x - half - CLEAR,
        maxX: x + half + CLEAR,
        minY: y - up / 2 - CLEAR,
        maxY: y + up / 2 + CLEAR,
      }
      if (rect.minX < within.minX || rect.maxX > within.maxX || rect.minY < within.minY || rect.maxY > within.maxY)
        continue
      if (!inside.has([x, y]) || stretches.some(([a, b]) => touches(a, b, rect))) continue
      return { at: [x, y + up / 2 - size * LEADING * 0.8], size }
    }
  }
  return null
}

/** Lines of words lie so far apart in a size, mm. */
export const leading = (size: number): number => size * LEADING
