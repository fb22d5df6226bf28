import { PAIR_FORMAT, PAIR_VERSION, type PairFile } from '@gentle-awl/core'
import { demoInput, type DemoPair } from '../src/demo/workshop.ts'

/** A demo pair as the open file it would go out as, before anything was done to it. */
export function demoFile(pair: DemoPair): PairFile {
  const { leftLast, ...input } = demoInput(pair)
  return {
    format: PAIR_FORMAT,
    version: PAIR_VERSION,
    id: pair.id,
    revision: 1,
    label: pair.label,
    cupSole: null,
    log: [],
    made: [],
    readings: [],
    setbacks: [],
    givenUp: null,
    leftLast: leftLast ?? null,
    ...input,
  }
}
