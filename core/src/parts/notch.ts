import { contains, distance, type Path, type Point } from '../geometry/path.ts'
import { outwardNormals } from '../geometry/along.ts'
import type { Notch } from './part.ts'

/** A notch on the outline's vertex nearest to `target`, pointing into the piece. */
export function notchNear(outline: Path, target: Point, kind: Notch['kind']): Notch {
  const normals = outwardNormals(outline)
  let best = 0
  outline.forEach((p, i) => {
    if (distance(p, target) < distance(outline[best], target)) best = i
  })
  return { kind, at: outline[best], inwards: [-normals[best][0], -normals[best][1]] }
}

/** The outline with its notches cut out as small triangles, mm: what the knife follows. */
export function cutLine(outline: Path, notches: readonly Notch[], depth = 3): Path {
  let line = [...outline]
  for (const notch of notches) {
    const at = line.findIndex((p) => distance(p, notch.at) < 1e-9)
    if (at < 0) continue
    const tip: Point = [notch.at[0] + notch.inwards[0] * depth, notch.at[1] + notch.inwards[1] * depth]
    if (!contains(outline, tip)) continue
    const half = depth * 0.55
    const n = line.length
    let before = at
    let after = at
    while (distance(line[(before - 1 + n) % n], notch.at) < half && at - before < n / 4) before--
    while (distance(line[(after + 1) % n], notch.at) < half && after - at < n / 4) after++
    const a = toward(notch.at, line[(before - 1 + n) % n], half)
    const b = toward(notch.at, line[(after + 1) % n], half)
    const kept = Array.from({ length: n - (after - before + 1) }, (_, k) => line[(after + 1 + k) % n])
    line = [b, ...kept, a, tip]
  }
  return line
}

function toward(from: Point, to: Point, by: number): Point {
  const d = distance(from, to) || 1
  return [from[0] + ((to[0] - from[0]) * by) / d, from[1] + ((to[1] - from[1]) * by) / d]
}
