import type { StepProgress } from '@gentle-awl/core'

/** What a finished step took, minutes, pauses left out; null while it is not finished, or where no start was told. */
export const tookMinutes = ({ startedAt, finishedAt, worked }: StepProgress): number | null =>
  startedAt !== null && finishedAt !== null ? worked / 60_000 : null
