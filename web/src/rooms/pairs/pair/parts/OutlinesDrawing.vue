<script setup lang="ts">
import { boxOf, mirror, type Part, type Path, type Point } from '@gentle-awl/core'
import { computed } from 'vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import type { Foot } from '../../../../ui/feet.ts'
import type { LegendLine } from '../../../../drawing/legendLine.ts'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { useSlate } from '../../../../drawing/useSlate.ts'

/** All outlines along the bottom on each other: what stands out past what, and the traced shoe on the predicted one. */
const props = defineProps<{
  parts: readonly Part[]
  lasted: Path
  traced: Path | null
  worst: { from: Point; to: Point } | null
  foot: Foot
}>()
/** All is drawn as of a right shoe; the left one is its mirror. */
const side = (path: Path, closed = true): Path => (props.foot === 'left' ? mirror(path, closed) : path)
const worstHere = computed(() => {
  if (!props.worst) return null
  const [from, to] = side([props.worst.from, props.worst.to], false)
  return from && to ? { from, to } : null
})
const outline = (id: string) => props.parts.find((p) => p.id === id)?.outline ?? null
const lines = computed(() =>
  [
    { id: 'outsole', name: 'Outsole', path: outline('outsole'), look: { stroke: '#eef2ee', width: 2.4 } },
    { id: 'midsole', name: 'Midsole', path: outline('midsole'), look: { stroke: '#c98a1b', width: 2 } },
    { id: 'lasted', name: 'Lasted shoe', path: props.lasted, look: { stroke: '#8fd0e8', width: 2.4 } },
    { id: 'traced', name: 'As traced', path: props.traced, look: { stroke: '#e3a0c4', width: 2, dash: '8 4' } },
    { id: 'insole', name: 'Insole', path: outline('insole'), look: { stroke: '#eef2ee', width: 1.4, dash: '3 3' } },
    { id: 'rand', name: 'Rand', path: outline('rand'), look: { stroke: '#a7d99b', width: 1.4 } },
    { id: 'filler', name: 'Filler', path: outline('filler'), look: { stroke: '#a9bac0', width: 1.6, dash: '1 4' } },
    { id: 'shank', name: 'Shank', path: outline('shank'), look: { stroke: '#a9bac0', width: 1.4 } },
  ].flatMap((l) => (l.path ? [{ ...l, path: side(l.path) }] : [])),
)
const world = computed(() => {
  const b = boxOf(...lines.value.map((l) => l.path))
  return { minX: b.minX - 8, minY: b.minY - 8, maxX: b.maxX + 8, maxY: b.maxY + 8 }
})
const view = useSlate(world, { left: 12, right: 190, top: 10, bottom: 60 })
const legend = computed<LegendLine[]>(() => lines.value.map(({ name, look }) => ({ name, ...look })))
</script>

<template>
  <SlateSurface :slate="view" label="Outlines along the bottom, on each other" :legend="legend" explained>
    <template #mm>
      <path
        v-for="l in lines"
        :key="l.id"
        :d="pathData(l.path, true)"
        :style="{ stroke: l.look.stroke, strokeWidth: l.look.width, strokeDasharray: l.look.dash }"
      />
    </template>
    <template v-if="worstHere">
      <line
        :x1="view.x(worstHere.from[0])"
        :y1="view.y(worstHere.from[1])"
        :x2="view.x(worstHere.to[0])"
        :y2="view.y(worstHere.to[1])"
        class="worst"
      />
      <circle :cx="view.x(worstHere.to[0])" :cy="view.y(worstHere.to[1])" r="12" class="worst" />
    </template>
  </SlateSurface>
</template>

<style scoped>
.worst {
  fill: none;
  stroke: #f0939b;
  stroke-width: 3;
}
</style>
