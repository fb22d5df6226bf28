import type { Path, Point } from '../geometry/path.ts'
import { heightAt } from '../parts/sole/sideProfile.ts'

/** What a wall adds before the toe and behind the heel, mm; between them its thickness is not seen from the side. */
const THICK = 3
/** Places along the upper edge of the wall. */
const PLACES = 24

/**
 * A cup from the side, x forward and z up, mm: its bottom, and the wall that stands round the shoe as high above its floor as
 * asked, close to heel and toe. `back` runs up the heel of the last and `front` down its toe, `floor` and `lower` forward
 * along the upper and the lower face of the cup's bottom.
 */
export function cupFromSide(
  { back, front, floor, lower }: Record<'back' | 'front' | 'floor' | 'lower', Path>,
  height: number,
): Path {
  const above = (x: number) => heightAt(floor, x) + height
  const behind = below(back, above(back[0]![0])).map(([x, z]): Point => [x - THICK, z])
  const up: Path = [...front].reverse()
  const before = [...below(up, above(up[0]![0]))].reverse().map(([x, z]): Point => [x + THICK, z])
  const [from, to] = [behind[behind.length - 1]![0], before[0]![0]]
  const edge = Array.from({ length: PLACES - 1 }, (_, k): Point => {
    const x = from + ((to - from) * (k + 1)) / PLACES
    return [x, above(x)]
  })
  // Its bottom ends where its wall does.
  const foot = ([x]: Point, [, z]: Point): Point => [x, z]
  const inside = lower.filter(([x]) => x > behind[0]![0] && x < before[before.length - 1]![0])
  return [
    ...behind,
    ...edge,
    ...before,
    foot(before[before.length - 1]!, lower[lower.length - 1]!),
    ...[...inside].reverse(),
    foot(behind[0]!, lower[0]!),
  ]
}

/** A line that runs upwards, as far as a height. */
function below(line: Path, height: number): Path {
  const at = line.findIndex((p) => p[1] > height)
  if (at < 0) return line
  if (at === 0) return [line[0]!]
  const [a, b] = [line[at - 1]!, line[at]!]
  const t = (height - a[1]) / (b[1] - a[1])
  return [...line.slice(0, at), [a[0] + (b[0] - a[0]) * t, height]]
}
