import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { api } from '../../api/client.ts'
import { useNews } from '../../app/news.ts'
import { useAttempt } from '../../app/useAttempt.ts'

/** The one field of this page that waits for the gauge: a reading lands nowhere else. */
const waiting = shallowRef<symbol | null>(null)

/**
 * A field that can wait for the thickness gauge: while it does, each reading that comes is taken, and what could not be read is
 * said. Another field that begins to wait takes its place.
 */
export function useGauge(take: (mm: number) => void) {
  const me = Symbol('field')
  const waits = computed(() => waiting.value === me)
  const unread = ref('')
  const { problem: noAnswer, attempt } = useAttempt()
  let last = 0
  async function begin(): Promise<void> {
    unread.value = ''
    await attempt(async () => {
      // What was sent before is not meant for this field.
      last = (await api.gauge.readings(Number.MAX_SAFE_INTEGER)).last
      waiting.value = me
    })
  }
  function end(): void {
    if (waits.value) waiting.value = null
  }
  async function look(): Promise<void> {
    if (!waits.value) return
    await attempt(async () => {
      const { heard } = await api.gauge.readings(last)
      // It may have been left, or asked twice, meanwhile.
      for (const h of heard) {
        if (!waits.value || h.id <= last) continue
        last = h.id
        unread.value = h.problem
        if (h.thickness !== null) take(h.thickness)
      }
    })
  }
  useNews(
    () => (waits.value ? ['/gauge'] : []),
    () => void look(),
  )
  onScopeDispose(end)
  return { waits, problem: computed(() => unread.value || noAnswer.value), begin, end }
}
