import { ClosestPoints } from '../geometry/closestPoint.ts'
import { smoothstep } from '../geometry/interpolate.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import type { Forme } from './forme.ts'
import { wallTriangles } from './wallGrid.ts'

/**
 * Over how much of the feather line the own feather of a side grows out of the mean one at heel and toe, mm. At the toe
 * the sides lie further apart: grown out in less, the margin would have a corner there.
 */
const RAMP = { heel: 45, toe: 110 }
/** Up to which share of the wall's height a side's own feather line is felt. */
const FADE = 0.5

/** A wall's grid laid out flat, 2 numbers a point, with a finder of the triangle under a place: made when it is first asked. */
export class Chart {
  private finder: ClosestPoints | null = null

  constructor(
    private readonly grid: { columns: number; rows: number },
    readonly flat: Float64Array,
  ) {}

  get closest(): ClosestPoints {
    if (this.finder) return this.finder
    const positions = new Float64Array((3 * this.flat.length) / 2)
    for (let v = 0; v < this.flat.length / 2; v++) {
      positions[3 * v] = this.flat[2 * v]!
      positions[3 * v + 1] = this.flat[2 * v + 1]!
    }
    return (this.finder = new ClosestPoints({ positions, triangles: wallTriangles(this.grid.columns, this.grid.rows) }))
  }
}

/** The feather line of a flat grid. */
export const featherOf = ({ columns, rows }: Forme, flat: Float64Array): Path =>
  Array.from({ length: columns }, (_, i): Point => [flat[2 * i * rows]!, flat[2 * i * rows + 1]!])

/**
 * The mean forme, and how each side's leather lies on it. Where each side keeps its own feather line, that line is the
 * side's own but at heel and toe, where the halves of a piece must meet; from there the difference fades up the wall. So
 * a place on the pattern's feather line is a place on the last's.
 */
export function chartsOf(forme: Forme, feather: 'own' | 'mean'): Record<'mean' | Side, Chart> {
  const mean = new Chart(forme, forme.mean)
  if (feather === 'mean') return { mean, lateral: mean, medial: mean }
  const { columns, rows } = forme
  const line = featherOf(forme, forme.mean)
  const total = pathLength(line)
  const own = (side: Side): Chart => {
    const flat = forme.mean.slice()
    let run = 0
    for (let i = 0; i < columns; i++) {
      if (i > 0) run += Math.hypot(line[i]![0] - line[i - 1]![0], line[i]![1] - line[i - 1]![1])
      const ends = Math.min(smoothstep(0, RAMP.heel, run), smoothstep(0, RAMP.toe, total - run))
      const foot = 2 * i * rows
      for (let j = 0; j < rows; j++) {
        const share = ends * (1 - smoothstep(0, FADE, j / (rows - 1)))
        for (const d of [0, 1]) flat[foot + 2 * j + d]! += share * (forme.flat[side][foot + d]! - forme.mean[foot + d]!)
      }
    }
    return new Chart(forme, flat)
  }
  return { mean, lateral: own('lateral'), medial: own('medial') }
}
