<script setup lang="ts">
import { contains, nearest, partPlaces, translate, type Part, type PartPlace, type Path } from '@gentle-awl/core'
import { computed, ref, watchEffect } from 'vue'
import { useRouter } from 'vue-router'
import { showLength } from '../../../../app/settings.ts'
import { cutData, pathData } from '../../../../drawing/svgPath.ts'
import SlateLabel from '../../../../drawing/SlateLabel.vue'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { closed, useLabels } from '../../../../drawing/useLabels.ts'
import { useSlate } from '../../../../drawing/useSlate.ts'
import { partLevel } from '../stages.ts'
import { boardLayout, nameLines } from './boardLayout.ts'

/** Every part of the pair at one scale, by its place; a part is a link to itself. */
const props = defineProps<{ parts: readonly Part[]; to: (id: string) => string }>()
const router = useRouter()

/** Rows so wide, mm, are tried; those are taken that let all be drawn largest. */
const WIDTHS = Array.from({ length: 15 }, (_, k) => 420 * 1.09 ** k)
const insets = { left: 12, right: 12, top: 10, bottom: 62 }
const places = Object.keys(partPlaces) as PartPlace[]
/** Pixels that the board may take. */
const room = ref({ width: 900, height: 600 })
const groups = computed(() => {
  const { width, height } = room.value
  const tried = WIDTHS.map((w) => {
    // Names are as large as the screen says: how large that is here follows from the scale, and the scale from them.
    let px = 1
    for (let k = 0; k < 4; k++) {
      const b = bounds(boardLayout(props.parts, places, w, px))
      px = Math.max((b.maxX - b.minX) / width, (b.maxY - b.minY) / height)
    }
    return { px, layout: boardLayout(props.parts, places, w, px) }
  })
  return tried.reduce((best, t) => (t.px < best.px ? t : best)).layout
})
function bounds(list: ReturnType<typeof boardLayout>) {
  const boxes = list.flatMap((g) => g.parts.map((p) => p.box))
  return {
    minX: Math.min(...boxes.map((b) => b.minX)) - 8,
    maxX: Math.max(...boxes.map((b) => b.maxX)) + 8,
    minY: Math.min(...boxes.map((b) => b.minY)) - 40,
    maxY: Math.max(0, ...boxes.map((b) => b.maxY)) + 6,
  }
}
const world = computed(() => bounds(groups.value))
const view = useSlate(world, insets)
watchEffect(() => {
  const [width, height] = [
    view.width.value - insets.left - insets.right,
    view.height.value - insets.top - insets.bottom,
  ]
  if (width > 0 && height > 0) room.value = { width, height }
})
const outlines = computed(() =>
  groups.value.flatMap((g) => g.parts.map((b) => ({ ...b, path: translate(b.part.outline, b.dx, b.dy) }))),
)
/** A name stands under its part; where there is no room, a line leads to it. */
const labels = useLabels(
  view,
  computed(() =>
    outlines.value.map(({ part, label, path }) => {
      const lines = nameLines(part)
      return {
        key: part.id,
        lines,
        size: 13,
        at: [label.x, label.y - (4 + 7.5 * lines.length) / view.scale.value] as const,
        names: path,
      }
    }),
  ),
  computed(() => [
    ...outlines.value.map(({ path }) => closed(path)),
    // Names keep out of the groups' titles.
    ...groups.value.flatMap((g) =>
      [4, 10, 16].map((below): Path => {
        const y = g.top - below / view.scale.value
        return [
          [world.value.minX, y],
          [world.value.minX + (titleOf(g.place).length * 9) / view.scale.value, y],
        ]
      }),
    ),
  ]),
)
/** Of its other lines a part shows those that lie on it. */
const innerLines = (part: Part) =>
  part.lines.filter((l) => (l.kind === 'feather' || l.kind === 'fold') && l.path.every((p) => onPart(part, p)))
const onPart = (part: Part, p: Path[number]) => contains(part.outline, p) || nearest(part.outline, p, true).away < 1
const strips = (place: PartPlace) =>
  props.parts
    .filter((p) => p.place === place && p.strip)
    .map((p) => `${p.name} ${p.dimensions.map((d) => showLength(d.value, 0)).join(' × ')}`)
    .join(', ')
const titleOf = (place: PartPlace) => `${partPlaces[place]}${strips(place) ? `. By measure: ${strips(place)}` : ''}`
let pressed: { x: number; y: number } | null = null
function down(event: PointerEvent): void {
  pressed = { x: event.clientX, y: event.clientY }
}
function open(event: MouseEvent, id: string): void {
  // A drag over a part is a drag, not a choice.
  const moved = pressed && Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) > 6
  if (!moved) void router.push(props.to(id))
}
/** The surface holds the pointer while it is down, so what was meant is looked up by place. */
function up(event: PointerEvent): void {
  const hit = document
    .elementsFromPoint(event.clientX, event.clientY)
    .find((e) => e instanceof SVGElement && e.closest('[data-part]'))
  const id = hit?.closest('[data-part]')?.getAttribute('data-part')
  if (id) open(event, id)
}
</script>

<template>
  <SlateSurface :slate="view" kind="group" label="All parts at one scale" @down="down" @up="up">
    <template v-for="g in groups" :key="g.place">
      <text :x="view.x(world.minX + 8)" :y="view.y(g.top) + 16" class="title">
        {{ titleOf(g.place) }}
      </text>
      <a
        v-for="b in g.parts"
        :key="b.part.id"
        :href="to(b.part.id)"
        class="part"
        :class="partLevel(b.part)"
        :aria-label="b.part.name"
        :data-part="b.part.id"
        @click.prevent
        @keydown.enter.prevent="router.push(to(b.part.id))"
      >
        <g :transform="`${view.transform.value} translate(${b.dx} ${-b.dy})`">
          <path :d="cutData(b.part)" class="cut" />
          <path v-for="l in innerLines(b.part)" :key="l.name" :d="pathData(l.path, l.closed)" class="inner" />
        </g>
      </a>
    </template>
    <SlateLabel v-for="l in labels" :key="l.place.key" v-bind="l" class="name" />
  </SlateSurface>
</template>

<style scoped>
.slate-surface .cut {
  fill: #eef2ee;
  fill-opacity: 0.08;
  stroke: #eef2ee;
  stroke-width: 1.6;
  pointer-events: all;
}
.part {
  cursor: pointer;
}
.part:hover .cut,
.part:focus-visible .cut {
  fill-opacity: 0.22;
}
.part:focus-visible {
  outline: none;
}
.part:focus-visible .cut {
  stroke: #ffd48a;
  stroke-width: 3;
}
.part.watch .cut {
  stroke: #e6b355;
}
.part.stop .cut {
  stroke: #f0939b;
  stroke-width: 2.6;
}
.inner {
  stroke: #a9bac0;
  stroke-width: 1;
}
.name :deep(text) {
  font-weight: 400;
  stroke-width: 3;
}
.slate-surface .title {
  font-family: 'Zilla Slab', serif;
  font-size: 17px;
  fill: #c9d3d3;
}
</style>
