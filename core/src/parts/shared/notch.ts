import { contains, distance, type Path, type Point } from '../../geometry/path.ts'
import { cumulative, outwardNormals, pointsAt } from '../../geometry/polyline.ts'
import type { Notch } from '../../trade/part.ts'
import { ROUNDING } from '../../geometry/tolerance.ts'

/** A notch on the outline's vertex nearest to `target`, pointing into the piece. */
export function notchNear(outline: Path, target: Point, kind: Notch['kind']): Notch {
  const normals = outwardNormals(outline)
  let best = 0
  outline.forEach((p, i) => {
    if (distance(p, target) < distance(outline[best]!, target)) best = i
  })
  return { kind, at: outline[best]!, inwards: [-normals[best]![0], -normals[best]![1]] }
}

/** How deep a notch is cut and half of its mouth, mm. Those on the centre line are fine, so that they keep the length. */
const NOTCHES = { medial: { depth: 3, half: 1.6 }, centre: { depth: 2.5, half: 0.9 } } as const

/** The outline with its notches cut out as small triangles: what the knife follows. */
export function cutLine(outline: Path, notches: readonly Notch[]): Path {
  const run = cumulative(outline, true)
  const total = run[run.length - 1]!
  let line = outline.map((p, i) => ({ p, at: run[i] }))
  for (const notch of notches) {
    const { depth, half } = NOTCHES[notch.kind]
    const vertex = outline.findIndex((p) => distance(p, notch.at) < ROUNDING)
    const tip: Point = [notch.at[0] + notch.inwards[0] * depth, notch.at[1] + notch.inwards[1] * depth]
    if (vertex < 0 || !contains(outline, tip)) continue
    const at = run[vertex]!
    const [a, b] = pointsAt(outline, [at - half, at + half], true)
    const apart = (q: number) => Math.abs(((q - at + 1.5 * total) % total) - total / 2)
    // The mouth's two points and the tip take the place of what lies between them; the list starts behind the notch.
    const kept = line.filter((v) => apart(v.at!) > half)
    const ahead = (q: number) => (((q - at) % total) + total) % total
    const first = kept.reduce((best, v, i) => (ahead(v.at!) < ahead(kept[best]!.at!) ? i : best), 0)
    const turned = [...kept.slice(first), ...kept.slice(0, first)]
    line = [...turned, { p: a!, at: at - half }, { p: tip, at }, { p: b!, at: at + half }]
  }
  return line.map((v) => v.p)
}
