import { remakeList, type Made, type Making } from '@gentle-awl/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api, ApiError } from '../api/client.ts'
import { usePair } from './pairStore.ts'

/** What of the pair on the bench was printed, cut or punched, and what of it no longer matches the plan. */
export const useMade = defineStore('made', () => {
  const pair = usePair()
  const list = shallowRef<Made[]>([])
  const problem = ref<string | null>(null)
  /** Whose list this is. */
  let of = ''

  async function load(id: string): Promise<void> {
    if (of !== id) list.value = []
    of = id
    try {
      const made = await api.made(id)
      // Meanwhile another pair may have come onto the bench.
      if (pair.view === null || pair.view.id === id) list.value = made
      problem.value = null
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      problem.value = error.message
    }
  }

  /** Records that parts were made as the plan has them now; saved first, because the server plans what it knows. */
  async function record(how: Making, parts: string[]): Promise<void> {
    if (!pair.view || parts.length === 0) return
    problem.value = null
    try {
      await pair.flush()
      list.value = await api.addMade(pair.view.id, how, parts)
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      problem.value = error.message
    }
  }

  const remake = computed(() => (pair.whole ? remakeList(pair.whole, list.value) : []))
  return { list, problem, load, record, remake }
})
