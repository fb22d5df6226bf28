<script setup lang="ts">
import { NButton, NResult, NSpin } from 'naive-ui'

/** What a room shows before it can show its work: loading, or why not. */
defineProps<{ loading: boolean; problem: string | null; what: string }>()
defineEmits<{ retry: [] }>()
</script>

<template>
  <NResult
    v-if="problem"
    class="state"
    status="error"
    role="alert"
    :title="`${what} cannot be shown`"
    :description="problem"
  >
    <template #footer><NButton type="primary" @click="$emit('retry')">Try again</NButton></template>
  </NResult>
  <div v-else-if="loading" class="state" role="status">
    <NSpin :description="`Fetching ${what.toLowerCase()} …`" />
  </div>
  <slot v-else />
</template>

<style scoped>
.state {
  display: grid;
  justify-items: center;
  align-content: start;
  gap: 14px;
  padding: 64px 32px;
}
</style>
