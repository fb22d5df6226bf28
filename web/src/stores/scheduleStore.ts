import { type CardStep, type OpenPair, type WorkshopDays } from '@gentle-awl/core'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { ApiError } from '../api/ask.ts'
import { api, type Schedule, type VersionedDays } from '../api/client.ts'

/** So long a timetable is looked at before it is asked for again, ms: the server keeps it about as long. */
export const STALE = 5 * 60_000 + 1000

/** All open pairs laid out, and who works when: what the calendar and today's work are read from. */
export const useSchedule = defineStore('schedule', () => {
  const schedule = shallowRef<Schedule | null>(null)
  const stored = shallowRef<VersionedDays | null>(null)
  const problem = shallowRef('')
  const busy = shallowRef(false)
  /** Counts what was asked: an answer that another has overtaken says nothing. */
  let asked = 0

  async function load(): Promise<void> {
    const mine = ++asked
    busy.value = true
    try {
      const [laidOut, days] = await Promise.all([api.schedule(), api.workshopDays()])
      if (mine !== asked) return
      schedule.value = laidOut
      stored.value = days
      problem.value = ''
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      if (mine === asked) problem.value = error.message
    } finally {
      if (mine === asked) busy.value = false
    }
  }
  /** Only who works: for rooms that need no timetable. Throws ApiError. */
  async function loadDays(): Promise<void> {
    stored.value ??= await api.workshopDays()
  }
  /** Throws ApiError, a 409 when somebody else changed it meanwhile. */
  async function keepDays(days: WorkshopDays): Promise<void> {
    stored.value = await api.changeWorkshopDays(stored.value?.version ?? 0, days)
    await load()
  }

  const days = computed(() => stored.value?.days ?? null)
  const pairs = computed(() => new Map((schedule.value?.open ?? []).map((p) => [p.id, p])))
  const steps = computed(
    () => new Map((schedule.value?.open ?? []).map((p) => [p.id, new Map(p.steps.map((s) => [s.id, s]))])),
  )
  const pairOf = (id: string): Omit<OpenPair, 'log'> | null => pairs.value.get(id) ?? null
  const stepOf = (pair: string, step: string): CardStep | null => steps.value.get(pair)?.get(step) ?? null
  const makerName = (id: string): string => days.value?.makers.find((m) => m.id === id)?.name ?? id
  return { schedule, days, problem, busy, load, loadDays, keepDays, pairOf, stepOf, makerName }
})
