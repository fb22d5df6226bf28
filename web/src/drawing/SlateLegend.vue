<script setup lang="ts">
import type { LegendLine } from './legendLine.ts'

/** What the lines of a drawing mean. */
defineProps<{ lines: readonly LegendLine[] }>()
</script>

<template>
  <ul aria-label="What the lines mean">
    <li v-for="l in lines" :key="l.name">
      <svg width="48" height="12" viewBox="0 0 56 14" aria-hidden="true">
        <path
          v-if="l.sign"
          :d="l.sign"
          :fill="l.filled ? l.stroke : 'none'"
          :stroke="l.stroke"
          :stroke-width="l.width"
        />
        <line
          v-else
          x1="0"
          x2="56"
          y1="7"
          y2="7"
          :stroke="l.stroke"
          :stroke-width="l.width"
          :stroke-dasharray="l.dash"
        />
        <line v-if="l.double" x1="0" x2="56" y1="7" y2="7" stroke="#1b282f" stroke-width="1.4" />
      </svg>
      {{ l.name }}
    </li>
  </ul>
</template>

<style scoped>
ul {
  display: grid;
  gap: 4px;
  margin: 0;
  padding: 8px 12px;
  border-radius: 12px;
  background: #1b282f;
  color: #eef2ee;
  list-style: none;
  font-size: 14px;
  /* The drawing goes on under it: it is moved through it. */
  pointer-events: none;
}
li {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
