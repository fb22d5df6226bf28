import { boxOf, mirror, translate, type Path } from '@gentle-awl/core'
import { pathData } from '../../drawing/svgPath.ts'

const GAP = 12
/** Room under the outlines for the bar that proves the print's scale, mm. */
const FOOT = 24

/** Outlines of both feet as an SVG whose unit is the millimetre, with a bar of 100 mm; the left foot is flipped. */
export function linerSheet(outlines: readonly { name: string; path: Path }[]): string {
  let y = GAP
  let width = 0
  const drawn = outlines.flatMap(({ name, path }) =>
    (['right', 'left'] as const).map((foot) => {
      const side = foot === 'left' ? mirror(path) : path
      const b = boxOf(side)
      // Drawn with y up; the sheet's own y runs down.
      const moved = translate(side, GAP - b.minX, -(y + b.maxY))
      const middle = y + (b.maxY - b.minY) / 2
      y += b.maxY - b.minY + GAP
      width = Math.max(width, b.maxX - b.minX + 2 * GAP)
      return (
        `<g><title>${name}, ${foot}</title>` +
        `<path d="${pathData(moved, true)}" fill="none" stroke="#000" stroke-width="0.3"/>` +
        `<text x="${GAP + 20}" y="${middle.toFixed(1)}" font-size="5" font-family="sans-serif">${name}, ${foot}</text></g>`
      )
    }),
  )
  const height = y + FOOT
  const bar =
    `<path d="M${GAP} ${y + 6}h100m-100-3v6m100-6v6" fill="none" stroke="#000" stroke-width="0.3"/>` +
    `<text x="${GAP}" y="${y + 15}" font-size="4" font-family="sans-serif">100 mm: if not, the printer scales</text>`
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width.toFixed(1)}mm" height="${height.toFixed(1)}mm" ` +
    `viewBox="0 0 ${width.toFixed(1)} ${height.toFixed(1)}">${drawn.join('')}${bar}</svg>`
  )
}
