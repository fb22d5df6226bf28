<script setup lang="ts">
import { NSlider } from 'naive-ui'
import { onMounted, onUpdated, ref, watch } from 'vue'

/**
 * A figure moved by hand, finger or arrow keys. The library's slider has neither name nor words for its value: its handle
 * gets them here, and keys for large steps and both ends.
 */
const props = defineProps<{ label: string; value: number; min: number; max: number; step: number; said: string }>()
const emit = defineEmits<{ move: [value: number] }>()
const root = ref<HTMLElement | null>(null)

function describe(): void {
  const handle = root.value?.querySelector('[role="slider"]')
  handle?.setAttribute('aria-label', props.label)
  handle?.setAttribute('aria-valuetext', props.said)
}
onMounted(describe)
onUpdated(describe)

/** Where the hand has it: what comes of it (a plan, a save) is only known a moment later. */
const held = ref(props.value)
/** Values given out that have not come back yet, the newest last. */
let sent: number[] = []
function move(to: number): void {
  held.value = to
  sent.push(to)
  emit('move', to)
}
watch(
  () => props.value,
  (value) => {
    const newest = sent.at(-1)
    // An answer to an older move does not take the handle back out of the hand.
    if (sent.includes(value) && value !== newest) return
    sent = []
    held.value = value
  },
)

/** Ten steps at a time, and to the ends. */
const FAR = 10
function keys(event: KeyboardEvent): void {
  const { step, min, max } = props
  const value = held.value
  const to: Record<string, number> = {
    PageUp: value + FAR * step,
    PageDown: value - FAR * step,
    Home: min,
    End: max,
  }
  const next = to[event.key]
  if (next === undefined) return
  event.preventDefault()
  move(Math.min(max, Math.max(min, next)))
}
</script>

<template>
  <div ref="root" class="slider" @keydown="keys">
    <NSlider :value="held" :min="min" :max="max" :step="step" :tooltip="false" @update:value="move" />
  </div>
</template>

<style scoped>
/* The whole height of a finger takes hold of it. */
.slider {
  display: grid;
  align-items: center;
  min-height: 44px;
  padding: 0 10px;
}
</style>
