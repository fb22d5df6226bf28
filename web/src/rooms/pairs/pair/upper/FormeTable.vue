<script setup lang="ts">
import {
  boxOf,
  wallOutline,
  type PointPlaces,
  type FormeMap,
  type KeyPoint,
  type Path,
  type Piece,
  type Point,
  type Side,
  type Upper,
  type UpperLine,
} from '@gentle-awl/core'
import { computed } from 'vue'
import { pathData } from '../../../../drawing/svgPath.ts'
import type { LegendLine } from '../../../../drawing/legendLine.ts'
import SlateSurface from '../../../../drawing/SlateSurface.vue'
import { useSlate, type World } from '../../../../drawing/useSlate.ts'
import { asBefore } from '../../../../app/asBefore.ts'
import { strainCells } from './strainCells.ts'
import { usePointHandles } from './usePointHandles.ts'
import { lengthWord, showLength } from '../../../../app/settings.ts'

/** The mean forme on slate with both sides of the design; its points are dragged or nudged. */
const props = defineProps<{
  map: FormeMap
  /** Says where points lie by the decisions, before the plan that follows from them is there. */
  board: PointPlaces
  upper: Upper
  chosen: Piece | null
  point: string
  /** Whose points a drag moves, and which stand in front. */
  side: 'both' | Side
  strain: Side | null
  /** Whether the edge of the lasting margin can be taken hold of. */
  margin: boolean
  /** Lines of another design that is laid over this one. */
  over: readonly UpperLine[]
}>()
const emit = defineEmits<{
  choose: [point: string]
  move: [point: KeyPoint, side: Side, to: Point]
  grasp: []
  letGo: []
}>()
const wallPath = (flat: Float64Array, line: readonly number[]): Path =>
  line.map((v) => [flat[2 * v]!, flat[2 * v + 1]!])
const outlines = computed(() => {
  const { forme } = props.map
  const edge = wallOutline(forme)
  return {
    mean: wallPath(forme.mean, edge),
    lateral: wallPath(forme.flat.lateral, edge),
    medial: wallPath(forme.flat.medial, edge),
  }
})
/** Data of what is drawn: made when it changes, not at every move of a point. */
const outlineData = computed(() => {
  const { mean, lateral, medial } = outlines.value
  return { mean: pathData(mean, true), lateral: pathData(lateral, true), medial: pathData(medial, true) }
})
const lines = computed(() => props.upper.lines.map((l) => ({ ...l, d: pathData(l.path, false) })))
const world = computed<World>((before) => {
  const b = boxOf(outlines.value.mean, ...[...props.upper.lines, ...props.over].map((l) => l.path))
  return asBefore(before, { minX: b.minX - 10, minY: b.minY - 12, maxX: b.maxX + 10, maxY: b.maxY + 12 })
})
const view = useSlate(world, { left: 16, right: 16, top: 12, bottom: 66 })
const { width } = view

const { front, handles, down, drag, up, nudge } = usePointHandles({
  points: () => props.upper.points.filter((p) => p.track !== 'margin' || props.margin || p.id === props.point),
  board: () => props.board,
  side: () => props.side,
  view,
  choose: (id) => emit('choose', id),
  move: (point, side, to) => emit('move', point, side, to),
  hold: (held) => (held ? emit('grasp') : emit('letGo')),
})
/** The side in front is drawn last. */
const sidesShown = computed<Side[]>(() => (front.value === 'lateral' ? ['medial', 'lateral'] : ['lateral', 'medial']))
const cells = computed(() => (props.strain ? strainCells(props.map, props.strain) : []))
const chosenHandle = computed(() => handles.value.find((h) => h.point.id === props.point && h.front) ?? null)
const figureText = (p: KeyPoint, side: Side) =>
  props.board
    .figures(p.track, props.board.whereIs(p, side), side)
    .map((f) => `${f.name} ${showLength(f.value)}`)
    .join(', ')
const findingPlaces = computed(() =>
  props.upper.findings
    .filter((f) => f.level !== 'fine' && f.at)
    .map((f) => ({ id: f.id, level: f.level, x: view.x(f.at?.point[0] ?? 0), y: view.y(f.at?.point[1] ?? 0) })),
)
/** Only what this design has is explained. */
const legend = computed<LegendLine[]>(() => {
  const kinds = new Set(props.upper.lines.map((l) => l.kind))
  const lines: (LegendLine & { kind?: UpperLine['kind'] })[] = [
    { name: 'Mean forme', stroke: '#eef2ee', width: 1.4 },
    { name: 'Each side of it, medial dashed', stroke: '#8fa3aa', width: 1, dash: '6 4' },
    { kind: 'top line', name: 'Top line, facing', stroke: '#eef2ee', width: 2.2 },
    { kind: 'seam', name: 'Seam', stroke: '#8fd0e8', width: 2.2 },
    { kind: 'back', name: 'Back line', stroke: '#e3a0c4', width: 2.2 },
    { kind: 'before', name: 'Back line before it was taken in', stroke: '#e3a0c4', width: 1.2, dash: '3 4' },
    { kind: 'margin', name: 'Lasting margin', stroke: '#a9bac0', width: 1.2 },
    { kind: 'crease', name: 'Crease', stroke: '#ffd48a', width: 1.4, dash: '2 5' },
    { kind: 'zip', name: 'Zip', stroke: '#a7d99b', width: 3.5 },
  ]
  const shown: LegendLine[] = [
    ...lines.filter((l) => !l.kind || kinds.has(l.kind)),
    ...(props.over.length > 0 ? [{ name: 'The other pattern', stroke: '#f0b27a', width: 1.8, dash: '7 4' }] : []),
  ]
  return props.upper.lacing
    ? [...shown, { name: 'Eyelet; a hook is filled', stroke: '#eef2ee', width: 1.6, sign: 'M28 3a4 4 0 1 0 .01 0' }]
    : shown
})
</script>

<template>
  <SlateSurface
    :slate="view"
    kind="group"
    label="Forme with the design; drag a point, or choose one and use the arrow keys"
    :legend="legend"
    @down="down"
    @drag="drag"
    @up="up"
  >
    <template #mm>
      <path v-for="(c, i) in cells" :key="i" :d="c.d" :style="{ fill: c.fill }" />
      <path :d="outlineData.lateral" class="side lateral" />
      <path :d="outlineData.medial" class="side medial" />
      <path :d="outlineData.mean" class="mean" />
      <template v-if="chosen">
        <path v-for="pl in chosen.places" :key="pl.side" :d="pathData(pl.forme, true)" class="chosen" />
      </template>
      <path
        v-for="(l, i) in over.filter((x) => x.side === front && x.kind !== 'crease')"
        :key="`over ${i}`"
        :d="pathData(l.path, false)"
        class="over"
      />
      <template v-for="s in sidesShown" :key="s">
        <path
          v-for="(l, i) in lines.filter((x) => x.side === s)"
          :key="s + l.name + i"
          :d="l.d"
          :class="['line', l.kind.replace(' ', '-'), { behind: s !== front }]"
        />
      </template>
      <template v-for="s in sidesShown" :key="`eyelets ${s}`">
        <circle
          v-for="(e, i) in upper.lacing?.pairs ?? []"
          :key="i"
          :cx="e.at[s][0]"
          :cy="-e.at[s][1]"
          :r="(upper.lacing?.diameter ?? 0) / 2"
          :class="['eyelet', { behind: s !== front, hook: e.hook }]"
        />
      </template>
      <path v-for="(s, i) in upper.opened?.slashes ?? []" :key="`s${i}`" :d="pathData(s, false)" class="slash" />
    </template>
    <g v-for="f in findingPlaces" :key="f.id" aria-hidden="true">
      <circle :cx="f.x" :cy="f.y" r="15" class="finding" :class="f.level" />
    </g>
    <!-- While one is dragged the others stand still: their figures are not worked out for every move. -->
    <g
      v-for="h in handles"
      :key="h.key"
      v-memo="[h.x, h.y, h.front, h.point.moved, h.point.id === point, lengthWord]"
      class="handle"
      :class="{ here: h.point.id === point, moved: h.point.moved, behind: !h.front }"
      role="button"
      tabindex="0"
      :aria-label="`${h.point.name}${h.point.sides.length === 1 ? '' : `, ${h.side}`}: ${figureText(h.point, h.side)}`"
      :aria-pressed="h.point.id === point"
      :data-point="h.key"
      @keydown="nudge($event, h)"
      @focus="emit('choose', h.point.id)"
    >
      <circle :cx="h.x" :cy="h.y" r="20" class="reach" />
      <circle :cx="h.x" :cy="h.y" :r="h.front ? 7 : 4.5" class="dot" />
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
    <template #over>
      <p v-if="strain" class="strain" role="note">
        <span><i class="crowd" /> crowded: would wrinkle</span
        ><span><i class="pull" /> stretched: paper would be snipped</span
        ><span>full tone at 10 %, {{ strain }} side</span>
      </p>
    </template>
    <template #tools><slot /></template>
  </SlateSurface>
</template>

<style scoped>
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
.line.margin {
  stroke: #a9bac0;
  stroke-width: 1.2;
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
.eyelet {
  stroke: #eef2ee;
  stroke-width: 1.6;
}
.eyelet.hook {
  fill: #eef2ee;
}
.eyelet.behind {
  stroke-width: 0.9;
}
.over {
  stroke: #f0b27a;
  stroke-width: 1.8;
  stroke-dasharray: 7 4;
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
  fill: var(--slate);
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
</style>
