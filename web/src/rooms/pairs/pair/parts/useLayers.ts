import { TurnedStack, WallStack, type Layers, type ThicknessMap } from '@gentle-awl/core'
import { computed, shallowRef, watch } from 'vue'
import { usePair } from '../../../../stores/pairStore.ts'
import { thicknessOnLast } from '../../../../workers/plan/planner.ts'
import { useForme } from '../upper/useForme.ts'

/** The layers of the pair on the bench: askable at any place, and measured at every point of the last. */
export function useLayers() {
  const pair = usePair()
  const { map, problem, upper } = useForme()
  const layers = computed<Layers | null>(() => pair.plan?.layers ?? null)
  const wall = computed(() => (layers.value ? new WallStack(layers.value.areas) : null))
  const turned = computed(() =>
    layers.value && wall.value && map.value
      ? new TurnedStack(map.value, wall.value, layers.value.turned, layers.value.insoleEdge)
      : null,
  )
  const measured = shallowRef<ThicknessMap | null>(null)
  watch(
    [layers, map],
    async ([now]) => {
      if (!now || !pair.last || !upper.value) return
      const answer = await thicknessOnLast(pair.last, upper.value.forme, now.areas)
      // A later change may have been answered first.
      if (now !== layers.value) return
      // Why it cannot be measured, the forme has said already.
      measured.value = answer.value
    },
    { immediate: true },
  )
  return { map, problem, layers, wall, turned, measured }
}
