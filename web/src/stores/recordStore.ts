import { standingReadings, verdictsOf } from '@gentle-awl/core'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { PairRecord } from '../api/record.ts'
import { recordApi } from '../api/record.ts'
import { useAttempt } from '../app/useAttempt.ts'
import { usePair } from './pairStore.ts'

/** What was measured on the pair on the bench, where it was sent back, its photographs, and whether it was given up. */
export const useRecord = defineStore('record', () => {
  const pair = usePair()
  const record = shallowRef<PairRecord | null>(null)
  const { problem, attempt } = useAttempt()
  /** Whose record this is. */
  let of = ''
  /** Counts what was asked: an answer that another has overtaken says nothing. */
  let asked = 0

  async function take(id: string, request: () => Promise<PairRecord>): Promise<void> {
    const mine = ++asked
    const fresh = await request()
    if (mine === asked && of === id) record.value = fresh
  }
  async function load(id: string): Promise<void> {
    if (of !== id) record.value = null
    of = id
    await attempt(() => take(id, () => recordApi.read(id)))
  }
  /** Asks for a change of the record; it is checked against the pair as saved. Throws ApiError. */
  async function change(request: (id: string) => Promise<PairRecord>): Promise<void> {
    const { view } = pair
    if (!view) return
    await pair.flush()
    of = view.id
    await take(view.id, () => request(view.id))
  }
  const setbacks = computed(() => record.value?.setbacks ?? [])
  /** What was measured and still says something of the shoes. */
  const readings = computed(() =>
    standingReadings(pair.calm?.checks ?? [], record.value?.readings ?? [], setbacks.value),
  )
  const verdicts = computed(() => verdictsOf(pair.calm?.checks ?? [], readings.value))
  return { record, setbacks, readings, verdicts, problem, load, change }
})
