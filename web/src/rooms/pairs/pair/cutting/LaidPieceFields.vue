<script setup lang="ts">
import { middleLaid, tightAt, turnedInPlace, type LaidPlace, type LayGround } from '@gentle-awl/core'
import { NButton, NSwitch } from 'naive-ui'
import { computed } from 'vue'
import FigureField from '../../../../ui/FigureField.vue'
import LengthField from '../../../../ui/LengthField.vue'
import type { LaidPiece } from './laidPieces.ts'

/** One piece of a layout by number: where it lies, how far it is turned off the tight direction, whether it stays there. */
const props = defineProps<{ piece: LaidPiece; ground: LayGround }>()
const emit = defineEmits<{ move: [to: Partial<LaidPlace>]; takeOff: [] }>()
/** Tight directions count either way round: between -90 and 90. */
const half = (degrees: number) => ((((degrees + 90) % 180) + 180) % 180) - 90
/** Of its box, where it lies on its own hide, mm. */
const middle = computed(() => middleLaid(props.piece.cut.outline, props.piece.place))
const off = computed(
  () =>
    Math.round(10 * half(props.piece.cut.tight + props.piece.place.rotation - tightAt(props.ground, middle.value))) /
    10,
)
const turn = (by: number) => emit('move', turnedInPlace(props.piece.place, props.piece.cut.outline, by))
function turnTo(degrees: number | null): void {
  if (degrees !== null) turn(degrees - off.value)
}
const tenth = (mm: number) => Math.round(10 * mm) / 10
</script>

<template>
  <section :aria-label="piece.words">
    <h3>{{ piece.words }}</h3>
    <div class="words-and-field">
      <span>Its middle, along</span>
      <LengthField
        :value="tenth(middle[0])"
        :min="-20000"
        :max="20000"
        label="Middle along"
        @change="emit('move', { x: piece.place.x + $event - middle[0] })"
      />
    </div>
    <div class="words-and-field">
      <span>Its middle, across</span>
      <LengthField
        :value="tenth(middle[1])"
        :min="-20000"
        :max="20000"
        label="Middle across"
        @change="emit('move', { y: piece.place.y + $event - middle[1] })"
      />
    </div>
    <div class="words-and-field">
      <span>Turned off the tight direction, °</span>
      <FigureField :value="off" :min="-90" :max="90" label="Turned off the tight direction, degrees" @change="turnTo" />
    </div>
    <div class="words-and-field">
      <span>Stays there when the rest is laid</span>
      <NSwitch
        :value="piece.place.pinned"
        aria-label="Stays there when the rest is laid"
        @update:value="emit('move', { pinned: $event })"
      />
    </div>
    <div class="buttons">
      <NButton @click="turn(180)">Turn it round</NButton>
      <NButton @click="emit('takeOff')">Take it off</NButton>
    </div>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
  margin: 10px 0 14px;
  padding: 12px 0;
  border-block: 1px solid var(--line);
}
h3 {
  margin: 0;
}
.buttons {
  display: flex;
  gap: 8px;
}
</style>
