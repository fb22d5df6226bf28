import { OutlineError } from './outlineError.ts'
import { outlinesOf } from './outlinesOf.ts'
import type { ReadOutlines } from './readOutlines.ts'

/** Larger drawings hold pictures or whole rooms, not outlines, bytes. */
const MOST_BYTES = 20_000_000

/**
 * The outlines of the file that somebody chose, and the field emptied, so that the same file can be chosen again. Null
 * when none was chosen. Throws OutlineError with a sentence.
 */
export async function drawnFile(event: Event, fewest?: number): Promise<(ReadOutlines & { name: string }) | null> {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  if (!chosen) return null
  try {
    if (chosen.size > MOST_BYTES) {
      throw new OutlineError(`${chosen.name} is larger than 20 MB: save only the outlines.`)
    }
    return { ...(await outlinesOf(await chosen.text(), chosen.name, fewest)), name: chosen.name }
  } finally {
    input.value = ''
  }
}
