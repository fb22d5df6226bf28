<script setup lang="ts">
import { boxOf, type LastView, type Point } from '@gentle-awl/core'
import { computed } from 'vue'
import { lengthUnit, showLength } from '../app/settings.ts'
import { pathData } from './svgPath.ts'

/** A view of the last with its dimensions, on slate, as large as its place allows. */
const props = defineProps<{ view: LastView }>()

const dims = computed(() =>
  props.view.dimensions.map((d) => {
    const length = Math.hypot(d.to[0] - d.from[0], d.to[1] - d.from[1]) || 1
    const u: Point = [(d.to[0] - d.from[0]) / length, (d.to[1] - d.from[1]) / length]
    const n: Point = [-u[1] * d.away, u[0] * d.away]
    const a: Point = [d.from[0] + n[0], d.from[1] + n[1]]
    const b: Point = [d.to[0] + n[0], d.to[1] + n[1]]
    const arrow = (tip: Point, way: number): string => {
      const back: Point = [tip[0] + u[0] * 4 * way, tip[1] + u[1] * 4 * way]
      return pathData(
        [[back[0] - u[1] * 1.3, back[1] + u[0] * 1.3], tip, [back[0] + u[1] * 1.3, back[1] - u[0] * 1.3]],
        false,
      )
    }
    const upright = Math.abs(u[1]) > Math.abs(u[0])
    // Figures stand outside the body: before the heel, past the toe.
    const atHeel = d.away !== 0 && a[0] < 40
    return {
      ...d,
      line: pathData([a, b], false),
      ticks: d.away === 0 ? '' : pathData([d.from, a], false) + pathData([d.to, b], false),
      arrows: arrow(a, 1) + arrow(b, -1),
      x: (a[0] + b[0]) / 2 + (upright ? (atHeel ? -2.5 : 2.5) : 0),
      y: (a[1] + b[1]) / 2 + (upright ? 0 : 3),
      anchor: upright ? (atHeel ? ('end' as const) : ('start' as const)) : ('middle' as const),
    }
  }),
)
const box = computed(() => {
  const b = boxOf(
    ...props.view.lines.map((l) => l.path),
    dims.value.map((d): Point => [d.x, d.y]),
  )
  const outside = props.view.dimensions.some((d) => d.away > 20)
  const left = outside ? 84 : 16
  return `${b.minX - left} ${-b.maxY - 12} ${b.maxX - b.minX + left + (outside ? 64 : 16)} ${b.maxY - b.minY + 34}`
})
const said = computed(() => props.view.dimensions.map((d) => `${d.name} ${showLength(d.value)}`).join(', '))
</script>

<template>
  <svg class="view" :viewBox="box" role="img" :aria-label="`${view.name}. ${said}`" :data-unit="lengthUnit">
    <g>
      <path v-for="(l, i) in view.lines" :key="i" :d="pathData(l.path, l.closed)" :class="l.kind" />
      <template v-for="d in dims" :key="d.name">
        <path :d="d.ticks" class="tick" />
        <path :d="d.line" class="dim" />
        <path :d="d.arrows" class="dim" />
      </template>
    </g>
    <text v-for="d in dims" :key="d.name" :x="d.x" :y="-d.y" :text-anchor="d.anchor">
      {{ d.name }} {{ showLength(d.value) }}
    </text>
  </svg>
</template>

<style scoped>
.view {
  width: 100%;
  height: 100%;
  background: var(--slate);
}
path {
  fill: none;
  stroke: var(--chalk);
  stroke-width: 0.6;
  stroke-linejoin: round;
}
.outline {
  fill: #d8b78722;
  stroke-width: 1;
}
.feather {
  stroke-width: 1;
}
.hidden,
.axis {
  stroke: var(--chalk-soft);
  stroke-dasharray: 4 2.5;
  stroke-width: 0.4;
}
.ground {
  stroke: var(--chalk-soft);
  stroke-dasharray: 7 3;
}
.tape {
  stroke: #e6b355;
  stroke-width: 0.5;
}
.tick {
  stroke: var(--chalk-soft);
  stroke-width: 0.3;
}
.dim {
  stroke-width: 0.45;
}
text {
  fill: var(--chalk);
  font-size: 7.5px;
  font-variant-numeric: tabular-nums;
  paint-order: stroke;
  stroke: var(--slate);
  stroke-width: 2px;
}
</style>
