<script setup lang="ts">
import { boxOf, mirror, offset, type LastedStrip, type Path, type Point, type Tack } from '@gentle-awl/core'
import { computed, ref, watchEffect } from 'vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import type { LegendLine } from '../../../../drawing/legendLine.ts'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { useSlate } from '../../../../drawing/useSlate.ts'
import type { Foot } from '../../../../ui/feet.ts'

/** Tacks on the bottom of the last as it lies before the maker, seen from below: pressed, one is ticked off. */
const props = defineProps<{
  feather: Path
  strip: LastedStrip
  name: string
  /** How far inside the feather line it must lie flat, mm. */
  depth: number
  foot: Foot
  driven: ReadonlySet<number>
  next: number | null
  /** What comes next, in words. */
  said: string
}>()
const emit = defineEmits<{ tick: [number: number] }>()
const upright = ref(false)
/** All is planned as of a right shoe seen from above: from below the right one is its mirror. */
function seen(path: Path, closed = true): Path {
  const below = props.foot === 'right' ? mirror(path, closed) : path
  // On a sheet that is higher than wide the toe points up.
  return upright.value ? below.map(([x, y]): Point => [-y, x]) : below
}
const place = (p: Point): Point => seen([p], false)[0]!
const feather = computed(() => seen(props.feather))
const inside = computed(() => seen(offset(props.feather, -props.depth, 'the insole')))
const world = computed(() => {
  const b = boxOf(feather.value)
  return { minX: b.minX - 16, minY: b.minY - 16, maxX: b.maxX + 16, maxY: b.maxY + 16 }
})
const slate = useSlate(world, { left: 24, right: 24, top: 64, bottom: 80 })
watchEffect(() => {
  upright.value = slate.height.value > 1.1 * slate.width.value
})
/** Numbers stand outside, in two rows by turns along the line, px. */
const ROWS = [12, 26] as const
const middle = computed((): Point => {
  const b = boxOf(feather.value)
  return [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2]
})
const along = computed(() => [...props.strip.tacks].sort((a, b) => a.place - b.place))
/** Which way is out at a place of the feather line: across it, away from the middle of the bottom. */
function outwards([x, y]: Point): Point {
  const path = feather.value
  let best = 0
  for (let i = 1; i < path.length; i++) {
    if ((path[i]![0] - x) ** 2 + (path[i]![1] - y) ** 2 < (path[best]![0] - x) ** 2 + (path[best]![1] - y) ** 2)
      best = i
  }
  const [a, b] = [path[(best + path.length - 2) % path.length]!, path[(best + 2) % path.length]!]
  const l = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
  const [nx, ny] = [(b[1] - a[1]) / l, -(b[0] - a[0]) / l]
  const out = nx * (x - middle.value[0]) + ny * (y - middle.value[1]) >= 0 ? 1 : -1
  return [out * nx, out * ny]
}
const tacks = computed(() =>
  along.value.map((tack: Tack, i) => {
    const on = place(tack.on)
    const [nx, ny] = outwards(on)
    return { tack, on, at: place(tack.at), nx, ny, far: ROWS[i % 2]! }
  }),
)
const tucks = computed(() =>
  props.strip.between
    .filter((b) => b.tuck > 0)
    .map((b) => {
      const at = place(b.on)
      const [nx, ny] = outwards(at)
      return { key: `${b.from} ${b.to}`, at, to: [at[0] - nx * props.depth, at[1] - ny * props.depth] as Point }
    }),
)
const legend: LegendLine[] = [
  { name: 'Feather line', stroke: '#eef2ee', width: 2.4 },
  { name: 'Flat as far as here', stroke: '#8fa3aa', width: 1.4, dash: '4 4' },
  { name: 'A tuck stays', stroke: '#f0939b', width: 3 },
  { name: 'Driven', stroke: '#e6b355', width: 6 },
]
</script>

<template>
  <SlateSurface :slate="slate" :label="`${name}: ${strip.tacks.length} tacks, seen from below`" :legend="legend">
    <template #mm>
      <path :d="pathData(feather, true)" class="feather" />
      <path :d="pathData(inside, true)" class="inside" />
    </template>
    <template #over
      ><p class="said" role="status" data-testid="next">{{ said }}</p></template
    >
    <template #tools><slot /></template>
    <line
      v-for="t in tucks"
      :key="t.key"
      :x1="slate.x(t.at[0])"
      :y1="slate.y(t.at[1])"
      :x2="slate.x(t.to[0])"
      :y2="slate.y(t.to[1])"
      class="tuck"
    />
    <g
      v-for="{ tack, on, at, nx, ny, far } in tacks"
      :key="tack.number"
      :class="{ driven: driven.has(tack.number), next: next === tack.number, anchor: tack.anchor !== null }"
      :data-tack="tack.number"
      @click="emit('tick', tack.number)"
    >
      <circle :cx="slate.x(at[0])" :cy="slate.y(at[1])" r="14" class="thumb" />
      <circle :cx="slate.x(at[0])" :cy="slate.y(at[1])" :r="tack.anchor === null ? 4.5 : 7" class="tack" />
      <line :x1="slate.x(on[0])" :y1="slate.y(on[1])" :x2="slate.x(at[0])" :y2="slate.y(at[1])" class="run" />
      <text :x="slate.x(on[0]) + nx * far" :y="slate.y(on[1]) - ny * far + 5">{{ tack.number }}</text>
    </g>
  </SlateSurface>
</template>

<style scoped>
.said {
  position: absolute;
  top: 14px;
  left: 20px;
  margin: 0;
  color: #eef2ee;
  font-size: 18px;
}
path {
  fill: none;
  vector-effect: non-scaling-stroke;
}
.feather {
  fill: #ffffff0f;
  stroke: #eef2ee;
  stroke-width: 2.4;
}
.inside {
  stroke: #8fa3aa;
  stroke-width: 1.4;
  stroke-dasharray: 4 4;
}
.tuck {
  stroke: #f0939b;
  stroke-width: 3;
}
.run {
  stroke: #8fa3aa;
  stroke-width: 1;
}
.thumb {
  fill: transparent;
  cursor: pointer;
}
.tack {
  fill: #17262b;
  stroke: #eef2ee;
  stroke-width: 2;
  pointer-events: none;
}
.driven .tack {
  fill: #e6b355;
  stroke: #e6b355;
}
.next .tack {
  stroke: #e6b355;
  stroke-width: 4;
}
text {
  fill: #eef2ee;
  font-size: 13px;
  text-anchor: middle;
  pointer-events: none;
}
.anchor text {
  font-weight: 700;
  font-size: 15px;
}
.driven text {
  fill: #e6b355;
}
</style>
