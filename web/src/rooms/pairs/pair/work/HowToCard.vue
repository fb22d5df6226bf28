<script setup lang="ts">
import FoldOut from '../../../../ui/FoldOut.vue'
import HowToFigure from './HowToFigure.vue'
import { howToFigures } from './howToFigures.ts'

/** A card of technique: folded away until somebody wants to know. */
defineProps<{ name: string; text: readonly string[]; figure: string | null; open?: boolean }>()
</script>

<template>
  <FoldOut :title="name" :open="open">
    <div class="card-text" :class="{ drawn: figure !== null && howToFigures[figure] }">
      <HowToFigure v-if="figure !== null && howToFigures[figure]" :figure="howToFigures[figure]!" :name="name" />
      <div>
        <p v-for="(t, i) in text" :key="i">{{ t }}</p>
      </div>
    </div>
  </FoldOut>
</template>

<style scoped>
.card-text {
  display: grid;
  gap: 12px;
}
.card-text.drawn {
  grid-template-columns: minmax(160px, 240px) minmax(0, 1fr);
  align-items: start;
}
p {
  margin: 0 0 8px;
  white-space: pre-line;
}
@media (max-width: 600px) {
  .card-text.drawn {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
