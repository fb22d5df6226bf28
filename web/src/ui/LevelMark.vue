<script setup lang="ts">
import type { Level } from '@gentle-awl/core'
import { IconAlertTriangleFilled, IconCheck, IconHandStop } from '@tabler/icons-vue'

defineProps<{ level: Level; size?: number; quiet?: boolean }>()
const icons = { fine: IconCheck, watch: IconAlertTriangleFilled, stop: IconHandStop }
const words = { fine: 'fine', watch: 'watch', stop: 'stop' }
</script>

<template>
  <span class="mark" :class="level">
    <component :is="icons[level]" :size="size ?? 20" stroke-width="2.2" aria-hidden="true" />
    <span :class="{ 'visually-hidden': quiet }">{{ words[level] }}</span>
  </span>
</template>

<style scoped>
.mark {
  /* Its word for screen readers stays with it where a list around it scrolls. */
  position: relative;
  display: inline-flex;
  align-items: center;
  gap: 5px;
  font-weight: 600;
}
.fine {
  color: var(--action);
}
.watch {
  color: var(--watch);
}
.stop {
  color: var(--stop);
}
</style>
