import type { Finding } from '../../trade/because.ts'
import type { Remedy } from '../../trade/remedy.ts'
import type { Sentence } from '../../units/sentence.ts'

/** Leads to where a bought sole is chosen. */
export const otherSole: Remedy = { kind: 'open', control: { room: 'decisions', at: 'cup sole' } }

/** There is no bought sole that could be laid on the shoe. */
export const noSole = (id: string, where: string, sentence: Sentence, mend: Sentence): Finding => ({
  id,
  level: 'stop',
  where,
  sentence,
  measured: 0,
  limit: 1,
  unit: 'count',
  mend,
  remedy: otherSole,
})
