import type { LastBody } from '@gentle-awl/core'
import type { Remote } from 'comlink'
import type { Answer } from '../answer.ts'
import { Channel } from '../channel.ts'
import type { BuiltLast, LastWorker } from './lastWorker.ts'

const channel = new Channel<LastWorker>(
  () => new Worker(new URL('./lastWorker.ts', import.meta.url), { type: 'module' }),
)

/** The worker that builds, compares and grades lasts, beside the one that plans. */
export const lastBench = (): Remote<LastWorker> => channel.ask

/** What of a last its shape comes from: nothing else need cross to the worker. */
export const bodyOf = ({ shape, buildUps }: LastBody): LastBody => ({ shape, buildUps })

const built = new Map<string, Promise<Answer<BuiltLast>>>()
const MOST_KEPT = 40

/** Builds a last once per version; the newest few dozen are kept. */
export function builtLast(last: LastBody & { id: string; version: number }): Promise<Answer<BuiltLast>> {
  const key = `${last.id}.${last.version}`
  const known = built.get(key)
  if (known) return known
  const made = lastBench().build(bodyOf(last))
  built.set(key, made)
  if (built.size > MOST_KEPT) {
    const [oldest] = built.keys()
    built.delete(oldest!)
  }
  return made
}
