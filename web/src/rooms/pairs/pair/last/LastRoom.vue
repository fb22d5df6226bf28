<script setup lang="ts">
import { bottomView, sideView, type LastSurface } from '@gentle-awl/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { usePair } from '../../../../stores/pairStore.ts'
import { surfaceOf } from '../../../../workers/plan/planner.ts'
import MeasuredLast from '../../../../viewer/MeasuredLast.vue'
import { tell } from '../../../../app/settings.ts'

const pair = usePair()
const surface = shallowRef<LastSurface | null>(null)
const problem = ref('')

watch(
  () => pair.last,
  async (last) => {
    if (!last) return
    const answer = await surfaceOf(last)
    if (answer.problem !== null) problem.value = tell(answer.problem)
    else surface.value = answer.value
  },
  { immediate: true },
)

const shown = computed(() => {
  const readings = pair.plan?.last
  if (!readings || !surface.value) return null
  return { readings, side: sideView(surface.value, readings), bottom: bottomView(surface.value, readings) }
})
const findings = computed(
  () => pair.plan?.findings.filter((f) => f.id.startsWith('last.') || f.id === 'pair.size') ?? [],
)
</script>

<template>
  <MeasuredLast
    v-if="surface && shown && pair.last"
    v-model:foot="pair.foot"
    :one-foot="Boolean(pair.whole?.left)"
    :title="pair.last.name"
    :note="pair.last.note"
    :surface="surface"
    :findings="findings"
    v-bind="shown"
  >
    <p>
      <RouterLink :to="`/lasts/${pair.last.id}/measure`">This last on its shelf</RouterLink>
    </p>
  </MeasuredLast>
  <p v-else class="wait" role="status">{{ problem || 'Building the last …' }}</p>
</template>
