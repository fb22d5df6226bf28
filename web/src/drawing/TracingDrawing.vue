<script setup lang="ts">
import { boxOf, type Point, type ReadTracing } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength } from '../app/settings.ts'
import { pathData } from './svgPath.ts'

/** A tracing as it was digitised and as it is read: pencil taken off, smoothed, laid along its axis. */
const props = defineProps<{ read: ReadTracing | null }>()
const box = computed(() => {
  if (!props.read) return '0 0 300 120'
  const b = boxOf(props.read.raw, props.read.outline)
  return `${b.minX - 14} ${-b.maxY - 22} ${b.maxX - b.minX + 28} ${b.maxY - b.minY + 44}`
})
const marks = computed(() => {
  const r = props.read
  if (!r) return []
  return (['lateral', 'medial'] as const).map((side) => {
    const x = r.bottom.joints[side]
    const near = r.outline.reduce(
      (m, p) => {
        const right = side === 'medial' ? p[1] > 0 : p[1] < 0
        return right && Math.abs(p[0] - x) < Math.abs(m[0] - x) ? p : m
      },
      [-999, 0] as Point,
    )
    return { side, x: near[0], y: -near[1] }
  })
})
</script>

<template>
  <svg class="view" :viewBox="box" role="img" aria-label="The tracing as digitised and as it is read">
    <template v-if="read">
      <line :x1="-8" :x2="read.bottom.length + 8" y1="0" y2="0" class="axis" />
      <path :d="pathData(read.raw, true)" class="raw" />
      <path :d="pathData(read.outline, true)" class="outline" />
      <g v-for="m in marks" :key="m.side">
        <circle :cx="m.x" :cy="m.y" r="2.4" class="mark" />
        <text :x="m.x" :y="m.y + (m.side === 'medial' ? -6 : 11)" text-anchor="middle">{{ m.side }} joint</text>
      </g>
      <text x="2" y="-4">heel</text>
      <text :x="read.bottom.length / 2" :y="Number(box.split(' ')[1]) + 9" text-anchor="middle">
        dashed: as digitised; solid: the last, {{ showLength(read.bottom.length) }} along its axis
      </text>
    </template>
    <text v-else x="150" y="60" text-anchor="middle">Choose a tracing: its outline is drawn here.</text>
  </svg>
</template>

<style scoped>
.view {
  width: 100%;
  height: 100%;
  background: var(--slate);
}
.axis {
  stroke: var(--chalk-soft);
  stroke-width: 0.4;
  stroke-dasharray: 8 2 1.5 2;
}
.raw {
  fill: none;
  stroke: #e6b355;
  stroke-width: 0.5;
  stroke-dasharray: 3 2;
}
.outline {
  fill: #d8b78722;
  stroke: var(--chalk);
  stroke-width: 0.9;
}
.mark {
  fill: #e6b355;
}
text {
  fill: var(--chalk);
  font-size: 7px;
}
</style>
