import type { SeamWay } from '../model/stitching.ts'

/** What thread a seam takes. */
export interface ThreadNeed {
  stitches: number
  /** Of one stitch, mm. */
  pitch: number
  /** What is sewn through, mm. */
  thickness: number
  /** Times what the stitches take up. */
  more: number
  /** For a needle at either end of a hand-sewn thread, mm. */
  end: number
}

/**
 * Thread of one row, mm: both threads pass along every stitch and through the leather once, 2 n (p + T), times what is
 * added for tension; by hand there are two ends to hold (docs/trade.md, "Seams and holes").
 * threadOf('hand', { stitches: 10, pitch: 6, thickness: 3, more: 1.1, end: 200 }) is 598.
 */
export function threadOf(way: SeamWay, { stitches, pitch, thickness, more, end }: ThreadNeed): number {
  return 2 * stitches * (pitch + thickness) * more + (way === 'hand' ? 2 * end : 0)
}
