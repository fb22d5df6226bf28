<script setup lang="ts">
import { NButton } from 'naive-ui'
import { foamRecovery, type Material } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { lengthWord } from '../../app/settings.ts'
import FigureField from '../../ui/FigureField.vue'
import GaugeButton from '../../ui/gauge/GaugeButton.vue'
import HouseChart from '../../ui/HouseChart.vue'

/** The record of a foam that was pressed and let go. */
const props = defineProps<{
  test: Material['foamTest']
  /** Other foams of the stores that were tested, to compare with. */
  others: readonly Pick<Material, 'name' | 'foamTest'>[]
}>()
const emit = defineEmits<{ change: [test: Material['foamTest']] }>()
type Test = NonNullable<Material['foamTest']>
const fields: { key: keyof Test; name: string }[] = [
  { key: 'before', name: 'Before' },
  { key: 'pressed', name: 'Pressed' },
  { key: 'afterOne', name: 'After 1 min' },
  { key: 'afterTen', name: 'After 10 min' },
]
const start: Test = { before: 6, pressed: 2, afterOne: 5, afterTen: 6 }
const back = computed(() => (props.test ? foamRecovery(props.test) : null))
/** How much of what was pressed away is back, minute by minute: this foam and those it is chosen among. */
const curves = computed(() => {
  const curve = (name: string, test: Material['foamTest']) => {
    const found = test && foamRecovery(test)
    return found ? [{ name, x: [0, 1, 10], y: [0, found.afterOne, found.afterTen] }] : []
  }
  return [...curve('This foam', props.test), ...props.others.flatMap((m) => curve(m.name, m.foamTest)).slice(0, 3)]
})
/** Which of the four the gauge is to read: one after the other, as the test goes. */
const at = ref(0)
const next = computed(() => fields[at.value % fields.length]!)
function heard(mm: number): void {
  set(next.value.key, mm)
  at.value++
}
function set(key: keyof Test, value: number | null): void {
  if (props.test && value !== null) emit('change', { ...props.test, [key]: value })
}
</script>

<template>
  <fieldset class="test">
    <legend>Foam test: press, let go, measure</legend>
    <NButton v-if="!test" @click="emit('change', start)">Record a test</NButton>
    <template v-else>
      <label v-for="f in fields" :key="f.key" class="field">
        <span>{{ f.name }}, {{ lengthWord }}</span>
        <FigureField unit="mm" :min="0.1" :max="60" :step="0.1" :value="test[f.key]" @change="set(f.key, $event)" />
      </label>
      <GaugeButton class="all" :label="`${next.name}: from the gauge`" @read="heard" />
      <p class="all" role="status">
        {{
          back
            ? `Comes back by ${back.afterOne.toFixed(0)} % in one minute, ${back.afterTen.toFixed(0)} % in ten.`
            : 'Pressed, it must be thinner than before.'
        }}
      </p>
      <HouseChart
        v-if="back"
        class="all"
        title="How it comes back"
        :x="{ title: 'Let go', unit: 'min' }"
        :y="{ title: 'Back again', unit: '%' }"
        :lines="curves"
        :rows="3"
      />
      <NButton class="all" @click="emit('change', null)">Strike the test out</NButton>
    </template>
  </fieldset>
</template>

<style scoped>
.test {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin: 0;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: 10px;
}
.all {
  grid-column: 1 / -1;
}
</style>
