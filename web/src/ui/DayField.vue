<script setup lang="ts">
import { NDatePicker } from 'naive-ui'
import { onMounted, onUpdated, ref, useId } from 'vue'

/** A day of the calendar, typed or picked; kept as 2026-11-25, empty where none is given. Written as everywhere here: 25 Nov 2026. */
const props = defineProps<{ label: string; value: string; name: string }>()
const emit = defineEmits<{ 'update:value': [day: string] }>()
const root = ref<HTMLElement | null>(null)
const labelId = useId()

// The library gives its input neither a name nor words for screen readers.
function describe(): void {
  const input = root.value?.querySelector('input')
  input?.setAttribute('aria-labelledby', labelId)
  input?.setAttribute('name', props.name)
}
onMounted(describe)
onUpdated(describe)
</script>

<template>
  <div ref="root" class="field">
    <span :id="labelId">{{ label }}</span>
    <NDatePicker
      type="date"
      format="d MMM yyyy"
      value-format="yyyy-MM-dd"
      placeholder="day, as 25 Nov 2026"
      clearable
      update-value-on-close
      :formatted-value="value === '' ? null : value"
      @update:formatted-value="emit('update:value', $event ?? '')"
    />
  </div>
</template>
