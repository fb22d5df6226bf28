<script setup lang="ts">
import type { LastSurface, Vec3 } from '@gentle-awl/core'
import { useResizeObserver } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import ChoiceBar from '../ui/ChoiceBar.vue'
import { feet, type Foot } from '../ui/feet.ts'
import { painterOn } from '../workers/viewer/viewerBench.ts'
import { bodyOfSurface, type Body, type Loop, type Marker } from './body.ts'
import { LastView } from './lastView.ts'
import { lookNames, looks, type Look } from './looks.ts'

/** The last in 3D with its tapes: orbit by dragging, ready-made looks, either foot, marks that can be dragged over it. */
const props = withDefaults(
  defineProps<{
    surface?: LastSurface
    /** Shown instead of a surface: a scan, or a surface with colours that mean something. */
    body?: Body
    loops?: Loop[]
    markers?: Marker[]
    label: string
    /** A scan has one foot only; and where the page has its own switch, one is enough. */
    oneFoot?: boolean
    start?: Look
  }>(),
  { surface: undefined, body: undefined, loops: () => [], markers: () => [], start: 'corner' },
)
const foot = defineModel<Foot>('foot', { default: 'right' })
const emit = defineEmits<{ drag: [key: string, at: Vec3, done: boolean] }>()
const canvas = ref<HTMLCanvasElement | null>(null)
const look = ref<Look>(props.start)
const problem = ref('')
let view: LastView | null = null
let gone = false
const shown = computed<Body | null>(() => props.body ?? (props.surface ? bodyOfSurface(props.surface) : null))

onMounted(async () => {
  const element = canvas.value
  if (!element) return
  try {
    view = new LastView(element, await painterOn(element))
  } catch (error) {
    if (!(error instanceof Error)) throw error
    problem.value = 'This browser cannot draw in 3D (no WebGL). The figures beside it are right all the same.'
    return
  }
  // It was left before anything was drawn.
  if (gone) return view.dispose()
  view.onDrag = (key, at, done) => emit('drag', key, at, done)
  view.setFoot(foot.value)
  view.resize()
  if (shown.value) view.show(shown.value)
  view.showLoops(props.loops)
  view.showMarkers(props.markers)
  view.look(look.value)
})
useResizeObserver(canvas, () => view?.resize())
watch(shown, (body, before) => {
  if (!body) return
  view?.show(body)
  if (!before) view?.look(look.value)
})
watch(
  () => props.loops,
  (l) => {
    const was = view?.tall
    view?.showLoops(l)
    // A shaft comes into view, or is gone: what is looked at is another size.
    if (view && view.tall !== was) view.look(look.value)
  },
)
watch(
  () => props.markers,
  (m) => view?.showMarkers(m),
)
function turn(to: Look): void {
  look.value = to
  view?.look(to)
}
watch(foot, (on) => {
  view?.setFoot(on)
  view?.look(look.value)
})
onBeforeUnmount(() => {
  gone = true
  view?.dispose()
})
</script>

<template>
  <div class="viewer on-slate">
    <canvas
      v-show="!problem"
      ref="canvas"
      role="img"
      :aria-label="`${label}, ${foot} last, seen from: ${lookNames[look]}`"
    />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="tools">
      <ChoiceBar
        label="Look at it from"
        :options="looks.map((value) => ({ value, name: lookNames[value] }))"
        again
        :value="look"
        @choose="turn"
      />
      <ChoiceBar v-if="!oneFoot" label="Foot" :options="feet" :value="foot" @choose="foot = $event" />
    </div>
  </div>
</template>

<style scoped>
.viewer {
  position: relative;
  height: 100%;
  min-height: 320px;
  background: var(--slate);
}
/* The last stands clear of the buttons below it. */
canvas {
  position: absolute;
  inset: 0 0 auto;
  width: 100%;
  height: calc(100% - 66px);
  touch-action: none;
}
.tools {
  position: absolute;
  left: 14px;
  right: 14px;
  bottom: 14px;
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.problem {
  padding: 40px;
  color: var(--chalk);
}
@media (max-width: 999px) {
  canvas {
    height: calc(100% - 128px);
  }
  .tools {
    bottom: 76px;
  }
}
</style>
