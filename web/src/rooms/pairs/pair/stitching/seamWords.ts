import { metricNumber, type Notions, type Seam } from '@gentle-awl/core'
import type { SeamSetting } from './ownSeam.ts'

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

/** What of a seam can be set for it alone: an allowance settles where a closed seam runs, a lap alone may have rows. */
export function settableOf({ kind, id, way }: Pick<Seam, 'kind' | 'id' | 'way'>): SeamSetting[] {
  switch (kind) {
    case 'lap':
      return ['by', 'pitch', 'fromEdge', 'rows']
    case 'closed':
      return ['by', 'pitch']
    case 'butt':
      return ['pitch', 'fromEdge']
    case 'laidOn':
      // Holes that two pieces share are the style's.
      return way === 'hand' && !id.includes('.') ? [] : ['by', 'pitch', 'fromEdge']
    case 'fold':
    case 'bead':
    case 'bound':
    case 'turnedOut':
    case 'trimmed':
      return ['by', 'pitch', 'fromEdge']
  }
}

/** Thread, in the figures of every reel it may be bought on. */
export function threadWords({ thread, tex }: Pick<Notions, 'thread' | 'tex'>): string {
  const name = thread.kind === 'linen' ? `linen, ${thread.plies} plies of lea ${thread.lea}` : `ticket ${thread.ticket}`
  return `${name}, Nm ${metricNumber(tex).toFixed(tex > 200 ? 1 : 0)}`
}

/** Where the ends of a hand seam are made fast. */
export const knotWords = ({ knot }: Pick<Seam, 'knot'>): string =>
  knot === null
    ? ''
    : knot.where === 'bottom edge'
      ? 'Its ends are knotted at the bottom edge, away from the foot.'
      : 'Its ends are knotted between lining and outside, where nobody feels them.'

/** What its holes are made with, and on what. */
export const toolWords = ({ punch }: Pick<Seam, 'punch'>): string =>
  punch === null
    ? ''
    : `${punch.tool === 'edge punch' ? 'An edge punch reaches all of its holes' : 'Its holes lie further in than an edge punch reaches: take a drive punch'}; ${
        punch.ground === 'shaped block'
          ? 'the upper is closed by then and lies on a shaped block.'
          : 'back the piece with scrap leather.'
      }`
