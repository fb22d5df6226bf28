import { FormeMap, PointPlaces } from '@gentle-awl/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { usePair } from '../../../../stores/pairStore.ts'
import { formeOf } from '../../../../workers/plan/planner.ts'
import { tell } from '../../../../app/settings.ts'

/** The forme of the pair on the bench, and a board that says where a decision puts a point and back. */
export function useForme() {
  const pair = usePair()
  const map = shallowRef<FormeMap | null>(null)
  const problem = ref('')
  const upper = computed(() => pair.decisions?.upper ?? null)

  watch(
    [
      () => pair.last,
      () => upper.value?.forme.kind,
      () => upper.value?.forme.match,
      () => upper.value?.forme.feather,
      () => JSON.stringify(upper.value?.forme.tapings),
    ],
    async ([last]) => {
      if (!last || !upper.value) return
      const said = JSON.stringify(upper.value.forme)
      const answer = await formeOf(last, upper.value.forme)
      // A later change may have been answered first.
      if (last !== pair.last || said !== JSON.stringify(upper.value?.forme)) return
      if (answer.problem !== null) problem.value = tell(answer.problem)
      else {
        problem.value = ''
        map.value = new FormeMap(answer.value.surface, answer.value.forme, upper.value.forme.feather)
      }
    },
    { immediate: true },
  )

  const board = computed(() => (map.value && upper.value ? new PointPlaces(map.value, upper.value) : null))
  return { map, board, problem, upper }
}
