import type { TriangleMesh } from '@gentle-awl/core'

/** Triangles whose three corners are one point: a scan has hardly any, a block of noughts in its file is nothing else. */
const MOST_POINTS_ALONE = 0.002
/** Points this many times as far from the middle as the scan is wide are no part of it. */
const FAR = 25
/** So many points are looked at to find the middle and the width. */
const LOOKED_AT = 4001

/** What is wrong with a mesh that was read without complaint, in a sentence; null where it looks whole. */
export function meshDamage({ positions, triangles }: TriangleMesh, name: string): string | null {
  if (positions.some((v) => !Number.isFinite(v))) {
    return `${name} has points that are not numbers. The file is damaged: save or copy it again.`
  }
  const corners = positions.length / 3
  if (triangles.some((t) => t >= corners)) return `${name} names points that it does not hold. The file is damaged.`
  const flat = onePoint(positions, triangles)
  const count = triangles.length / 3
  if (flat > 20 && flat > MOST_POINTS_ALONE * count) {
    return `${name} is damaged: ${flat} of its ${count} triangles are a single point, as where a part of the file was lost. Save or copy it again.`
  }
  const strays = farAway(positions)
  if (strays > 0) {
    return `${name} is damaged: ${strays} of its points lie far away from all others. Save or copy it again, or cut them off in the scanner's program.`
  }
  return null
}

function onePoint(v: TriangleMesh['positions'], t: TriangleMesh['triangles']): number {
  let n = 0
  for (let k = 0; k < t.length; k += 3) {
    const [a, b, c] = [3 * t[k], 3 * t[k + 1], 3 * t[k + 2]]
    const same = (p: number, q: number) => v[p] === v[q] && v[p + 1] === v[q + 1] && v[p + 2] === v[q + 2]
    if (same(a, b) && same(b, c)) n++
  }
  return n
}

/** Points outside a wide box round the middle of the rest. */
function farAway(v: TriangleMesh['positions']): number {
  const points = v.length / 3
  const step = Math.max(1, Math.floor(points / LOOKED_AT))
  const range = [0, 1, 2].map((axis) => {
    const some: number[] = []
    for (let i = 0; i < points; i += step) some.push(v[3 * i + axis])
    some.sort((a, b) => a - b)
    const at = (share: number) => some[Math.floor(share * (some.length - 1))]
    return { middle: at(0.5), wide: at(0.9) - at(0.1) }
  })
  const reach = FAR * Math.max(...range.map((r) => r.wide))
  let n = 0
  for (let i = 0; i < points; i++) {
    if (range.some((r, axis) => Math.abs(v[3 * i + axis] - r.middle) > reach)) n++
  }
  return n
}
