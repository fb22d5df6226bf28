import { bottomWidths, calliperWidths } from '../../geometry/callipers.ts'
import { boxOf, type Path } from '../../geometry/path.ts'
import type { Dimension } from '../../trade/part.ts'

/** Length, and widths where callipers read them, of a part that lies along a bottom of `length` mm (see calliperWidths). */
export function bottomDimensions(outline: Path, length: number): Dimension[] {
  const box = boxOf(outline)
  const widths = calliperWidths(outline, 0, length)
  return [
    { name: 'length', from: [box.minX, box.minY - 12], to: [box.maxX, box.minY - 12], value: box.maxX - box.minX },
    ...bottomWidths.flatMap((name): Dimension[] => {
      const width = widths[name]
      return width ? [{ name: `width at the ${name}`, ...width }] : []
    }),
  ]
}
