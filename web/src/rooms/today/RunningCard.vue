<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { BenchClock, StepEvent } from '@gentle-awl/core'
import { IconArrowsMaximize, IconPlayerPause, IconPlayerPlay } from '@tabler/icons-vue'
import { computed } from 'vue'
import { showMinutes } from '../../app/settings.ts'
import { useSchedule } from '../../stores/scheduleStore.ts'
import ButtonLink from '../../ui/ButtonLink.vue'
import { clockFace } from '../../ui/clockFace.ts'
import { stepPath } from '../../ui/stepPath.ts'

/** What is on the bench: its clock against what is planned, resting it, ending it. */
const props = defineProps<{
  clock: Extract<BenchClock, { kind: 'running' }>
  order: string
  /** Id of who does it; null where nobody was said to. */
  maker: string | null
  now: number
  busy: boolean
}>()
defineEmits<{ say: [what: StepEvent['what']] }>()
const schedule = useSchedule()
const step = computed(() => schedule.stepOf(props.clock.pair, props.clock.step))
const worked = computed(() => props.clock.worked + (props.clock.since === null ? 0 : props.now - props.clock.since))
/** Minutes beyond what is planned; whole ones, so that it is not said for seconds. */
const over = computed(() => Math.floor(worked.value / 60_000 - (step.value?.minutes ?? Infinity)))
</script>

<template>
  <article class="big card" :data-running="clock.step">
    <p class="soft">{{ order }}, {{ schedule.makerName(maker ?? '') }}</p>
    <h2>{{ step?.name ?? clock.step }}</h2>
    <p class="clock figure" :class="{ resting: clock.since === null }" data-testid="bench-clock">
      {{ clockFace(worked) }}
    </p>
    <p class="soft">
      planned {{ showMinutes(step?.minutes ?? 0) }}<template v-if="clock.since === null">; it rests</template
      ><strong v-else-if="over > 0" class="over">, ran over by {{ showMinutes(over) }}</strong>
    </p>
    <div class="buttons">
      <NButton type="primary" size="large" :disabled="busy" @click="$emit('say', 'finished')">
        {{ step?.wait ? 'Done, start the clock' : 'Done' }}
      </NButton>
      <NButton v-if="clock.since !== null" size="large" :disabled="busy" @click="$emit('say', 'paused')">
        <IconPlayerPause :size="20" aria-hidden="true" /> Pause
      </NButton>
      <NButton v-else size="large" :disabled="busy" @click="$emit('say', 'resumed')">
        <IconPlayerPlay :size="20" aria-hidden="true" /> Go on
      </NButton>
      <NButton size="large" :disabled="busy" @click="$emit('say', 'undone')">Take back</NButton>
      <ButtonLink :to="stepPath(clock.pair, clock.step)">
        <IconArrowsMaximize :size="20" aria-hidden="true" /> How it is done
      </ButtonLink>
      <ButtonLink :to="`/pairs/${clock.pair}/checks/ask`">Went wrong? Ask</ButtonLink>
    </div>
  </article>
</template>

<style scoped>
.big {
  display: grid;
  gap: 8px;
  justify-items: start;
  padding: 18px 22px;
  border: 2px solid var(--action);
}
.big h2 {
  font-size: 28px;
}
.clock {
  font-size: 44px;
  font-weight: 600;
  line-height: 1;
  color: var(--action);
}
.clock.resting {
  color: var(--soft);
}
.over {
  color: var(--watch);
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
}
</style>
