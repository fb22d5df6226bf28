<script setup lang="ts">
import type { Finding } from '@gentle-awl/core'
import LevelMark from './LevelMark.vue'

defineProps<{ finding: Finding }>()
</script>

<template>
  <li class="finding" :class="finding.level" :data-finding="finding.id">
    <LevelMark :level="finding.level" quiet />
    <div>
      <p>{{ finding.sentence }}</p>
      <p v-if="finding.mend" class="mend">{{ finding.mend }}</p>
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
