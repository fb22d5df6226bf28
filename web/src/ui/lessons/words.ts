import type { LessonKind, Shared } from '@gentle-awl/core'

export const lessonWords: Record<LessonKind, string> = {
  differently: 'To be done differently',
  sample: 'A sample showed',
  well: 'Went well, to be done again',
}

const words: Record<Shared, string> = {
  style: 'the same style',
  last: 'the same last',
  construction: 'the same way of making',
  material: 'the same leather',
}

/** What two pairs share, as half a sentence. */
export function sharedWords(shared: readonly Shared[]): string {
  const said = shared.map((s) => words[s])
  const last = said.at(-1) ?? ''
  return said.length < 2 ? last : `${said.slice(0, -1).join(', ')} and ${last}`
}
