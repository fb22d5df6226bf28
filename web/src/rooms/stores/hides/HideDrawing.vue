<script setup lang="ts">
import { boxOf, type HideFields, type Point } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength } from '../../../app/settings.ts'
import GroundShape from '../../../drawing/GroundShape.vue'
import { groundLegend } from '../../../drawing/groundLegend.ts'
import SlateSurface from '../../../drawing/SlateSurface.vue'
import { pathData } from '../../../drawing/svgPath.ts'
import { useSlate } from '../../../drawing/useSlate.ts'

/** A hide on the table: pressed, it takes a corner of what is being marked. */
const props = defineProps<{ hide: HideFields; corners: readonly Point[]; marking: boolean }>()
const emit = defineEmits<{ press: [at: Point] }>()
const world = computed(() => {
  const b = boxOf(props.hide.outline)
  return { minX: b.minX - 20, minY: b.minY - 20, maxX: b.maxX + 20, maxY: b.maxY + 20 }
})
const slate = useSlate(world, { left: 60, right: 20, top: 20, bottom: 70 })
/** A press that does not move the drawing, px. */
const STILL = 5
let from: { x: number; y: number } | null = null
const down = (e: PointerEvent) => (from = { x: e.clientX, y: e.clientY })
function up(e: PointerEvent): void {
  if (from && props.marking && Math.hypot(e.clientX - from.x, e.clientY - from.y) < STILL) {
    const [x, y] = slate.place(e)
    emit('press', [Math.round(x), Math.round(y)])
  }
  from = null
}
</script>

<template>
  <SlateSurface
    :slate="slate"
    :label="`${hide.name || 'The hide'}, seen from its face`"
    rulers
    :legend="groundLegend"
    :cursor="marking ? 'crosshair' : 'grab'"
    @down="down"
    @up="up"
  >
    <template #mm>
      <GroundShape :ground="hide" arrow />
      <path v-if="corners.length > 0" :d="pathData(corners, corners.length > 2)" class="begun" />
    </template>
    <circle
      v-for="(c, i) in corners"
      :key="`corner ${i}`"
      :cx="slate.x(c[0])"
      :cy="slate.y(c[1])"
      r="5"
      class="corner"
    />
    <g v-for="(s, i) in hide.samples" :key="`sample ${i}`">
      <circle :cx="slate.x(s.at[0])" :cy="slate.y(s.at[1])" r="4" class="sample" />
      <text :x="slate.x(s.at[0]) + 8" :y="slate.y(s.at[1]) + 5" class="thick">{{ showLength(s.thickness) }}</text>
    </g>
  </SlateSurface>
</template>

<style scoped>
.begun {
  fill: #ffffff22;
  stroke: #ffffff;
  stroke-width: 1.6;
  stroke-dasharray: 5 4;
  vector-effect: non-scaling-stroke;
}
.corner {
  fill: #ffffff;
}
.sample {
  fill: #9cc7d8;
}
.thick {
  fill: #eef2ee;
  font-size: 14px;
}
</style>
