<script setup lang="ts">
import type { HideFields, Point } from '@gentle-awl/core'
import { NButton } from 'naive-ui'
import { ref, useTemplateRef, watch } from 'vue'
import GaugeButton from '../../../ui/gauge/GaugeButton.vue'
import LengthField from '../../../ui/LengthField.vue'
import SelectField from '../../../ui/SelectField.vue'
import { marked, markings, roundPatch, type Marking } from './hideFigures.ts'

/** What is marked on a hide, by pressing on its drawing or by number: flaws, lesser parts, thickness where it was measured. */
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
]
const marking = ref<Marking | 'thickness' | ''>('')
watch(marking, (now) => {
  marks.value = now !== ''
  corners.value = []
})
/** mm */
const SAME = 2
const thickness = ref(1.4)
const gauge = useTemplateRef<{ waits: boolean }>('gauge')
const across = ref(20)
const where = ref<{ x: number; y: number }>({ x: 100, y: 100 })

/** The drawing was pressed there. */
function press(at: Point): void {
  where.value = { x: at[0], y: at[1] }
  // While the gauge is waited for, a press says where it will be put down.
  if (marking.value === 'thickness') {
    if (!gauge.value?.waits) measure(at)
  } else if (marking.value !== '') corners.value = [...corners.value, at]
}
defineExpose({ press })
function measure([x, y]: Point): void {
  // Measured again at the same place, it is what it was read last.
  const others = props.hide.samples.filter(({ at }) => Math.hypot(at[0] - x, at[1] - y) > SAME)
  emit('change', { samples: [...others, { at: [x, y], thickness: thickness.value }] })
}
function mark(outline: [number, number][]): void {
  if (marking.value !== '' && marking.value !== 'thickness') emit('change', marked(props.hide, marking.value, outline))
  corners.value = []
}
function put(): void {
  const at: Point = [where.value.x, where.value.y]
  if (marking.value === 'thickness') measure(at)
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
      <p class="soft">
        {{
          marking === 'thickness'
            ? 'Set the thickness, then press where it was measured. From the gauge: press where it is put down, then measure.'
            : 'Press its corners on the drawing, then close it; or give its middle and how far it goes across.'
        }}
      </p>
      <NButton v-if="corners.length > 2" type="primary" @click="mark(corners.map(([x, y]) => [x, y]))">
        Close it after {{ corners.length }} corners
      </NButton>
      <div class="two">
        <div v-for="way in ['x', 'y'] as const" :key="way" class="field">
          <span>{{ way === 'x' ? 'Along' : 'Across' }}</span>
          <LengthField
            :label="`Middle, ${way === 'x' ? 'along' : 'across'}`"
            :value="where[way]"
            :min="-10000"
            :max="10000"
            @change="where[way] = $event"
          />
        </div>
        <div v-if="marking === 'thickness'" class="field">
          <span>Thickness</span>
          <LengthField label="Thickness there" :value="thickness" :min="0.1" :max="20" @change="thickness = $event" />
        </div>
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
