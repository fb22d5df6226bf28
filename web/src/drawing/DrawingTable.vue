<script setup lang="ts">
import { NButton } from 'naive-ui'
import { boxOf, holeRings, leftPart, mirror, stitchTicks, type Part, type Path, type Point } from '@gentle-awl/core'
import { IconRulerMeasure } from '@tabler/icons-vue'
import { useMediaQuery } from '@vueuse/core'
import { computed, ref } from 'vue'
import { pixelsPerMm, showLength } from '../app/settings.ts'
import { useShortcuts } from '../app/shortcuts.ts'
import ChoiceBar from '../ui/ChoiceBar.vue'
import { feet, type Foot } from '../ui/feet.ts'
import { partLegend } from './partLegend.ts'
import SlateSurface from './SlateSurface.vue'
import TrueSizeDialog from './TrueSizeDialog.vue'
import { cutData, pathData } from './svgPath.ts'
import SlateLabel from './SlateLabel.vue'
import { along, closed, useLabels } from './useLabels.ts'
import { useSlate } from './useSlate.ts'

/** The drawing table: one part to scale on slate, with rulers, dimensions and our line language. */
const props = defineProps<{
  part: Part
  /** An outline of the same part to lay under it, as of the right foot. */
  ghost?: Path
}>()
/** Parts are drawn as right ones; the left foot's are shown as their mirror. */
const foot = defineModel<Foot>('foot', { default: 'right' })
const trueSizeOpen = ref(false)

const shown = computed(() => (foot.value === 'right' ? props.part : leftPart(props.part)))

const cut = computed(() => cutData(shown.value))

const ghostShown = computed(() => (props.ghost && foot.value === 'left' ? mirror(props.ghost) : props.ghost))

const world = computed(() => {
  const b = boxOf(shown.value.outline, ...shown.value.dimensions.map((d): Path => [d.from, d.to]))
  return { minX: b.minX - 14, minY: b.minY - 16, maxX: b.maxX + 14, maxY: b.maxY + 16 }
})
const narrow = useMediaQuery('(max-width: 999px)').value
const view = useSlate(world, { left: 44, right: 8, top: 30, bottom: narrow ? 132 : 66 })
const { scale } = view

/** Dimension lines in pixels. */
const dimensions = computed(() =>
  shown.value.dimensions.map((d) => {
    const [x1, y1, x2, y2] = [view.x(d.from[0]), view.y(d.from[1]), view.x(d.to[0]), view.y(d.to[1])]
    return { ...d, x1, y1, x2, y2 }
  }),
)
const labels = useLabels(
  view,
  computed(() =>
    shown.value.dimensions.map((d) => {
      const upright = Math.abs(d.to[1] - d.from[1]) > Math.abs(d.to[0] - d.from[0])
      const name = upright ? `${d.name.replace(/^width at the /, '')} ` : ''
      return {
        key: d.name,
        lines: [`${name}${showLength(d.value)}`],
        size: 16,
        at: [(d.from[0] + d.to[0]) / 2, (d.from[1] + d.to[1]) / 2] as Point,
        names: along(d.from, d.to),
      }
    }),
  ),
  computed(() => [
    closed(shown.value.outline),
    ...shown.value.lines.map((l) => (l.closed ? closed(l.path) : l.path)),
    ...shown.value.dimensions.map((d): Path => [d.from, d.to]),
    [shown.value.grain.from, shown.value.grain.to],
  ]),
)

const grain = computed(() => {
  const { from, to } = shown.value.grain
  return { x1: view.x(from[0]), y1: view.y(from[1]), x2: view.x(to[0]), y2: view.y(to[1]) }
})
const skived = computed(() => shown.value.skives.map((s) => pathData(s.edge, false)))
/** A skive is drawn as bands of tone from its edge inwards: darker where more is taken off. */
const SKIVE_TONES = 6
const skiveWidth = (s: Part['skives'][number]) => s.profile[s.profile.length - 1]![0]

const calibrated = computed(() => pixelsPerMm.value !== null)
const ratio = computed(() => (pixelsPerMm.value ? scale.value / pixelsPerMm.value : null))

function trueSize(): void {
  if (pixelsPerMm.value === null) trueSizeOpen.value = true
  else view.setScale(pixelsPerMm.value)
}
useShortcuts({
  '+': () => view.zoom(1.25),
  '=': () => view.zoom(1.25),
  '-': () => view.zoom(0.8),
  '0': () => view.fit(),
  '1': trueSize,
  f: () => (foot.value = foot.value === 'right' ? 'left' : 'right'),
})
</script>

<template>
  <SlateSurface
    :slate="view"
    rulers
    :legend="partLegend"
    :label="`${part.name}, ${foot} foot, drawn to scale. ${part.dimensions.map((d) => `${d.name} ${showLength(d.value)}`).join(', ')}`"
  >
    <template #mm>
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
      <path
        v-for="l in shown.lines.filter((x) => x.kind === 'neighbour')"
        :key="l.name"
        :d="pathData(l.path, l.closed)"
        class="neighbour"
      />
      <path v-if="ghostShown" :d="pathData(ghostShown, true)" class="ghost" />
      <path :d="cut" class="body" />
      <g v-for="(s, i) in shown.skives" :key="s.name" :clip-path="`url(#skive-${i})`">
        <path
          v-for="k in SKIVE_TONES"
          :key="k"
          :d="skived[i]"
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
              (l.later ? holeRings(l.holes) : stitchTicks(l.holes))
                .map((mark) => pathData(mark, l.later ?? false))
                .join('')
            "
            class="holes"
          />
        </template>
        <path v-else-if="l.kind !== 'neighbour'" :d="pathData(l.path, l.closed)" :class="l.kind" />
      </template>
      <path :d="cut" class="cut" />
    </template>
    <line
      v-for="d in dimensions"
      :key="d.name"
      :x1="d.x1"
      :y1="d.y1"
      :x2="d.x2"
      :y2="d.y2"
      class="dimension"
      marker-start="url(#tip)"
      marker-end="url(#tip)"
    />
    <SlateLabel v-for="l in labels" :key="l.place.key" v-bind="l" />
    <g v-if="Math.hypot(grain.x2 - grain.x1, grain.y2 - grain.y1) > 24" class="grain">
      <title>Tight direction of the leather</title>
      <line :x1="grain.x1" :y1="grain.y1" :x2="grain.x2" :y2="grain.y2" marker-end="url(#grain-tip)" />
    </g>
    <template #tools>
      <ChoiceBar label="Foot" :options="feet" :value="foot" @choose="foot = $event" />
    </template>
    <template #last>
      <NButton @click="trueSize"> <IconRulerMeasure :size="22" aria-hidden="true" /> 1:1 </NButton>
      <NButton v-if="calibrated" @click="trueSizeOpen = true">Check scale</NButton>
      <span v-if="ratio" class="ratio figure">{{
        ratio >= 1 ? `${ratio.toFixed(2)} : 1` : `1 : ${(1 / ratio).toFixed(2)}`
      }}</span>
    </template>
    <template #over><TrueSizeDialog v-model:open="trueSizeOpen" @measured="view.setScale($event)" /></template>
  </SlateSurface>
</template>

<style scoped>
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
  stroke: var(--slate);
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
.dimension {
  stroke: #a9bac0;
  stroke-width: 1;
}
.grain line {
  stroke: #eef2ee;
  stroke-width: 1.6;
}
.ratio {
  padding: 6px 10px;
  border-radius: 8px;
  background: #1b282f;
  color: #eef2ee;
}
@media (max-width: 999px) {
  :deep(.slate-tools) {
    bottom: 76px;
  }
}
</style>
