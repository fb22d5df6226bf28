import { OutlineError } from '../../formats/outlineError.ts'
import { LOOK_AT, notText } from '../../formats/notText.ts'
import { outlinesOf } from './outlinesOf.ts'
import type { ReadOutlines } from '../../formats/readOutlines.ts'

/** Larger drawings hold pictures or whole rooms, not outlines, bytes. */
const MOST_BYTES = 20_000_000

/** The outlines of a file that somebody chose. Throws OutlineError with a sentence. */
export async function drawnFile(chosen: File, fewest?: number): Promise<ReadOutlines & { name: string }> {
  if (chosen.size > MOST_BYTES) {
    throw new OutlineError(`${chosen.name} is larger than 20 MB: save only the outlines.`)
  }
  const what = notText(new Uint8Array(await chosen.slice(0, LOOK_AT).arrayBuffer()))
  if (what) {
    throw new OutlineError(
      `${chosen.name} is ${what}: its lines cannot be read. Choose an SVG, a DXF, or a text of points; nothing was changed.`,
    )
  }
  return { ...(await outlinesOf(await chosen.text(), chosen.name, fewest)), name: chosen.name }
}
