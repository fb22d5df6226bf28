<script setup lang="ts">
import type { UpperFinding } from '@gentle-awl/core'
import { computed } from 'vue'
import FindingItem from '../../../../ui/FindingItem.vue'

/** Checks of the base pattern, the gravest first. */
const props = defineProps<{ findings: UpperFinding[] }>()
const order = { stop: 0, watch: 1, fine: 2 }
const sorted = computed(() => [...props.findings].sort((a, b) => order[a.level] - order[b.level]))
</script>

<template>
  <ul class="findings" aria-label="Checks">
    <FindingItem v-for="f in sorted" :key="f.id" :finding="f" />
  </ul>
</template>

<style scoped>
.findings {
  display: grid;
  gap: 6px;
  margin: 0 0 16px;
  padding: 0;
}
</style>
