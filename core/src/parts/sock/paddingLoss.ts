import { intersect } from '../../geometry/polygonClip.ts'
import { convexHull } from '../../geometry/convexHull.ts'
import { boxOf, pathLength, translate, type Path } from '../../geometry/path.ts'
import { STATIONS } from '../../last/frame.ts'
import { girthPlanes, type GirthStation, type Landmarks } from '../../last/landmarks.ts'
import { bottomLine, planeAxes, tapeLine } from '../../last/section.ts'
import type { LastSurface } from '../../last/surface.ts'
import type { Because, Finding } from '../../trade/because.ts'
import { mm, say } from '../../units/sentence.ts'

/** Stations where padding under the foot can take girth, with the place of their tape on the bottom (share of L). */
const UNDERFOOT: Record<Exclude<GirthStation, 'heel'>, number> = {
  joint: STATIONS.tread,
  waist: STATIONS.bottomWaist,
  instep: STATIONS.bottomInstep,
}
type Underfoot = keyof typeof UNDERFOOT

export interface GirthLoss {
  /** Girth lost at each station by what lies on the insole as planned, mm. */
  planned: Record<Underfoot, number>
  /** And with a half padding of the same thickness. */
  half: Record<Underfoot, number>
  /** What lies there, by name. */
  layers: Record<Underfoot, string[]>
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
    [box.minX - 1, lifted[0]![1]],
    ...lifted,
    [box.maxX + 1, lifted[lifted.length - 1]![1]],
    [box.maxX + 1, box.maxY + 1],
    [box.minX - 1, box.maxY + 1],
  ]
  const left = intersect(section, above, 'the inside of the shoe')
  return pathLength(section, true) - pathLength(convexHull(left), true)
}

/** A layer under the foot: all along it, or to a front edge (mm from the heel back) where it is skived to nothing. */
export interface UnderLayer {
  name: string
  thickness: number
  front: { at: number; skive: number } | null
}

/** Padding thickness at x for a padding with its front edge at `front`, skived over `skive` mm. */
export function paddingAt(thickness: number, x: number, front: number, skive: number): number {
  return thickness * Math.min(1, Math.max(0, (front - x) / skive))
}

const layerAt = ({ thickness, front }: UnderLayer, x: number): number =>
  front ? paddingAt(thickness, x, front.at, front.skive) : thickness

/**
 * What lies on the insole takes from the inside girth, mm: sock, foam and cover, padding, together. `instead` are the
 * layers with a half padding in place of a whole one, for the proposal.
 */
export function underfootLoss(
  surface: LastSurface,
  marks: Landmarks,
  layers: readonly UnderLayer[],
  instead: readonly UnderLayer[],
): GirthLoss {
  const planes = girthPlanes(marks)
  const stations = Object.keys(UNDERFOOT) as Underfoot[]
  const sections = Object.fromEntries(stations.map((s) => [s, tapeLine(surface, planes[s])])) as Record<Underfoot, Path>
  const floors = Object.fromEntries(stations.map((s) => [s, bottomLine(surface, planes[s])])) as Record<Underfoot, Path>
  const at = (list: readonly UnderLayer[], s: Underfoot) =>
    list.map((l) => ({ name: l.name, value: layerAt(l, UNDERFOOT[s] * surface.length) })).filter((l) => l.value > 0)
  // What lies under the foot lies level; in a plane that leans it stands higher by the cosine of the lean.
  const losses = (list: readonly UnderLayer[]) =>
    Object.fromEntries(
      stations.map((s) => [
        s,
        lossOf(sections[s], floors[s], at(list, s).reduce((sum, l) => sum + l.value, 0) / planeAxes(planes[s]).up[2]),
      ]),
    ) as Record<Underfoot, number>
  const planned = losses(layers)
  return {
    planned,
    half: losses(instead),
    layers: Object.fromEntries(
      stations.map((s) => [s, at(layers, s).map((l) => l.name.toLowerCase())]),
    ) as GirthLoss['layers'],
    becauses: stations.map((s) => ({
      id: `girthLost.${s}`,
      quantity: `Inside girth lost at the ${s}`,
      value: planned[s],
      unit: 'mm',
      sentence:
        planned[s] > 0
          ? `The ${s} section of this last, its floor raised by all that lies on the insole and the tape drawn round what is left.`
          : 'All that lies on the insole ends behind this place.',
      inputs: [
        ...at(layers, s).map((l) => ({ ...l, unit: 'mm' as const })),
        { name: `${s[0]!.toUpperCase()}${s.slice(1)} girth`, value: pathLength(sections[s], true), unit: 'mm' },
      ],
      origin: 'measured on the last',
    })),
  }
}

/** Does what lies under the foot leave the girths their room? `whole` says that a half padding could take a whole one's place. */
export function girthFindings(loss: GirthLoss, whole: boolean, allowances: Record<Underfoot, number>): Finding[] {
  const stations = Object.keys(UNDERFOOT) as Underfoot[]
  return stations.map((s) => {
    const lost = loss.planned[s]
    const allowed = allowances[s]
    const fine = lost <= allowed + 0.05
    const halfHelps = whole && loss.half[s] <= allowed + 0.05
    const what = inWords(loss.layers[s])
    const take = loss.layers[s].length > 1 ? 'take' : 'takes'
    return {
      id: `padding.girth.${s}`,
      level: fine ? 'fine' : lost <= 2 * allowed ? 'watch' : 'stop',
      where: `${s} girth`,
      sentence: fine
        ? say`${what} ${take} ${mm(lost, 1)} of the ${s} girth; up to ${mm(allowed)} are allowed.`
        : say`${what} ${take} ${mm(lost, 1)} of the ${s} girth; only ${mm(allowed)} are allowed, so the shoe would be tighter than measured.`,
      measured: lost,
      limit: allowed,
      unit: 'mm',
      mend: fine
        ? ''
        : halfHelps
          ? say`Use half padding: it takes ${mm(loss.half[s], 1)} here.`
          : 'Lay something thinner under the foot, or build the last up there.',
      remedy: fine
        ? undefined
        : halfHelps
          ? { kind: 'choice', name: 'half padding', decisions: { sock: { padding: 'half' } } }
          : { kind: 'open', control: { room: 'last', page: 'build-ups' } },
    }
  })
}

/** Padding and sock liner; as the beginning of a sentence. */
function inWords(names: readonly string[]): string {
  if (names.length === 0) return 'What lies under the foot'
  const text = names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}` : names[0]
  return `${text![0]!.toUpperCase()}${text!.slice(1)}`
}
