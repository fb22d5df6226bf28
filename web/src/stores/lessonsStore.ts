import type { LessonFields, PairName } from '@gentle-awl/core'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { type Stored } from '../api/ask.ts'
import { api } from '../api/client.ts'
import { learnedApi, type Learned } from '../api/learned.ts'
import { keptShelf } from './keptShelf.ts'
import { usePair } from './pairStore.ts'

export type Lesson = Stored<LessonFields & { id: string }>

/** What was learned: lessons that were written down, and what the logs tell by themselves. */
export const useLessons = defineStore('lessons', () => {
  const pair = usePair()
  const kept = keptShelf(learnedApi.lessons)
  const names = shallowRef<PairName[]>([])
  const learned = shallowRef<Learned | null>(null)
  /** Throws ApiError. */
  async function load(): Promise<void> {
    const [, pairs] = await Promise.all([kept.load(), api.pairNames()])
    names.value = pairs
  }
  /** What the logs tell: minutes, waits, wear. Throws ApiError. */
  async function loadLearned(): Promise<void> {
    learned.value = await learnedApi.read()
  }
  /** The newest first. */
  const list = computed<Lesson[]>(() => [...kept.list.value].reverse())
  const byId = computed(() => new Map(names.value.map((p) => [p.id, p])))
  const pairOf = (id: string | null): PairName | null => (id === null ? null : (byId.value.get(id) ?? null))
  const stepNames = computed(
    () =>
      new Map([
        ...(learned.value?.minutes ?? []).map((m) => [m.key, m.name] as const),
        ...(pair.whole?.steps ?? []).map((s) => [s.key, s.name] as const),
      ]),
  )
  /** What a kind of step is called; its key where nothing here knows it. */
  const stepName = (key: string): string => (stepNames.value.get(key) ?? key).replace(/, (right|left)$/, '')
  return { ...kept, list, learned, load, loadLearned, pairOf, stepName }
})
