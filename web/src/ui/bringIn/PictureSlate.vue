<script setup lang="ts">
import { contains, distance, nearest, pathLength, pointsAt, pulled, type Path, type Point } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import SlateSurface from '../../drawing/SlateSurface.vue'
import { pathData } from '../../drawing/svgPath.ts'
import { useSlate } from '../../drawing/useSlate.ts'
import type { PictureOutline } from './brought.ts'
import type { ShownPicture } from './usePicture.ts'

/** The straightened picture with the lines that were found in it: pressed to be chosen, the chosen one pulled into place. */
const props = defineProps<{
  picture: ShownPicture
  outlines: readonly PictureOutline[]
  meant: readonly number[]
  /** What a printed bar of 100 mm measures: the picture is so much larger or smaller. */
  bar: number
}>()
/** The two ends of a measure that is laid on a rule in the picture, mm as the picture is scaled now; null where none is asked for. */
const rule = defineModel<readonly [Point, Point] | null>('rule', { default: null })
const emit = defineEmits<{ press: [index: number]; pull: [index: number, path: Path, first: boolean] }>()

const size = computed(() => props.bar / 100)
const world = computed(() => {
  const { box } = props.picture.picture
  const s = size.value
  return { minX: box.minX * s, minY: box.minY * s, maxX: box.maxX * s, maxY: box.maxY * s }
})
const slate = useSlate(world, { left: 8, right: 8, top: 8, bottom: 8 })

/** A pull goes so far along the line on either side, mm. */
const REACH = 12
/** A line is grasped from so near, px. */
const GRASP = 16
const HANDLES = { apart: 30, least: 8, most: 30 }

const one = computed(() => (props.meant.length === 1 ? props.meant[0]! : null))
const line = computed(() => (one.value === null ? null : (props.outlines[one.value] ?? null)))
const handles = computed(() => {
  const path = line.value?.path
  if (!path) return []
  const length = pathLength(path, true)
  const count = Math.min(HANDLES.most, Math.max(HANDLES.least, Math.round(length / HANDLES.apart)))
  return pointsAt(
    path,
    Array.from({ length: count }, (_, k) => (length * k) / count),
    true,
  )
})

const held = ref<{ path: Path; from: Point; moved: boolean } | null>(null)
const ruleEnd = ref<0 | 1 | null>(null)
function down(event: PointerEvent): void {
  const place = slate.place(event)
  const ends = rule.value
  if (ends) {
    const away = ends.map((e) => distance(e, place) * slate.scale.value)
    const end = away[0]! < away[1]! ? 0 : 1
    if (away[end]! < GRASP) {
      ruleEnd.value = end
      slate.held.value = true
      slate.surface.value?.setPointerCapture(event.pointerId)
      return
    }
  }
  const path = line.value?.path
  if (path) {
    const near = nearest(path, place, true)
    if (near.away * slate.scale.value < GRASP) {
      held.value = { path, from: near.point, moved: false }
      slate.held.value = true
      slate.surface.value?.setPointerCapture(event.pointerId)
      return
    }
  }
  // The smallest that lies under the pointer is meant: one may lie within another.
  const under = props.outlines.map((o, i) => ({ o, i })).filter(({ o }) => contains(o.path, place))
  const last = under.at(-1)
  if (last) emit('press', last.i)
}
function drag(event: PointerEvent): void {
  if (ruleEnd.value !== null) {
    moveEnd(ruleEnd.value, slate.place(event))
    return
  }
  const h = held.value
  if (!h || one.value === null) return
  const to = slate.place(event)
  if (!h.moved && distance(to, h.from) * slate.scale.value < 3) return
  emit('pull', one.value, pulled(h.path, h.from, [to[0] - h.from[0], to[1] - h.from[1]], REACH), !h.moved)
  h.moved = true
}
function up(): void {
  held.value = null
  ruleEnd.value = null
  slate.held.value = false
}
function moveEnd(end: 0 | 1, to: Point): void {
  if (rule.value) rule.value = end === 0 ? [to, rule.value[1]] : [rule.value[0], to]
}
function nudgeEnd(event: KeyboardEvent, end: 0 | 1): void {
  const way = NUDGE[event.key]
  const at = rule.value?.[end]
  if (!way || !at) return
  event.preventDefault()
  event.stopPropagation()
  const by = event.shiftKey ? 5 : 0.2
  moveEnd(end, [at[0] + way[0] * by, at[1] + way[1] * by])
}
const NUDGE: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }
function nudge(event: KeyboardEvent, at: Point): void {
  const way = NUDGE[event.key]
  if (!way || one.value === null || !line.value) return
  event.preventDefault()
  event.stopPropagation()
  const by = event.shiftKey ? 2 : 0.2
  emit('pull', one.value, pulled(line.value.path, at, [way[0] * by, way[1] * by], REACH), true)
}
</script>

<template>
  <SlateSurface
    class="picture"
    :slate="slate"
    kind="group"
    label="The picture from straight above, with the outlines found in it"
    @down="down"
    @drag="drag"
    @up="up"
  >
    <template #mm>
      <image
        :href="picture.url"
        :x="world.minX"
        :y="-world.maxY"
        :width="world.maxX - world.minX"
        :height="world.maxY - world.minY"
        preserveAspectRatio="none"
      />
      <template v-for="(o, i) in outlines" :key="i">
        <path :d="pathData(o.path, true)" class="under" />
        <path :d="pathData(o.path, true)" class="line" :class="{ meant: meant.includes(i) }" />
        <path
          v-for="(h, k) in o.holes"
          :key="k"
          :d="pathData(h, true)"
          class="line"
          :class="{ meant: meant.includes(i) }"
        />
      </template>
    </template>
    <template v-if="rule">
      <line
        :x1="slate.x(rule[0][0])"
        :y1="slate.y(rule[0][1])"
        :x2="slate.x(rule[1][0])"
        :y2="slate.y(rule[1][1])"
        class="measure"
      />
      <g
        v-for="end in [0, 1] as const"
        :key="`end ${end}`"
        class="handle"
        role="button"
        tabindex="0"
        :aria-label="`${end === 0 ? 'First' : 'Other'} end of the measure on the rule: arrow keys move it`"
        @keydown="nudgeEnd($event, end)"
      >
        <circle :cx="slate.x(rule[end][0])" :cy="slate.y(rule[end][1])" r="8" class="dot end" />
      </g>
    </template>
    <template v-if="line">
      <g v-for="(g, i) in line.gaps" :key="`gap ${i}`" aria-hidden="true">
        <circle :cx="slate.x(g.at[0])" :cy="slate.y(g.at[1])" :r="8 + (g.length * slate.scale.value) / 2" class="gap" />
      </g>
      <g
        v-for="(h, i) in handles"
        :key="i"
        class="handle"
        role="button"
        tabindex="0"
        :aria-label="`Place ${i + 1} of ${handles.length} on the line: arrow keys move it`"
        @keydown="nudge($event, h)"
      >
        <circle :cx="slate.x(h[0])" :cy="slate.y(h[1])" r="6" class="dot" />
      </g>
    </template>
  </SlateSurface>
</template>

<style scoped>
.picture {
  height: 100%;
  min-height: 320px;
}
.under,
.line {
  fill: none;
  vector-effect: non-scaling-stroke;
}
.under {
  stroke: #ffffff;
  stroke-width: 4.5;
  opacity: 0.75;
}
.line {
  stroke: #5b6b72;
  stroke-width: 1.8;
  stroke-dasharray: 6 4;
}
.line.meant {
  stroke: #1e5b4c;
  stroke-width: 2.2;
  stroke-dasharray: none;
}
.dot {
  fill: #ffffff;
  stroke: #1e5b4c;
  stroke-width: 2;
}
.handle {
  cursor: move;
  outline: none;
}
.handle:focus-visible .dot {
  fill: #c98a1b;
  stroke-width: 3.5;
}
.measure {
  stroke: #c98a1b;
  stroke-width: 3;
}
.dot.end {
  fill: none;
  stroke: #c98a1b;
  stroke-width: 3;
}
.gap {
  fill: none;
  stroke: #a6303c;
  stroke-width: 2.5;
}
</style>
