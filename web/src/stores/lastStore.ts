import type { Last, LastFields } from '@gentle-awl/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { ApiError, type Stored } from '../api/ask.ts'
import { api } from '../api/client.ts'
import { builtLast } from '../workers/last/lastBench.ts'
import type { BuiltLast } from '../workers/last/lastWorker.ts'
import { useAttempt } from '../app/useAttempt.ts'
import { tell } from '../app/settings.ts'

/** The last that is open: as the shelf has it, built, and what stood in the way of keeping a change. */
export const useLast = defineStore('last', () => {
  const last = shallowRef<Stored<Last> | null>(null)
  const built = shallowRef<BuiltLast | null>(null)
  const { problem: loadProblem, attempt } = useAttempt()
  const buildProblem = ref('')
  const saveProblem = ref('')
  const saving = ref(false)
  /** What could not be kept because the last was changed elsewhere meanwhile: mine, and what stands there now. */
  const clash = shallowRef<{ mine: LastFields; theirs: Stored<Last> } | null>(null)

  async function build(row: Stored<Last>): Promise<void> {
    const answer = await builtLast(row)
    // Another last may have been opened while this one was built.
    if (last.value?.id !== row.id || last.value.version !== row.version) return
    built.value = answer.value
    buildProblem.value = tell(answer.problem ?? '')
  }

  async function load(id: string): Promise<void> {
    if (last.value?.id !== id) {
      last.value = null
      built.value = null
    }
    saveProblem.value = ''
    clash.value = null
    await attempt(async () => {
      const row = await api.lasts.one(id)
      last.value = row
      await build(row)
    })
  }

  async function send(version: number, fields: LastFields): Promise<boolean> {
    if (!last.value) return false
    saving.value = true
    saveProblem.value = ''
    try {
      const row = await api.lasts.change(last.value.id, version, fields)
      last.value = row
      clash.value = null
      await build(row)
      return true
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      if (error.status === 409 && error.current) clash.value = { mine: fields, theirs: error.current as Stored<Last> }
      else saveProblem.value = error.message
      return false
    } finally {
      saving.value = false
    }
  }

  const fields = computed<LastFields | null>(() => {
    if (!last.value) return null
    const { name, note, shape, buildUps, stock } = last.value
    return { name, note, shape, buildUps, stock }
  })

  /** Keeps some fields changed, on the version that is open. True when it was kept. */
  const change = async (some: Partial<LastFields>): Promise<boolean> =>
    last.value && fields.value ? send(last.value.version, { ...fields.value, ...some }) : false

  const keepMine = async (): Promise<boolean> =>
    clash.value ? send(clash.value.theirs.version, clash.value.mine) : false

  async function takeTheirs(): Promise<void> {
    if (!clash.value) return
    last.value = clash.value.theirs
    clash.value = null
    await build(last.value)
  }

  return { last, built, loadProblem, buildProblem, saveProblem, saving, clash, load, change, keepMine, takeTheirs }
})
