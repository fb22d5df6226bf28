import { bisect, smoothstep } from '../geometry/interpolate.ts'
import { GeometryError } from '../geometry/path.ts'
import { add, cross, dot, norm, scale, sub, unit, type Vec3 } from '../geometry/vec3.ts'
import type { BuildUp } from '../model/last.ts'
import type { Side } from '../trade/side.ts'
import { girthPlanes, landmarks, type GirthStation } from './landmarks.ts'
import { girth, type Plane } from './section.ts'
import { wallPoint, type LastSurface } from './surface.ts'
import { mm, say } from '../units/sentence.ts'

const sides: Side[] = ['lateral', 'medial']

/** Outward unit normals of a wall's points, three numbers each; on shared edges those of both walls are averaged. */
export function wallNormals(surface: LastSurface): Record<Side, Float64Array> {
  const { columns, rows, coneColumn } = surface
  const raw = Object.fromEntries(
    sides.map((side) => {
      const out = new Float64Array(columns * rows * 3)
      const sign = side === 'lateral' ? 1 : -1
      for (let i = 0; i < columns; i++) {
        for (let j = 0; j < rows; j++) {
          const along = sub(
            wallPoint(surface, side, Math.min(columns - 1, i + 1), j),
            wallPoint(surface, side, Math.max(0, i - 1), j),
          )
          const up = sub(
            wallPoint(surface, side, i, Math.min(rows - 1, j + 1)),
            wallPoint(surface, side, i, Math.max(0, j - 1)),
          )
          out.set(unit(scale(cross(along, up), sign)), (i * rows + j) * 3)
        }
      }
      return [side, out]
    }),
  ) as Record<Side, Float64Array>
  const share = (column: number, row: number) => {
    const at = (column * rows + row) * 3
    const read = (side: Side): Vec3 => [raw[side][at]!, raw[side][at + 1]!, raw[side][at + 2]!]
    const both = unit(add(read('lateral'), read('medial')))
    for (const side of sides) raw[side].set(both, at)
  }
  for (let j = 0; j < rows; j++) for (const i of [0, columns - 1]) share(i, j)
  for (let i = coneColumn; i < columns; i++) share(i, rows - 1)
  return raw
}

/** How far up a wall (share of its rows, 0 feather to 1 top) a build-up lies: 0 none, 1 its full thickness. */
function aroundWeight(place: BuildUp['place'], side: Side, row: number): number {
  if (place === 'over the top') return smoothstep(0.45, 0.8, row)
  if (place !== side) return 0
  return smoothstep(0.08, 0.35, row) * (1 - smoothstep(0.55, 0.85, row))
}

/** Skive along the last: full at the station's plane, cos^2 to nothing at `reach`. */
const alongWeight = (away: number, reach: number): number =>
  Math.abs(away) >= reach ? 0 : Math.cos((Math.PI * away) / (2 * reach)) ** 2

/**
 * The surface with leather glued on: every wall point moves out along its normal by the leather's thickness there.
 * Bottom, feather line and the cone's rim keep their place. The argument is not changed.
 */
export function withBuildUp(surface: LastSurface, buildUp: BuildUp, plane?: Plane): LastSurface {
  const at = plane ?? girthPlanes(landmarks(surface))[buildUp.station]
  const normal = unit(at.normal)
  const normals = wallNormals(surface)
  const { columns, rows, coneColumn } = surface
  const walls = Object.fromEntries(
    sides.map((side) => {
      const wall = surface.walls[side].slice()
      for (let i = 0; i < columns; i++) {
        for (let j = 1; j < rows; j++) {
          const k = (i * rows + j) * 3
          const p: Vec3 = [wall[k]!, wall[k + 1]!, wall[k + 2]!]
          // The rim is where the wood was cut: leather tapers to nothing on the way to it.
          const rim = i < coneColumn ? 1 - smoothstep(0.8, 1, j / (rows - 1)) : 1
          const t =
            buildUp.thickness *
            aroundWeight(buildUp.place, side, j / (rows - 1)) *
            alongWeight(dot(sub(p, at.point), normal), buildUp.reach) *
            rim
          if (t > 0) for (let c = 0; c < 3; c++) wall[k + c]! += t * normals[side][k + c]!
        }
      }
      return [side, wall]
    }),
  ) as Record<Side, Float64Array>
  return { ...surface, walls }
}

/** All build-ups in their order; each is laid at the station of the bare last, so that order does not move them. */
export function withBuildUps(surface: LastSurface, buildUps: readonly BuildUp[]): LastSurface {
  if (buildUps.length === 0) return surface
  const planes = girthPlanes(landmarks(surface))
  return buildUps.reduce((s, b) => withBuildUp(s, b, planes[b.station]), surface)
}

/** Thickest leather the search will glue on, mm: beyond it a maker takes another last. */
const THICKEST = 12

/**
 * Thickness that brings a girth up to `wanted` mm when it is glued on at `place`, found on the surface itself.
 * Throws GeometryError when the last is large enough already or no build-up up to 12 mm does it.
 */
export function buildUpFor(
  surface: LastSurface,
  station: GirthStation,
  place: BuildUp['place'],
  wanted: number,
  reach = 35,
): BuildUp {
  const plane = girthPlanes(landmarks(surface))[station]
  const read = (thickness: number) => girth(withBuildUp(surface, { station, place, thickness, reach }, plane), plane)
  const bare = girth(surface, plane)
  if (wanted <= bare + 0.05) {
    throw new GeometryError(say`The ${station} reads ${mm(bare, 1)} already: it needs no build-up.`)
  }
  const most = read(THICKEST)
  if (most < wanted) {
    throw new GeometryError(
      say`Even ${mm(THICKEST)} of leather ${place === 'over the top' ? place : `on the ${place} side`} brings the ${station} only to ${mm(most, 1)}, not ${mm(wanted, 1)}. Take a fuller last.`,
    )
  }
  return { station, place, reach, thickness: bisect((t) => read(t) - wanted, 0, THICKEST, 1e-3) }
}

/** Greatest distance between two surfaces of one grid, point by point, mm. */
export function greatestShift(a: LastSurface, b: LastSurface): number {
  let most = 0
  for (const side of sides) {
    for (let k = 0; k < a.walls[side].length; k += 3) {
      const d = norm([
        a.walls[side][k]! - b.walls[side][k]!,
        a.walls[side][k + 1]! - b.walls[side][k + 1]!,
        a.walls[side][k + 2]! - b.walls[side][k + 2]!,
      ])
      if (d > most) most = d
    }
  }
  return most
}
