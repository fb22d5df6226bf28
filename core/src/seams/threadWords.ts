import type { ThreadSize } from '../units/thread.ts'

/** A thread as it is asked for: by plies and lea, or by its ticket. */
export const threadWords = (thread: ThreadSize): string =>
  thread.kind === 'linen' ? `linen, ${thread.plies} plies of lea ${thread.lea}` : `ticket ${thread.ticket}`
