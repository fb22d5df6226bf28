import {
  disc,
  wallSides,
  type FormeMap,
  type KeyPoint,
  type Path,
  type Piece,
  type Upper,
  type UpperLine,
  type Vec3,
} from '@gentle-awl/core'
import type { Loop, Marker } from '../../../../viewer/body.ts'

/** Lines stand this far off the last, so that it does not swallow them, mm. */
const OFF = 0.6
/** Corners of a drawn eyelet. */
const ROUND = 12

const lineColours: Record<UpperLine['kind'], string> = {
  'top line': '#ffffff',
  seam: '#8fd0e8',
  facing: '#ffffff',
  back: '#e3a0c4',
  before: '#8a6a7c',
  zip: '#a7d99b',
  crease: '#e6b355',
  margin: '#a9bac0',
}

/** A line of the forme on the last: finely enough that it lies on it. */
export function onLast(map: FormeMap, side: 'lateral' | 'medial', path: Path): Vec3[] {
  const out: Vec3[] = []
  for (let i = 0; i < path.length; i++) {
    if (i > 0) {
      const [a, b] = [path[i - 1]!, path[i]!]
      const parts = Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]) / 5)
      for (let k = 1; k < parts; k++) {
        out.push(map.toLast(side, [a[0] + ((b[0] - a[0]) * k) / parts, a[1] + ((b[1] - a[1]) * k) / parts]))
      }
    }
    out.push(map.toLast(side, path[i]!))
  }
  const way = side === 'lateral' ? -OFF : OFF
  return out.map(([x, y, z]): Vec3 => [x, y + way, z])
}

/** The design on the last: its lines, and the chosen piece's outline in beeswax. */
export function upperLoops(map: FormeMap, upper: Upper, chosen: Piece | null): Loop[] {
  // The margin is turned under: past the feather there is no wall to draw it on.
  const onWall = upper.lines.filter((l) => l.kind !== 'margin')
  const loops: Loop[] = onWall.map((l) => ({
    points: onLast(map, l.side, l.path),
    colour: lineColours[l.kind],
    width: l.kind === 'crease' ? 1.5 : 2.5,
    open: true,
  }))
  for (const place of chosen?.places ?? []) {
    loops.push({ points: onLast(map, place.side, place.forme), colour: '#e6b355', width: 4 })
  }
  for (const { at } of upper.lacing?.pairs ?? []) {
    for (const side of wallSides) {
      const ring = disc(at[side], (upper.lacing?.diameter ?? 0) / 2, ROUND)
      loops.push({ points: onLast(map, side, ring), colour: '#ffffff', width: 2 })
    }
  }
  return loops
}

/** Key points as balls that can be dragged over the last, on each of their sides. */
export function pointMarkers(map: FormeMap, points: readonly KeyPoint[], chosen: string): Marker[] {
  return points.flatMap((p) =>
    p.sides.map((side) => ({
      key: `${p.id}:${side}`,
      at: map.toLast(side, p.at[side]),
      colour: p.id === chosen ? '#e6b355' : p.moved ? '#8fd0e8' : '#eef2ee',
      size: p.id === chosen ? 1.1 : 0.75,
    })),
  )
}
