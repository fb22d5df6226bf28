import { boxOf, Inside, segmentMeetsBox, type Box, type Path, type Point } from '@gentle-awl/core'

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
  window: Box | null,
): LabelPlace | null {
  const box = boxOf(outline)
  const within: Box = window
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
      if (!inside.has([x, y]) || stretches.some(([a, b]) => segmentMeetsBox(a, b, rect))) continue
      return { at: [x, y + up / 2 - size * LEADING * 0.8], size }
    }
  }
  return null
}

/** Lines of words lie so far apart in a size, mm. */
export const leading = (size: number): number => size * LEADING
