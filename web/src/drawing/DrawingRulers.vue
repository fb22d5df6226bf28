<script setup lang="ts">
import { computed } from 'vue'
import { lengthUnit } from '../app/settings.ts'
import { ticks } from './ticks.ts'

/** Rulers along the top and the left of a drawing: pixels per mm, and where the drawing's zero lies on screen. */
const props = defineProps<{ width: number; height: number; scale: number; x0: number; y0: number }>()

const across = computed(() =>
  ticks(-props.x0 / props.scale, (props.width - props.x0) / props.scale, props.scale, lengthUnit.value),
)
const upwards = computed(() =>
  ticks((props.y0 - props.height) / props.scale, props.y0 / props.scale, props.scale, lengthUnit.value),
)
const x = (mm: number) => props.x0 + mm * props.scale
const y = (mm: number) => props.y0 - mm * props.scale
</script>

<template>
  <g class="ruler">
    <rect x="0" y="0" :width="width" height="26" />
    <rect x="0" y="0" width="40" :height="height" />
    <g v-for="t in across" :key="`x${t.at}`">
      <line :x1="x(t.at)" :x2="x(t.at)" :y1="t.label === null ? 20 : 14" y2="26" />
      <text v-if="t.label !== null && x(t.at) > 46" :x="x(t.at) + 3" y="12">{{ t.label }}</text>
    </g>
    <g v-for="t in upwards" :key="`y${t.at}`">
      <line :y1="y(t.at)" :y2="y(t.at)" :x1="t.label === null ? 34 : 28" x2="40" />
      <text v-if="t.label !== null && y(t.at) > 40" x="4" :y="y(t.at) - 3">{{ t.label }}</text>
    </g>
    <rect x="0" y="0" width="40" height="26" />
    <text x="6" y="17">{{ lengthUnit === 'mm' ? 'mm' : 'in' }}</text>
  </g>
</template>

<style scoped>
.ruler rect {
  fill: #1b282f;
}
.ruler line {
  stroke: #7d9199;
}
.ruler text {
  fill: #c9d6d9;
  font-size: 12.5px;
  font-variant-numeric: tabular-nums;
}
</style>
