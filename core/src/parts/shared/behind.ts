import { intersect } from '../../geometry/polygonClip.ts'
import { boxOf, type Path, type Point } from '../../geometry/path.ts'

const ARC = 16

/** What lies behind X of an outline along the bottom; the cut is hollowed towards the heel by `hollow` mm in the middle. */
export function behind(outline: Path, x: number, what: string, hollow = 0): Path {
  const box = boxOf(outline)
  const [low, high] = [box.minY - 1, box.maxY + 1]
  const front = Array.from({ length: ARC + 1 }, (_, k): Point => {
    const t = k / ARC
    return [x - 4 * hollow * t * (1 - t), low + (high - low) * t]
  })
  return intersect(outline, [[box.minX - 1, low], ...front, [box.minX - 1, high]], what)
}
