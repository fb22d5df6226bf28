import { OwnSeam, type PairDecisions } from '@gentle-awl/core'

/** What of a seam can be set for it alone; what a style lays out itself, or an allowance settles, cannot. */
export type SeamSetting = 'by' | 'stitch' | 'pitch' | 'fromEdge' | 'rows'

/** The decisions with something of one seam set; a seam for which nothing is left goes by the pair again. */
export function withOwnSeam(decisions: PairDecisions, id: string, change: Partial<OwnSeam>): PairDecisions {
  const { [id]: before, ...others } = decisions.stitching.own
  const next = OwnSeam.parse({ ...before, ...change })
  const own = Object.values(next).every((v) => v === null) ? others : { ...others, [id]: next }
  return { ...decisions, stitching: { ...decisions.stitching, own } }
}
