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
import { computed, useId } from 'vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { useSlate } from '../../../../drawing/useSlate.ts'
import { thicknessColour, type Ramp } from './thicknessColours.ts'

/** One side of the forme in the tones of what lies on it; a touch says where to cut through. */
const props = defineProps<{ map: FormeMap; raster: ThicknessRaster | null; side: Side; ramp: Ramp; rib: Path }>()
const emit = defineEmits<{ point: [at: Point] }>()
const clipId = useId()

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
const view = useSlate(world, { left: 8, right: 8, top: 8, bottom: 60 })
// A pointer cuts through here; it does not move the drawing.
view.held.value = true
function touch(event: PointerEvent): void {
  if (event.buttons === 0 && event.type === 'pointermove') return
  emit('point', view.place(event))
}
</script>

<template>
  <SlateSurface
    :slate="view"
    :label="`Thickness on the forme, ${side} side`"
    cursor="crosshair"
    @down="touch"
    @drag="touch"
  >
    <template #mm>
      <clipPath :id="clipId"><path :d="pathData(outline, true)" /></clipPath>
      <image v-if="picture" v-bind="picture" preserveAspectRatio="none" :clip-path="`url(#${clipId})`" />
      <path :d="pathData(outline, true)" class="edge" />
      <path v-if="rib.length > 1" :d="pathData(rib, false)" class="rib" />
    </template>
  </SlateSurface>
</template>

<style scoped>
.edge {
  stroke: #eef2ee;
  stroke-width: 1.6;
}
.rib {
  stroke: #fff;
  stroke-width: 3;
}
</style>
