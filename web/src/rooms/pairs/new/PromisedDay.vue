<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { PairDecisions, PairLabel, PromisedDay, Shortening } from '@gentle-awl/core'
import { shallowRef, watch } from 'vue'
import { api } from '../../../api/client.ts'
import { showMinutes } from '../../../app/settings.ts'
import { useAttempt } from '../../../app/useAttempt.ts'

/** The earliest day of an order before it is accepted: laid out beside all open pairs, and what would bring it forward. */
const props = defineProps<{
  label: Omit<PairLabel, 'due' | 'weight'>
  /** Null while something is missing. */
  decisions: PairDecisions | null
}>()
const emit = defineEmits<{ due: [day: string] }>()
const promised = shallowRef<PromisedDay | null>(null)
const { problem, busy, attempt } = useAttempt()
// What was asked for another pair says nothing of this one.
watch(
  () => JSON.stringify(props.decisions),
  () => (promised.value = null),
)
const ask = () =>
  attempt(async () => {
    const { decisions } = props
    if (!decisions) return
    const asked = JSON.stringify(decisions)
    const { order, name, trade, note } = props.label
    const label = { order: order || '-', name: name || '-', trade, note, due: null, weight: 1 }
    const answer = await api.promise(label, decisions)
    if (JSON.stringify(props.decisions) === asked) promised.value = answer
  })
const ways: Record<Shortening, string> = {
  first: 'Put before all other pairs',
  maker: 'One more pair of hands',
  lasts: 'A second pair of these lasts',
  saturday: 'Saturdays worked',
  hour: 'An hour longer every day',
}
/** A day as people read it; a date has no zone. */
const dayWords = (date: string) =>
  new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', weekday: 'long', day: 'numeric', month: 'long' }).format(
    Date.parse(`${date}T00:00:00Z`),
  )
const delayWords = (minutes: number) => (minutes >= 60 ? `, others ${showMinutes(minutes)} later in all` : '')
</script>

<template>
  <section class="promised" aria-label="When it could be ready">
    <NButton :disabled="!decisions" :loading="busy" @click="ask">When could it be ready?</NButton>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <div v-if="promised" role="status" class="answer" data-promised>
      <p>
        Earliest <strong>{{ dayWords(promised.day) }}</strong>, beside all that is open.
      </p>
      <p v-if="promised.nobody.length > 0" class="bad">
        Nobody here does {{ promised.nobody.length }} of its steps: see who works, in the calendar.
      </p>
      <template v-if="promised.shorten.length > 0">
        <p>What would bring it forward:</p>
        <ul>
          <li v-for="s in promised.shorten" :key="s.what">
            {{ ways[s.what] }}: {{ showMinutes(s.saves) }} sooner{{ delayWords(s.delays) }}.
          </li>
        </ul>
      </template>
      <p v-else class="soft">More hands, hours or lasts would not bring it forward: its waits decide.</p>
      <NButton @click="emit('due', promised.day)">Promise this day</NButton>
    </div>
  </section>
</template>

<style scoped>
.promised,
.answer {
  display: grid;
  gap: 8px;
  justify-items: start;
}
ul {
  margin: 0;
  padding-left: 20px;
}
</style>
