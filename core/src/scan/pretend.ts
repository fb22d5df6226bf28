import { gaussian, seeded } from '../geometry/random.ts'
import type { Vec3 } from '../geometry/vec3.ts'
import { bodyMesh, type LastSurface } from '../last/surface.ts'

/** How a pretended scanner sees a last. */
export interface Scanning {
  seed: number
  /** Sigma of the noise on every coordinate, mm. */
  noise: number
  /** How many patches are missing, and how wide each is, mm. */
  holes?: number
  holeWidth?: number
  /** Scan the left last of the pair. */
  left?: boolean
  /** Keep it upright at the origin instead of turning it any way. */
  upright?: boolean
  /** Leave this share of the faces inside out. */
  turnedFaces?: number
}

/** A mesh as a scanner hands it out, and where true points of the last lie in it. */
export interface PretendedScan {
  positions: Float64Array
  triangles: Uint32Array
  /** Takes a point of the last's frame to where the scanner saw it. */
  place: (p: Vec3) => Vec3
}

/** Random rotation, evenly spread over all of them (Shoemake 1992), as rows of a matrix. */
function anyRotation(random: () => number): number[][] {
  const [u, v, w] = [random(), random() * 2 * Math.PI, random() * 2 * Math.PI]
  const x = Math.sqrt(1 - u) * Math.sin(v)
  const y = Math.sqrt(1 - u) * Math.cos(v)
  const z = Math.sqrt(u) * Math.sin(w)
  const s = Math.sqrt(u) * Math.cos(w)
  return [
    [1 - 2 * (y * y + z * z), 2 * (x * y - z * s), 2 * (x * z + y * s)],
    [2 * (x * y + z * s), 1 - 2 * (x * x + z * z), 2 * (y * z - x * s)],
    [2 * (x * z - y * s), 2 * (y * z + x * s), 1 - 2 * (x * x + y * y)],
  ]
}

/**
 * What a scanner would hand out of a last: some pose in space, noise on every point, a few patches it did not see.
 * The same seed gives the same scan.
 */
export function pretendScan(surface: LastSurface, how: Scanning): PretendedScan {
  const random = seeded(how.seed)
  const rotation = how.upright
    ? [
        [1, 0, 0],
        [0, 1, 0],
        [0, 0, 1],
      ]
    : anyRotation(random)
  const shift = how.upright ? [0, 0, 0] : [0, 0, 0].map(() => (random() - 0.5) * 600)
  const mirror = how.left ? -1 : 1
  const place = (p: Vec3): Vec3 => {
    const q = [p[0], mirror * p[1], p[2]]
    return [0, 1, 2].map(
      (r) => rotation[r]![0]! * q[0]! + rotation[r]![1]! * q[1]! + rotation[r]![2]! * q[2]! + shift[r]!,
    ) as [number, number, number]
  }
  const body = bodyMesh(surface)
  const { positions: v, triangles: t } = body
  const count = v.length / 3
  // Vertices that several patches share get the same noise: it is one point of the wood.
  const known = new Map<string, number>()
  const to = new Uint32Array(count)
  const out: number[] = []
  for (let i = 0; i < count; i++) {
    const p: Vec3 = [v[i * 3]!, v[i * 3 + 1]!, v[i * 3 + 2]!]
    const key = p.map((c) => Math.round(c * 1e5)).join(',')
    let at = known.get(key)
    if (at === undefined) {
      at = out.length / 3
      known.set(key, at)
      out.push(...place(p).map((c) => c + how.noise * gaussian(random)))
    }
    to[i] = at
  }
  const width = how.holeWidth ?? 8
  const gone = Array.from({ length: how.holes ?? 0 }, () => Math.floor(random() * count)).map((i): Vec3 => [
    v[i * 3]!,
    v[i * 3 + 1]!,
    v[i * 3 + 2]!,
  ])
  const triangles: number[] = []
  for (let k = 0; k < t.length; k += 3) {
    const near = gone.some(
      (g) => Math.hypot(v[t[k]! * 3]! - g[0], v[t[k]! * 3 + 1]! - g[1], v[t[k]! * 3 + 2]! - g[2]) < width / 2,
    )
    if (near) continue
    const [a, b, c] = [to[t[k]!], to[t[k + 1]!], to[t[k + 2]!]]
    if (a === b || b === c || c === a) continue
    const turned = random() < (how.turnedFaces ?? 0)
    const inside = turned !== (how.left === true)
    if (inside) triangles.push(a!, c!, b!)
    else triangles.push(a!, b!, c!)
  }
  return { positions: Float64Array.from(out), triangles: Uint32Array.from(triangles), place }
}
