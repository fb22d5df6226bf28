import { calliperWidths, type BottomWidth } from '../geometry/callipers.ts'
import { pathLength } from '../geometry/path.ts'
import type { Vec3 } from '../geometry/vec3.ts'
import type { Finding } from '../trade/because.ts'
import { girthPlanes, girthStations, type GirthStation, type Landmarks } from './landmarks.ts'
import { fromPlane, tapeLine } from './section.ts'
import { atX, backCurve, bottomPoint, featherPlan, ridgeAndToe, type LastSurface } from './surface.ts'

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
  const further = atX(line, end![0] + (fromHeel ? 1 : -1) * 0.02 * surface.length)
  return end![2] + ((end![2] - further[2]) / (end![0] - further[0])) * (x - end![0])
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
  const widths = calliperWidths(featherPlan(surface), 0, L)
  const read = (name: BottomWidth) => widths[name]?.value ?? 0
  const back = backCurve(surface)
  const fullest = back.reduce((best, p) => (p[0] < best[0] ? p : best))
  const box = atX(ridgeAndToe(surface), 0.905 * L)
  const under = atX(
    Array.from({ length: surface.columns }, (_, i) => bottomPoint(surface, i, (surface.across - 1) / 2)),
    0.905 * L,
  )
  const coneWidths = Array.from({ length: surface.coneColumn }, (_, i) => {
    const at = (i * surface.rows + surface.rows - 1) * 3 + 1
    return surface.walls.medial[at]! - surface.walls.lateral[at]!
  })
  return {
    length: L,
    girths,
    tapes,
    widths: { seat: read('seat'), waist: read('waist'), joint: read('joint') },
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

/** The ridge is looked at every so many mm, its bend read over so many on either side. */
const LOOK = 5
const OVER = 8
/** Bends that differ by less are one to the eye, 1/mm. */
const SEEN = 0.0016

/** How a ridge bends from the cone to the toe box: second derivative of its height at even steps, 1/mm; hollow is positive. */
function bends(surface: LastSurface, marks: Landmarks): number[] {
  const from = marks.coneFront[0] + 0.03 * surface.length
  const ridge = ridgeAndToe(surface).slice(0, surface.columns - surface.coneColumn)
  const height = (x: number) => atX(ridge, x)[2]
  const out: number[] = []
  for (let x = from + OVER; x < 0.88 * surface.length - OVER; x += LOOK) {
    out.push((height(x + OVER) - 2 * height(x) + height(x - OVER)) / (OVER * OVER))
  }
  return out
}

/** How often a row of figures turns from rising to falling or back, by more than `seen`. */
export function reversals(values: readonly number[], seen: number): number {
  let [count, way] = [0, 0]
  let [low, high] = [values[0], values[0]]
  for (const v of values) {
    low = Math.min(low!, v)
    high = Math.max(high!, v)
    if (way >= 0 && v < high - seen) {
      if (way > 0) count++
      ;[way, low] = [-1, v]
    } else if (way <= 0 && v > low + seen) {
      if (way < 0) count++
      ;[way, high] = [1, v]
    }
    if (way > 0) low = v
    if (way < 0) high = v
  }
  return count
}

/**
 * Girths can be met by a humped or wavy ridge that no foot has. The natural profile is full over the instep, then
 * hollow, and turns once, to the toe box: its bend falls, rises and falls again. Every further change is a hump or a wave.
 */
function profileFindings(surface: LastSurface, marks: Landmarks): Finding[] {
  const bend = bends(surface, marks)
  // What is nearly straight has no side it is bent to.
  const signs = bend.filter((b) => Math.abs(b) > SEEN).map(Math.sign)
  const turns = signs.filter((s, i) => i > 0 && s !== signs[i - 1]).length
  const waves = Math.max(0, reversals(bend, SEEN) - 2)
  const level = turns <= 1 && waves === 0 ? 'fine' : 'watch'
  return [
    {
      id: 'last.profile',
      level,
      where: 'ridge of the last',
      sentence:
        level === 'fine'
          ? 'The ridge runs in one hollow from cone to toe box.'
          : turns > 1
            ? `The ridge turns ${turns} times between cone and toe: the girths asked for make a hump.`
            : `The ridge is wavy between cone and toe: its bend changes ${waves === 1 ? 'once' : `${waves} times`} more than it should.`,
      measured: turns > 1 ? turns : waves,
      limit: turns > 1 ? 1 : 0,
      unit: 'count',
      mend:
        level === 'fine' ? '' : 'Measure the waist and instep girths again; one of them does not go with the others.',
      remedy: level === 'fine' ? undefined : { kind: 'open', control: { room: 'last', page: 'measure' } },
    },
  ]
}
