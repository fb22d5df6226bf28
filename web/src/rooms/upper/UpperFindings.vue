<script setup lang="ts">
import type { UpperDecisions, UpperFinding } from '@gentle-awl/core'
import { computed } from 'vue'
import FindingItem from '../../ui/FindingItem.vue'

/** Checks of the base pattern, the gravest first, each with the change that mends it. */
const props = defineProps<{ findings: UpperFinding[] }>()
defineEmits<{ mend: [change: Partial<UpperDecisions>] }>()
const order = { stop: 0, watch: 1, fine: 2 }
const sorted = computed(() => [...props.findings].sort((a, b) => order[a.level] - order[b.level]))
</script>

<template>
  <ul class="findings" aria-label="Checks">
    <template v-for="f in sorted" :key="f.id">
      <FindingItem :finding="f" />
      <li v-if="f.change" class="mend">
        <button class="button main" type="button" @click="$emit('mend', f.change.upper)">
          Mend it: {{ f.change.name }}
        </button>
      </li>
    </template>
  </ul>
</template>

<style scoped>
.findings {
  display: grid;
  gap: 6px;
  margin: 0 0 16px;
  padding: 0;
}
.mend {
  list-style: none;
  padding: 0 0 6px 34px;
}
</style>
