<script setup lang="ts">
import { writeGaugeMessage } from '@gentle-awl/core'
import { NButton } from 'naive-ui'
import { computed, reactive, ref } from 'vue'
import { api } from '../../api/client.ts'
import { showLength } from '../../app/settings.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import ChoiceBar from '../../ui/ChoiceBar.vue'
import LengthField from '../../ui/LengthField.vue'
import SelectField from '../../ui/SelectField.vue'

/** The practice thickness gauge: it measures what one says lies under its foot, and sends that as a gauge on the network does. */
const form = reactive({ under: 1.4, scatter: '0.02', fault: 'none' as 'none' | 'half' | 'damaged' | 'off' })
const scatters = computed(() => [
  { value: '0', name: 'none' },
  { value: '0.02', name: showLength(0.02, 2) },
  { value: '0.1', name: showLength(0.1, 2) },
])
const faults = [
  { value: 'none', name: 'nothing' },
  { value: 'half', name: 'it sends half a message' },
  { value: 'damaged', name: 'the message is damaged on its way' },
  { value: 'off', name: 'it is switched off' },
] as const
/** Gauges count their readings on while they have power. */
let number = Math.floor(Date.now() / 1000) % 1_000_000
const sent = ref<string[]>([])
const { problem, busy, attempt } = useAttempt()
const SHOWN = 8
async function press(): Promise<void> {
  const off = Number(form.scatter) * (Math.random() + Math.random() + Math.random() - 1.5)
  const thickness = Math.max(0.01, form.under + off)
  number = (number + 1) % 1_000_000
  const whole = writeGaugeMessage({ number, thickness })
  if (form.fault === 'off') {
    problem.value = 'It is switched off: nothing was sent.'
    return
  }
  const message =
    form.fault === 'half'
      ? whole.slice(0, whole.length / 2)
      : form.fault === 'damaged'
        ? whole.replace(/\.(\d)/, (_, d: string) => `.${(Number(d) + 3) % 10}`)
        : whole
  sent.value = [message.trim(), ...sent.value].slice(0, SHOWN)
  await attempt(async () => void (await api.gauge.send(message)))
}
</script>

<template>
  <section class="room-page">
    <header class="room-head"><h1>Practice thickness gauge</h1></header>
    <div class="both">
      <div class="card form">
        <p class="soft">
          This gauge ships with the application and stands in for a real one on the network. Let a field wait for the
          gauge, in the stores or on a hide, in another window; then press here.
        </p>
        <div class="words-and-field">
          <span>Under its foot lies</span>
          <LengthField label="Under its foot" :value="form.under" :min="0.1" :max="45" @change="form.under = $event" />
        </div>
        <div class="line">
          <span>It scatters by</span>
          <ChoiceBar label="It scatters by" :options="scatters" :value="form.scatter" @choose="form.scatter = $event" />
        </div>
        <SelectField
          label="What goes wrong"
          name="fault"
          :value="form.fault"
          :options="faults"
          @choose="form.fault = $event"
        />
        <NButton type="primary" :loading="busy" @click="press">Press it down</NButton>
        <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      </div>
      <div class="card form">
        <h2>What it sent</h2>
        <p class="soft">
          A line for each reading: its number, the thickness, the unit, and a check by which half or damaged lines are
          known. A real gauge sends the same from this computer, by a POST of plain text to /api/v1/gauge/readings.
        </p>
        <ol v-if="sent.length > 0" aria-label="Messages sent">
          <li v-for="(m, i) in sent" :key="sent.length - i" class="figure">{{ m }}</li>
        </ol>
        <p v-else>Nothing yet.</p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 20px;
}
.form {
  padding: 20px;
  display: grid;
  gap: 14px;
  align-content: start;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  justify-content: space-between;
  align-items: center;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
h2,
p {
  margin: 0;
}
.wrong {
  color: var(--stop);
}
</style>
