<script setup lang="ts">
import { holeRings, punchingStrip, type Path, type Seam } from '@gentle-awl/core'
import { computed } from 'vue'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import { useSlate } from '../../../../drawing/useSlate.ts'
import type { LegendLine } from '../../../../drawing/legendLine.ts'

/** The strip of paper that a hand seam is punched by: its holes by their true way along the row. */
const props = defineProps<{ seam: Seam }>()
/** Half a tick, and what is drawn over the row, mm. */
const TICK = 1.6
const PAST = 6
/** The paper goes on past the first and the last hole, mm. */
const ENDS = 5
const row = computed(() => props.seam.on.find((o) => !o.part) ?? null)
const strip = computed(() => (row.value ? punchingStrip(row.value) : { length: 1, holes: [], corners: [] }))
const high = computed(() => props.seam.fromEdge + PAST)
const world = computed(() => ({ minX: -ENDS - 2, minY: -3, maxX: strip.value.length + ENDS + 2, maxY: high.value + 3 }))
const slate = useSlate(world, { left: 10, right: 10, top: 10, bottom: 76 })
const box = computed((): Path => [
  [-ENDS, 0],
  [strip.value.length + ENDS, 0],
  [strip.value.length + ENDS, high.value],
  [-ENDS, high.value],
])
const later = computed(() => props.seam.on.every((o) => o.punched === 'later'))
const upright = (at: number, from: number, to: number) =>
  pathData(
    [
      [at, from],
      [at, to],
    ],
    false,
  )
const marks = computed(() => {
  const y = props.seam.fromEdge
  return later.value
    ? holeRings(strip.value.holes.map((at) => [at, y] as const)).map((r) => pathData(r, true))
    : strip.value.holes.map((at) => upright(at, y - TICK, y + TICK))
})
const legend = computed((): LegendLine[] => [
  { name: 'Strip; its lower edge lies along the edge of the piece', stroke: '#eef2ee', width: 2 },
  later.value
    ? { name: 'Hole, punched later', stroke: '#ffd48a', width: 1, sign: 'M28 3a4 4 0 1 0 .01 0' }
    : { name: 'Hole', stroke: '#ffd48a', width: 9, dash: '1.6 7' },
  ...(strip.value.corners.length > 0 ? [{ name: 'Corner', stroke: '#a9bac0', width: 1, dash: '3 3' }] : []),
])
</script>

<template>
  <SlateSurface
    :slate="slate"
    :label="`Punching strip of ${seam.name}: ${strip.holes.length} holes`"
    :legend="legend"
    explained
  >
    <template #mm>
      <path :d="pathData(box, true)" class="paper" />
      <path v-for="at in strip.corners" :key="at" :d="upright(at, 0, high)" class="corner" />
      <path :d="marks.join('')" :class="later ? 'ring' : 'hole'" />
    </template>
    <template #tools><slot /></template>
  </SlateSurface>
</template>

<style scoped>
.slate-surface .paper {
  stroke: #eef2ee;
  stroke-width: 2;
  fill: #eef2ee;
  fill-opacity: 0.09;
}
.corner {
  stroke: #a9bac0;
  stroke-width: 1;
  stroke-dasharray: 3 3;
}
.hole {
  stroke: #ffd48a;
  stroke-width: 1.8;
}
.ring {
  stroke: #ffd48a;
  stroke-width: 1;
}
</style>
