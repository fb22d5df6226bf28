import type { Path } from '../geometry/path.ts'
import type { Picture } from './picture.ts'
import type { PlaneView } from './planeView.ts'
import { bridged, railAlong, type Rail } from './rim.ts'
import { gapsOf, type ReadRim } from './readLine.ts'

/** Steps across an edge, mm. */
const FINE = 0.1
/** A step in colour smaller than this is no edge, in levels of the picture. */
const LEAST = 8
const LEAST_GAP = 1.5
const STRAY = 0.5
const BESIDE = 7
/** What is looked across near by is meant for so many pixels a millimetre and more. */
const PIXELS = 2.5

const linear = Float32Array.from({ length: 256 }, (_, k) => 255 * (k / 255) ** 2.2)

/** Light of three colours between pixels. */
function lightAt({ width, height, data }: Picture, x: number, y: number, to: Float64Array): void {
  const px = Math.min(width - 1.001, Math.max(0, x))
  const py = Math.min(height - 1.001, Math.max(0, y))
  const [i, j] = [px | 0, py | 0]
  const [fx, fy] = [px - i, py - j]
  const at = 4 * (j * width + i)
  const below = at + 4 * width
  for (let c = 0; c < 3; c++) {
    to[c] =
      (linear[data[at + c]!]! * (1 - fx) + linear[data[at + 4 + c]!]! * fx) * (1 - fy) +
      (linear[data[below + c]!]! * (1 - fx) + linear[data[below + 4 + c]!]! * fx) * fy
  }
}

/** Offsets of the edge from a rail, mm: where the colour has passed half way from what is inside to what is outside. */
function acrossRail(picture: Picture, view: PlaneView, rail: Rail, reach: number, stray: number): Float64Array {
  const n = rail.points.length
  const half = Math.round(reach / FINE)
  const m = 2 * half + 1
  const colours = Array.from({ length: m }, () => new Float64Array(3))
  const share = new Float64Array(m)
  const at = new Float64Array(n).fill(NaN)
  const ends = Math.max(2, Math.round(half / 3))
  for (let i = 0; i < n; i++) {
    const [x, y] = rail.points[i]!
    const [nx, ny] = rail.normals[i]!
    const a = view.toPicture(x - nx * reach, y - ny * reach)
    const b = view.toPicture(x + nx * reach, y + ny * reach)
    for (let k = 0; k < m; k++) {
      const s = k / (m - 1)
      lightAt(picture, a[0] + (b[0] - a[0]) * s, a[1] + (b[1] - a[1]) * s, colours[k]!)
    }
    const [inner, outer] = [new Float64Array(3), new Float64Array(3)]
    for (let c = 0; c < 3; c++) {
      for (let k = 0; k < ends; k++) {
        inner[c]! += colours[k]![c]! / ends
        outer[c]! += colours[m - 1 - k]![c]! / ends
      }
    }
    const way = outer.map((v, c) => v - inner[c]!)
    const size = Math.hypot(way[0]!, way[1]!, way[2]!)
    if (size < LEAST) continue
    for (let k = 0; k < m; k++) {
      let dot = 0
      for (let c = 0; c < 3; c++) dot += (colours[k]![c]! - inner[c]!) * way[c]!
      share[k] = dot / (size * size)
    }
    // Of several passages the one nearest to the rail.
    let best = Infinity
    for (let k = 0; k + 1 < m; k++) {
      const [u, v] = [share[k]! - 0.5, share[k + 1]! - 0.5]
      if (u > 0 || v <= 0) continue
      const t = (k + u / (u - v) - half) * FINE
      if (Math.abs(t) < Math.abs(best)) best = t
    }
    if (best !== Infinity) at[i] = best
  }
  return at.map((v, i) => {
    const beside: number[] = []
    for (let d = -BESIDE; d <= BESIDE; d++) {
      const w = at[(i + d + n) % n]!
      if (d !== 0 && !Number.isNaN(w)) beside.push(w)
    }
    beside.sort((p, q) => p - q)
    return beside.length >= 4 && Math.abs(v - beside[beside.length >> 1]!) > stray ? NaN : v
  })
}

/** The edge of a thing near a rough outline, read across it every half millimetre in the picture itself, in two passes. */
export function readEdge(picture: Picture, view: PlaneView, rough: Path): ReadRim {
  // From far off a pixel is wider than what is looked across near by.
  const coarse = Math.max(1, PIXELS / view.perMm(rough[0] ?? [0, 0]))
  const across = (rail: Rail, reach: number) => acrossRail(picture, view, rail, reach * coarse, STRAY * coarse)
  const first = railAlong(rough, 0.8 * coarse)
  const rail = railAlong(bridged(first, across(first, 2.4)) ?? first.points, 0.5 * coarse)
  const at = across(rail, 1.5)
  const path = bridged(rail, at) ?? rail.points
  const seen = Array.from(at, (v) => !Number.isNaN(v))
  return { path, seen, gaps: gapsOf(path, seen, LEAST_GAP), width: 0 }
}
