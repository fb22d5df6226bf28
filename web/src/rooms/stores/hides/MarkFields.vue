<script setup lang="ts">
import type { HideFields, Point } from '@gentle-awl/core'
import { NButton } from 'naive-ui'
import { ref, useTemplateRef, watch } from 'vue'
import FigureField from '../../../ui/FigureField.vue'
import GaugeButton from '../../../ui/gauge/GaugeButton.vue'
import LengthField from '../../../ui/LengthField.vue'
import SelectField from '../../../ui/SelectField.vue'
import { marked, markings, roundPatch, type Marking } from './hideFigures.ts'

/** What is marked on a hide, by pressing on its drawing or by number: flaws, lesser parts, thickness and direction where they were looked at. */
const props = defineProps<{ hide: HideFields }>()
const emit = defineEmits<{ change: [some: Partial<HideFields>] }>()
/** Corners that were pressed and are not closed yet. */
const corners = defineModel<Point[]>('corners', { required: true })
/** Whether a press on the drawing marks something. */
const marks = defineModel<boolean>('marks', { required: true })

const uses = [
  { value: '' as const, name: 'nothing: presses move the drawing' },
  ...markings,
  { value: 'thickness' as const, name: 'A thickness that was measured' },
  { value: 'direction' as const, name: 'A way in which it gives least' },
]
const how: Record<Marking | 'thickness' | 'direction', string> = {
  ...(Object.fromEntries(
    markings.map((m) => [
      m.value,
      'Press its corners on the drawing, then close it; or give its middle and how far it goes across.',
    ]),
  ) as Record<Marking, string>),
  thickness:
    'Set the thickness, then press where it was measured. From the gauge: press where it is put down, then measure.',
  direction:
    'Pull the leather between two thumbs, this way and that: press where the stiffest way begins, and where it ends. Far from every mark the direction of the whole hide counts.',
}
const marking = ref<Marking | 'thickness' | 'direction' | ''>('')
watch(marking, (now) => {
  marks.value = now !== ''
  corners.value = []
})
/** mm */
const SAME = 2
const thickness = ref(1.4)
const gauge = useTemplateRef<{ waits: boolean }>('gauge')
const across = ref(20)
/** Degrees. */
const way = ref(0)
const where = ref<{ x: number; y: number }>({ x: 100, y: 100 })

/** The drawing was pressed there. */
function press(at: Point): void {
  where.value = { x: at[0], y: at[1] }
  // While the gauge is waited for, a press says where it will be put down.
  if (marking.value === 'thickness') {
    if (!gauge.value?.waits) measure(at)
  } else if (marking.value === 'direction') {
    const [from] = corners.value
    if (!from) corners.value = [at]
    else if (from[0] !== at[0] || from[1] !== at[1]) {
      way.value = Math.round((Math.atan2(at[1] - from[1], at[0] - from[0]) * 180) / Math.PI)
      const middle: Point = [(from[0] + at[0]) / 2, (from[1] + at[1]) / 2]
      where.value = { x: middle[0], y: middle[1] }
      direct(middle)
    }
  } else if (marking.value !== '') corners.value = [...corners.value, at]
}
defineExpose({ press })
function direct([x, y]: Point): void {
  const others = props.hide.directions.filter(({ at }) => Math.hypot(at[0] - x, at[1] - y) > SAME)
  emit('change', { directions: [...others, { at: [x, y], tight: way.value }] })
  corners.value = []
}
function measure([x, y]: Point): void {
  // Measured again at the same place, it is what it was read last.
  const others = props.hide.samples.filter(({ at }) => Math.hypot(at[0] - x, at[1] - y) > SAME)
  emit('change', { samples: [...others, { at: [x, y], thickness: thickness.value }] })
}
function mark(outline: [number, number][]): void {
  if (marking.value !== '' && marking.value !== 'thickness' && marking.value !== 'direction')
    emit('change', marked(props.hide, marking.value, outline))
  corners.value = []
}
function put(): void {
  const at: Point = [where.value.x, where.value.y]
  if (marking.value === 'thickness') measure(at)
  else if (marking.value === 'direction') direct(at)
  else mark(roundPatch(at, across.value))
}
</script>

<template>
  <div class="marking">
    <SelectField
      label="A press on the drawing marks"
      name="marking"
      :value="marking"
      :options="uses"
      @choose="marking = $event"
    />
    <template v-if="marking !== ''">
      <p class="soft">{{ how[marking] }}</p>
      <NButton
        v-if="corners.length > 2 && marking !== 'direction'"
        type="primary"
        @click="mark(corners.map(([x, y]) => [x, y]))"
      >
        Close it after {{ corners.length }} corners
      </NButton>
      <div class="two">
        <div v-for="axis in ['x', 'y'] as const" :key="axis" class="field">
          <span>{{ axis === 'x' ? 'Along' : 'Across' }}</span>
          <LengthField
            :label="`Middle, ${axis === 'x' ? 'along' : 'across'}`"
            :value="where[axis]"
            :min="-10000"
            :max="10000"
            @change="where[axis] = $event"
          />
        </div>
        <div v-if="marking === 'thickness'" class="field">
          <span>Thickness</span>
          <LengthField label="Thickness there" :value="thickness" :min="0.1" :max="20" @change="thickness = $event" />
        </div>
        <label v-else-if="marking === 'direction'" class="field">
          <span>Degrees from the ruler</span>
          <FigureField :value="way" :min="-180" :max="180" :step="5" @change="way = $event ?? 0" />
        </label>
        <div v-else class="field">
          <span>Wide</span>
          <LengthField label="How wide it is" :value="across" :min="2" :max="2000" @change="across = $event" />
        </div>
        <NButton @click="put">Put it there</NButton>
      </div>
      <GaugeButton
        v-if="marking === 'thickness'"
        ref="gauge"
        label="From the gauge"
        many
        @read="((thickness = $event), measure([where.x, where.y]))"
      />
    </template>
  </div>
</template>

<style scoped>
.marking {
  display: grid;
  gap: 10px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  align-items: end;
}
p {
  margin: 0;
}
</style>
