import { expose } from 'comlink'
import { OutlineError } from '../../formats/outlineError.ts'
import { readOutlines, type ReadOutlines } from '../../formats/readOutlines.ts'
import { answered, type Answer } from '../answer.ts'

/** What a reader trips over in a file that is not what it should be becomes a sentence about the file. */
function read(text: string, name: string, fewest: number): ReadOutlines {
  try {
    return readOutlines(text, name, fewest)
  } catch (error) {
    if (!(error instanceof RangeError || error instanceof TypeError)) throw error
    throw new OutlineError(`${name} is damaged: it cannot be read to its end. Save or copy it again.`)
  }
}

const worker = {
  read: (text: string, name: string, fewest: number): Answer<ReadOutlines> => answered(() => read(text, name, fewest)),
}
export type OutlineWorker = typeof worker
expose(worker)
