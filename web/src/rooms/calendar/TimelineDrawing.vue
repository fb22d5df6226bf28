<script setup lang="ts">
import { useElementSize, useScroll } from '@vueuse/core'
import { dateAt, dayAfter, instantAt, weekdayOf, type WorkshopDays } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { wallTime } from '../../app/wallTime.ts'
import { closedBetween, timeScale } from './timeScale.ts'
import type { TimelineBar, TimelineRow } from './timelineRows.ts'
import { useBarDrag } from './useBarDrag.ts'

/**
 * Rows of work over time, on slate: a bar a step, pale where nobody works, hatched where something dries. Only the rows that
 * are looked at are drawn. The same is said in words by the list beside it.
 */
const props = defineProps<{
  rows: readonly TimelineRow[]
  days: WorkshopDays
  from: number
  to: number
  now: number
  /** Whose bars are marked: a pair's id. */
  marked: string | null
  chosen: string | null
  title: string
  /** Whether bars of work can be dragged elsewhere. */
  movable?: boolean
}>()
const emit = defineEmits<{
  choose: [bar: TimelineBar]
  put: [bar: TimelineBar, row: string, at: number]
  /** More time at once, or less; the instant under the pointer stays where it is, so far across (0 to 1). */
  zoom: [by: 1 | -1, at: number, across: number]
}>()

const ROW = 52
/** A step is put at full five minutes, ms. */
const STEP = 5 * 60_000
const HEAD = 46
const place = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(place)
/** Room for the names of the rows. */
const names = computed(() => (width.value < 520 ? 92 : 150))
const { y: scrolled } = useScroll(place)
const x = computed(() =>
  timeScale(props.from, props.to, closedBetween(props.days, null, props.from, props.to), [
    names.value,
    Math.max(names.value + 100, width.value),
  ]),
)
const seen = computed(() => {
  const first = Math.max(0, Math.floor((scrolled.value - HEAD) / ROW) - 1)
  const count = Math.ceil(Math.max(400, height.value) / ROW) + 2
  return props.rows.slice(first, first + count).map((row, i) => ({
    row,
    y: HEAD + (first + i) * ROW,
    bars: row.bars.flatMap((bar) => {
      if (bar.end < props.from || bar.start > props.to) return []
      const [a, b] = [x.value(Math.max(bar.start, props.from)), x.value(Math.min(bar.end, props.to))]
      return [{ bar, x: a, width: Math.max(2, b - a), room: b - a }]
    }),
    closed: closedOf(row.id),
  }))
})
/** When a maker does not work; in other rows, when nobody does. */
const closedOf = (id: string) =>
  closedBetween(props.days, props.days.makers.some((m) => m.id === id) ? id : null, props.from, props.to).map(
    ([a, b]) => ({ x: x.value(a), width: x.value(b) - x.value(a) }),
  )
const DAY = 86_400_000
const clock = computed(() => wallTime(props.days.zone))
/** Midnights, with the day's name where there is room for it; and hours when a day or two are looked at. */
const ticks = computed(() => {
  const { zone } = props.days
  const span = props.to - props.from
  const every = span <= 10 * DAY ? 1 : span <= 45 * DAY ? 7 : 14
  const out: { at: number; name: string; strong: boolean }[] = []
  for (let date = dateAt(zone, props.from); ; date = dayAfter(date)) {
    const at = instantAt(zone, date, 0)
    if (at > props.to) break
    const named = every === 1 || (weekdayOf(date) === 0 && (every === 7 || Math.round(at / (7 * DAY)) % 2 === 0))
    if (at >= props.from)
      out.push({ at, name: named ? clock.value.day(instantAt(zone, date, 720)) : '', strong: named })
    if (span > 2.5 * DAY) continue
    for (let hour = 2; hour < 24; hour += 2) {
      const then = instantAt(zone, date, hour * 60)
      if (then >= props.from && then <= props.to) out.push({ at: then, name: clock.value.time(then), strong: false })
    }
  }
  // Names that would lie on each other: the later one goes.
  const free = { strong: -Infinity, hour: -Infinity }
  for (const t of out) {
    const at = x.value(t.at)
    const row = t.strong ? 'strong' : 'hour'
    const underNow = !t.strong && Math.abs(at - x.value(props.now)) < 44
    if (t.name !== '' && (at < free[row] || underNow)) t.name = ''
    else if (t.name !== '') free[row] = at + (t.strong ? 86 : 48)
  }
  return out
})
const tall = computed(() => HEAD + props.rows.length * ROW + 8)
const nowX = computed(() => x.value(props.now))
/** Wheel or two fingers with the control key, as drawings everywhere here: without it the rows scroll. */
function zoom(event: WheelEvent): void {
  const box = place.value?.getBoundingClientRect()
  if (!box || event.deltaY === 0) return
  const px = Math.max(names.value, event.clientX - box.left)
  const across = (px - names.value) / Math.max(1, width.value - names.value)
  emit('zoom', event.deltaY > 0 ? 1 : -1, x.value.invert(px), across)
}
const drawing = ref<SVGSVGElement | null>(null)
/** The bar that is being dragged, and where it would come to lie. */
const ghost = ref<{ bar: TimelineBar; x: number; y: number; width: number } | null>(null)
useBarDrag(drawing, {
  barAt: (id) => {
    if (!props.movable) return null
    for (const { y, bars } of seen.value) {
      const found = bars.find((b) => b.bar.id === id && b.bar.kind === 'work' && !b.bar.entry?.begun)
      if (found) return { bar: found.bar, x: found.x, y, width: found.width }
    }
    return null
  },
  moved: (from, dx, dy) => {
    const row = Math.max(0, Math.min(props.rows.length - 1, Math.floor((from.y + dy + ROW / 2 - HEAD) / ROW)))
    ghost.value = { ...from, x: Math.max(names.value, from.x + dx), y: HEAD + row * ROW }
  },
  dropped: () => {
    const put = ghost.value
    ghost.value = null
    const row = put && props.rows[Math.round((put.y - HEAD) / ROW)]
    if (put && row) emit('put', put.bar, row.id, Math.round(x.value.invert(put.x) / STEP) * STEP)
  },
})
/** So many letters go into so many pixels. */
const fitting = (text: string, room: number) => {
  const most = Math.floor((room - 10) / 7.4)
  return text.length <= most ? text : most > 3 ? `${text.slice(0, most - 1)}…` : ''
}
</script>

<template>
  <div
    ref="place"
    class="timeline on-slate slate-surface"
    tabindex="0"
    role="group"
    :aria-label="title"
    @wheel.ctrl.prevent="zoom"
  >
    <svg
      v-if="width > 0"
      ref="drawing"
      :class="{ movable }"
      :width="width"
      :height="tall"
      role="img"
      :aria-label="title"
    >
      <defs>
        <pattern id="drying" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="7" class="hatch" />
        </pattern>
      </defs>
      <g v-for="{ row, y, bars, closed } in seen" :key="row.id">
        <rect v-for="(c, i) in closed" :key="i" class="closed" :x="c.x" :y="y" :width="c.width" :height="ROW" />
        <line class="rule" x1="0" :x2="width" :y1="y + ROW" :y2="y + ROW" />
        <g
          v-for="b in bars"
          :key="b.bar.id"
          :class="[
            b.bar.kind,
            `tint${b.bar.tint % 8}`,
            {
              chosen: b.bar.id === chosen,
              put: b.bar.put,
              begun: b.bar.entry?.begun,
              pale: marked && b.bar.entry?.pair !== marked,
            },
          ]"
          :data-bar="b.bar.id"
          @click="emit('choose', b.bar)"
        >
          <title>{{ b.bar.title }}, {{ clock.both(b.bar.start) }} to {{ clock.both(b.bar.end) }}</title>
          <rect
            :x="b.x"
            :y="y + (b.bar.kind === 'wait' ? 18 : 5)"
            :width="b.width"
            :height="ROW - (b.bar.kind === 'wait' ? 36 : 10)"
            rx="3"
          />
          <text v-if="b.room > 30" :x="b.x + 5" :y="y + ROW / 2 + 5">{{ fitting(b.bar.label, b.room) }}</text>
        </g>
      </g>
      <g v-for="t in ticks" :key="t.at">
        <line
          class="tick"
          :class="{ strong: t.strong }"
          :x1="x(t.at)"
          :x2="x(t.at)"
          :y1="t.strong ? 6 : 28"
          :y2="tall"
        />
        <text v-if="t.name" class="when" :x="x(t.at) + 5" :y="t.strong ? 20 : 40">{{ t.name }}</text>
      </g>
      <g v-if="now >= from && now <= to">
        <line class="now" :x1="nowX" :x2="nowX" y1="24" :y2="tall" />
        <text class="now-word" :x="nowX + 5" y="38">now</text>
      </g>
      <rect
        v-if="ghost"
        class="ghost"
        :x="ghost.x"
        :y="ghost.y + 5"
        :width="Math.max(8, ghost.width)"
        :height="ROW - 10"
        rx="3"
      />
      <rect class="names" x="0" y="0" :width="names - 6" :height="tall" />
      <text v-for="{ row, y } in seen" :key="`${row.id} name`" class="name" x="10" :y="y + ROW / 2 + 5">
        {{ fitting(row.name, names - 10) }}
        <title>{{ row.name }}</title>
      </text>
    </svg>
  </div>
</template>

<style scoped>
.timeline {
  min-height: 0;
  overflow: hidden auto;
  border-radius: 14px;
  background: var(--slate);
  color: var(--chalk);
}
svg {
  display: block;
}
text {
  fill: var(--chalk);
  font:
    15px 'Atkinson Hyperlegible Next',
    sans-serif;
  pointer-events: none;
}
.names {
  fill: var(--slate-deep);
}
.name {
  font-weight: 600;
  font-size: 15px;
}
.closed {
  fill: #000;
  opacity: 0.22;
}
.rule,
.tick {
  stroke: var(--chalk);
  opacity: 0.12;
}
.tick.strong {
  opacity: 0.3;
}
.when {
  font-size: 14px;
  fill: var(--chalk-soft);
}
.now {
  stroke: #ffd48a;
  stroke-width: 2;
}
.now-word {
  fill: #ffd48a;
  font-size: 14px;
}
.hatch {
  stroke: var(--chalk);
  stroke-width: 2.5;
}
.work,
.hold,
.wait {
  cursor: pointer;
}
.work rect,
.hold rect {
  fill: var(--bar);
  stroke: var(--slate-deep);
}
.work text,
.hold text {
  fill: #10201b;
  font-weight: 600;
}
.wait rect {
  fill: url('#drying');
  opacity: 0.55;
}
.pale {
  opacity: 0.3;
}
.movable .work:not(.begun) {
  cursor: grab;
}
.put rect {
  stroke: #ffd48a;
  stroke-width: 3;
}
.ghost {
  fill: #ffd48a;
  stroke: #ffffff;
  stroke-width: 2;
  pointer-events: none;
}
.chosen rect {
  stroke: #ffffff;
  stroke-width: 3;
}
.tint0 {
  --bar: #9fd3bf;
}
.tint1 {
  --bar: #f0c987;
}
.tint2 {
  --bar: #a9cbe6;
}
.tint3 {
  --bar: #eab0a8;
}
.tint4 {
  --bar: #d6d98f;
}
.tint5 {
  --bar: #cdb7e3;
}
.tint6 {
  --bar: #d9c7ad;
}
.tint7 {
  --bar: #b6e0e6;
}
</style>
