import { remakeList, type Made, type Making } from '@gentle-awl/core'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { api } from '../api/client.ts'
import { usePair } from './pairStore.ts'
import { useRecord } from './recordStore.ts'
import { useAttempt } from '../app/useAttempt.ts'

/** What of the pair on the bench was printed, cut or punched, and what of it no longer matches the plan. */
export const useMade = defineStore('made', () => {
  const pair = usePair()
  const kept = useRecord()
  const list = shallowRef<Made[]>([])
  const { problem, attempt } = useAttempt()
  /** Whose list this is. */
  let of = ''

  async function load(id: string): Promise<void> {
    if (of !== id) list.value = []
    of = id
    await attempt(async () => {
      const made = await api.made(id)
      // Meanwhile another pair may have come onto the bench.
      if (pair.view === null || pair.view.id === id) list.value = made
    })
  }

  /** Records that parts were made as the plan has them now; saved first, because the server plans what it knows. */
  async function record(how: Making, parts: string[]): Promise<void> {
    const { view } = pair
    if (!view || parts.length === 0) return
    await attempt(async () => {
      await pair.flush()
      list.value = await api.addMade(view.id, how, parts)
    })
  }

  const remake = computed(() => (pair.calm ? remakeList(pair.calm, list.value, kept.setbacks) : []))
  return { list, problem, load, record, remake }
})
