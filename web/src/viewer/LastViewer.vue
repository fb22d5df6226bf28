<script setup lang="ts">
import type { LastSurface, Vec3 } from '@gentle-awl/core'
import { useResizeObserver } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import ChoiceBar from '../ui/ChoiceBar.vue'
import { feet, type Foot } from '../ui/feet.ts'
import { bodyOfSurface, type Body, type Loop, type Marker } from './lastBodies.ts'
import { LastScene, lookNames, looks, type Look } from './lastScene.ts'

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
let scene: LastScene | null = null
const shown = computed<Body | null>(() => props.body ?? (props.surface ? bodyOfSurface(props.surface) : null))

onMounted(() => {
  if (!canvas.value) return
  try {
    scene = new LastScene(canvas.value)
  } catch (error) {
    if (!(error instanceof Error)) throw error
    problem.value = 'This browser cannot draw in 3D (no WebGL). The figures beside it are right all the same.'
    return
  }
  scene.onDrag = (key, at, done) => emit('drag', key, at, done)
  scene.setFoot(foot.value)
  scene.resize()
  if (shown.value) scene.show(shown.value)
  scene.showLoops(props.loops)
  scene.showMarkers(props.markers)
  scene.look(look.value)
})
useResizeObserver(canvas, () => scene?.resize())
watch(shown, (body, before) => {
  if (!body) return
  scene?.show(body)
  if (!before) scene?.look(look.value)
})
watch(
  () => props.loops,
  (l) => {
    const was = scene?.tall
    scene?.showLoops(l)
    // A shaft comes into view, or is gone: what is looked at is another size.
    if (scene && scene.tall !== was) scene.look(look.value)
  },
)
watch(
  () => props.markers,
  (m) => scene?.showMarkers(m),
)
function turn(to: Look): void {
  look.value = to
  scene?.look(to)
}
watch(foot, (on) => {
  scene?.setFoot(on)
  scene?.look(look.value)
})
onBeforeUnmount(() => scene?.dispose())
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
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
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
  .tools {
    bottom: 76px;
  }
}
</style>
