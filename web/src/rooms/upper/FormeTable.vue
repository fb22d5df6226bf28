<script setup lang="ts">
import {
  boxOf,
  wallLines,
  wallSides,
  type DesignBoard,
  type FormeMap,
  type KeyPoint,
  type Path,
  type Piece,
  type Point,
  type Side,
  type Upper,
} from '@gentle-awl/core'
import { IconArrowsMaximize, IconMinus, IconPlus } from '@tabler/icons-vue'
import { computed, ref } from 'vue'
import { pathData } from '../../drawing/svgPath.ts'
import { usePanZoom } from '../../drawing/usePanZoom.ts'
import { showLength } from '../../app/settings.ts'

/** The mean forme on slate with both sides of the design; its points are dragged or nudged. */
const props = defineProps<{
  map: FormeMap
  /** Says where points lie by the decisions, before the plan that follows from them is there. */
  board: DesignBoard
  upper: Upper
  chosen: Piece | null
  point: string
  /** Whose points a drag moves, and which stand in front. */
  side: 'both' | Side
  strain: Side | null
}>()
const emit = defineEmits<{
  choose: [point: string]
  move: [point: KeyPoint, side: Side, to: Point]
  grasp: []
  letGo: []
}>()
const surface = ref<HTMLElement | null>(null)

const wallPath = (flat: Float64Array, line: readonly number[]): Path => line.map((v) => [flat[2 * v], flat[2 * v + 1]])
const outlines = computed(() => {
  const { forme } = props.map
  const l = wallLines(forme)
  const edge = [
    ...l.feather,
    ...[...l.toeRib].reverse().slice(1),
    ...[...l.ridge].reverse().slice(1),
    ...[...l.rim].reverse().slice(1),
    ...[...l.back].reverse().slice(1),
  ]
  return {
    mean: wallPath(forme.mean, edge),
    lateral: wallPath(forme.flat.lateral, edge),
    medial: wallPath(forme.flat.medial, edge),
  }
})
const world = computed(() => {
  const b = boxOf(outlines.value.mean, ...props.upper.lines.map((l) => l.path))
  return { minX: b.minX - 10, minY: b.minY - 12, maxX: b.maxX + 10, maxY: b.maxY + 12 }
})
const view = usePanZoom(surface, world, { left: 16, right: 16, top: 12, bottom: 66 })
const { width, height } = view

const front = computed<Side>(() => (props.side === 'medial' ? 'medial' : 'lateral'))
const sidesShown = computed<Side[]>(() => (front.value === 'lateral' ? ['medial', 'lateral'] : ['lateral', 'medial']))

/** Every second cell of the forme's grid, tinted by what the leather has to give there. */
const cells = computed(() => {
  const side = props.strain
  if (!side) return []
  const { forme } = props.map
  const out: { d: string; fill: string }[] = []
  for (let i = 0; i + 2 < forme.columns; i += 2) {
    for (let j = 0; j + 2 < forme.rows; j += 2) {
      const corners = [
        i * forme.rows + j,
        (i + 2) * forme.rows + j,
        (i + 2) * forme.rows + j + 2,
        i * forme.rows + j + 2,
      ]
      const s = corners.reduce((sum, v) => sum + forme.strain[side][v], 0) / 4
      out.push({ d: pathData(wallPath(forme.flat[side], corners), true), fill: strainColour(s) })
    }
  }
  return out
})
/** Blue where the leather is compressed and would wrinkle, amber to red where it must stretch or be snipped. */
function strainColour(s: number): string {
  const share = Math.min(1, Math.abs(s) / 0.1)
  const [r, g, b] = s < 0 ? [104, 178, 222] : [230, 140, 60]
  return `rgba(${r},${g},${b},${(0.08 + 0.85 * share).toFixed(2)})`
}

interface Handle {
  point: KeyPoint
  side: Side
  key: string
  x: number
  y: number
}
const handles = computed<Handle[]>(() =>
  props.upper.points.flatMap((point) =>
    (point.shared || props.side !== 'both' ? [front.value] : wallSides).map((side) => {
      const [x, y] = props.board.whereIs(point, side)
      return { point, side, key: `${point.id}:${side}`, x: view.x(x), y: view.y(y) }
    }),
  ),
)
const chosenHandle = computed(
  () => handles.value.find((h) => h.point.id === props.point && h.side === front.value) ?? null,
)

const held = ref<Handle | null>(null)
const toForme = (event: PointerEvent): Point => {
  const box = surface.value?.getBoundingClientRect()
  const px = event.clientX - (box?.left ?? 0)
  const py = event.clientY - (box?.top ?? 0)
  const x0 = view.x(0)
  const y0 = view.y(0)
  return [(px - x0) / view.scale.value, (y0 - py) / view.scale.value]
}
/** How near a finger must come to a point, pixels. */
const GRASP = 22
function down(event: PointerEvent): void {
  const box = surface.value?.getBoundingClientRect()
  const [px, py] = [event.clientX - (box?.left ?? 0), event.clientY - (box?.top ?? 0)]
  const near = handles.value
    .map((h) => ({ h, away: Math.hypot(h.x - px, h.y - py) - (h.side === front.value ? 1 : 0) }))
    .sort((a, b) => a.away - b.away)[0]
  if (near && near.away < GRASP) {
    held.value = near.h
    emit('choose', near.h.point.id)
    emit('grasp')
    surface.value?.setPointerCapture(event.pointerId)
  } else view.down(event)
}
function move(event: PointerEvent): void {
  if (held.value) emit('move', held.value.point, held.value.side, toForme(event))
  else view.move(event)
}
function up(event: PointerEvent): void {
  if (held.value) emit('letGo')
  held.value = null
  view.up(event)
}
const NUDGE: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }
function nudge(event: KeyboardEvent, h: Handle): void {
  const way = NUDGE[event.key]
  if (!way) return
  event.preventDefault()
  event.stopPropagation()
  const by = event.shiftKey ? 5 : 0.5
  const [x, y] = props.board.whereIs(h.point, h.side)
  emit('choose', h.point.id)
  emit('move', h.point, h.side, [x + way[0] * by, y + way[1] * by])
}
const figureText = (p: KeyPoint, side: Side) =>
  props.board
    .figures(p.track, props.board.whereIs(p, side))
    .map((f) => `${f.name} ${showLength(f.value)}`)
    .join(', ')
const findingPlaces = computed(() =>
  props.upper.findings
    .filter((f) => f.level !== 'fine' && f.at)
    .map((f) => ({ id: f.id, level: f.level, x: view.x(f.at?.point[0] ?? 0), y: view.y(f.at?.point[1] ?? 0) })),
)
</script>

<template>
  <div class="table on-slate">
    <div
      ref="surface"
      class="surface"
      role="group"
      aria-label="Forme with the design; drag a point, or choose one and use the arrow keys"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="up"
      @wheel="view.wheel"
    >
      <svg :width="width" :height="height">
        <g :transform="view.transform.value" aria-hidden="true">
          <path v-for="(c, i) in cells" :key="i" :d="c.d" :style="{ fill: c.fill }" />
          <path :d="pathData(outlines.lateral, true)" class="side lateral" />
          <path :d="pathData(outlines.medial, true)" class="side medial" />
          <path :d="pathData(outlines.mean, true)" class="mean" />
          <template v-if="chosen">
            <path v-for="pl in chosen.places" :key="pl.side" :d="pathData(pl.forme, true)" class="chosen" />
          </template>
          <template v-for="s in sidesShown" :key="s">
            <path
              v-for="l in upper.lines.filter((x) => x.side === s)"
              :key="s + l.name"
              :d="pathData(l.path, false)"
              :class="['line', l.kind.replace(' ', '-'), { behind: s !== front }]"
            />
          </template>
          <path v-for="(s, i) in upper.opened?.slashes ?? []" :key="`s${i}`" :d="pathData(s, false)" class="slash" />
        </g>
        <g v-for="f in findingPlaces" :key="f.id" aria-hidden="true">
          <circle :cx="f.x" :cy="f.y" r="15" class="finding" :class="f.level" />
        </g>
        <g
          v-for="h in handles"
          :key="h.key"
          class="handle"
          :class="{ here: h.point.id === point, moved: h.point.moved, behind: h.side !== front }"
          role="button"
          tabindex="0"
          :aria-label="`${h.point.name}${h.point.shared ? '' : `, ${h.side}`}: ${figureText(h.point, h.side)}`"
          :aria-pressed="h.point.id === point"
          :data-point="h.key"
          @keydown="nudge($event, h)"
          @focus="emit('choose', h.point.id)"
        >
          <circle :cx="h.x" :cy="h.y" r="20" class="reach" />
          <circle :cx="h.x" :cy="h.y" :r="h.side === front ? 7 : 4.5" class="dot" />
        </g>
        <text
          v-if="chosenHandle"
          :x="chosenHandle.x + (chosenHandle.x > width * 0.5 ? -14 : 14)"
          :y="Math.max(24, chosenHandle.y - 14)"
          :text-anchor="chosenHandle.x > width * 0.5 ? 'end' : 'start'"
          class="label"
          aria-hidden="true"
        >
          {{ chosenHandle.point.name }}: {{ figureText(chosenHandle.point, chosenHandle.side) }}
        </text>
      </svg>
    </div>
    <p v-if="strain" class="strain" role="note">
      <span><i class="crowd" /> crowded: would wrinkle</span
      ><span><i class="pull" /> stretched: paper would be snipped</span
      ><span>full tone at 10 %, {{ strain }} side</span>
    </p>
    <div class="tools" role="toolbar" aria-label="Forme">
      <slot />
      <button class="button icon" type="button" aria-label="Further away" @click="view.zoom(0.8)">
        <IconMinus :size="22" aria-hidden="true" />
      </button>
      <button class="button icon" type="button" aria-label="Nearer" @click="view.zoom(1.25)">
        <IconPlus :size="22" aria-hidden="true" />
      </button>
      <button class="button icon" type="button" aria-label="The whole drawing" @click="view.fit()">
        <IconArrowsMaximize :size="22" aria-hidden="true" />
      </button>
    </div>
  </div>
</template>

<style scoped>
.table {
  position: relative;
  height: 100%;
  min-height: 0;
  overflow: hidden;
  background: var(--slate);
}
.surface {
  position: absolute;
  inset: 0;
  touch-action: none;
  cursor: grab;
}
svg {
  display: block;
}
path {
  fill: none;
  vector-effect: non-scaling-stroke;
  stroke-linejoin: round;
  pointer-events: none;
}
.mean {
  stroke: #eef2ee;
  stroke-width: 1.4;
  fill: #eef2ee;
  fill-opacity: 0.05;
}
.side {
  stroke-width: 1;
  stroke: #8fa3aa;
}
.side.medial {
  stroke-dasharray: 6 4;
}
.line {
  stroke: #eef2ee;
  stroke-width: 2.2;
}
.line.behind {
  stroke-width: 1.3;
  stroke-dasharray: 6 4;
}
.line.seam {
  stroke: #8fd0e8;
}
.line.back {
  stroke: #e3a0c4;
}
.line.before {
  stroke: #e3a0c4;
  stroke-width: 1.2;
  stroke-dasharray: 3 4;
}
.line.zip {
  stroke: #a7d99b;
  stroke-width: 3.5;
}
.line.crease {
  stroke: #ffd48a;
  stroke-width: 1.4;
  stroke-dasharray: 2 5;
}
.slash {
  stroke: #a7d99b;
  stroke-width: 1.2;
  stroke-dasharray: 3 3;
}
.chosen {
  stroke: #e6b355;
  stroke-width: 3;
  fill: #e6b355;
  fill-opacity: 0.12;
}
.handle {
  cursor: move;
  outline: none;
}
.reach {
  fill: transparent;
}
.dot {
  fill: #22323a;
  stroke: #eef2ee;
  stroke-width: 2;
}
.behind .dot {
  stroke: #a9bac0;
}
.moved .dot {
  fill: #8fd0e8;
}
.here .dot {
  fill: #e6b355;
  stroke: #e6b355;
}
.handle:focus-visible .reach {
  stroke: #ffd48a;
  stroke-width: 2.5;
}
.finding {
  fill: none;
  stroke-width: 2.5;
  pointer-events: none;
}
.finding.watch {
  stroke: #e6b355;
}
.finding.stop {
  stroke: #f0939b;
}
.label {
  fill: #eef2ee;
  font-size: 16px;
  font-weight: 600;
  paint-order: stroke;
  stroke: #22323a;
  stroke-width: 5;
  pointer-events: none;
}
.strain {
  position: absolute;
  left: 14px;
  top: 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 0;
  padding: 4px 10px;
  border-radius: 8px;
  background: #1b282f;
  color: #eef2ee;
  font-size: 15px;
}
.strain i {
  display: inline-block;
  width: 14px;
  height: 14px;
  border-radius: 3px;
  vertical-align: -2px;
}
.crowd {
  background: #68b2de;
}
.pull {
  background: #e68c3c;
}
.tools {
  position: absolute;
  left: 14px;
  right: 14px;
  bottom: 12px;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  pointer-events: none;
}
.tools > :deep(*) {
  pointer-events: auto;
}
</style>
