<script setup lang="ts">
import type { LastSurface } from '@gentle-awl/core'
import { useResizeObserver } from '@vueuse/core'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import ChoiceBar from '../ui/ChoiceBar.vue'
import { feet, type Foot } from '../ui/feet.ts'
import { LastScene, lookNames, looks, type Look, type Loop } from './lastScene.ts'

/** The last in 3D with its tapes: orbit by dragging, ready-made looks, either foot. */
const props = defineProps<{ surface: LastSurface; loops: Loop[]; label: string }>()
const canvas = ref<HTMLCanvasElement | null>(null)
const foot = ref<Foot>('right')
const look = ref<Look>('corner')
const problem = ref('')
let scene: LastScene | null = null

onMounted(() => {
  if (!canvas.value) return
  try {
    scene = new LastScene(canvas.value)
  } catch (error) {
    if (!(error instanceof Error)) throw error
    problem.value = 'This browser cannot draw in 3D (no WebGL). The figures beside it are right all the same.'
    return
  }
  scene.resize()
  scene.show(props.surface)
  scene.showLoops(props.loops)
  scene.look(look.value)
})
useResizeObserver(canvas, () => scene?.resize())
watch(
  () => props.surface,
  (s) => scene?.show(s),
)
watch(
  () => props.loops,
  (l) => scene?.showLoops(l),
)
function turn(to: Look): void {
  look.value = to
  scene?.look(to)
}
function stand(on: Foot): void {
  foot.value = on
  scene?.setFoot(on)
  scene?.look(look.value)
}
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
        :value="look"
        @choose="turn"
      />
      <ChoiceBar label="Foot" :options="feet" :value="foot" @choose="stand" />
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
