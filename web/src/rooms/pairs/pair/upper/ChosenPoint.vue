<script setup lang="ts">
import type { KeyPoint, PointPlaces, Side } from '@gentle-awl/core'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { tell } from '../../../../app/settings.ts'
import LengthField from '../../../../ui/LengthField.vue'

/** The point that was chosen, by its figures; each can be set, and all go back to the rule. */
const props = defineProps<{ point: KeyPoint; board: PointPlaces; front: Side }>()
const emit = defineEmits<{ set: [index: number, value: number]; byRule: [] }>()

/** The side whose figures are shown. */
const side = computed<Side>(() => (props.point.sides.length === 1 ? props.point.sides[0] : undefined) ?? props.front)
const figures = computed(() =>
  props.board.figures(props.point.track, props.board.whereIs(props.point, side.value), side.value),
)
</script>

<template>
  <section class="point" aria-label="Chosen point">
    <h3>{{ point.name }}</h3>
    <div v-for="(f, i) in figures" :key="f.name" class="words-and-field">
      <span>{{ f.name }}</span>
      <LengthField
        :value="f.value"
        :min="0"
        :max="400"
        :label="`${point.name}, ${f.name}`"
        @change="emit('set', i, $event)"
      />
    </div>
    <p class="soft">{{ tell(point.sentence) }}</p>
    <NButton v-if="point.moved" @click="emit('byRule')">Back to the rule</NButton>
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
