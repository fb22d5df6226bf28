<script setup lang="ts">
import { leftOf, skiveOutline, skiveShapes, widthOf, type Sentence, type SkiveShape } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength, tell } from '../app/settings.ts'
import { capital } from '../ui/capital.ts'
import { pathData } from './svgPath.ts'

/** A skive as a true section: distance from the edge to the right, thickness left upwards, both to the same scale. */
const props = defineProps<{
  skive: { name: string; profile: readonly (readonly [number, number])[]; shape: SkiveShape; sentence: Sentence }
  thickness: number
}>()
const SCALE = 11
const width = computed(() => widthOf(props.skive))
const left = computed(() => leftOf(props.skive))
/** Narrow skives are drawn no larger than others. */
const run = computed(() => Math.max(24, width.value + 8))
const outline = computed(() =>
  pathData(
    skiveOutline(props.skive.profile, props.thickness, run.value).map(([x, t]) => [x * SCALE, t * SCALE]),
    true,
  ),
)
const box = computed(
  () => `-6 ${-props.thickness * SCALE - 8} ${run.value * SCALE + 12} ${props.thickness * SCALE + 34}`,
)
</script>

<template>
  <figure>
    <figcaption>
      <strong>{{ capital(skive.name) }}: {{ skiveShapes[skive.shape] }}</strong>
      <span class="soft">{{ tell(skive.sentence) }}</span>
    </figcaption>
    <svg :viewBox="box" role="img" :aria-label="`Section: ${tell(skive.sentence)}`">
      <path :d="outline" />
      <line :x1="0" :x2="width * SCALE" y1="10" y2="10" />
      <text x="0" y="24">{{ showLength(width, width % 1 < 0.05 ? 0 : 1) }}, {{ showLength(left, 2) }} left</text>
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
