import { boxOf, distance, type Point } from '../geometry/path.ts'
import type { LaidPlace } from '../model/layout.ts'
import { gradeNeeded, laidPiece, whereLaid, type ToLay } from './cuttingLayout.ts'

/** The right and the left of one piece, and how far their middles lie apart, mm; null on two hides. */
export interface MatesApart {
  pair: string
  name: string
  apart: number | null
}

/**
 * Of pieces that are seen, the two mates that lie farthest apart: right and left match best from neighbouring places of one
 * hide. Null where no piece has both on what is laid.
 */
export function matesApart(pieces: readonly ToLay[], places: readonly LaidPlace[]): MatesApart | null {
  const mates = new Map<string, { name: string; pair: string; at: { on: number; foot: string; middle: Point }[] }>()
  for (const place of places) {
    const found = laidPiece(pieces, place)
    if (!found || gradeNeeded(found.piece) === 'lesser') continue
    const b = boxOf(whereLaid(found.cut.outline, place))
    const key = `${place.pair} ${place.record} ${place.copy}`
    const mate = mates.get(key) ?? { name: found.piece.name, pair: place.pair, at: [] }
    mates.set(key, mate)
    mate.at.push({ on: place.on, foot: place.foot, middle: [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2] })
  }
  let worst: MatesApart | null = null
  for (const { name, pair, at } of mates.values()) {
    const [a, b] = at
    if (!a || !b || a.foot === b.foot) continue
    const apart = a.on === b.on ? distance(a.middle, b.middle) : null
    if (worst === null || (worst.apart !== null && (apart === null || apart > worst.apart)))
      worst = { pair, name, apart }
  }
  return worst
}
