import { spoken } from '@gentle-awl/core'
import { OutlineError } from '../../formats/outlineError.ts'
import { Channel } from '../channel.ts'
import type { OutlineWorker } from './outlineWorker.ts'
import type { ReadOutlines } from '../../formats/readOutlines.ts'

/** A drawing of any sensible size is read within a second, ms. */
const LONGEST = 10_000

/**
 * Closed outlines of a drawing, read beside the page so that no file can stop it: what takes too long is ended.
 * `fewest` lets pieces of few points through. Throws OutlineError with a sentence.
 */
export async function outlinesOf(text: string, name: string, fewest = 8, longest = LONGEST): Promise<ReadOutlines> {
  const channel = new Channel<OutlineWorker>(
    () => new Worker(new URL('./outlineWorker.ts', import.meta.url), { type: 'module' }),
  )
  let late: ReturnType<typeof setTimeout> | undefined
  try {
    const answer = await Promise.race([
      channel.ask.read(text, name, fewest),
      new Promise<never>((_, reject) => {
        late = setTimeout(() => {
          reject(
            new OutlineError(
              `${name} could not be read within ${longest / 1000} seconds: it is damaged, or holds far more than outlines. Save only the outlines.`,
            ),
          )
        }, longest)
      }),
    ])
    if (answer.problem !== null) throw new OutlineError(spoken(answer.problem))
    return answer.value
  } finally {
    clearTimeout(late)
    channel.end()
  }
}
