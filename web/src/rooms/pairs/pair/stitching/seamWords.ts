import { metricNumber, type Notions, type Seam } from '@gentle-awl/core'
import type { SeamSetting } from './ownSeam.ts'

/** When the holes of a hand seam are made, in words; by machine the needle makes them. */
export function punchWords({ way, on }: Pick<Seam, 'way' | 'on'>): string {
  if (way === 'machine') return ''
  const times = new Set(on.map((o) => o.punched))
  if (times.size > 1) return ', punched now, under it when joined'
  return times.has('now') ? ', punched now' : ', punched when joined, through both'
}

/** How a hand seam is stitched where two needles do not do it. */
const stitchWords = ({ stitch }: Pick<Seam, 'stitch'>): string =>
  stitch === 'running' ? ', a running stitch' : stitch === 'whip' ? ', whipped' : ''

/** Rows, how they are sewn, and when they are punched. */
export const rowWords = (seam: Pick<Seam, 'rows' | 'way' | 'on' | 'stitch'>): string =>
  `${seam.rows === 1 ? '' : `${seam.rows} rows `}${seam.way === 'machine' ? 'by machine' : 'by hand'}${stitchWords(seam)}${punchWords(seam)}`

/**
 * What of a seam can be set for it alone: an allowance settles where a closed seam runs, a lap alone may have rows; what a
 * style or the sole lays out itself cannot be moved.
 */
export function settableOf({ kind, id, way, sewnWith }: Pick<Seam, 'kind' | 'id' | 'way' | 'sewnWith'>): SeamSetting[] {
  const hand: SeamSetting[] = way === 'hand' ? ['stitch'] : []
  switch (kind) {
    case 'lap':
      return ['by', ...hand, 'pitch', 'fromEdge', 'rows']
    case 'closed':
      return ['by', ...hand, 'pitch']
    case 'butt':
      return ['pitch', 'fromEdge']
    case 'laidOn':
      // Holes that two pieces share are the style's.
      return way === 'hand' && !id.includes('.') ? [] : ['by', ...hand, 'pitch', 'fromEdge']
    case 'fold':
    case 'bead':
    case 'bound':
      return ['by', ...hand, 'pitch', 'fromEdge']
    case 'turnedOut':
    case 'trimmed':
      return sewnWith === 'sole' ? [] : ['by', ...hand, 'pitch', 'fromEdge']
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
