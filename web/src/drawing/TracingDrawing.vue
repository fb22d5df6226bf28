<script setup lang="ts">
import { boxOf, type Point, type ReadTracing } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength } from '../app/settings.ts'
import type { LegendLine } from './legendLine.ts'
import SlateLabel from './SlateLabel.vue'
import SlateSurface from './SlateSurface.vue'
import { pathData } from './svgPath.ts'
import { closed, useLabels } from './useLabels.ts'
import { useSlate } from './useSlate.ts'

/** A tracing as it was digitised and as it is read: pencil taken off, smoothed, laid along its axis. */
const props = defineProps<{ read: ReadTracing | null }>()
const world = computed(() => {
  if (!props.read) return { minX: 0, minY: -60, maxX: 300, maxY: 60 }
  const b = boxOf(props.read.raw, props.read.outline)
  return { minX: b.minX - 12, minY: b.minY - 12, maxX: b.maxX + 12, maxY: b.maxY + 12 }
})
const slate = useSlate(world, { left: 12, right: 12, top: 70, bottom: 60 })
const legend: LegendLine[] = [
  { name: 'As digitised', stroke: '#e6b355', width: 1.2, dash: '7 5' },
  { name: 'The last: pencil taken off, smoothed', stroke: '#eef2ee', width: 2 },
  { name: 'Its axis', stroke: '#a9bac0', width: 1, dash: '16 4 3 4' },
]
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
    return { side, at: near }
  })
})
const labels = useLabels(
  slate,
  computed(() => {
    const r = props.read
    if (!r) return []
    const heel: Point = [0, 0]
    return [
      ...marks.value.map(({ side, at }) => ({ key: side, lines: [`${side} joint`], size: 15, at, names: [at] })),
      { key: 'heel', lines: ['heel'], size: 15, at: heel, names: [heel] },
    ]
  }),
  computed(() => (props.read ? [props.read.raw, props.read.outline].map(closed) : [])),
)
</script>

<template>
  <SlateSurface
    :slate="slate"
    label="The tracing as digitised and as it is read"
    :legend="read ? legend : []"
    :empty="read ? '' : 'Choose a tracing: its outline is drawn here.'"
    explained
  >
    <template #mm>
      <template v-if="read">
        <line x1="-8" :x2="read.bottom.length + 8" y1="0" y2="0" class="axis" />
        <path :d="pathData(read.raw, true)" class="raw" />
        <path :d="pathData(read.outline, true)" class="outline" />
        <circle v-for="m in marks" :key="m.side" :cx="m.at[0]" :cy="-m.at[1]" r="2.2" class="mark" />
      </template>
    </template>
    <SlateLabel v-for="l in labels" :key="l.place.key" v-bind="l" />
    <template #last>
      <span v-if="read" class="length figure">{{ showLength(read.bottom.length) }} along the axis</span>
    </template>
  </SlateSurface>
</template>

<style scoped>
.axis {
  stroke: var(--chalk-soft);
  stroke-dasharray: 16 4 3 4;
  vector-effect: non-scaling-stroke;
}
.raw {
  stroke: #e6b355;
  stroke-width: 1.2;
  stroke-dasharray: 7 5;
}
.outline {
  fill: #d8b78722;
  stroke: var(--chalk);
  stroke-width: 2;
}
.mark {
  fill: #e6b355;
}
.length {
  padding: 6px 10px;
  border-radius: 8px;
  background: #1b282f;
  color: #eef2ee;
}
</style>
