import type { Seam } from '@gentle-awl/core'

/** When the holes of a hand seam are made, in words; by machine the needle makes them. */
export function punchWords({ way, on }: Pick<Seam, 'way' | 'on'>): string {
  if (way === 'machine') return ''
  const times = new Set(on.map((o) => o.punched))
  if (times.size > 1) return ', punched now, under it when joined'
  return times.has('now') ? ', punched now' : ', punched when joined, through both'
}

/** Rows, how they are sewn, and when they are punched. */
export const rowWords = (seam: Pick<Seam, 'rows' | 'way' | 'on'>): string =>
  `${seam.rows === 1 ? '' : `${seam.rows} rows `}${seam.way === 'machine' ? 'by machine' : 'by hand'}${punchWords(seam)}`
