import { ClosestPoints } from '../geometry/closestPoint.ts'
import { cross, dot, sub, type Vec3 } from '../geometry/vec3.ts'
import { landmarks, girthStations } from './landmarks.ts'
import { lastReadings, type LastReadings } from './readings.ts'
import { bodyMesh, type LastSurface } from './surface.ts'

/** Where two lasts are laid together before they are compared. */
export const laidTogether = ['heel', 'joint'] as const
export type LaidTogether = (typeof laidTogether)[number]

export interface LastDifference {
  /** Distance of every vertex of the first last's body mesh from the second, mm: positive stands out beyond it. */
  away: Float64Array
  /** The second last as it was moved to lie with the first, for drawing both. */
  shift: number
  standsOut: number
  fallsShort: number
  /** Mean distance regardless of sign. */
  mean: number
  table: { name: string; first: number; second: number }[]
}

/** Figures of two lasts side by side, mm. */
function table(a: LastReadings, b: LastReadings): LastDifference['table'] {
  const row = (name: string, read: (r: LastReadings) => number) => ({ name, first: read(a), second: read(b) })
  const girthNames = { joint: 'Joint girth', waist: 'Waist girth', instep: 'Instep girth', heel: 'Short heel girth' }
  return [
    row('Length', (r) => r.length),
    ...girthStations.map((s) => row(girthNames[s], (r) => r.girths[s])),
    row('Seat width', (r) => r.widths.seat),
    row('Waist width', (r) => r.widths.waist),
    row('Joint width', (r) => r.widths.joint),
    row('Heel height', (r) => r.heelHeight),
    row('Toe spring', (r) => r.toeSpring),
    row('Toe box height', (r) => r.toeBoxHeight),
    row('Back height to the cone', (r) => r.backHeight),
    row('Back comes in at the top', (r) => r.backGrip),
  ]
}

/**
 * Compares two lasts that stand on the same ground, laid together at the heel back or at the middle of the joint line.
 * Distances are to the nearest point of the other surface, signed by its outward face.
 */
export function compareLasts(first: LastSurface, second: LastSurface, at: LaidTogether = 'heel'): LastDifference {
  const [a, b] = [landmarks(first), landmarks(second)]
  const middle = (m: typeof a) => (m.jointLateral[0] + m.jointMedial[0]) / 2
  const shift = at === 'heel' ? 0 : middle(a) - middle(b)
  const other = bodyMesh(second)
  if (shift !== 0) for (let k = 0; k < other.positions.length; k += 3) other.positions[k]! += shift
  const near = new ClosestPoints(other)
  const { positions: p } = bodyMesh(first)
  const away = new Float64Array(p.length / 3)
  let [standsOut, fallsShort, sum] = [0, 0, 0]
  for (let i = 0; i < away.length; i++) {
    const at: Vec3 = [p[i * 3]!, p[i * 3 + 1]!, p[i * 3 + 2]!]
    const hit = near.to(at)
    const outside = dot(sub(at, hit.point), faceNormal(other, hit.triangle)) >= 0
    away[i] = outside ? hit.distance : -hit.distance
    standsOut = Math.max(standsOut, away[i]!)
    fallsShort = Math.max(fallsShort, -away[i]!)
    sum += hit.distance
  }
  return {
    away,
    shift,
    standsOut,
    fallsShort,
    mean: sum / away.length,
    table: table(lastReadings(first, a), lastReadings(second, b)),
  }
}

function faceNormal(mesh: { positions: Float64Array; triangles: Uint32Array }, k: number): Vec3 {
  const { positions: v, triangles: t } = mesh
  const corner = (c: number): Vec3 => {
    const at = t[k * 3 + c]! * 3
    return [v[at]!, v[at + 1]!, v[at + 2]!]
  }
  const a = corner(0)
  return cross(sub(corner(1), a), sub(corner(2), a))
}
