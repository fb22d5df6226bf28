import { PairFile } from '@gentle-awl/core'
import { notJson, read } from './problem.ts'

/** A pair file from its text. Throws Problem with a sentence when it is not JSON, or not a pair. */
export function readPairFile(text: string): PairFile {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    throw notJson()
  }
  return read(PairFile, value, 'This file')
}
