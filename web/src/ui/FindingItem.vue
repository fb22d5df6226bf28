<script setup lang="ts">
import type { Finding } from '@gentle-awl/core'
import { inject, onBeforeUnmount, ref } from 'vue'
import { IN_PAIR } from './inPair.ts'
import LevelMark from './LevelMark.vue'
import RemedyButton from './RemedyButton.vue'
import { tell } from '../app/settings.ts'

/** A check that was made, and the button that mends it where something of this pair does. */
defineProps<{ finding: Finding }>()
const inPair = inject(IN_PAIR, null)
const item = ref<HTMLElement | null>(null)
// The button goes when it has mended: the focus stays with the finding, and when that goes too, with the work.
const stay = () => item.value?.focus({ preventScroll: true })
onBeforeUnmount(() => {
  if (item.value?.contains(document.activeElement)) document.getElementById('work')?.focus({ preventScroll: true })
})
</script>

<template>
  <li ref="item" class="finding" :class="finding.level" :data-finding="finding.id" tabindex="-1">
    <LevelMark :level="finding.level" quiet />
    <div>
      <p>{{ tell(finding.sentence) }}</p>
      <p v-if="finding.mend" class="mend">{{ tell(finding.mend) }}</p>
      <RemedyButton v-if="inPair && finding.remedy" :remedy="finding.remedy" @press="stay" />
    </div>
  </li>
</template>

<style scoped>
.finding {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr);
  gap: 8px;
  padding: 8px 10px;
  border-radius: 10px;
  list-style: none;
  font-size: 16px;
}
.finding.watch {
  background: var(--watch-soft);
}
.finding.stop {
  background: var(--stop-soft);
}
.mend {
  font-weight: 600;
}
</style>
