import type { Seam } from '../seams/seam.ts'

/** Steps in which the upper is sewn. */
export const closingSteps = ['close-lining', 'close-outside', 'join-lining', 'bind-edge', 'sew-tongue'] as const
export type ClosingStep = (typeof closingSteps)[number]

/** What is sewn in a step, both shoes together. */
export interface Sewn {
  seams: number
  /** Of all rows. */
  machine: number
  hand: number
  /** Of all rows, mm. */
  length: number
}
export type ClosingWork = Readonly<Partial<Record<ClosingStep, Sewn>>>

/** The step in which a seam is sewn; null for those through the sole, which have steps of their own. */
export function closingStepOf({ id, kind, seen, sewnWith, on }: Seam): ClosingStep | null {
  if (sewnWith === 'sole') return null
  if (on.some((row) => row.piece.startsWith('tongue')) && id === 'throat') return 'sew-tongue'
  if (kind === 'bound') return 'bind-edge'
  if (kind === 'fold' || kind === 'bead' || kind === 'trimmed') return 'join-lining'
  return seen === 'foot' ? 'close-lining' : 'close-outside'
}

/** All seams of an upper by the step in which they are sewn. */
export function closingWork(shoes: readonly (readonly Seam[])[]): ClosingWork {
  const work: Partial<Record<ClosingStep, Sewn>> = {}
  for (const seam of shoes.flat()) {
    const step = closingStepOf(seam)
    if (!step) continue
    const sum = (work[step] ??= { seams: 0, machine: 0, hand: 0, length: 0 })
    sum.seams++
    sum[seam.way] += seam.rows * seam.stitches
    sum.length += seam.rows * seam.length
  }
  return work
}
