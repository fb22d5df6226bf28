import { Clipper, EndType, FillRule, JoinType, type Paths64 } from 'clipper2-ts'
import { windingIsOdd } from './windingIsOdd.ts'
import type { NestInstance, Placement } from '../src/nesting/instance.ts'

const SCALE = 1e5
/** Two pieces may lie into each other, or off the sheet, by less than this, mm. */
const ALLOWED = 0.05

type Corners = readonly (readonly [number, number])[]
const whole = (path: Corners): Paths64 => [
  path.map(([x, y]) => ({ x: Math.round(x * SCALE), y: Math.round(y * SCALE) })),
]
const grown = (paths: Paths64, by: number): Paths64 =>
  Clipper.inflatePaths(paths, by * SCALE, JoinType.Round, EndType.Polygon, 2, 0.001 * SCALE)
/** mm2. */
const area = (paths: Paths64): number => Math.abs(paths.reduce((sum, p) => sum + Clipper.area(p), 0)) / SCALE ** 2
const turningLeft = (path: Corners): Corners => (Clipper.area(whole(path)[0]!) < 0 ? [...path].reverse() : path)

/** An outline where it was laid: flipped in x, turned about its own origin, then moved; counter-clockwise. */
export function placed(outline: Corners, { x, y, rotation, mirrored }: Placement): Corners {
  const a = (rotation * Math.PI) / 180
  return turningLeft(
    outline.map(([px, py]) => {
      const fx = mirrored ? -px : px
      return [x + fx * Math.cos(a) - py * Math.sin(a), y + fx * Math.sin(a) + py * Math.cos(a)] as const
    }),
  )
}

/**
 * What is wrong with a layout, found with exact polygon operations that the search knows nothing of: pieces nearer to
 * each other than the gap, or off the bin, or on a flaw, by 0.05 mm or more; pieces or turns that were not asked for.
 */
export function layoutFaults(instance: NestInstance, placements: readonly Placement[]): string[] {
  const faults: string[] = []
  const seen = new Set<string>()
  const laid = placements.map((p) => {
    const piece = instance.pieces.find((q) => q.id === p.id)
    const name = `${p.id}, copy ${p.copy}`
    if (!piece) throw new Error(`${name} is of no piece that was asked for`)
    if (seen.has(name)) faults.push(`${name} lies twice`)
    seen.add(name)
    if (p.copy < 0 || p.copy >= piece.count) faults.push(`${name} is one too many`)
    if (p.mirrored && !piece.mirror) faults.push(`${name} must not be turned over`)
    if (piece.rotations !== 'any' && !piece.rotations.some((r) => (p.rotation - r) % 360 === 0)) {
      faults.push(`${name} must not lie at ${p.rotation} degrees`)
    }
    if (p.bin < 0 || p.bin >= instance.max_bins) faults.push(`${name} lies on a bin that is not there`)
    const path = whole(placed(piece.outline, p))
    const shown = whole(placed(piece.seen ?? piece.outline, p))
    const own = placed(piece.outline, p)
    const middle = [0, 1].map((d) => {
      const all = own.map((q) => q[d]!)
      return (Math.min(...all) + Math.max(...all)) / 2
    }) as [number, number]
    const barred = piece.turned_off?.find((t) => (t.rotation - p.rotation) % 360 === 0)?.areas ?? []
    if (windingIsOdd(barred, middle)) faults.push(`${name} is turned off the leather's way`)
    const avoided = (piece.avoid ?? []).flatMap((h) => whole(turningLeft(h)))
    if (avoided.length > 0 && area(Clipper.intersect(grown(path, -ALLOWED), avoided, FillRule.NonZero)) > 0) {
      faults.push(`${name} lies where it must not`)
    }
    return {
      name,
      bin: p.bin,
      shown: grown(shown, -ALLOWED),
      bare: grown(path, -ALLOWED),
      half: grown(path, (instance.gap - ALLOWED) / 2),
    }
  })
  const marks = (instance.bin.marks ?? []).flatMap((h) => whole(turningLeft(h)))
  const bin = whole(turningLeft(instance.bin.outline))
  const holes = instance.bin.holes.flatMap((h) => whole(turningLeft(h)))
  laid.forEach((a, i) => {
    if (area(Clipper.difference(a.bare, bin, FillRule.NonZero)) > 0) faults.push(`${a.name} leaves the bin`)
    if (holes.length > 0 && area(Clipper.intersect(a.bare, holes, FillRule.NonZero)) > 0) {
      faults.push(`${a.name} lies on a flaw`)
    }
    if (marks.length > 0 && area(Clipper.intersect(a.shown, marks, FillRule.NonZero)) > 0) {
      faults.push(`${a.name} shows a mark`)
    }
    for (const b of laid.slice(0, i)) {
      if (a.bin !== b.bin) continue
      const common = area(Clipper.intersect(a.half, b.half, FillRule.NonZero))
      if (common > 0) faults.push(`${a.name} and ${b.name} have ${common} mm2 in common`)
    }
  })
  return faults
}
