import {
  TurnedStack,
  WallStack,
  type Layers,
  type Side,
  type ThicknessMap,
  type ThicknessRaster,
} from '@gentle-awl/core'
import { computed, shallowRef, watch, type Ref } from 'vue'
import { usePair } from '../../../../stores/pairStore.ts'
import { thicknessOnForme, thicknessOnLast } from '../../../../workers/plan/planner.ts'
import { useForme } from '../upper/useForme.ts'

/** The layers of the pair on the bench: askable at any place, and measured at every point of the last. */
export function useLayers(side: Ref<Side>) {
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
  /** All over the forme of one side; what was shown stays until the new one is there. */
  const raster = shallowRef<ThicknessRaster | null>(null)
  watch(
    [layers, map, side],
    async ([now, , which], before) => {
      if (!now || !pair.last || !upper.value) return
      if (which !== before[2]) raster.value = null
      const answer = await thicknessOnForme(pair.last, upper.value.forme, now.areas, which)
      if (now === layers.value && which === side.value) raster.value = answer.value
    },
    { immediate: true },
  )
  return { map, raster, problem, layers, wall, turned, measured }
}
