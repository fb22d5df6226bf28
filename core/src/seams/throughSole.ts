import type { RuleBook } from '../trade/rules.ts'
import type { RowOnPiece, Seam } from './seam.ts'
import { seamRules } from './rules.ts'
import { threadOf } from './thread.ts'

/** What differs between the seams through a sole; lengths in mm. */
export interface ThroughSole {
  id: string
  name: string
  stitches: number
  pitch: number
  length: number
  fromEdge: number
  /** All that is sewn through. */
  thickness: number
  on: RowOnPiece[]
}

/** A seam all that is joined goes into: one row by hand with two needles, pierced with the awl stitch by stitch. */
export function throughSole(sewn: ThroughSole, book: RuleBook): Seam {
  const { stitches, pitch, thickness } = sewn
  return {
    ...sewn,
    kind: 'turnedOut',
    seen: 'outside',
    way: 'hand',
    stitch: 'two needles',
    sewnWith: 'sole',
    side: 'whole',
    rows: 1,
    depth: null,
    lap: null,
    thread: threadOf('two needles', {
      stitches,
      pitch,
      thickness,
      inside: 0,
      more: book.value(seamRules.threadMore),
      end: book.value(seamRules.threadEnd),
    }),
    punch: null,
    knot: null,
  }
}
