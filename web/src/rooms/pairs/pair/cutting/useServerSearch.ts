import type { LayoutSearch } from '@gentle-awl/core'
import { useIntervalFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { api } from '../../../../api/client.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'

/** The share of the time that is gone is told anew so often, ms. */
const TICK = 500

/** A layout that is looked for on the server: begun, watched and stopped from here, and going on while nobody watches. */
export function useServerSearch(pairId: string, material: string) {
  const search = shallowRef<LayoutSearch | null>(null)
  const { problem, attempt } = useAttempt()
  const now = ref(0)
  let heardAt = 0
  function hear(all: readonly LayoutSearch[]): void {
    search.value = all.find((s) => s.material === material) ?? null
    now.value = heardAt = performance.now()
  }
  const runs = computed(() => search.value?.state === 'runs')
  const active = computed(() => runs.value || search.value?.state === 'waits')
  /** The share of the time that is gone, while it is looked for; null otherwise. */
  const progress = computed(() => {
    if (!search.value || !active.value) return null
    const since = runs.value ? (now.value - heardAt) / (1000 * search.value.seconds) : 0
    return Math.min(1, search.value.progress + since)
  })
  const clock = useIntervalFn(() => (now.value = performance.now()), TICK, { immediate: false })
  watch(runs, (is) => (is ? clock.resume() : clock.pause()))

  let stopping: Promise<unknown> | null = null
  return {
    search,
    active,
    progress,
    problem,
    /** Asks how it stands. */
    look: async () => hear(await api.layoutSearches(pairId)),
    begin: (version: number, seconds: number) =>
      attempt(async () => hear(await api.searchLayout(pairId, version, material, seconds))),
    /** Ends it, with what it has found; comes back once that is kept. */
    stop: async (): Promise<void> => {
      if (active.value) {
        stopping ??= attempt(async () => hear(await api.stopLayoutSearch(pairId, material))).finally(
          () => (stopping = null),
        )
      }
      await stopping
    },
    /** While it is being ended: comes back then. */
    stopping: () => stopping,
    /** The version of the layout that this one has become, where only the search has written since. */
    newest: (version: number): number => {
      const is = search.value
      return is && is.from <= version && version < is.version ? is.version : version
    },
  }
}
