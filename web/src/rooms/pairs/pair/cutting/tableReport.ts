import { layId, pathLength, type ToLay } from '@gentle-awl/core'
import type { TableReport } from '../../../../api/client.ts'
import { showLength } from '../../../../app/settings.ts'
import { KNIFE, type LaidOutline } from './layoutFile.ts'

/** A measured length may be off by so much before a cut counts as short, mm and as a share of the line. */
const OFF = 0.5
const OFF_SHARE = 0.003

/** How one piece that was sent to the table came out. */
export interface CutCheck {
  piece: LaidOutline
  planned: number
  /** Null while it is not cut. */
  measured: number | null
  good: boolean
}

/** What the table measured held against what was sent, cut by cut in the same order; what its pen drew is not looked at. */
export function checkCuts(sent: readonly LaidOutline[], { lines, cut }: TableReport): CutCheck[] {
  const cuts = lines.flatMap((line, k) => (line.tool === KNIFE ? [k] : []))
  return sent.map((piece, n): CutCheck => {
    const k = cuts[n] ?? lines.length
    const line = lines[k]
    const planned = line ? pathLength(line.path, line.closed) : 0
    const measured = cut[k] ?? null
    const good = measured !== null && Math.abs(measured - planned) <= OFF + OFF_SHARE * planned
    return { piece, planned, measured, good }
  })
}

export const checkSentence = ({ piece, planned, measured, good }: CutCheck): string => {
  const what = `${piece.name}, ${piece.foot}`
  if (measured === null) return `${what}: not cut.`
  if (good) return `${what}: ${showLength(measured, 0)} cut.`
  return `${what}: ${showLength(measured, 0)} of ${showLength(planned, 0)} cut. Look at it, and cut the rest by hand.`
}

/** A piece of one pair that is cut whole: for both feet where it is cut for both, in all its copies. */
export interface CutWhole {
  pair: string
  part: string
  feet: ('right' | 'left')[]
}

/** Which pieces are cut in all their copies and for every foot, so that their line of the cutting list can be ticked. */
export function cutWhole(pieces: readonly ToLay[], good: readonly LaidOutline[]): CutWhole[] {
  /** Copies of each that are cut: one that was cut twice is still one. */
  const done = new Map<string, Set<number>>()
  for (const g of good) {
    const key = layId({ pair: g.pair, record: g.record, foot: g.foot })
    done.set(key, (done.get(key) ?? new Set()).add(g.place.copy))
  }
  const lines = new Map<string, ToLay[]>()
  for (const p of pieces) {
    const key = `${p.pair} ${p.piece.record}`
    lines.set(key, [...(lines.get(key) ?? []), p])
  }
  return [...lines.values()].flatMap((feet): CutWhole[] => {
    const whole = feet.every(
      (f) => (done.get(layId({ pair: f.pair, record: f.piece.record, foot: f.cut.foot }))?.size ?? 0) >= f.cut.count,
    )
    const [{ pair, piece }] = feet as [ToLay]
    return whole ? [{ pair, part: piece.record, feet: feet.map((f) => f.cut.foot) }] : []
  })
}
