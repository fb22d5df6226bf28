<script setup lang="ts">
import type { Skive } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength, tell } from '../../../../app/settings.ts'

/** A skive as a true section: distance from the edge to the right, thickness left upwards, both to the same scale. */
const props = defineProps<{ skive: Skive; thickness: number }>()
const SCALE = 11
const width = computed(() => props.skive.profile[props.skive.profile.length - 1]![0])
const run = computed(() => width.value + 8)
const outline = computed(() => {
  const top = props.skive.profile.map(([x, t]) => `${x * SCALE} ${-t * SCALE}`)
  return `M0 0L${top.join('L')}L${run.value * SCALE} ${-props.thickness * SCALE}V0Z`
})
const box = computed(
  () => `-6 ${-props.thickness * SCALE - 8} ${run.value * SCALE + 12} ${props.thickness * SCALE + 34}`,
)
</script>

<template>
  <figure>
    <figcaption>
      <strong>{{ skive.name }}</strong>
      <span class="soft">{{ tell(skive.sentence) }}</span>
    </figcaption>
    <svg :viewBox="box" role="img" :aria-label="`Section: ${tell(skive.sentence)}`">
      <path :d="outline" />
      <line :x1="0" :x2="width * SCALE" y1="10" y2="10" />
      <text :x="(width * SCALE) / 2" y="24" text-anchor="middle">{{ showLength(width, 0) }}</text>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}
figcaption {
  display: grid;
  font-size: 16px;
}
svg {
  width: 100%;
  max-height: 84px;
}
path {
  fill: var(--watch-mark);
  fill-opacity: 0.35;
  stroke: var(--ink);
  stroke-width: 1.2;
}
line {
  stroke: var(--soft);
}
text {
  fill: var(--ink);
  font-size: 13px;
}
</style>
