import type { FormeMap, Point, Side } from '@gentle-awl/core'
import { pathData } from '../../../../drawing/svgPath.ts'

/** Every second line of the grid: the eye sees no more. */
const STEP = 2
/** Strain that is drawn in full tone, as a share. */
const FULL = 0.1

/** Blue where the leather is crowded and would wrinkle, amber where it must stretch and paper would be snipped. */
export function strainColour(strain: number): string {
  const share = Math.min(1, Math.abs(strain) / FULL)
  const [r, g, b] = strain < 0 ? [104, 178, 222] : [230, 140, 60]
  return `rgba(${r},${g},${b},${(0.08 + 0.85 * share).toFixed(2)})`
}

/** One side of the forme in tinted cells. */
export function strainCells({ forme }: FormeMap, side: Side): { d: string; fill: string }[] {
  const out: { d: string; fill: string }[] = []
  for (let i = 0; i + STEP < forme.columns; i += STEP) {
    for (let j = 0; j + STEP < forme.rows; j += STEP) {
      const at = (di: number, dj: number) => (i + di) * forme.rows + j + dj
      const corners = [at(0, 0), at(STEP, 0), at(STEP, STEP), at(0, STEP)]
      const strain = corners.reduce((sum, v) => sum + forme.strain[side][v]!, 0) / corners.length
      const path = corners.map((v): Point => [forme.flat[side][2 * v]!, forme.flat[side][2 * v + 1]!])
      out.push({ d: pathData(path, true), fill: strainColour(strain) })
    }
  }
  return out
}
