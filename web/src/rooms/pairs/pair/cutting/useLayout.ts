import type { NestInstance } from '@gentle-awl/core'
import { proxy } from 'comlink'
import { onBeforeUnmount, ref, shallowRef } from 'vue'
import { tell } from '../../../../app/settings.ts'
import { Channel } from '../../../../workers/channel.ts'
import type { NestNews, NestWorker } from '../../../../workers/nest/nestWorker.ts'

/** A layout that gets better while one watches: begun, stopped, thrown away. What was found stays when it is stopped. */
export function useLayout() {
  const channel = new Channel<NestWorker>(
    () => new Worker(new URL('../../../../workers/nest/nestWorker.ts', import.meta.url), { type: 'module' }),
  )
  const news = shallowRef<NestNews | null>(null)
  const busy = ref(false)
  const problem = ref('')

  function stop(): void {
    channel.end()
    busy.value = false
  }
  function forget(): void {
    stop()
    news.value = null
    problem.value = ''
  }
  async function begin(instance: NestInstance, seconds: number): Promise<void> {
    forget()
    busy.value = true
    const asked = channel.ask
    const hear = proxy((heard: NestNews) => {
      if (channel.is(asked)) news.value = heard
    })
    try {
      const answer = await asked.layOut(instance, seconds, hear)
      if (!channel.is(asked)) return
      if (answer.problem !== null) problem.value = tell(answer.problem)
      else news.value = answer.value
    } finally {
      if (channel.is(asked)) stop()
    }
  }
  onBeforeUnmount(stop)
  return { news, busy, problem, begin, stop, forget }
}
