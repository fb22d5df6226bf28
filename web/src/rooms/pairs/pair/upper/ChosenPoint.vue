<script setup lang="ts">
import type { KeyPoint, PointPlaces, Side } from '@gentle-awl/core'
import { refThrottled } from '@vueuse/core'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { tell } from '../../../../app/settings.ts'
import LengthField from '../../../../ui/LengthField.vue'

/** The point that was chosen, by its figures; each can be set, and all go back to the rule. */
const props = defineProps<{ point: KeyPoint; board: PointPlaces; front: Side }>()
const emit = defineEmits<{ set: [index: number, value: number]; byRule: [] }>()

/** The side whose figures are shown. */
const side = computed<Side>(() => (props.point.sides.length === 1 ? props.point.sides[0] : undefined) ?? props.front)
/** A figure that is written into a field has the browser lay out the page at once: while the point is pulled they follow at a distance, ms. */
const FOLLOWS = 150
const shown = refThrottled(
  computed(() => ({ point: props.point, side: side.value, board: props.board })),
  FOLLOWS,
)
const figures = computed(() => {
  const { point, side, board } = shown.value
  return board.figures(point.track, board.whereIs(point, side), side)
})
</script>

<template>
  <section class="point" aria-label="Chosen point">
    <h3>{{ shown.point.name }}</h3>
    <div v-for="(f, i) in figures" :key="f.name" class="words-and-field">
      <span>{{ f.name }}</span>
      <LengthField
        :value="f.value"
        :min="0"
        :max="400"
        :label="`${shown.point.name}, ${f.name}`"
        @change="emit('set', i, $event)"
      />
    </div>
    <p class="soft">{{ tell(shown.point.sentence) }}</p>
    <NButton v-if="shown.point.moved" @click="emit('byRule')">Back to the rule</NButton>
  </section>
</template>

<style scoped>
.point {
  margin: 0 0 12px;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: 10px;
}
.words-and-field :deep(.length) {
  flex: none;
}
</style>
