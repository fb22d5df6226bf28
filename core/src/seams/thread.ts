import type { HandStitch } from '../model/stitching.ts'

/** What thread a seam takes. */
export interface ThreadNeed {
  stitches: number
  /** Of one stitch, mm. */
  pitch: number
  /** What is sewn through, mm. */
  thickness: number
  /** From the edge to the row, mm. */
  inside: number
  /** Times what the stitches take up. */
  more: number
  /** For a needle at either end of a hand-sewn thread, mm. */
  end: number
}

/**
 * Thread of one row, mm, times what is added for tension; by hand with so much at either end of a thread to hold
 * (docs/trade.md, "Seams and holes"). Both threads of a lock stitch or of two needles pass along every stitch and through
 * the leather once: 2 n (p + T). A running stitch is half of one of them: n (p + T). A whip stitch goes through at `inside`
 * mm from the edges, and back over them to the next hole: n (T + sqrt(p^2 + (T + 2 inside)^2)).
 * threadOf('two needles', { stitches: 10, pitch: 6, thickness: 3, inside: 3, more: 1.1, end: 200 }) is 598.
 */
export function threadOf(
  how: 'lock' | HandStitch,
  { stitches: n, pitch: p, thickness: T, inside, more, end }: ThreadNeed,
): number {
  switch (how) {
    case 'lock':
      return 2 * n * (p + T) * more
    case 'two needles':
      return 2 * n * (p + T) * more + 2 * end
    case 'running':
      return n * (p + T) * more + 2 * end
    case 'whip':
      return n * (T + Math.hypot(p, T + 2 * inside)) * more + 2 * end
  }
}
