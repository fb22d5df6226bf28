<script setup lang="ts">
import { boxOf, type Path } from '@gentle-awl/core'
import { computed } from 'vue'
import { pathData } from '../../../../drawing/svgPath.ts'

/** A part of both feet laid on each other as it fits best, both drawn as right ones: right solid, left dashed. */
const props = defineProps<{ right: Path | null; left: Path | null }>()
const box = computed(() => {
  const b = boxOf(...[props.right, props.left].filter((p): p is Path => p !== null))
  return `${b.minX - 2} ${-b.maxY - 2} ${b.maxX - b.minX + 4} ${b.maxY - b.minY + 4}`
})
</script>

<template>
  <svg :viewBox="box" aria-hidden="true">
    <path v-if="right" :d="pathData(right, true)" class="right" />
    <path v-if="left" :d="pathData(left, true)" class="left" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 150px;
  height: 62px;
}
path {
  fill: none;
  vector-effect: non-scaling-stroke;
  stroke-linejoin: round;
}
.right {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.left {
  stroke: var(--action);
  stroke-width: 1.8;
  stroke-dasharray: 6 4;
}
</style>
