import { lessonsFor, type PairDecisions } from '@gentle-awl/core'
import { computed } from 'vue'
import { useLessons } from '../../stores/lessonsStore.ts'

interface Planned {
  /** Null while it is not kept yet. */
  id: string | null
  decisions: PairDecisions | null
  /** Null while they are not known yet. */
  steps: readonly { key: string }[] | null
}

/** Lessons that are offered with a pair, the most alike first. Whoever shows them loads them. */
export function useOffered(planned: () => Planned) {
  const lessons = useLessons()
  const offered = computed(() => {
    const { id, decisions, steps } = planned()
    if (!decisions) return []
    return lessonsFor(lessons.list, { id, decisions, steps: steps && new Set(steps.map((s) => s.key)) })
  })
  return { offered }
}
