import { pathLength } from '../geometry/path.ts'
import type { Vec3 } from '../geometry/vec3.ts'
import type { Finding } from '../model/because.ts'
import { STATIONS, type Side } from './frame.ts'
import { girthPlanes, girthStations, type GirthStation, type Landmarks } from './landmarks.ts'
import { fromPlane, tapeLine } from './section.ts'
import { atX, backCurve, bottomPoint, featherLine, ridgeAndToe, type LastSurface } from './surface.ts'

/** What tape and rule read on a last, mm. */
export interface LastReadings {
  length: number
  girths: Record<GirthStation, number>
  /** The tape lines, as closed loops in the last's frame. */
  tapes: Record<GirthStation, Vec3[]>
  widths: { seat: number; waist: number; joint: number }
  heelHeight: number
  toeSpring: number
  /** From the bottom to the ridge where the toe box ends. */
  toeBoxHeight: number
  backHeight: number
  /** How far the back curve comes in again from its fullest point to the top. */
  backGrip: number
  /** Height of the back curve's fullest point over the seat. */
  backFullest: number
  coneWidth: number
  landmarks: Landmarks
  findings: Finding[]
}

/** Height of the bottom's centre line at an end of the last, carried on straight past the feather line. */
function centreHeight(surface: LastSurface, x: number): number {
  const middle = (surface.across - 1) / 2
  const line = Array.from({ length: surface.columns }, (_, i) => bottomPoint(surface, i, middle))
  const fromHeel = x < surface.length / 2
  const end = fromHeel ? line[0] : line[line.length - 1]
  const further = atX(line, end[0] + (fromHeel ? 1 : -1) * 0.02 * surface.length)
  return end[2] + ((end[2] - further[2]) / (end[0] - further[0])) * (x - end[0])
}

export function lastReadings(surface: LastSurface, marks: Landmarks): LastReadings {
  const L = surface.length
  const planes = girthPlanes(marks)
  const girths = {} as Record<GirthStation, number>
  const tapes = {} as Record<GirthStation, Vec3[]>
  for (const station of girthStations) {
    const line = tapeLine(surface, planes[station])
    girths[station] = pathLength(line, true)
    tapes[station] = line.map((p) => fromPlane(planes[station], p))
  }
  const feather = { lateral: featherLine(surface, 'lateral'), medial: featherLine(surface, 'medial') }
  const out = (side: Side, x: number) => Math.abs(atX(feather[side], x)[1])
  const back = backCurve(surface)
  const fullest = back.reduce((best, p) => (p[0] < best[0] ? p : best))
  const box = atX(ridgeAndToe(surface), 0.905 * L)
  const under = atX(
    Array.from({ length: surface.columns }, (_, i) => bottomPoint(surface, i, (surface.across - 1) / 2)),
    0.905 * L,
  )
  const coneWidths = Array.from({ length: surface.coneColumn }, (_, i) => {
    const at = (i * surface.rows + surface.rows - 1) * 3 + 1
    return surface.walls.medial[at] - surface.walls.lateral[at]
  })
  return {
    length: L,
    girths,
    tapes,
    widths: {
      seat: out('lateral', STATIONS.seat * L) + out('medial', STATIONS.seat * L),
      waist: out('lateral', STATIONS.waistLateral * L) + out('medial', STATIONS.waistMedial * L),
      joint: marks.jointMedial[1] - marks.jointLateral[1],
    },
    heelHeight: centreHeight(surface, 0),
    toeSpring: centreHeight(surface, L),
    toeBoxHeight: box[2] - under[2],
    backHeight: marks.coneBack[2] - marks.heelFeather[2],
    backGrip: marks.coneBack[0] - fullest[0],
    backFullest: fullest[2] - marks.heelFeather[2],
    coneWidth: Math.max(...coneWidths),
    landmarks: marks,
    findings: profileFindings(surface, marks),
  }
}

/**
 * Girths can be met by a humped ridge that no foot has. The natural profile is hollow over the instep and turns
 * once, to the toe box; every further turn is a hump.
 */
function profileFindings(surface: LastSurface, marks: Landmarks): Finding[] {
  const from = marks.coneFront[0] + 0.03 * surface.length
  const ridge = ridgeAndToe(surface).filter((p) => p[0] > from && p[0] < 0.88 * surface.length)
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
