<script setup lang="ts">
import { boxOf, type LastView, type Path, type Point } from '@gentle-awl/core'
import { computed } from 'vue'
import { showLength } from '../app/settings.ts'
import SlateLabel from './SlateLabel.vue'
import SlateSurface from './SlateSurface.vue'
import { pathData } from './svgPath.ts'
import { along, closed, useLabels } from './useLabels.ts'
import { useSlate } from './useSlate.ts'

/** A view of the last with its dimensions, on slate, as large as its place allows. */
const props = defineProps<{ view: LastView }>()

/** Arrow heads, pixels. */
const HEAD = { long: 11, half: 3.6 }

const dims = computed(() =>
  props.view.dimensions.map((d) => {
    const length = Math.hypot(d.to[0] - d.from[0], d.to[1] - d.from[1]) || 1
    const u: Point = [(d.to[0] - d.from[0]) / length, (d.to[1] - d.from[1]) / length]
    const n: Point = [-u[1] * d.away, u[0] * d.away]
    const a: Point = [d.from[0] + n[0], d.from[1] + n[1]]
    const b: Point = [d.to[0] + n[0], d.to[1] + n[1]]
    return { ...d, a, b, u, ticks: d.away === 0 ? '' : pathData([d.from, a], false) + pathData([d.to, b], false) }
  }),
)
const world = computed(() => {
  const b = boxOf(
    ...props.view.lines.map((l) => l.path),
    dims.value.flatMap((d) => [d.a, d.b]),
  )
  return { minX: b.minX - 6, minY: b.minY - 6, maxX: b.maxX + 6, maxY: b.maxY + 6 }
})
const slate = useSlate(world, { left: 110, right: 110, top: 76, bottom: 84 })
/** Arrow heads keep their size on the screen. */
const heads = computed(() =>
  dims.value.flatMap(({ a, b, u }) =>
    (
      [
        [a, 1],
        [b, -1],
      ] as const
    ).map(([tip, way]) => {
      const [x, y] = [slate.x(tip[0]), slate.y(tip[1])]
      const [bx, by] = [x + u[0] * HEAD.long * way, y - u[1] * HEAD.long * way]
      const [sx, sy] = [u[1] * HEAD.half, u[0] * HEAD.half]
      return `M${bx - sx} ${by - sy}L${x} ${y}L${bx + sx} ${by + sy}`
    }),
  ),
)
const labels = useLabels(
  slate,
  computed(() =>
    dims.value.map((d) => ({
      key: d.name,
      lines: [d.name, showLength(d.value)],
      size: 15,
      at: [(d.a[0] + d.b[0]) / 2, (d.a[1] + d.b[1]) / 2] as Point,
      names: along(d.a, d.b),
    })),
  ),
  computed(() => [
    ...props.view.lines.map((l) => (l.closed ? closed(l.path) : l.path)),
    ...dims.value.flatMap(
      (d) =>
        [
          [d.a, d.b],
          [d.from, d.a],
          [d.to, d.b],
        ] as Path[],
    ),
  ]),
  // Room is left all round for them.
  110,
)
const said = computed(() => props.view.dimensions.map((d) => `${d.name} ${showLength(d.value)}`).join(', '))
</script>

<template>
  <SlateSurface :slate="slate" :label="`${view.name}. ${said}`">
    <template #mm>
      <path v-for="(l, i) in view.lines" :key="i" :d="pathData(l.path, l.closed)" :class="l.kind" />
      <template v-for="d in dims" :key="d.name">
        <path :d="d.ticks" class="tick" />
        <path :d="pathData([d.a, d.b], false)" class="dim" />
      </template>
    </template>
    <path v-for="(d, i) in heads" :key="i" :d="d" class="dim" />
    <SlateLabel v-for="l in labels" :key="l.place.key" v-bind="l" />
  </SlateSurface>
</template>

<style scoped>
path {
  stroke: var(--chalk);
  stroke-width: 1.2;
}
.outline {
  fill: #d8b78722;
  stroke-width: 2;
}
.feather {
  stroke-width: 2;
}
.hidden,
.axis {
  stroke: var(--chalk-soft);
  stroke-dasharray: 9 5;
  stroke-width: 1;
}
.ground {
  stroke: var(--chalk-soft);
  stroke-dasharray: 15 7;
}
.tape {
  stroke: #e6b355;
}
.tick {
  stroke: var(--chalk-soft);
  stroke-width: 0.8;
}
</style>
