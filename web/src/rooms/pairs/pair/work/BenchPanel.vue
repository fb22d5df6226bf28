<script setup lang="ts">
import { NProgress } from 'naive-ui'
import { usualMinutes, type Pace, type StepProgress } from '@gentle-awl/core'
import { computed } from 'vue'
import { showMinutes } from '../../../../app/settings.ts'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import BenchSelect from '../../../../ui/BenchSelect.vue'
import WaitClocks from './WaitClocks.vue'

/** How far the pair is: what is done, what waits, what runs, what may be started. */
const props = defineProps<{
  steps: readonly StepProgress[]
  pace: Readonly<Record<string, Pace>>
  now: number
  clocks: boolean
  to: (id: string) => string
}>()
const running = computed(() => props.steps.filter((s) => s.state === 'started'))
const ready = computed(() => props.steps.filter((s) => s.state === 'open' && s.heldBy.length === 0))
const done = computed(() => props.steps.filter((s) => s.state === 'finished').length)
const waits = computed(() => props.steps.filter((s) => s.clock !== null))
const minutesLeft = computed(() =>
  props.steps.filter((s) => s.state !== 'finished').reduce((sum, s) => sum + usualMinutes(s.step, props.pace), 0),
)
</script>

<template>
  <BecausePanel title="At the bench">
    <BenchSelect />
    <p v-if="steps.length === 0" class="soft">Fetching …</p>
    <template v-else>
      <p class="sum">
        <strong class="figure">{{ done }}</strong> of <strong class="figure">{{ steps.length }}</strong> steps done,
        <strong class="figure">{{ showMinutes(minutesLeft) }}</strong> of handwork left, as it goes here.
      </p>
      <NProgress
        type="line"
        :percentage="Math.round((100 * done) / Math.max(1, steps.length))"
        :show-indicator="false"
        aria-label="Steps done"
      />
      <WaitClocks v-if="clocks" :clocks="waits" :now="now" />
      <h3>Running</h3>
      <ul v-if="running.length > 0" class="short">
        <li v-for="s in running" :key="s.step.id">
          <RouterLink :to="to(s.step.id)">{{ s.step.name }}</RouterLink>
        </li>
      </ul>
      <p v-else class="soft">Nothing is on the bench.</p>
      <h3>May be started now</h3>
      <ul v-if="ready.length > 0" class="short">
        <li v-for="s in ready.slice(0, 8)" :key="s.step.id">
          <RouterLink :to="to(s.step.id)">{{ s.step.name }}</RouterLink>
        </li>
      </ul>
      <p v-else class="soft">
        {{ done === steps.length && done > 0 ? 'All done.' : 'Everything else waits for what runs.' }}
      </p>
    </template>
  </BecausePanel>
</template>

<style scoped>
.sum {
  margin: 8px 0;
}
h3 {
  margin: 20px 0 6px;
}
.short {
  display: grid;
  gap: 6px;
  margin: 0;
  padding-left: 20px;
}
</style>
