<script setup lang="ts">
import type { PhotoChoices } from '@gentle-awl/core'
import { NButton } from 'naive-ui'
import ChoiceBar from '../ChoiceBar.vue'
import FigureField from '../FigureField.vue'
import LengthField from '../LengthField.vue'

/** How a picture is to be read: what it shows, and what the person knows of it. */
const choices = defineModel<PhotoChoices>({ required: true })
defineProps<{
  /** What was chosen already is read again at once. */
  again?: boolean
}>()
const emit = defineEmits<{ print: [kind: 'small' | 'wide' | 'floor', paper: 'a4' | 'letter', sheets: number] }>()
const set = (some: Partial<PhotoChoices>) => (choices.value = { ...choices.value, ...some })
const kinds = [
  { value: 'photo', name: 'A photograph on the mat' },
  { value: 'scan', name: 'A flatbed scan' },
] as const
const shows = [
  { value: 'line', name: 'A pencil line' },
  { value: 'edge', name: 'A thing, by its edge' },
] as const
const PER_INCH = 25.4
</script>

<template>
  <div class="fields">
    <ChoiceBar
      label="The picture is"
      :options="kinds"
      :value="choices.scan === null ? 'photo' : 'scan'"
      @choose="set({ scan: $event === 'scan' ? 300 / PER_INCH : null })"
    />
    <ChoiceBar label="It shows" :options="shows" :value="choices.what" @choose="set({ what: $event })" />
    <div class="row">
      <div v-if="choices.what === 'edge' && choices.scan === null" class="field">
        <span>Its upper face is above the mat by</span>
        <LengthField
          label="Height of its upper face above the mat"
          :value="choices.height"
          :min="0"
          :max="150"
          @change="set({ height: $event })"
        />
      </div>
      <div v-if="choices.scan === null" class="field">
        <span>The mat’s printed bar measures</span>
        <LengthField
          label="What the printed bar of 100 mm measures"
          :value="choices.bar"
          :min="85"
          :max="115"
          @change="set({ bar: $event })"
        />
      </div>
      <label v-else class="field">
        <span>Scanned at, dots per inch</span>
        <FigureField
          :min="72"
          :max="1200"
          :step="50"
          :value="Math.round(choices.scan * PER_INCH * 10) / 10"
          @change="set({ scan: ($event ?? 300) / PER_INCH })"
        />
      </label>
      <div class="field">
        <span>Smoothing moves no place by more than</span>
        <LengthField
          label="Smoothing moves no place by more than"
          :value="choices.tolerance"
          :min="0"
          :max="3"
          @change="set({ tolerance: $event })"
        />
      </div>
    </div>
    <div v-if="choices.scan === null && !again" class="mat">
      <p class="soft">
        Print a mat at 100 % and lay it flat. Draw on it, or lay the drawing or the thing on it so that marks stay in
        view on all sides; several sheets may lie anywhere round it. Photograph it from any side, all of it in the
        picture.
      </p>
      <div class="row">
        <NButton @click="emit('print', 'small', 'a4', 1)">Mat, A4</NButton>
        <NButton @click="emit('print', 'small', 'letter', 1)">Mat, Letter</NButton>
        <NButton @click="emit('print', 'wide', 'a4', 1)">Mat, A3</NButton>
        <NButton @click="emit('print', 'small', 'a4', 4)">Four sheets, A4</NButton>
        <NButton @click="emit('print', 'floor', 'a4', 4)">Large marks, for hides</NButton>
      </div>
    </div>
  </div>
</template>

<style scoped>
.fields,
.mat {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: end;
}
p {
  margin: 0;
}
</style>
