<script setup lang="ts">
import { boxOf, contains, nearest, partPlaces, translate, type Part, type PartPlace, type Path } from '@gentle-awl/core'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { showLength } from '../../../../app/settings.ts'
import { cutData, pathData } from '../../../../drawing/svgPath.ts'
import { usePanZoom } from '../../../../drawing/usePanZoom.ts'
import ZoomButtons from '../../../../drawing/ZoomButtons.vue'
import { partLevel } from '../stages.ts'
import { boardLayout } from './boardLayout.ts'

/** Every part of the pair at one scale, by its place; a part is a link to itself. */
const props = defineProps<{ parts: readonly Part[]; to: (id: string) => string }>()
const surface = ref<HTMLElement | null>(null)
const router = useRouter()

/** Rows as wide as make the whole board about as wide as it is high on the table. */
const WIDTHS = [520, 640, 780, 940, 1120]
const places = Object.keys(partPlaces) as PartPlace[]
const size = useElementSize(surface)
const groups = computed(() => {
  const wanted = size.width.value / Math.max(1, size.height.value) || 1.3
  const tried = WIDTHS.map((w) => boardLayout(props.parts, places, w))
  const ratio = (g: (typeof tried)[number]) => {
    const b = bounds(g)
    return Math.abs(Math.log((b.maxX - b.minX) / (b.maxY - b.minY) / wanted))
  }
  return tried.reduce((best, g) => (ratio(g) < ratio(best) ? g : best))
})
function bounds(list: ReturnType<typeof boardLayout>) {
  const all = list.flatMap((g) => g.parts.map((p): Path => translate(p.part.outline, p.dx, p.dy)))
  const b = boxOf(...all)
  return { minX: b.minX, maxX: b.maxX, minY: b.minY - 34, maxY: Math.max(b.maxY, 0) }
}
const world = computed(() => {
  const b = bounds(groups.value)
  return { minX: b.minX - 8, minY: b.minY, maxX: b.maxX + 8, maxY: b.maxY + 6 }
})
const view = usePanZoom(surface, world, { left: 12, right: 12, top: 10, bottom: 62 })
const { width, height } = view
/** A name in as many lines as it has parts; left out where even those would run into the next. */
const nameLines = (part: Part) => part.name.split(', ')
const nameFits = (part: Part) => {
  const b = boxOf(part.outline)
  const longest = Math.max(...nameLines(part).map((line) => line.length))
  return (b.maxX - b.minX + 14) * view.scale.value > longest * 6.2
}
/** Of its other lines a part shows those that lie on it. */
const innerLines = (part: Part) =>
  part.lines.filter((l) => (l.kind === 'feather' || l.kind === 'fold') && l.path.every((p) => onPart(part, p)))
const onPart = (part: Part, p: Path[number]) => contains(part.outline, p) || nearest(part.outline, p, true).away < 1
const strips = (place: PartPlace) =>
  props.parts
    .filter((p) => p.place === place && p.strip)
    .map((p) => `${p.name} ${p.dimensions.map((d) => showLength(d.value, 0)).join(' × ')}`)
    .join(', ')
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
  <div class="slate-table on-slate">
    <div
      ref="surface"
      class="slate-surface"
      role="group"
      aria-label="All parts at one scale"
      @pointerdown="down"
      @pointerup="up"
    >
      <svg :width="width" :height="height">
        <template v-for="g in groups" :key="g.place">
          <text :x="view.x(world.minX + 8)" :y="view.y(g.top) + 16" class="title">
            {{ partPlaces[g.place] }}{{ strips(g.place) ? `. By measure: ${strips(g.place)}` : '' }}
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
            <text
              v-if="nameFits(b.part)"
              :x="view.x(b.label.x)"
              :y="view.y(b.label.y) + 15"
              text-anchor="middle"
              class="name"
            >
              <tspan v-for="(line, i) in nameLines(b.part)" :key="line" :x="view.x(b.label.x)" :dy="i === 0 ? 0 : 15">
                {{ line }}
              </tspan>
            </text>
          </a>
        </template>
      </svg>
    </div>
    <div class="slate-tools" role="toolbar" aria-label="Board">
      <ZoomButtons :view="view" />
    </div>
  </div>
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
.slate-surface .name {
  font-size: 13px;
  font-weight: 400;
  stroke-width: 3;
}
.slate-surface .title {
  font-family: 'Zilla Slab', serif;
  font-size: 17px;
  fill: #c9d3d3;
}
</style>
