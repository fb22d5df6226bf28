<script setup lang="ts">
import { NButton } from 'naive-ui'
import { onBeforeUnmount, onMounted, ref, useTemplateRef } from 'vue'
import type { LegendLine } from './legendLine.ts'
import DrawingRulers from './DrawingRulers.vue'
import SlateLegend from './SlateLegend.vue'
import type { Slate } from './useSlate.ts'
import ZoomButtons from './ZoomButtons.vue'

/**
 * A drawing on slate, as large as its place: pan and zoom by pointer, wheel, fingers and keys, buttons for it, rulers and
 * a legend where they are wanted. What is drawn in mm (y up by `pathData`) goes in `mm`, what keeps its size on the
 * screen in the default slot, more buttons in `tools`, other words over the drawing in `over`.
 */
const props = withDefaults(
  defineProps<{
    slate: Slate
    label: string
    /** A picture, or a group of things that can be pressed one by one. */
    kind?: 'img' | 'group'
    rulers?: boolean
    legend?: readonly LegendLine[]
    /** The legend is there from the beginning. */
    explained?: boolean
    /** What the pointer does, where it does not move the drawing. */
    cursor?: 'grab' | 'crosshair'
    /** Said in place of a drawing that is not there yet. */
    empty?: string
  }>(),
  { kind: 'img', legend: () => [], cursor: 'grab', empty: '' },
)
const emit = defineEmits<{ down: [event: PointerEvent]; drag: [event: PointerEvent]; up: [event: PointerEvent] }>()
const { width, height, scale, transform, surface: place } = props.slate
const element = useTemplateRef<HTMLElement>('surface')
onMounted(() => (place.value = element.value))
onBeforeUnmount(() => (place.value = null))
const explaining = ref(props.explained)

const keys: Record<string, (far: number) => void> = {
  ArrowLeft: (far) => props.slate.pan(far, 0),
  ArrowRight: (far) => props.slate.pan(-far, 0),
  ArrowUp: (far) => props.slate.pan(0, far),
  ArrowDown: (far) => props.slate.pan(0, -far),
  '+': () => props.slate.zoom(1.25),
  '=': () => props.slate.zoom(1.25),
  '-': () => props.slate.zoom(0.8),
  '0': () => props.slate.fit(),
}
function press(event: KeyboardEvent): void {
  const does = keys[event.key]
  if (!does || event.ctrlKey || event.metaKey || event.altKey) return
  event.preventDefault()
  event.stopPropagation()
  does(event.shiftKey ? 120 : 30)
}
</script>

<template>
  <div class="slate-table on-slate">
    <div
      ref="surface"
      class="slate-surface"
      :class="cursor"
      tabindex="0"
      :role="kind"
      :aria-label="label"
      @keydown="press"
      @pointerdown="emit('down', $event)"
      @pointermove="emit('drag', $event)"
      @pointerup="emit('up', $event)"
      @pointercancel="emit('up', $event)"
    >
      <svg :width="width" :height="height" :aria-hidden="kind === 'img'">
        <g :transform="transform" :aria-hidden="kind === 'group' ? true : undefined"><slot name="mm" /></g>
        <slot />
        <DrawingRulers v-if="rulers" :width="width" :height="height" :scale="scale" :x0="slate.x(0)" :y0="slate.y(0)" />
      </svg>
    </div>
    <p v-if="empty" class="empty">{{ empty }}</p>
    <slot name="over" />
    <SlateLegend v-if="explaining && legend.length > 0" class="legend" :class="{ rulers }" :lines="legend" />
    <div class="slate-tools" :class="{ rulers }" role="toolbar" :aria-label="`${label.split(/[.,:;]/)[0]}: view`">
      <slot name="tools" />
      <ZoomButtons :view="slate" />
      <NButton v-if="legend.length > 0" :aria-expanded="explaining" @click="explaining = !explaining">Lines</NButton>
      <slot name="last" />
    </div>
  </div>
</template>

<style>
/* Not scoped: what a room draws into the surface follows these unless it says otherwise. */
.slate-table {
  position: relative;
  height: 100%;
  min-height: 0;
  overflow: hidden;
  background: var(--slate);
}
.slate-surface {
  position: absolute;
  inset: 0;
  touch-action: none;
  /* Words under the hand are not chosen while something is dragged: the browser would look for them at every move. */
  user-select: none;
  cursor: grab;
}
.slate-surface.crosshair {
  cursor: crosshair;
}
.slate-surface:focus-visible {
  outline-offset: -3px;
}
.slate-surface svg {
  display: block;
}
.slate-surface path {
  fill: none;
  vector-effect: non-scaling-stroke;
  stroke-linejoin: round;
  pointer-events: none;
}
.slate-surface text {
  fill: #eef2ee;
  font-size: 15px;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
  paint-order: stroke;
  stroke: var(--slate);
  stroke-width: 5;
  pointer-events: none;
}
.slate-tools {
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
.slate-tools.rulers {
  left: 52px;
}
.slate-tools > * {
  pointer-events: auto;
}
.slate-table > .empty {
  position: absolute;
  inset: 40% 24px auto;
  color: var(--chalk);
  text-align: center;
}
.slate-table .legend {
  position: absolute;
  top: 12px;
  right: 14px;
}
.slate-table .legend.rulers {
  top: 38px;
}
</style>
