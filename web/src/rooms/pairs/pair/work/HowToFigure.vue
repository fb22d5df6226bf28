<script setup lang="ts">
import type { HowToFigure } from './howToFigures.ts'

/** A small drawing of a technique. */
defineProps<{ figure: HowToFigure; name: string }>()
</script>

<template>
  <svg viewBox="0 0 120 80" role="img" :aria-label="`Drawing: ${name}`">
    <path v-for="(s, i) in figure" :key="i" :d="s.d" :class="s.ink.replace(' ', '-')" />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  border-radius: 10px;
  background: var(--slate);
}
path {
  fill: none;
  stroke: #eef2ee;
  stroke-width: 1.4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.leather {
  fill: #a9743f;
  fill-opacity: 0.55;
}
.wood {
  fill: #c8a673;
  fill-opacity: 0.3;
}
.iron {
  fill: #8d949a;
  stroke: #dfe5e8;
  stroke-width: 1.8;
}
.thread {
  stroke: #ffd88a;
  stroke-width: 2;
}
.other-thread {
  stroke: #8fd0e8;
  stroke-width: 2;
}
.hidden {
  stroke-dasharray: 4 3;
}
.arrow {
  stroke: #9fe0c8;
  stroke-width: 2;
}
</style>
