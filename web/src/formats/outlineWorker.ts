import { expose } from 'comlink'
import { OutlineError } from './outlineError.ts'
import { readOutlines, type ReadOutlines } from './readOutlines.ts'

export type OutlineAnswer = { value: ReadOutlines; problem: null } | { value: null; problem: string }

const worker = {
  /** Errors do not survive the way out of a worker as themselves. */
  read(text: string, name: string, fewest: number): OutlineAnswer {
    try {
      return { value: readOutlines(text, name, fewest), problem: null }
    } catch (error) {
      if (error instanceof OutlineError) return { value: null, problem: error.message }
      // What a reader trips over in a file that is not what it should be.
      if (error instanceof RangeError || error instanceof TypeError) {
        return { value: null, problem: `${name} is damaged: it cannot be read to its end. Save or copy it again.` }
      }
      throw error
    }
  },
}
export type OutlineWorker = typeof worker
expose(worker)
