<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { useId } from 'vue'

/** Several steps out of all, found by typing. */
defineProps<{ label: string; value: readonly string[]; options: { value: string; label: string }[] }>()
const emit = defineEmits<{ change: [ids: string[]] }>()
const labelId = useId()
</script>

<template>
  <div class="field">
    <span :id="labelId">{{ label }}</span>
    <NSelect
      multiple
      filterable
      :value="[...value]"
      :options="options"
      :input-props="{ 'aria-labelledby': labelId }"
      placeholder="none"
      @update:value="emit('change', $event as string[])"
    />
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 4px;
}
</style>
