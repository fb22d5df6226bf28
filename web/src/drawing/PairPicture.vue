<script setup lang="ts">
import { boxOf, type PairCard } from '@gentle-awl/core'
import { computed } from 'vue'
import { pathData } from './svgPath.ts'

/** A shoe as it is known by: from its lateral side, drawn from its plan. */
const props = defineProps<{ shapes: PairCard['shapes']; label: string }>()
const view = computed(() => {
  const b = boxOf(...props.shapes.map((s) => s.path))
  return `${b.minX - 3} ${-b.maxY - 3} ${b.maxX - b.minX + 6} ${b.maxY - Math.min(0, b.minY) + 6}`
})
const drawn = computed(() =>
  props.shapes.map(({ kind, path, fill }) => ({ kind, fill, d: pathData(path, kind !== 'line') })),
)
</script>

<template>
  <svg :viewBox="view" role="img" :aria-label="label" preserveAspectRatio="xMidYMax meet">
    <path v-for="(s, i) in drawn" :key="i" :d="s.d" :class="s.kind" :style="{ fill: s.fill }" />
  </svg>
</template>

<style scoped>
path {
  stroke: #1b282f;
  stroke-width: 1.2;
  stroke-linejoin: round;
  stroke-linecap: round;
  vector-effect: non-scaling-stroke;
}
.last {
  fill: #c79a63;
}
.inside {
  fill: #7d5b3c;
}
.upper {
  fill: #a9743f;
  stroke: #eef2ee;
}
.piece {
  stroke: none;
}
.line {
  fill: none;
  stroke: #f3e3c8;
}
.eyelet {
  fill: #1b282f;
  stroke: #f3e3c8;
}
.sole {
  fill: #d9b98a;
}
.heel {
  fill: #8a6a46;
}
/* Black rubber is seen on slate too. */
.sole,
.heel {
  stroke: #eef2ee66;
}
</style>
