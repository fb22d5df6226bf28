import { PairDecisions, PairLabel } from '@gentle-awl/core'
import { z } from 'zod'

const Draft = z.object({ version: z.number(), label: PairLabel, decisions: PairDecisions })
export type Draft = z.infer<typeof Draft>

const key = (id: string) => `gentle-awl.draft.${id}`

/** Unsaved changes, written at once to the browser so that nothing is lost when it is closed or the server is away. */
export function keepDraft(id: string, draft: Draft): void {
  localStorage.setItem(key(id), JSON.stringify(draft))
}

export function clearDraft(id: string): void {
  localStorage.removeItem(key(id))
}

/** The draft of a pair, or null; one that no longer fits what a pair is now is dropped. */
export function readDraft(id: string): Draft | null {
  const text = localStorage.getItem(key(id))
  if (!text) return null
  try {
    const draft = Draft.safeParse(JSON.parse(text))
    if (draft.success) return draft.data
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
  }
  clearDraft(id)
  return null
}
