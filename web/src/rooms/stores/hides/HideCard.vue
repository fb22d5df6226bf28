<script setup lang="ts">
import { boxOf, type Hide } from '@gentle-awl/core'
import { computed } from 'vue'
import type { Stored } from '../../../api/ask.ts'
import { showArea, showLength } from '../../../app/settings.ts'
import GroundShape from '../../../drawing/GroundShape.vue'
import { capital } from '../../../ui/capital.ts'
import { middleThickness, soundArea } from './hideFigures.ts'

/** One hide as it hangs in the stores: a picture of it, what it is, how much of it is sound. */
const props = defineProps<{ hide: Stored<Hide>; material: string }>()
const view = computed(() => {
  const b = boxOf(props.hide.outline)
  return `${b.minX - 10} ${-b.maxY - 10} ${b.maxX - b.minX + 20} ${b.maxY - b.minY + 20}`
})
const line = computed(() => {
  const { flaws } = props.hide
  const thick = middleThickness(props.hide)
  return [
    showArea(soundArea(props.hide)),
    ...(thick === null ? [] : [showLength(thick)]),
    flaws.length === 0 ? 'no flaws drawn' : flaws.length === 1 ? 'one flaw' : `${flaws.length} flaws`,
  ].join(' · ')
})
</script>

<template>
  <RouterLink :to="`/stores/hides/${hide.id}`" class="card" :class="{ used: hide.used }">
    <span class="picture on-slate">
      <svg :viewBox="view" aria-hidden="true"><GroundShape :ground="hide" arrow /></svg>
    </span>
    <strong>{{ hide.name }}</strong>
    <span>{{ material || capital(hide.form) }}{{ hide.used ? ', used up' : '' }}</span>
    <span class="soft figure">{{ line }}</span>
    <span v-if="hide.place" class="soft">{{ hide.place }}</span>
  </RouterLink>
</template>

<style scoped>
.card {
  display: grid;
  gap: 2px;
  padding: 12px;
  color: var(--ink);
  text-decoration: none;
}
.picture {
  display: block;
  margin-bottom: 8px;
  border-radius: 10px;
  background: var(--slate);
}
svg {
  display: block;
  width: 100%;
  height: 170px;
}
.used .picture {
  opacity: 0.55;
}
</style>
