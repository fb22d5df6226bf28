import type { Path, Point } from '../geometry/path.ts'
import type { Vec3 } from '../geometry/vec3.ts'
import type { Side } from '../trade/side.ts'

/**
 * The canonical last surface: what every last, generated or imported, becomes, and what all else reads.
 * Right foot, right-handed frame, mm: x forward from the heel back, y to the medial side, z up from the ground.
 * Walls are `columns` x `rows` points (3 numbers each, column by column, row 0 on the feather line); both share
 * the back curve (column 0), the ridge (last row from `coneColumn` on) and the toe rib (last column).
 * `bottom` holds `columns` x `across` points from the lateral to the medial feather.
 */
export interface LastSurface {
  length: number
  /** Where the feather line is widest in the forepart on each side, x in mm. */
  joints: Record<Side, number>
  columns: number
  rows: number
  /** First column whose top edge lies on the ridge; before it the top edge is the rim of the cone cut. */
  coneColumn: number
  walls: Record<Side, Float64Array>
  across: number
  bottom: Float64Array
}

export function wallPoint(surface: LastSurface, side: Side, column: number, row: number): Vec3 {
  const at = (column * surface.rows + row) * 3
  const w = surface.walls[side]
  return [w[at]!, w[at + 1]!, w[at + 2]!]
}

export function bottomPoint(surface: LastSurface, column: number, index: number): Vec3 {
  const at = (column * surface.across + index) * 3
  return [surface.bottom[at]!, surface.bottom[at + 1]!, surface.bottom[at + 2]!]
}

/** Feather line of one side from heel to toe. */
export function featherLine(surface: LastSurface, side: Side): Vec3[] {
  return Array.from({ length: surface.columns }, (_, i) => wallPoint(surface, side, i, 0))
}

/** The feather line seen from above, closed, medial side up, counter-clockwise. */
export function featherPlan(surface: LastSurface): Path {
  return [...featherLine(surface, 'lateral'), ...featherLine(surface, 'medial').reverse().slice(1, -1)].map(
    ([x, y]): Point => [x, y],
  )
}

/** Back curve from the seat up to the cone. */
export function backCurve(surface: LastSurface): Vec3[] {
  return Array.from({ length: surface.rows }, (_, j) => wallPoint(surface, 'lateral', 0, j))
}

/** Ridge from the cone's front to the toe, then down the toe rib to the feather. */
export function ridgeAndToe(surface: LastSurface): Vec3[] {
  const top = surface.rows - 1
  const ridge: Vec3[] = []
  for (let i = surface.coneColumn; i < surface.columns; i++) ridge.push(wallPoint(surface, 'lateral', i, top))
  for (let j = top - 1; j >= 0; j--) ridge.push(wallPoint(surface, 'lateral', surface.columns - 1, j))
  return ridge
}

/** Where x takes a value on a line that runs forward; ends clamp. */
export function atX(line: readonly Vec3[], x: number): Vec3 {
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1]!, line[i]!]
    if ((a[0] <= x && b[0] >= x) || (a[0] >= x && b[0] <= x)) {
      const t = b[0] === a[0] ? 0 : (x - a[0]) / (b[0] - a[0])
      return [x, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t]
    }
  }
  return Math.abs(line[0]![0] - x) < Math.abs(line[line.length - 1]![0] - x) ? line[0]! : line[line.length - 1]!
}

/** Triangles of the whole closed body, outward facing, for display and export. Vertices: lateral wall, medial wall, bottom, cone. */
export function bodyMesh(surface: LastSurface): { positions: Float64Array; triangles: Uint32Array } {
  const { columns: nu, rows: nv, across, coneColumn } = surface
  const wall = nu * nv
  const coneCount = 2 * (coneColumn + 1)
  const positions = new Float64Array((2 * wall + nu * across + coneCount) * 3)
  positions.set(surface.walls.lateral, 0)
  positions.set(surface.walls.medial, wall * 3)
  positions.set(surface.bottom, 2 * wall * 3)
  const triangles: number[] = []
  const quad = (a: number, b: number, c: number, d: number) => triangles.push(a, b, c, a, c, d)
  for (let i = 0; i + 1 < nu; i++) {
    for (let j = 0; j + 1 < nv; j++) {
      const a = i * nv + j
      quad(a, a + nv, a + nv + 1, a + 1)
      const m = wall + a
      quad(m, m + 1, m + nv + 1, m + nv)
    }
    for (let j = 0; j + 1 < across; j++) {
      const a = 2 * wall + i * across + j
      quad(a, a + 1, a + across + 1, a + across)
    }
  }
  const cone = 2 * wall + nu * across
  for (let i = 0; i <= coneColumn; i++) {
    const top = (i * nv + nv - 1) * 3
    for (let c = 0; c < 3; c++) {
      positions[(cone + 2 * i) * 3 + c] = surface.walls.lateral[top + c]!
      positions[(cone + 2 * i + 1) * 3 + c] = surface.walls.medial[top + c]!
    }
  }
  for (let i = 0; i < coneColumn; i++) {
    const a = cone + 2 * i
    quad(a, a + 2, a + 3, a + 1)
  }
  return { positions, triangles: Uint32Array.from(triangles) }
}
