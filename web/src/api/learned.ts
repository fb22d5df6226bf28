import type { LearnedMinutes, LearnedWait, LessonFields, OwnFaultFields, ToolChange, ToolWear } from '@gentle-awl/core'
import { send, shelf } from './ask.ts'

/** What the logs of the newest pairs tell. */
export interface Learned {
  minutes: LearnedMinutes[]
  waits: LearnedWait[]
  wear: ToolWear[]
  changes: (ToolChange & { id: string })[]
  pairs: number
  /** Pairs that were worked on and are still being read. */
  pending: number
}

export const learnedApi = {
  read: () => send<Learned>('/learned'),
  addChange: (body: Omit<ToolChange, 'at'>) => send<Learned>('/tool-changes', { method: 'POST', body }),
  removeChange: (id: string) => send<Learned>(`/tool-changes/${id}`, { method: 'DELETE' }),
  lessons: shelf<LessonFields & { id: string }, LessonFields>('/lessons'),
  faults: shelf<OwnFaultFields & { id: string }, OwnFaultFields>('/faults'),
}
