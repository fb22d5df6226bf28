import type { Side } from '../trade/side.ts'
import type { Forme } from './forme.ts'

/** What leather must give across one rib of the last: most stretch and most crowding, shares; `at` from the heel back, mm. */
export interface StrainAlong {
  at: number[]
  stretch: number[]
  crowding: number[]
}

/**
 * Strain of one side of the forme along the shoe: of every column of the wall's grid (a rib from feather to ridge) the
 * largest and the smallest strain, at the place where the rib meets the feather line. Above 0 leather stretches, below
 * it crowds.
 */
export function strainAlong({ strain, walls, columns, rows }: Forme, side: Side): StrainAlong {
  const out: StrainAlong = { at: [], stretch: [], crowding: [] }
  for (let i = 0; i < columns; i++) {
    const rib = strain[side].slice(i * rows, (i + 1) * rows)
    out.at.push(walls[side][3 * i * rows]!)
    out.stretch.push(Math.max(0, ...rib))
    out.crowding.push(Math.min(0, ...rib))
  }
  return out
}
