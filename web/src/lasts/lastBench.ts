import type { LastBody } from '@gentle-awl/core'
import { wrap, type Remote } from 'comlink'
import type { Answer, BuiltLast, LastWorker } from './lastWorker.ts'

let remote: Remote<LastWorker> | null = null

/** The worker that builds, compares and grades lasts, beside the one that plans. */
export const lastBench = (): Remote<LastWorker> =>
  (remote ??= wrap<LastWorker>(new Worker(new URL('./lastWorker.ts', import.meta.url), { type: 'module' })))

/** A copy that can be sent: workers cannot take the page's proxies. */
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

export const bodyOf = ({ shape, buildUps }: LastBody): LastBody => plain({ shape, buildUps })

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
    built.delete(oldest)
  }
  return made
}
