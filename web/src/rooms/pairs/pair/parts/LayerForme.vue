<script setup lang="ts">
import {
  boxOf,
  formeOutline,
  type FormeMap,
  type Path,
  type Point,
  type Side,
  type ThicknessRaster,
} from '@gentle-awl/core'
import { computed, ref, useId } from 'vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import { usePanZoom } from '../../../../drawing/usePanZoom.ts'
import { thicknessColour, type Ramp } from './thicknessColours.ts'

/** One side of the forme in the tones of what lies on it; a touch says where to cut through. */
const props = defineProps<{ map: FormeMap; raster: ThicknessRaster | null; side: Side; ramp: Ramp; rib: Path }>()
const emit = defineEmits<{ point: [at: Point] }>()
const clipId = useId()
const surface = ref<HTMLElement | null>(null)

/** The raster as a picture, a pixel a cell, top row first; clear where nothing lies. */
const picture = computed(() => {
  const { raster, ramp } = props
  if (!raster) return null
  const { columns, rows, values, step, minX, minY } = raster
  const canvas = document.createElement('canvas')
  canvas.width = columns
  canvas.height = rows
  const paper = canvas.getContext('2d')
  if (!paper) return null
  const image = paper.createImageData(columns, rows)
  for (let j = 0; j < rows; j++) {
    for (let i = 0; i < columns; i++) {
      const t = values[(rows - 1 - j) * columns + i]!
      if (t <= 0.05) continue
      const colour = thicknessColour(t, ramp)
      const at = 4 * (j * columns + i)
      for (let c = 0; c < 3; c++) image.data[at + c] = 255 * colour[c]!
      image.data[at + 3] = 255
    }
  }
  paper.putImageData(image, 0, 0)
  return {
    href: canvas.toDataURL(),
    x: minX,
    y: -(minY + rows * step),
    width: columns * step,
    height: rows * step,
  }
})
const outline = computed<Path>(() => formeOutline(props.map, props.side))
const world = computed(() => {
  const b = boxOf(outline.value)
  return { minX: b.minX - 4, minY: b.minY - 4, maxX: b.maxX + 4, maxY: b.maxY + 4 }
})
const view = usePanZoom(surface, world, { left: 8, right: 8, top: 8, bottom: 8 })
const { width, height } = view
// A pointer cuts through here; it does not move the drawing.
view.held.value = true
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
          <clipPath :id="clipId"><path :d="pathData(outline, true)" /></clipPath>
          <image v-if="picture" v-bind="picture" preserveAspectRatio="none" :clip-path="`url(#${clipId})`" />
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
.edge {
  stroke: #eef2ee;
  stroke-width: 1.6;
}
.rib {
  stroke: #fff;
  stroke-width: 3;
}
</style>
