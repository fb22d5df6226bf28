import { isLaidBetter, type LaidSoFar, type LayOrder } from '@gentle-awl/core'
import { proxy } from 'comlink'
import { onScopeDispose, ref } from 'vue'
import { tell } from '../../../../app/settings.ts'
import { Channel } from '../../../../workers/channel.ts'
import type { NestNews, NestWorker } from '../../../../workers/nest/nestWorker.ts'

/** So many threads go their own ways, and the best that any of them finds is shown: as many as two, one core is for the page. */
const THREADS = Math.max(1, Math.min(2, navigator.hardwareConcurrency || 1))

/** A search in threads of its own that gets better while one watches: what it has found is told, also when it is stopped. */
export function useSearch() {
  const channels = Array.from(
    { length: THREADS },
    () =>
      new Channel<NestWorker>(
        () => new Worker(new URL('../../../../workers/nest/nestWorker.ts', import.meta.url), { type: 'module' }),
      ),
  )
  /** The share of the time that is gone, while something is looked for. */
  const progress = ref<number | null>(null)
  const problem = ref('')
  /** Lets whoever waits for a search go on that was stopped. */
  let stopped: (() => void) | null = null

  function stop(): void {
    for (const channel of channels) channel.end()
    progress.value = null
    stopped?.()
    stopped = null
  }
  const untilStopped = () => new Promise<null>((resolve) => (stopped = () => resolve(null)))
  function begin(): void {
    stop()
    problem.value = ''
    progress.value = 0
  }

  /** A thread that breaks is a fault of ours: nothing goes on being looked for, and it goes on up. */
  function broken(error: unknown): never {
    stop()
    throw error
  }

  /** Lays out; null when it was stopped, or could not be done for a reason that is then the problem. */
  async function layOut(order: LayOrder, seconds: number, found: (news: LaidSoFar) => void): Promise<LaidSoFar | null> {
    begin()
    let best: LaidSoFar | null = null
    const better = (news: LaidSoFar): void => {
      if (best && !isLaidBetter(news, best)) return
      best = news
      found(news)
    }
    const threads = channels.map(async (channel, k) => {
      const asked = channel.ask
      const hear = proxy((news: NestNews) => {
        if (!channel.is(asked)) return
        progress.value = news.progress
        better(news)
      })
      const answer = await asked.layOut(order, seconds, k + 1, hear)
      if (channel.is(asked) && answer.problem === null) better(answer.value)
      return answer
    })
    const answers = await Promise.race([Promise.all(threads), untilStopped()]).catch(broken)
    if (answers === null) return null
    stop()
    const refused = answers.find((a) => a.problem !== null)?.problem
    if (refused) problem.value = tell(refused)
    return refused ? null : best
  }
  /** Tries each hide alone: how many pieces find no place on it, or null while it was not tried. */
  async function tryEach(order: LayOrder, seconds: number, tried: (k: number, left: number) => void): Promise<void> {
    begin()
    const channel = channels[0]!
    const asked = channel.ask
    const hear = proxy((k: number, left: number) => {
      if (!channel.is(asked)) return
      progress.value = (k + 1) / order.grounds.length
      tried(k, left)
    })
    const answer = await Promise.race([asked.tryEach(order, seconds, hear), untilStopped()]).catch(broken)
    if (answer === null || !channel.is(asked)) return
    stop()
    if (answer.problem !== null) problem.value = tell(answer.problem)
  }
  onScopeDispose(stop)
  return { progress, problem, layOut, tryEach, stop }
}
