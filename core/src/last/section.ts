import { convexHull } from '../geometry/convexHull.ts'
import { pathLength, type Path, type Point } from '../geometry/path.ts'
import { cross, dot, sub, unit, type Vec3 } from '../geometry/vec3.ts'
import type { LastSurface } from './surface.ts'

/** A plane through a point; `normal` need not be unit length. */
export interface Plane {
  point: Vec3
  normal: Vec3
}

/** Right-handed axes in a plane: `across` lies level (towards +y where it can), `up` points upwards in the plane. */
export function planeAxes(plane: Plane): { across: Vec3; up: Vec3; normal: Vec3 } {
  const normal = unit(plane.normal)
  const level = Math.abs(normal[2]) > 0.999 ? ([0, 1, 0] as const) : unit(cross([0, 0, 1], normal))
  const across: Vec3 = level[1] < 0 ? [-level[0], -level[1], -level[2]] : level
  const raised = cross(normal, across)
  const up: Vec3 = raised[2] < 0 ? [-raised[0], -raised[1], -raised[2]] : raised
  return { across, up, normal }
}

/** Crossings of a point grid's rows and columns with the plane, as points in the plane's axes. */
function gridCrossings(
  grid: Float64Array,
  columns: number,
  rows: number,
  plane: Plane,
  axes: { across: Vec3; up: Vec3; normal: Vec3 },
  out: Point[],
): void {
  const { normal, across, up } = axes
  const [px, py, pz] = plane.point
  const height = new Float64Array(columns * rows)
  for (let v = 0; v < height.length; v++) {
    height[v] =
      (grid[v * 3]! - px) * normal[0] + (grid[v * 3 + 1]! - py) * normal[1] + (grid[v * 3 + 2]! - pz) * normal[2]
  }
  const edge = (a: number, b: number) => {
    const ha = height[a]!
    const hb = height[b]!
    if (ha < 0 === hb < 0) return
    const t = ha / (ha - hb)
    const p: Vec3 = [
      grid[a * 3]! + (grid[b * 3]! - grid[a * 3]!) * t,
      grid[a * 3 + 1]! + (grid[b * 3 + 1]! - grid[a * 3 + 1]!) * t,
      grid[a * 3 + 2]! + (grid[b * 3 + 2]! - grid[a * 3 + 2]!) * t,
    ]
    const d = sub(p, plane.point)
    out.push([dot(d, across), dot(d, up)])
  }
  for (let i = 0; i < columns; i++) {
    for (let j = 0; j < rows; j++) {
      const v = i * rows + j
      if (j + 1 < rows) edge(v, v + 1)
      if (i + 1 < columns) edge(v, v + rows)
    }
  }
}

/** Points where the plane meets the surface, in the plane's own axes (mm from plane.point); unordered. */
export function sectionPoints(surface: LastSurface, plane: Plane): Point[] {
  const axes = planeAxes(plane)
  const out: Point[] = []
  for (const wall of [surface.walls.lateral, surface.walls.medial]) {
    gridCrossings(wall, surface.columns, surface.rows, plane, axes, out)
  }
  gridCrossings(surface.bottom, surface.columns, surface.across, plane, axes, out)
  return out
}

/** The tape round a section: convex hull in the plane's axes, mm. Empty when the plane misses the last. */
export function tapeLine(surface: LastSurface, plane: Plane): Path {
  return convexHull(sectionPoints(surface, plane))
}

/** The bottom of a section, from side to side in the plane's axes: the floor that the foot stands on. */
export function bottomLine(surface: LastSurface, plane: Plane): Path {
  const out: Point[] = []
  gridCrossings(surface.bottom, surface.columns, surface.across, plane, planeAxes(plane), out)
  return out.sort((a, b) => a[0] - b[0])
}

/** Tape reading, mm; 0 when the plane misses the last. */
export function girth(surface: LastSurface, plane: Plane): number {
  const line = tapeLine(surface, plane)
  return line.length < 3 ? 0 : pathLength(line, true)
}

/** A point of the plane's axes back in the last's frame. */
export function fromPlane(plane: Plane, p: Point): Vec3 {
  const { across, up } = planeAxes(plane)
  return [
    plane.point[0] + across[0] * p[0] + up[0] * p[1],
    plane.point[1] + across[1] * p[0] + up[1] * p[1],
    plane.point[2] + across[2] * p[0] + up[2] * p[1],
  ]
}
