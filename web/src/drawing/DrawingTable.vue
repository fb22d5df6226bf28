<script setup lang="ts">
import { NButton } from 'naive-ui'
import { boxOf, leftPart, mirror, stitchTicks, type Part, type Path } from '@gentle-awl/core'
import { IconRulerMeasure } from '@tabler/icons-vue'
import { useMediaQuery } from '@vueuse/core'
import { computed, ref } from 'vue'
import { pixelsPerMm, showLength } from '../app/settings.ts'
import { useShortcuts } from '../app/shortcuts.ts'
import ChoiceBar from '../ui/ChoiceBar.vue'
import { feet, type Foot } from '../ui/feet.ts'
import DrawingLegend from './DrawingLegend.vue'
import DrawingRulers from './DrawingRulers.vue'
import TrueSizeDialog from './TrueSizeDialog.vue'
import { cutData, pathData } from './svgPath.ts'
import { usePanZoom } from './usePanZoom.ts'
import ZoomButtons from './ZoomButtons.vue'

/** The drawing table: one part to scale on slate, with rulers, dimensions and our line language. */
const props = defineProps<{
  part: Part
  /** An outline of the same part to lay under it, as of the right foot. */
  ghost?: Path
}>()
/** Parts are drawn as right ones; the left foot's are shown as their mirror. */
const foot = defineModel<Foot>('foot', { default: 'right' })
const surface = ref<HTMLElement | null>(null)
const showLegend = ref(false)
const trueSizeOpen = ref(false)

const shown = computed(() => (foot.value === 'right' ? props.part : leftPart(props.part)))

const ghostShown = computed(() => (props.ghost && foot.value === 'left' ? mirror(props.ghost) : props.ghost))

const world = computed(() => {
  const b = boxOf(shown.value.outline, ...shown.value.dimensions.map((d): Path => [d.from, d.to]))
  return { minX: b.minX - 14, minY: b.minY - 16, maxX: b.maxX + 14, maxY: b.maxY + 16 }
})
const narrow = useMediaQuery('(max-width: 999px)').value
const view = usePanZoom(surface, world, { left: 44, right: 8, top: 30, bottom: narrow ? 132 : 66 })
const { width, height, scale } = view

/** Dimension lines in pixels, with their label beside the middle. */
const dimensions = computed(() =>
  shown.value.dimensions.map((d) => {
    const [x1, y1, x2, y2] = [view.x(d.from[0]), view.y(d.from[1]), view.x(d.to[0]), view.y(d.to[1])]
    const upright = Math.abs(y2 - y1) > Math.abs(x2 - x1)
    return {
      ...d,
      x1,
      y1,
      x2,
      y2,
      upright,
      tx: (x1 + x2) / 2 + (upright ? 8 : 0),
      ty: (y1 + y2) / 2 + (upright ? 0 : 20),
    }
  }),
)
/** Width labels of one part would meet at the middle, and lie on the arrow there: they stand above and below it by turns. */
const labelShift = (index: number) => (index % 2 === 0 ? -14 : 26)

const grain = computed(() => {
  const { from, to } = shown.value.grain
  return { x1: view.x(from[0]), y1: view.y(from[1]), x2: view.x(to[0]), y2: view.y(to[1]) }
})
/** A skive is drawn as bands of tone from its edge inwards: darker where more is taken off. */
const SKIVE_TONES = 6
const skiveWidth = (s: Part['skives'][number]) => s.profile[s.profile.length - 1]![0]

const calibrated = computed(() => pixelsPerMm.value !== null)
const ratio = computed(() => (pixelsPerMm.value ? scale.value / pixelsPerMm.value : null))

function trueSize(): void {
  if (pixelsPerMm.value === null) trueSizeOpen.value = true
  else view.setScale(pixelsPerMm.value)
}
const step = (event: KeyboardEvent) => (event.shiftKey ? 120 : 30)
useShortcuts({
  '+': () => view.zoom(1.25),
  '=': () => view.zoom(1.25),
  '-': () => view.zoom(0.8),
  '0': () => view.fit(),
  '1': trueSize,
  f: () => (foot.value = foot.value === 'right' ? 'left' : 'right'),
})
function arrows(event: KeyboardEvent): void {
  const moves: Record<string, [number, number]> = {
    ArrowLeft: [1, 0],
    ArrowRight: [-1, 0],
    ArrowUp: [0, 1],
    ArrowDown: [0, -1],
  }
  const move = moves[event.key]
  if (!move) return
  event.preventDefault()
  view.pan(move[0] * step(event), move[1] * step(event))
}
</script>

<template>
  <div class="table on-slate">
    <div
      ref="surface"
      class="surface"
      tabindex="0"
      role="img"
      :aria-label="`${part.name}, ${foot} foot, drawn to scale. ${part.dimensions.map((d) => `${d.name} ${showLength(d.value)}`).join(', ')}`"
      @keydown="arrows"
    >
      <svg :width="width" :height="height" aria-hidden="true">
        <defs>
          <marker
            id="tip"
            viewBox="0 0 10 10"
            refX="9"
            refY="5"
            markerWidth="9"
            markerHeight="9"
            orient="auto-start-reverse"
          >
            <path d="M0 1 9 5 0 9" fill="none" stroke="#a9bac0" stroke-width="1.6" />
          </marker>
          <marker id="grain-tip" viewBox="0 0 10 10" refX="9" refY="5" markerWidth="10" markerHeight="10" orient="auto">
            <path d="M0 0 10 5 0 10Z" class="arrow" />
          </marker>
          <clipPath v-for="(s, i) in shown.skives" :id="`skive-${i}`" :key="s.name">
            <path :d="pathData(s.band, true)" class="whole" />
          </clipPath>
        </defs>
        <g :transform="view.transform.value">
          <path
            v-for="l in shown.lines.filter((x) => x.kind === 'neighbour')"
            :key="l.name"
            :d="pathData(l.path, l.closed)"
            class="neighbour"
          />
          <path v-if="ghostShown" :d="pathData(ghostShown, true)" class="ghost" />
          <path :d="cutData(shown)" class="body" />
          <g v-for="(s, i) in shown.skives" :key="s.name" :clip-path="`url(#skive-${i})`">
            <path
              v-for="k in SKIVE_TONES"
              :key="k"
              :d="pathData(s.edge, false)"
              class="skive"
              :stroke-width="(2 * skiveWidth(s) * k) / SKIVE_TONES"
            />
          </g>
          <template v-for="l in shown.lines" :key="l.name">
            <template v-if="l.kind === 'feather'">
              <path :d="pathData(l.path, l.closed)" class="feather outer" />
              <path :d="pathData(l.path, l.closed)" class="feather inner" />
            </template>
            <template v-else-if="l.holes">
              <path :d="pathData(l.path, l.closed)" class="seam" />
              <path
                :d="
                  stitchTicks(l.holes)
                    .map((tick) => pathData(tick, false))
                    .join('')
                "
                class="holes"
              />
            </template>
            <path v-else-if="l.kind !== 'neighbour'" :d="pathData(l.path, l.closed)" :class="l.kind" />
          </template>
          <path :d="cutData(shown)" class="cut" />
        </g>
        <g class="dimensions">
          <g v-for="(d, i) in dimensions" :key="d.name">
            <line :x1="d.x1" :y1="d.y1" :x2="d.x2" :y2="d.y2" marker-start="url(#tip)" marker-end="url(#tip)" />
            <text :x="d.tx" :y="d.ty + (d.upright ? labelShift(i) : 0)" :text-anchor="d.upright ? 'start' : 'middle'">
              {{ d.upright ? d.name.replace(/^width at the /, '') : '' }} {{ showLength(d.value) }}
            </text>
          </g>
        </g>
        <g v-if="Math.hypot(grain.x2 - grain.x1, grain.y2 - grain.y1) > 24" class="grain">
          <title>Tight direction of the leather</title>
          <line :x1="grain.x1" :y1="grain.y1" :x2="grain.x2" :y2="grain.y2" marker-end="url(#grain-tip)" />
        </g>
        <DrawingRulers :width="width" :height="height" :scale="scale" :x0="view.x(0)" :y0="view.y(0)" />
      </svg>
    </div>
    <div class="tools" role="toolbar" aria-label="Drawing">
      <ChoiceBar label="Foot" :options="feet" :value="foot" @choose="foot = $event" />
      <ZoomButtons :view="view" />
      <NButton @click="trueSize"> <IconRulerMeasure :size="22" aria-hidden="true" /> 1:1 </NButton>
      <NButton v-if="calibrated" @click="trueSizeOpen = true">Check scale</NButton>
      <NButton :aria-expanded="showLegend" @click="showLegend = !showLegend">Lines</NButton>
      <span v-if="ratio" class="ratio figure">{{
        ratio >= 1 ? `${ratio.toFixed(2)} : 1` : `1 : ${(1 / ratio).toFixed(2)}`
      }}</span>
    </div>
    <DrawingLegend v-if="showLegend" class="legend" />
    <TrueSizeDialog v-model:open="trueSizeOpen" @measured="view.setScale($event)" />
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
.surface:focus-visible {
  outline-offset: -3px;
}
svg {
  display: block;
  /* Pointers are the surface's: positions inside the drawing would be relative to whatever line was hit. */
  pointer-events: none;
}
path {
  fill: none;
  vector-effect: non-scaling-stroke;
  stroke-linejoin: round;
}
.body {
  fill: #eef2ee;
  fill-opacity: 0.07;
}
.ghost {
  stroke: #8fd0e8;
  stroke-width: 1.6;
  stroke-dasharray: 7 5;
}
.cut {
  stroke: #eef2ee;
  stroke-width: 2;
}
.skive {
  stroke: #c98a1b;
  stroke-opacity: 0.15;
  vector-effect: none;
}
.whole {
  fill: #000;
}
.arrow {
  fill: #eef2ee;
}
.feather.outer {
  stroke: #a9bac0;
  stroke-width: 3.2;
}
.feather.inner {
  stroke: #22323a;
  stroke-width: 1.4;
}
.fold {
  stroke: #eef2ee;
  stroke-width: 1.5;
  stroke-dasharray: 16 6;
}
.seam {
  stroke: #8fa3aa;
  stroke-width: 0.8;
}
.holes {
  stroke: #eef2ee;
  stroke-width: 1.8;
}
.crease {
  stroke: #ffd48a;
  stroke-width: 1.8;
  stroke-dasharray: 2 5;
}
.mark {
  stroke: #a9bac0;
  stroke-width: 1.1;
  stroke-dasharray: 9 5;
}
.neighbour {
  stroke: #8fa3aa;
  stroke-width: 1.2;
  stroke-dasharray: 3 3;
}
.dimensions line {
  stroke: #a9bac0;
  stroke-width: 1;
}
.dimensions text {
  fill: #eef2ee;
  font-size: 16px;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
  paint-order: stroke;
  stroke: #22323a;
  stroke-width: 5;
}
.grain line {
  stroke: #eef2ee;
  stroke-width: 1.6;
}
.tools {
  position: absolute;
  left: 52px;
  bottom: 14px;
  right: 14px;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  pointer-events: none;
}
.tools > * {
  pointer-events: auto;
}
.ratio {
  padding: 6px 10px;
  border-radius: 8px;
  background: #1b282f;
  color: #eef2ee;
}
.legend {
  position: absolute;
  top: 38px;
  right: 14px;
}
@media (max-width: 999px) {
  .tools {
    bottom: 76px;
  }
}
</style>
