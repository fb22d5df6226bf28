<script setup lang="ts">
import { spoken, type Consequences } from '@gentle-awl/core'
import { computed } from 'vue'
import { showFigure, showLength, showMinutes, tell } from '../app/settings.ts'
import LevelMark from './LevelMark.vue'

/** What a change does to a pair: checks, figures before and after, shapes, parts, minutes. */
const props = defineProps<{ found: Consequences }>()
/** More lines than this hide what matters. */
const MOST = 8
const nothing = computed(() => {
  const { figures, findings, shapes, appeared, gone } = props.found
  return figures.length + findings.length + shapes.length + appeared.length + gone.length === 0
})
</script>

<template>
  <p v-if="nothing">Nothing of this pair changes.</p>
  <ul v-else class="plain-list consequences">
    <li v-for="f in found.findings" :key="f.where + spoken(f.sentence)" class="check">
      <LevelMark :level="f.to ?? 'fine'" quiet />
      <span
        ><strong>{{ f.where }}</strong
        >: {{ tell(f.sentence) }}</span
      >
    </li>
    <li v-for="f in found.figures.slice(0, MOST)" :key="f.where + f.quantity">
      {{ f.where }}, {{ f.quantity.toLowerCase() }}:
      <span class="figure">{{ showFigure(f.from, f.unit) }} → {{ showFigure(f.to, f.unit) }}</span>
    </li>
    <li v-if="found.figures.length > MOST">and {{ found.figures.length - MOST }} more figures</li>
    <li v-if="found.shapes.length > 0">
      Shapes that move:
      {{
        found.shapes
          .slice(0, MOST)
          .map((s) => `${s.part} by ${showLength(s.most)}`)
          .join(', ')
      }}{{ found.shapes.length > MOST ? ` and ${found.shapes.length - MOST} more` : '' }}
    </li>
    <li v-if="found.appeared.length > 0">New: {{ found.appeared.join(', ') }}</li>
    <li v-if="found.gone.length > 0">No longer there: {{ found.gone.join(', ') }}</li>
    <li v-if="Math.round(found.minutes.from) !== Math.round(found.minutes.to)">
      Work on the pair: {{ showMinutes(found.minutes.from) }} → {{ showMinutes(found.minutes.to) }}
    </li>
  </ul>
</template>

<style scoped>
.consequences {
  gap: 4px;
}
.check {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr);
  gap: 8px;
}
</style>
