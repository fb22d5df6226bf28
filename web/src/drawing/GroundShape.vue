<script setup lang="ts">
import { boxOf, contains, grainArrow, tightAt, type LayGround, type Point } from '@gentle-awl/core'
import { computed, useId } from 'vue'
import { pathData } from './svgPath.ts'

/** A hide or sheet as it lies, mm: its edge, lesser parts, flaws, and which way it gives least. */
const props = defineProps<{ ground: LayGround; arrow?: boolean }>()
const TIP = 26
const clip = useId()
const tight = computed(() => {
  const b = boxOf(props.ground.outline)
  const [x, y] = [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2]
  const half = 0.3 * Math.min(b.maxX - b.minX, b.maxY - b.minY)
  const a = (props.ground.tight * Math.PI) / 180
  const [dx, dy] = [half * Math.cos(a), half * Math.sin(a)]
  const [from, to]: [Point, Point] = [
    [x - dx, y - dy],
    [x + dx, y + dy],
  ]
  return grainArrow({ from, to }, TIP)
})
/** So many strokes along the longer side show how the direction turns. */
const STROKES = 16
const field = computed((): Point[][] => {
  const { outline, directions } = props.ground
  if (directions.length === 0) return []
  const b = boxOf(outline)
  const step = Math.max(b.maxX - b.minX, b.maxY - b.minY) / STROKES
  const strokes: Point[][] = []
  for (let x = b.minX + step / 2; x < b.maxX; x += step) {
    for (let y = b.minY + step / 2; y < b.maxY; y += step) {
      if (!contains(outline, [x, y])) continue
      const a = (tightAt(props.ground, [x, y]) * Math.PI) / 180
      const [dx, dy] = [0.3 * step * Math.cos(a), 0.3 * step * Math.sin(a)]
      strokes.push([
        [x - dx, y - dy],
        [x + dx, y + dy],
      ])
    }
  }
  return strokes
})
</script>

<template>
  <g class="ground">
    <clipPath :id="clip"><path :d="pathData(ground.outline, true)" /></clipPath>
    <path :d="pathData(ground.outline, true)" class="edge" />
    <g :clip-path="`url(#${clip})`">
      <path v-for="(z, i) in ground.zones" :key="`zone ${i}`" :d="pathData(z.outline, true)" :class="z.grade" />
    </g>
    <path v-for="(f, i) in ground.flaws" :key="`flaw ${i}`" :d="pathData(f.outline, true)" :class="['flaw', f.kind]" />
    <path v-for="(s, i) in field" :key="`way ${i}`" :d="pathData(s, false)" class="way" />
    <template v-if="arrow && field.length === 0">
      <path v-for="(a, i) in tight" :key="`tight ${i}`" :d="pathData(a, false)" class="tight" />
    </template>
  </g>
</template>

<style scoped>
path {
  fill: none;
  vector-effect: non-scaling-stroke;
}
.edge {
  fill: #ffffff0f;
  stroke: #eef2ee;
  stroke-width: 2;
}
.good {
  fill: #c9d6a31f;
  stroke: #c9d6a3;
  stroke-width: 1.4;
  stroke-dasharray: 9 5;
}
.lesser {
  fill: #c98a1b2b;
  stroke: #c98a1b;
  stroke-width: 1.4;
  stroke-dasharray: 3 4;
}
.flaw {
  fill: #e58a9255;
  stroke: #e58a92;
  stroke-width: 2;
}
.hole {
  fill: #10191d;
}
.way {
  stroke: #eef2ee;
  stroke-opacity: 0.55;
  stroke-width: 1.2;
}
.tight {
  stroke: #eef2ee;
  stroke-width: 1.6;
}
</style>
