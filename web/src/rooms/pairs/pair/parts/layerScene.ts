import { bodyMesh, finer, type LastSurface, type ThicknessMap } from '@gentle-awl/core'
import type { Body } from '../../../../viewer/body.ts'
import { thicknessColour, type Ramp } from './thicknessColours.ts'

/** Wood where nothing lies: bottom, cone and the bare wall, as shares of red, green and blue. */
const BARE: readonly [number, number, number] = [0.62, 0.52, 0.4]

/** The last in the colours of what lies on it. The walls come first in the body's mesh, lateral before medial. */
export function thicknessBody(surface: LastSurface, measured: ThicknessMap, ramp: Ramp): Body {
  const fine = finer(surface, measured.by)
  const mesh = bodyMesh(fine)
  const colours = new Float32Array(mesh.positions.length)
  const wall = fine.columns * fine.rows
  for (let v = 0; v < colours.length / 3; v++) {
    const t = v < wall ? measured.lateral[v] : v < 2 * wall ? measured.medial[v - wall] : 0
    colours.set(t! > 0.05 ? thicknessColour(t!, ramp) : BARE, 3 * v)
  }
  return { ...mesh, colours }
}
