<script setup lang="ts">
import type { StepProgress } from '@gentle-awl/core'
import { clockFace, timeOfDay } from '../../../../ui/clockFace.ts'
import { tell } from '../../../../app/settings.ts'

withDefaults(defineProps<{ clocks: StepProgress[]; now: number; heading?: 'h2' | 'h3' }>(), { heading: 'h3' })
</script>

<template>
  <section v-if="clocks.length > 0" aria-label="Waits">
    <component :is="heading" class="title">Waits</component>
    <ul>
      <li v-for="s in clocks" :key="s.step.id" :class="s.clock?.state">
        <p class="name">{{ s.step.name }}</p>
        <template v-if="s.clock">
          <p v-if="s.clock.state === 'waiting'" class="time figure" data-testid="wait-clock">
            {{ clockFace(s.clock.readyAt - now) }}
          </p>
          <p v-else-if="s.clock.state === 'ready'" class="time">
            Ready<template v-if="s.clock.tooLateAt">
              for another <span class="figure">{{ clockFace(s.clock.tooLateAt - now) }}</span></template
            >
          </p>
          <p v-else class="time">Too long: since {{ timeOfDay(s.clock.tooLateAt ?? 0, now) }}</p>
          <p class="soft">
            {{ tell(s.step.wait?.why ?? '') }}
            <template v-if="s.clock.state === 'waiting'">Ready at {{ timeOfDay(s.clock.readyAt, now) }}.</template>
            <template v-if="s.clock.state === 'late'">{{
              tell(s.step.wait?.late ?? 'Check it, and do the step again if it has gone off.')
            }}</template>
          </p>
        </template>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.title {
  margin: 20px 0 6px;
}
h2.title {
  margin-top: 0;
}
ul {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 10px 14px;
  border-radius: 10px;
  border-left: 6px solid var(--line);
  background: var(--ground);
}
li.ready {
  border-color: var(--action);
  background: var(--action-soft);
}
li.late {
  border-color: var(--watch-mark);
  background: var(--watch-soft);
}
.name {
  font-weight: 600;
}
.time {
  font-size: 24px;
  font-weight: 600;
}
li .soft {
  color: var(--ink);
  font-size: 16px;
}
</style>
