<script setup lang="ts">
import { NButton } from 'naive-ui'
import { resample, type DrawnLine } from '@gentle-awl/core'
import { ref } from 'vue'
import ChoiceBar from './ChoiceBar.vue'
import type { Brought } from './bringIn/brought.ts'
import BringIn from './bringIn/BringIn.vue'
import FigureField from './FigureField.vue'

/** An outline traced on paper: the file it comes in, and how its pencil line is to be read. */
const props = defineProps<{ line: DrawnLine | null; what: string; name?: string }>()
const emit = defineEmits<{ change: [line: DrawnLine | null] }>()
const from = ref('')
/** Finer than any pencil, and small enough to be kept with the pair. */
const POINTS = 400

const sides = [
  { value: 'inside', name: 'Inner edge' },
  { value: 'middle', name: 'Middle' },
  { value: 'outside', name: 'Outer edge' },
] as const

function take(brought: Brought): void {
  const [outline] = brought.outlines
  const points = outline.length > POINTS ? resample(outline, POINTS, true) : outline
  emit('change', {
    outline: points.map(([x, y]) => [x, y]),
    // A picture tells how wide the line is, and its middle is what was read.
    pencil: brought.pencil ?? props.line?.pencil ?? 0.7,
    digitised: brought.pencil === null ? (props.line?.digitised ?? 'middle') : 'middle',
    turned: false,
    flipped: false,
  })
  from.value = brought.said
}
function set(next: Partial<DrawnLine>): void {
  if (props.line) emit('change', { ...props.line, ...next })
}
</script>

<template>
  <fieldset class="drawn">
    <legend class="visually-hidden">{{ what }}</legend>
    <div class="row">
      <BringIn
        :what="what"
        :label="line ? 'Choose another' : `Choose ${what} (SVG or DXF)`"
        :name="name"
        @take="take"
      />
      <NButton v-if="line" @click="emit('change', null)">Put it away</NButton>
    </div>
    <p v-if="from" class="soft">{{ from }}</p>
    <template v-if="line">
      <span>Digitised at the pencil line’s</span>
      <ChoiceBar label="Digitised at" :options="sides" :value="line.digitised" @choose="set({ digitised: $event })" />
      <label class="field pencil">
        <span>Pencil line, mm</span>
        <FigureField :min="0" :max="3" :step="0.1" :value="line.pencil" @change="set({ pencil: $event ?? 0 })" />
      </label>
      <div class="row">
        <NButton :aria-pressed="line.turned" @click="set({ turned: !line.turned })"> Heel is at the other end </NButton>
        <NButton :aria-pressed="line.flipped" @click="set({ flipped: !line.flipped })"> It is the other foot </NButton>
      </div>
    </template>
  </fieldset>
</template>

<style scoped>
.drawn {
  display: grid;
  gap: 8px;
  justify-items: start;
  margin: 0;
  padding: 0;
  border: 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.pencil {
  width: 160px;
}
</style>
