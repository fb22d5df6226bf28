import type { Path } from '../geometry/path.ts'
import { bridged } from './bridged.ts'
import { colourAt, type Picture } from './picture.ts'
import type { PlaneView } from './planeView.ts'
import { railAlong, type Rail } from './rail.ts'
import { gapsOf, type ReadRim } from './readRim.ts'
import { withoutLoners } from './strays.ts'

/** Steps across an edge, mm. */
const FINE = 0.1
/** A step in light smaller than this is no edge, of 255. */
const LEAST = 4
/** What lies farther from its neighbours than this is another edge, mm. */
const STRAY = 0.5
/** What is looked across near by is meant for so many pixels a millimetre and more. */
const PIXELS = 2.5

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
      colourAt(picture, a[0] + (b[0] - a[0]) * s, a[1] + (b[1] - a[1]) * s, colours[k]!)
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
  return withoutLoners(at, stray)
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
  return { path, seen, gaps: gapsOf(path, seen), width: 0 }
}
