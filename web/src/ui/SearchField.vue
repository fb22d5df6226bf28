<script setup lang="ts">
import { NInput } from 'naive-ui'

/** Where a list is searched; the key / goes to it. */
defineProps<{ value: string; label: string; placeholder: string }>()
const emit = defineEmits<{ 'update:value': [text: string] }>()
</script>

<template>
  <NInput
    class="search"
    size="large"
    clearable
    :value="value"
    :placeholder="placeholder"
    :input-props="{ type: 'search', 'aria-label': label }"
    @update:value="emit('update:value', $event)"
  />
</template>

<style scoped>
.search {
  flex: 0 1 300px;
}
/* The browser's own way to clear it would stand beside the library's. */
.search :deep(input::-webkit-search-cancel-button) {
  display: none;
}
</style>
