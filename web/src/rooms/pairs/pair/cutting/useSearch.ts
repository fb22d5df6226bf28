import type { LaidSoFar, LayOrder } from '@gentle-awl/core'
import { proxy } from 'comlink'
import { onScopeDispose, ref } from 'vue'
import { tell } from '../../../../app/settings.ts'
import { Channel } from '../../../../workers/channel.ts'
import type { NestNews, NestWorker } from '../../../../workers/nest/nestWorker.ts'

/** A search in a thread of its own that gets better while one watches: what it has found is told, also when it is stopped. */
export function useSearch() {
  const channel = new Channel<NestWorker>(
    () => new Worker(new URL('../../../../workers/nest/nestWorker.ts', import.meta.url), { type: 'module' }),
  )
  /** The share of the time that is gone, while something is looked for. */
  const progress = ref<number | null>(null)
  const problem = ref('')
  /** Lets whoever waits for a search go on that was stopped. */
  let stopped: (() => void) | null = null

  function stop(): void {
    channel.end()
    progress.value = null
    stopped?.()
    stopped = null
  }
  const untilStopped = () => new Promise<null>((resolve) => (stopped = () => resolve(null)))

  /** Lays out; null when it was stopped, or could not be done for a reason that is then the problem. */
  async function layOut(order: LayOrder, seconds: number, found: (news: LaidSoFar) => void): Promise<LaidSoFar | null> {
    stop()
    problem.value = ''
    progress.value = 0
    const asked = channel.ask
    const hear = proxy((news: NestNews) => {
      if (!channel.is(asked)) return
      progress.value = news.progress
      found(news)
    })
    const answer = await Promise.race([asked.layOut(order, seconds, hear), untilStopped()])
    if (answer === null || !channel.is(asked)) return null
    stop()
    if (answer.problem === null) return answer.value
    problem.value = tell(answer.problem)
    return null
  }
  /** Tries each hide alone: how many pieces find no place on it, or null while it was not tried. */
  async function tryEach(order: LayOrder, seconds: number, tried: (k: number, left: number) => void): Promise<void> {
    stop()
    problem.value = ''
    progress.value = 0
    const asked = channel.ask
    const hear = proxy((k: number, left: number) => {
      if (!channel.is(asked)) return
      progress.value = (k + 1) / order.grounds.length
      tried(k, left)
    })
    const answer = await Promise.race([asked.tryEach(order, seconds, hear), untilStopped()])
    if (answer === null || !channel.is(asked)) return
    stop()
    if (answer.problem !== null) problem.value = tell(answer.problem)
  }
  onScopeDispose(stop)
  return { progress, problem, layOut, tryEach, stop }
}
