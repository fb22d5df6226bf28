import { intersect } from '../geometry/clip.ts'
import { convexHull } from '../geometry/hull.ts'
import { boxOf, pathLength, translate, type Path } from '../geometry/path.ts'
import { STATIONS } from '../last/frame.ts'
import { girthPlanes, type GirthStation, type Landmarks } from '../last/landmarks.ts'
import { bottomLine, planeAxes, tapeLine } from '../last/section.ts'
import type { LastSurface } from '../last/surface.ts'
import type { Because, Finding } from '../model/because.ts'

/** Stations where padding under the foot can take girth, with the place of their tape on the bottom (share of L). */
const UNDERFOOT: Record<Exclude<GirthStation, 'heel'>, number> = {
  joint: STATIONS.tread,
  waist: STATIONS.bottomWaist,
  instep: STATIONS.bottomInstep,
}
type Underfoot = keyof typeof UNDERFOOT

export interface GirthLoss {
  /** Girth lost at each station by the padding as planned, mm. */
  planned: Record<Underfoot, number>
  /** And by a half padding of the same thickness. */
  half: Record<Underfoot, number>
  becauses: Because[]
}

/**
 * Girth that a section loses when its floor rises by `rise` mm: the tape round the section less the tape round what
 * lies above the lifted floor, which reaches level to the walls. `floor` runs across the bottom from side to side.
 * A w x h box loses 2 rise; walls that lean outwards by k mm per mm of height only 2 rise (sqrt(1 + k^2) - k).
 */
export function lossOf(section: Path, floor: Path, rise: number): number {
  if (rise <= 0) return 0
  const box = boxOf(section)
  const lifted = translate(floor, 0, rise)
  const above: Path = [
    [box.minX - 1, lifted[0][1]],
    ...lifted,
    [box.maxX + 1, lifted[lifted.length - 1][1]],
    [box.maxX + 1, box.maxY + 1],
    [box.minX - 1, box.maxY + 1],
  ]
  const left = intersect(section, above, 'the inside of the shoe')
  return pathLength(section, true) - pathLength(convexHull(left), true)
}

/** Padding thickness at x for a padding with its front edge at `front`, skived over `skive` mm. */
export function paddingAt(thickness: number, x: number, front: number, skive: number): number {
  return thickness * Math.min(1, Math.max(0, (front - x) / skive))
}

/**
 * What padding takes from the inside girth: a full one, or one whose front edge lies at `front`; beside it a half
 * padding with its edge at `halfFront`, for the proposal. mm.
 */
export function paddingLoss(
  surface: LastSurface,
  marks: Landmarks,
  thickness: number,
  extent: 'part' | 'full',
  front: number,
  halfFront: number,
  skive: number,
): GirthLoss {
  const planes = girthPlanes(marks)
  const stations = Object.keys(UNDERFOOT) as Underfoot[]
  const sections = Object.fromEntries(stations.map((s) => [s, tapeLine(surface, planes[s])])) as Record<Underfoot, Path>
  const floors = Object.fromEntries(stations.map((s) => [s, bottomLine(surface, planes[s])])) as Record<Underfoot, Path>
  // Padding lies level; in a plane that leans it stands higher by the cosine of the lean.
  const losses = (at: (x: number) => number) =>
    Object.fromEntries(
      stations.map((s) => [
        s,
        lossOf(sections[s], floors[s], at(UNDERFOOT[s] * surface.length) / planeAxes(planes[s]).up[2]),
      ]),
    ) as Record<Underfoot, number>
  const half = losses((x) => paddingAt(thickness, x, halfFront, skive))
  const planned = losses((x) => (extent === 'full' ? thickness : paddingAt(thickness, x, front, skive)))
  return {
    planned,
    half,
    becauses: stations.map((s) => ({
      quantity: `Inside girth lost at the ${s}`,
      value: planned[s],
      unit: 'mm',
      sentence:
        planned[s] > 0
          ? `The ${s} section of this last, its floor raised by the padding and the tape drawn round what is left.`
          : 'The padding ends behind this place.',
      inputs: [
        { name: 'Padding', value: thickness, unit: 'mm' },
        { name: `${s[0].toUpperCase()}${s.slice(1)} girth`, value: pathLength(sections[s], true), unit: 'mm' },
      ],
      origin: 'measured on the last',
    })),
  }
}

export function girthFindings(
  loss: GirthLoss,
  extent: 'heel pad' | 'half' | 'full',
  allowances: Record<Underfoot, number>,
): Finding[] {
  const stations = Object.keys(UNDERFOOT) as Underfoot[]
  return stations.map((s) => {
    const lost = loss.planned[s]
    const allowed = allowances[s]
    const fine = lost <= allowed + 0.05
    const halfHelps = extent === 'full' && loss.half[s] <= allowed + 0.05
    return {
      id: `padding.girth.${s}`,
      level: fine ? 'fine' : lost <= 2 * allowed ? 'watch' : 'stop',
      where: `${s} girth`,
      sentence: fine
        ? `The padding takes ${lost.toFixed(1)} mm of the ${s} girth; up to ${allowed} mm are allowed.`
        : `The padding takes ${lost.toFixed(1)} mm of the ${s} girth; only ${allowed} mm are allowed, so the shoe would be tighter than measured.`,
      measured: lost,
      limit: allowed,
      unit: 'mm',
      mend: fine
        ? ''
        : halfHelps
          ? `Use half padding: it takes ${loss.half[s].toFixed(1)} mm here.`
          : 'Use thinner padding, or build the last up there.',
    }
  })
}
