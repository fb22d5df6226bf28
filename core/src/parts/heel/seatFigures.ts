import { boxOf, type Path } from '../../geometry/path.ts'
import { toeToHeel } from '../../trade/grain.ts'
import type { Part } from '../../trade/part.ts'

/** Notches, grain and over-all size of a part at the seat. */
export function seatFigures(outline: Path): Pick<Part, 'notches' | 'dimensions' | 'grain'> {
  const box = boxOf(outline)
  const medial = outline.reduce((best, p) => (p[1] > best[1] ? p : best))
  return {
    notches: [{ kind: 'medial', at: medial, inwards: [0, -1] }],
    dimensions: [
      {
        name: 'length',
        from: [box.minX, box.minY - 8],
        to: [box.maxX, box.minY - 8],
        value: box.maxX - box.minX,
      },
      { name: 'width', from: [box.minX - 8, box.minY], to: [box.minX - 8, box.maxY], value: box.maxY - box.minY },
    ],
    grain: toeToHeel(outline),
  }
}
