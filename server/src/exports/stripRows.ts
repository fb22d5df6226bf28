import type { Path } from '@gentle-awl/core'

/** A stretch of a strip that goes on one row of a page, mm along the strip. */
export interface StripRow {
  from: number
  to: number
}

/** A strip in rows of at most `width` mm, each but the last a whole number of tens long: a rule is laid on easily. */
export function stripRows(length: number, width: number): StripRow[] {
  const step = Math.floor(width / 10) * 10
  const count = Math.max(1, Math.ceil(length / step))
  return Array.from({ length: count }, (_, i) => ({ from: i * step, to: Math.min(length, (i + 1) * step) }))
}

/** What of a straight line along x lies on a row; null where none of it does. Upright lines belong to one row alone. */
export function onRow(path: Path, { from, to }: StripRow, last: boolean): Path | null {
  const xs = path.map((p) => p[0])
  const [least, most] = [Math.min(...xs), Math.max(...xs)]
  if (most - least < 1e-9) return least >= from - 1e-9 && (least < to || (last && least <= to + 1e-9)) ? path : null
  if (most <= from || least >= to) return null
  return path.map(([x, y]) => [Math.min(to, Math.max(from, x)), y] as const)
}
