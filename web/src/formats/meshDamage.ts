import type { TriangleMesh } from '@gentle-awl/core'

/** Triangles whose three corners are one point: a scan has hardly any, a block of noughts in its file is nothing else. */
const MOST_POINTS_ALONE = 0.002
/** Points this many times as far from the middle as the scan is wide are no part of it. */
const FAR = 25
/** So many points are looked at to find the middle and the width. */
const LOOKED_AT = 4001

/** What is wrong with a mesh that was read without complaint, in a sentence; null where it looks whole. */
export function meshDamage({ positions, triangles }: TriangleMesh, name: string): string | null {
  if (!allNumbers(positions)) {
    return `${name} has points that are not numbers. The file is damaged: save or copy it again.`
  }
  const corners = positions.length / 3
  if (highest(triangles) >= corners) return `${name} names points that it does not hold. The file is damaged.`
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

function allNumbers(v: TriangleMesh['positions']): boolean {
  // What is no number, or none that is finite, shows in a difference with itself.
  for (let k = 0; k < v.length; k++) if (v[k]! - v[k]! !== 0) return false
  return true
}

function highest(t: TriangleMesh['triangles']): number {
  let most = -1
  for (let k = 0; k < t.length; k++) if (t[k]! > most) most = t[k]!
  return most
}

function onePoint(v: TriangleMesh['positions'], t: TriangleMesh['triangles']): number {
  let n = 0
  for (let k = 0; k < t.length; k += 3) {
    const [a, b, c] = [3 * t[k]!, 3 * t[k + 1]!, 3 * t[k + 2]!]
    // One coordinate tells nearly all of them apart.
    if (v[a] !== v[b] || v[b] !== v[c] || v[a + 1] !== v[b + 1] || v[b + 1] !== v[c + 1]) continue
    if (v[a + 2] === v[b + 2] && v[b + 2] === v[c + 2]) n++
  }
  return n
}

/** Points outside a wide box round the middle of the rest. */
function farAway(v: TriangleMesh['positions']): number {
  const points = v.length / 3
  const step = Math.max(1, Math.floor(points / LOOKED_AT))
  const range = [0, 1, 2].map((axis) => {
    const some: number[] = []
    for (let i = 0; i < points; i += step) some.push(v[3 * i + axis]!)
    some.sort((a, b) => a - b)
    const at = (share: number) => some[Math.floor(share * (some.length - 1))]
    return { middle: at(0.5), wide: at(0.9)! - at(0.1)! }
  })
  const reach = FAR * Math.max(...range.map((r) => r.wide))
  const [x, y, z] = range.map((r) => r.middle)
  let n = 0
  for (let k = 0; k < v.length; k += 3) {
    if (Math.abs(v[k]! - x!) > reach || Math.abs(v[k + 1]! - y!) > reach || Math.abs(v[k + 2]! - z!) > reach) n++
  }
  return n
}
