<script setup lang="ts">
import { boxOf, wallLines, type FormeMap, type Path, type Point, type Side, type WallStack } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import { usePanZoom } from '../../../../drawing/usePanZoom.ts'
import { asCss, thicknessColour, type Ramp } from './thicknessColours.ts'

/** One side of the forme in the tones of what lies on it; a touch says where to cut through. */
const props = defineProps<{ map: FormeMap; wall: WallStack; side: Side; ramp: Ramp; rib: Path }>()
const emit = defineEmits<{ point: [at: Point] }>()
const surface = ref<HTMLElement | null>(null)

/** Every second line of the grid: the eye sees no more. */
const STEP = 2
const cells = computed(() => {
  const { map, wall, side, ramp } = props
  const out: { d: string; fill: string }[] = []
  for (let i = 0; i + STEP < map.forme.columns; i += STEP) {
    for (let j = 0; j + STEP < map.forme.rows; j += STEP) {
      const t = wall.thickness(side, map.flatVertex(side, i + STEP / 2, j + STEP / 2))
      if (t <= 0.05) continue
      const corners: Path = [
        map.flatVertex(side, i, j),
        map.flatVertex(side, i + STEP, j),
        map.flatVertex(side, i + STEP, j + STEP),
        map.flatVertex(side, i, j + STEP),
      ]
      out.push({ d: pathData(corners, true), fill: asCss(thicknessColour(t, ramp)) })
    }
  }
  return out
})
const outline = computed<Path>(() => {
  const { map } = props
  const l = wallLines(map.forme)
  const edge = [
    ...l.feather,
    ...[...l.toeRib].reverse().slice(1),
    ...[...l.ridge].reverse().slice(1),
    ...[...l.rim].reverse().slice(1),
    ...[...l.back].reverse().slice(1),
  ]
  return edge.map((v): Point => map.flatVertex(props.side, Math.floor(v / map.forme.rows), v % map.forme.rows))
})
const world = computed(() => {
  const b = boxOf(outline.value)
  return { minX: b.minX - 4, minY: b.minY - 4, maxX: b.maxX + 4, maxY: b.maxY + 4 }
})
const view = usePanZoom(surface, world, { left: 8, right: 8, top: 8, bottom: 8 })
const { width, height } = view
function touch(event: PointerEvent): void {
  if (event.buttons === 0 && event.type === 'pointermove') return
  const box = surface.value?.getBoundingClientRect()
  if (!box) return
  const b = world.value
  const [x, y] = [event.clientX - box.left, event.clientY - box.top]
  const [x0, y0] = [view.x(b.minX), view.y(b.minY)]
  emit('point', [b.minX + (x - x0) / view.scale.value, b.minY - (y - y0) / view.scale.value])
}
</script>

<template>
  <div class="slate-table on-slate">
    <div ref="surface" class="slate-surface pick" @pointerdown="touch" @pointermove="touch">
      <svg :width="width" :height="height" role="img" :aria-label="`Thickness on the forme, ${side} side`">
        <g :transform="view.transform.value">
          <path v-for="(c, i) in cells" :key="i" :d="c.d" :style="{ fill: c.fill, stroke: c.fill }" class="cell" />
          <path :d="pathData(outline, true)" class="edge" />
          <path v-if="rib.length > 1" :d="pathData(rib, false)" class="rib" />
        </g>
      </svg>
    </div>
  </div>
</template>

<style scoped>
.pick {
  cursor: crosshair;
}
.cell {
  stroke-width: 1;
}
.edge {
  stroke: #eef2ee;
  stroke-width: 1.6;
}
.rib {
  stroke: #fff;
  stroke-width: 3;
}
</style>
