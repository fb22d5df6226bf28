import { boxOf, type Path, type Point } from '../../geometry/path.ts'
import type { DevelopedBottom } from '../../last/developedBottom.ts'
import { STATIONS } from '../../last/frame.ts'
import { bottomDimensions } from './bottomDimensions.ts'
import { toeToHeel } from '../../trade/grain.ts'
import { notchNear } from './notch.ts'
import type { Part } from '../../trade/part.ts'

/** What all parts that lie under the foot share: notches, grain and dimensions of an outline along the bottom. */
export function alongBottom(
  outline: Path,
  bottom: DevelopedBottom,
  length: number,
): Pick<Part, 'notches' | 'grain' | 'dimensions'> {
  const box = boxOf(outline)
  const waist: Point = [bottom.flatX(STATIONS.waistMedial * length), box.maxY]
  return {
    notches: [
      notchNear(outline, waist, 'medial'),
      notchNear(outline, [box.minX, 0], 'centre'),
      notchNear(outline, [box.maxX, 0], 'centre'),
    ],
    grain: toeToHeel(outline),
    dimensions: bottomDimensions(outline, bottom.length),
  }
}

/** The crease line from lateral to medial joint, as a line of a part along the bottom. */
export function creaseOf(bottom: DevelopedBottom): Part['lines'][number] {
  return { name: 'crease line', kind: 'crease', path: [bottom.jointLateral, bottom.jointMedial], closed: false }
}
