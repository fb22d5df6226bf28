<script setup lang="ts">
import type { PairOutlook } from '@gentle-awl/core'
import { computed } from 'vue'
import { showMinutes } from '../../app/settings.ts'
import type { WallTime } from '../../app/wallTime.ts'
import { useSchedule } from '../../stores/scheduleStore.ts'
import FoldOut from '../../ui/FoldOut.vue'
import LevelMark from '../../ui/LevelMark.vue'
import { chainSums, heldWords } from './chainWords.ts'

/** When a pair is ready, whether that is in time, and what decides it. */
const props = defineProps<{ outlook: PairOutlook; clock: WallTime }>()
const schedule = useSchedule()
const pair = computed(() => schedule.pairOf(props.outlook.pair))
const sums = computed(() => chainSums(props.outlook.pair, props.outlook.chain))
const names = {
  stepName: (id: string, step: string) => schedule.stepOf(id, step)?.name ?? step,
  orderOf: (id: string) => schedule.pairOf(id)?.order ?? 'another pair',
  makerName: schedule.makerName,
}
const readyWords = computed(() => {
  const { ready, due } = props.outlook
  const until = due === null ? '' : `, due ${props.clock.day(due - 1)}`
  return `Ready ${props.clock.both(ready)}${until}.`
})
/** A day of work has no 24 hours: what is summed stays in hours. */
const hours = (minutes: number) => `${(minutes / 60).toFixed(minutes < 600 ? 1 : 0)} h`
const decides = computed(() => {
  const { work, waits, idle, others } = sums.value
  const parts = others.map((o) => `; ${names.orderOf(o.pair)} ${otherWords[o.by]}`).join('')
  return `What decides it: ${hours(work)} of work, ${hours(waits)} of waits, ${hours(idle)} in which nobody works${parts}.`
})
const otherWords = {
  maker: 'has its maker before',
  machine: 'has the machine before',
  last: 'stands on the lasts before',
}
</script>

<template>
  <article class="outlook card" :data-outlook="pair?.order">
    <h3>
      <RouterLink :to="`/pairs/${outlook.pair}/work`">{{ pair?.order }} {{ pair?.name }}</RouterLink>
    </h3>
    <p>
      <LevelMark :level="outlook.late > 0 ? 'stop' : 'fine'" quiet />
      {{ readyWords }} <strong v-if="outlook.late > 0">{{ showMinutes(outlook.late) }} late.</strong>
    </p>
    <p class="soft">{{ decides }}</p>
    <FoldOut title="Step by step, from the end">
      <ol>
        <li v-for="(link, i) in outlook.chain" :key="i">
          <span class="figure">{{ clock.both(link.start) }}</span>
          {{ names.orderOf(link.pair) }}: {{ names.stepName(link.pair, link.step) }}.
          <span class="soft">{{ heldWords(link, names) }}</span>
        </li>
      </ol>
    </FoldOut>
  </article>
</template>

<style scoped>
.outlook {
  display: grid;
  gap: 6px;
  padding: 12px 14px;
  margin-bottom: 12px;
}
ol {
  display: grid;
  gap: 6px;
  margin: 0;
  padding-left: 26px;
}
.outlook :deep(.mark) {
  vertical-align: -4px;
}
</style>
