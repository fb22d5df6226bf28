<script setup lang="ts">
import { ruleOf, type Finding } from '@gentle-awl/core'
import { NButton } from 'naive-ui'
import { usePair } from '../plan/pairStore.ts'
import LevelMark from './LevelMark.vue'

const props = defineProps<{ finding: Finding }>()
/** Findings stand in rooms of a pair; elsewhere none has a rule to set. */
function mend(): void {
  const { byRule } = props.finding
  if (byRule) usePair().setPairRule(byRule.key, byRule.value)
}
</script>

<template>
  <li class="finding" :class="finding.level" :data-finding="finding.id">
    <LevelMark :level="finding.level" quiet />
    <div>
      <p>{{ finding.sentence }}</p>
      <p v-if="finding.mend" class="mend">{{ finding.mend }}</p>
      <NButton v-if="finding.byRule" class="do" @click="mend">
        Mend it: {{ ruleOf(finding.byRule.key)?.name }}, {{ finding.byRule.value }}
      </NButton>
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
.do {
  height: auto;
  min-height: 44px;
  margin-top: 6px;
  white-space: normal;
}
</style>
