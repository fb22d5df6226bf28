<script setup lang="ts">
import type { LabelPlace } from './labels.ts'

/** A label where it was placed, its lines under each other, with the line that leads to what it names. */
defineProps<{ place: LabelPlace; lines: readonly string[]; size: number }>()
</script>

<template>
  <g class="slate-label" aria-hidden="true">
    <line
      v-if="place.lead"
      :x1="place.lead[0][0]"
      :y1="place.lead[0][1]"
      :x2="place.lead[1][0]"
      :y2="place.lead[1][1]"
    />
    <text text-anchor="middle" :style="{ fontSize: `${size}px` }">
      <tspan
        v-for="(line, i) in lines"
        :key="i"
        :x="place.x"
        :y="place.y + size * (0.36 + 1.15 * (i - (lines.length - 1) / 2))"
      >
        {{ line }}
      </tspan>
    </text>
  </g>
</template>

<style scoped>
line {
  stroke: #a9bac0;
  stroke-width: 1;
}
</style>
