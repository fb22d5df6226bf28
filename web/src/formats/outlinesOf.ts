import { wrap } from 'comlink'
import { OutlineError } from './outlineError.ts'
import type { OutlineWorker } from './outlineWorker.ts'
import type { ReadOutlines } from './readOutlines.ts'

/** A drawing of any sensible size is read within a second, ms. */
const LONGEST = 10_000

/**
 * Closed outlines of a drawing, read beside the page so that no file can stop it: what takes too long is ended.
 * `fewest` lets pieces of few points through. Throws OutlineError with a sentence.
 */
export async function outlinesOf(text: string, name: string, fewest = 8, longest = LONGEST): Promise<ReadOutlines> {
  const thread = new Worker(new URL('./outlineWorker.ts', import.meta.url), { type: 'module' })
  let late: ReturnType<typeof setTimeout> | undefined
  try {
    const answer = await Promise.race([
      wrap<OutlineWorker>(thread).read(text, name, fewest),
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
    if (answer.value === null) throw new OutlineError(answer.problem)
    return answer.value
  } finally {
    clearTimeout(late)
    thread.terminate()
  }
}
