import { pathLength } from '../geometry/path.ts'
import type { Finding } from '../model/because.ts'
import type { LastMeasures } from '../model/last.ts'
import { girthPlanes, girthStations, type GirthStation, type Landmarks } from './landmarks.ts'
import { fromPlane, tapeLine } from './section.ts'
import { ridgeAndToe, type LastSurface } from './surface.ts'
import type { Vec3 } from '../geometry/vec3.ts'

/** What tape and rule read on a last, mm. */
export interface LastReadings {
  length: number
  girths: Record<GirthStation, number>
  /** The tape lines, as closed loops in the last's frame. */
  tapes: Record<GirthStation, Vec3[]>
  widths: { seat: number; waist: number; joint: number }
  heelHeight: number
  toeSpring: number
  backHeight: number
  landmarks: Landmarks
  findings: Finding[]
}

export function lastReadings(surface: LastSurface, marks: Landmarks, m: LastMeasures): LastReadings {
  const planes = girthPlanes(marks)
  const girths = {} as Record<GirthStation, number>
  const tapes = {} as Record<GirthStation, Vec3[]>
  for (const station of girthStations) {
    const line = tapeLine(surface, planes[station])
    girths[station] = pathLength(line, true)
    tapes[station] = line.map((p) => fromPlane(planes[station], p))
  }
  return {
    length: surface.length,
    girths,
    tapes,
    widths: { seat: m.seatWidth, waist: m.waistWidth, joint: m.jointWidth },
    heelHeight: m.heelHeight,
    toeSpring: m.toeSpring,
    backHeight: marks.coneBack[2] - marks.heelFeather[2],
    landmarks: marks,
    findings: profileFindings(surface, m),
  }
}

/**
 * Girths can be met by a humped ridge that no foot has. The natural profile is hollow over the instep and turns
 * once, to the toe box; every further turn is a hump.
 */
function profileFindings(surface: LastSurface, m: LastMeasures): Finding[] {
  const ridge = ridgeAndToe(surface).filter((p) => p[0] > (m.coneFront + 0.03) * m.length && p[0] < 0.88 * m.length)
  let turns = 0
  let sign = 0
  for (let i = 2; i + 2 < ridge.length; i++) {
    const [a, b, c] = [ridge[i - 2], ridge[i], ridge[i + 2]]
    const bend = (c[2] - b[2]) / (c[0] - b[0]) - (b[2] - a[2]) / (b[0] - a[0])
    // Less than this over the two spans is straight to the eye.
    if (Math.abs(bend) < 0.012) continue
    if (sign !== 0 && Math.sign(bend) !== sign) turns++
    sign = Math.sign(bend)
  }
  const smooth = turns <= 1
  return [
    {
      id: 'last.profile',
      level: smooth ? 'fine' : 'watch',
      where: 'ridge of the last',
      sentence: smooth
        ? 'The ridge runs in one hollow from cone to toe box.'
        : `The ridge turns ${turns} times between cone and toe: the girths asked for make a hump.`,
      measured: turns,
      limit: 1,
      unit: 'count',
      mend: smooth ? '' : 'Measure the waist and instep girths again; one of them does not go with the others.',
    },
  ]
}
