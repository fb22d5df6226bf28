import { cross, sub, type Vec3 } from '../geometry/vec3.ts'
import { STATIONS } from './frame.ts'
import type { Plane } from './section.ts'
import { atX, backCurve, bottomPoint, featherLine, ridgeAndToe, wallPoint, type LastSurface } from './surface.ts'

/** Named points of the last, mm in its frame. */
export interface Landmarks {
  heelBack: Vec3
  toeTip: Vec3
  heelFeather: Vec3
  toeFeather: Vec3
  jointLateral: Vec3
  jointMedial: Vec3
  ridgeJoint: Vec3
  ridgeWaist: Vec3
  ridgeInstep: Vec3
  bottomWaist: Vec3
  bottomInstep: Vec3
  coneFront: Vec3
  coneBack: Vec3
}

const extreme = (line: readonly Vec3[], sign: number): Vec3 =>
  line.reduce((best, p) => (sign * p[0] > sign * best[0] ? p : best))

export function landmarks(surface: LastSurface): Landmarks {
  const L = surface.length
  const lateral = featherLine(surface, 'lateral')
  const medial = featherLine(surface, 'medial')
  const back = backCurve(surface)
  const ridge = ridgeAndToe(surface)
  const middle = Array.from({ length: surface.columns }, (_, i) => bottomPoint(surface, i, (surface.across - 1) / 2))
  const top = surface.rows - 1
  return {
    heelBack: extreme(back, -1),
    toeTip: extreme(ridge, 1),
    heelFeather: lateral[0]!,
    toeFeather: lateral[surface.columns - 1]!,
    jointLateral: atX(lateral, surface.joints.lateral),
    jointMedial: atX(medial, surface.joints.medial),
    ridgeJoint: atX(ridge, STATIONS.ridgeJoint * L),
    ridgeWaist: atX(ridge, STATIONS.ridgeWaist * L),
    ridgeInstep: atX(ridge, STATIONS.ridgeInstep * L),
    bottomWaist: atX(middle, STATIONS.bottomWaist * L),
    bottomInstep: atX(middle, STATIONS.bottomInstep * L),
    coneFront: wallPoint(surface, 'lateral', surface.coneColumn, top),
    coneBack: wallPoint(surface, 'lateral', 0, top),
  }
}

export const girthStations = ['joint', 'waist', 'instep', 'heel'] as const
export type GirthStation = (typeof girthStations)[number]

/** Plane that stands square to the centre plane and holds two points of the centre line. */
function crossPlane(top: Vec3, below: Vec3): Plane {
  return { point: below, normal: cross([0, 1, 0], sub(top, below)) }
}

/**
 * Where the tape lies: the joint plane holds both joints and the ridge over them; waist and instep planes stand
 * square to the centre plane; the short heel runs from the seat's back edge round the front of the cone.
 */
export function girthPlanes(marks: Landmarks): Record<GirthStation, Plane> {
  return {
    joint: {
      point: marks.jointLateral,
      normal: cross(sub(marks.jointMedial, marks.jointLateral), sub(marks.ridgeJoint, marks.jointLateral)),
    },
    waist: crossPlane(marks.ridgeWaist, marks.bottomWaist),
    instep: crossPlane(marks.ridgeInstep, marks.bottomInstep),
    heel: crossPlane(marks.coneFront, marks.heelFeather),
  }
}
