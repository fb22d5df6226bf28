<script setup lang="ts">
import type { Pace, StepEvent, StepProgress } from '@gentle-awl/core'
import { computed } from 'vue'
import StepCard from './StepCard.vue'
import { stepRuns } from './stepRuns.ts'

/** All steps in working order, under a heading wherever the kind of work changes. */
const props = defineProps<{
  steps: readonly StepProgress[]
  pace: Readonly<Record<string, Pace>>
  now: number
  busy: boolean
}>()
defineEmits<{ say: [step: string, what: StepEvent['what']]; took: [step: string, minutes: number] }>()
const runs = computed(() => stepRuns(props.steps))
</script>

<template>
  <section v-for="run in runs" :key="run.key" class="group" :aria-label="run.name">
    <h2>{{ run.name }}</h2>
    <StepCard
      v-for="s in run.steps"
      :key="s.step.id"
      :progress="s"
      :pace="pace[s.step.key] ?? null"
      :now="now"
      :busy="busy"
      @say="(what) => $emit('say', s.step.id, what)"
      @took="(minutes) => $emit('took', s.step.id, minutes)"
    />
  </section>
</template>

<style scoped>
h2 {
  position: sticky;
  top: -16px;
  z-index: 2;
  padding: 10px 0;
  background: var(--ground);
}
.group + .group {
  margin-top: 18px;
}
</style>
