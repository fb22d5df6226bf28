<script setup lang="ts">
import { sizeSystemNames, stepState } from '@gentle-awl/core'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import type { Plan } from '@gentle-awl/core'
import type { PairRow } from '../../api/client.ts'
import PartShape from '../../drawing/PartShape.vue'
import { planForCard } from '../../plan/cardPlans.ts'
import LevelMark from '../../ui/LevelMark.vue'

/** One pair on the list: its insole as a picture, how far the work is, and whether something stands against it. */
const props = defineProps<{ pair: PairRow }>()
const plan = shallowRef<Plan | null>(null)
const problem = ref<string | null>(null)

let here = true
onBeforeUnmount(() => (here = false))
onMounted(async () => {
  const answer = await planForCard(props.pair, () => here)
  if (!answer) return
  plan.value = answer.plan
  problem.value = answer.problem
})

const steps = computed(() => plan.value?.operations ?? [])
const done = computed(() => steps.value.filter((s) => stepState(props.pair.log, s.id) === 'finished').length)
const running = computed(() => steps.value.find((s) => stepState(props.pair.log, s.id) === 'started'))
const next = computed(() => steps.value.find((s) => stepState(props.pair.log, s.id) === 'open'))
const stand = computed(() => {
  if (problem.value) return problem.value
  if (!plan.value) return 'Planning …'
  if (running.value) return `On the bench: ${running.value.name}`
  if (done.value === 0) return 'Not begun'
  return next.value ? `Next: ${next.value.name}` : 'Finished'
})
const shapes = computed(() => plan.value?.parts.filter((p) => p.id === 'insole' || p.id === 'stiffener') ?? [])
</script>

<template>
  <RouterLink class="pair card" :to="`/pairs/${pair.id}/parts`">
    <div class="picture on-slate" aria-hidden="true">
      <PartShape v-for="part in shapes" :key="part.id" :part="part" class="shape" />
    </div>
    <div class="words">
      <p class="order figure">{{ pair.label.order }}</p>
      <h2>{{ pair.label.name }}</h2>
      <p class="soft">
        {{ [pair.label.trade, pair.decisions.construction].filter(Boolean).join(', ') }}
      </p>
      <p class="soft">
        {{ sizeSystemNames[pair.decisions.size.system] }} {{ pair.decisions.size.value }} on {{ pair.lastName }}
      </p>
      <p class="stand">{{ stand }}</p>
      <div class="foot">
        <progress
          :value="done"
          :max="Math.max(1, steps.length)"
          :aria-label="`${done} of ${steps.length} steps done`"
        />
        <span class="figure">{{ done }} / {{ steps.length }}</span>
        <LevelMark v-if="plan" :level="plan.worst" />
      </div>
    </div>
  </RouterLink>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-rows: 128px auto;
  overflow: hidden;
  text-decoration: none;
}
.pair:hover {
  border-color: var(--action);
}
.picture {
  display: flex;
  gap: 18px;
  align-items: center;
  justify-content: center;
  padding: 14px 18px;
  background: var(--slate);
}
.shape {
  height: 100px;
  max-width: 58%;
}
.words {
  display: grid;
  align-content: start;
  gap: 3px;
  padding: 14px 18px 16px;
}
.order {
  font-weight: 600;
  color: var(--action);
}
.stand {
  margin-top: 6px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.foot {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 12px;
  align-items: center;
  margin-top: 4px;
}
progress {
  width: 100%;
  height: 10px;
  accent-color: var(--action);
}
</style>
