<script setup lang="ts">
import { NTable } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Learned } from '../../api/learned.ts'
import { showMinutes } from '../../app/settings.ts'
import { useSchedule } from '../../stores/scheduleStore.ts'
import SelectField from '../../ui/SelectField.vue'
import MinutesChart from './MinutesChart.vue'

/** Minutes by kind of step: planned, as it goes here, who did it; and every time that it was done, as a chart. */
const props = defineProps<{ learned: Learned }>()
const schedule = useSchedule()
const list = computed(() => props.learned.minutes)
const chosen = ref('')
const one = computed(() => list.value.find((m) => m.key === chosen.value) ?? list.value[0] ?? null)
const options = computed(() => list.value.map((m) => ({ value: m.key, name: nameOf(m.name) })))
const nameOf = (name: string) => name.replace(/, (right|left)$/, '')
/** One unit for both where it is the same. */
const quarters = ([low, high]: readonly [number, number]) =>
  Math.round(low) === Math.round(high)
    ? showMinutes(high)
    : high < 60
      ? `${Math.round(low)} to ${showMinutes(high)}`
      : `${showMinutes(low)} to ${showMinutes(high)}`
const share = (factor: number) => {
  const percent = Math.round(100 * (factor - 1))
  return percent === 0 ? 'as planned' : `${percent > 0 ? '+' : '−'}${Math.abs(percent)} %`
}
</script>

<template>
  <div class="minutes">
    <p v-if="list.length === 0" class="soft">
      No step was begun and finished by the clock yet. Start and Done, at the step or under Today, are all that it
      takes.
    </p>
    <template v-else>
      <p class="soft">
        From the log of {{ learned.pairs }} {{ learned.pairs === 1 ? 'pair' : 'pairs' }}. The middle of all times, with
        the quarters around it; a clock that was forgotten is left out. What was seen seldom is believed little: the
        days are laid out by the last column.
      </p>
      <SelectField
        v-if="one"
        class="which"
        label="Step"
        name="minutes-step"
        :options="options"
        :value="one.key"
        @choose="chosen = $event"
      />
      <MinutesChart v-if="one" :step="one" :name-of="schedule.makerName" />
      <div class="table" tabindex="0" role="region" aria-label="Minutes by step">
        <NTable size="small" :bordered="false">
          <thead>
            <tr>
              <th scope="col">Step</th>
              <th scope="col" class="right">Times</th>
              <th scope="col" class="right">Planned</th>
              <th scope="col" class="right">Here</th>
              <th scope="col" class="right">Quarters</th>
              <th scope="col">By bench</th>
              <th scope="col" class="right">Laid out</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="m in list" :key="m.key" :data-minutes="m.key">
              <th scope="row">{{ nameOf(m.name) }}</th>
              <td class="figure right">
                {{ m.times }}<template v-if="m.forgotten > 0"> ({{ m.forgotten }} left out)</template>
              </td>
              <td class="figure right">{{ showMinutes(m.planned) }}</td>
              <td class="figure right">{{ showMinutes(m.usual) }}</td>
              <td class="figure right">{{ quarters(m.quarters) }}</td>
              <td>
                <span v-for="b in m.makers" :key="b.maker" class="bench">
                  {{ schedule.makerName(b.maker) }} <span class="figure">{{ share(b.factor) }}</span>
                </span>
              </td>
              <td class="figure right">{{ share(m.factor) }}</td>
            </tr>
          </tbody>
        </NTable>
      </div>
    </template>
  </div>
</template>

<style scoped>
.minutes {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
.which {
  max-width: 420px;
}
.table {
  overflow-x: auto;
}
.bench {
  display: block;
  white-space: nowrap;
}
</style>
