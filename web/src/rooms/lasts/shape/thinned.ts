import { pathLength, resample, type Path, type Point } from '@gentle-awl/core'

const MOST_POINTS = 900

/** An outline as it is kept: points to a hundredth of a millimetre, evenly spread when there are very many. */
export function thinnedOutline(outline: Path): [number, number][] {
  const even =
    outline.length > MOST_POINTS
      ? resample(outline, Math.min(MOST_POINTS, Math.ceil(pathLength(outline, true))), true)
      : outline
  return even.map(([x, y]: Point): [number, number] => [Math.round(x * 100) / 100, Math.round(y * 100) / 100])
}
