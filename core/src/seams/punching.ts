import type { Path } from '../geometry/path.ts'
import { pathLength } from '../geometry/path.ts'
import { nearest } from '../geometry/polyline.ts'
import type { SeamKind } from '../edges/seamSection.ts'
import { betweenCorners } from './holesAlong.ts'
import type { PunchGround, PunchTool, RowOnPiece } from './seam.ts'

/** Seams that are punched when the upper is closed and cannot be laid flat. */
const STANDING: readonly SeamKind[] = ['fold', 'bead', 'bound', 'laidOn']

/** The tool that reaches every hole of a row: the jaw of an edge punch goes `reach` mm in from the cut edge. */
export function punchTool(holes: Path, outline: Path, reach: number): PunchTool {
  return holes.every((h) => nearest(outline, h, true).away <= reach) ? 'edge punch' : 'drive punch'
}

/** What a row is punched on. */
export const punchGround = (kind: SeamKind, { punched }: Pick<RowOnPiece, 'punched'>): PunchGround =>
  punched === 'later' && STANDING.includes(kind) ? 'shaped block' : 'scrap leather'

/** A row of holes as it lies along a strip of paper, mm from its first end. */
export interface PunchingStrip {
  length: number
  holes: number[]
  /** Corners of the row, at which it has a hole. */
  corners: number[]
}

/** The strip that is laid along a row: its holes by their true way along it. */
export function punchingStrip({ line, holes }: Pick<RowOnPiece, 'line' | 'holes'>): PunchingStrip {
  const stretches = betweenCorners(line).map((s) => pathLength(s))
  let from = 0
  const ends = stretches.map((l) => (from += l))
  return {
    length: ends[ends.length - 1] ?? 0,
    holes: holes.map((h) => nearest(line, h).at),
    corners: ends.slice(0, -1),
  }
}
