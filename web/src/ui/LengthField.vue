<script setup lang="ts">
import { readLength } from '@gentle-awl/core'
import { NInput } from 'naive-ui'
import { ref, useId, watch } from 'vue'
import { lengthUnit, showLength } from '../app/settings.ts'

/** A length (mm) typed in the unit of the screen; inches as 1 3/8″ or 1 3/8 in. Nothing changes until it reads well. */
const props = defineProps<{ value: number; min: number; max: number; label: string }>()
const emit = defineEmits<{ change: [mm: number] }>()
const wrongId = useId()

const shown = () => (lengthUnit.value === 'inch' ? showLength(props.value) : String(Math.round(props.value * 10) / 10))
const text = ref(shown())
const wrong = ref('')
watch([() => props.value, lengthUnit], () => {
  text.value = shown()
  wrong.value = ''
})

function take(): void {
  if (text.value === shown()) return
  const bare = /^-?\d+([.,]\d+)?$/.test(text.value.trim())
  const mm = readLength(bare && lengthUnit.value === 'inch' ? `${text.value} in` : text.value)
  if (mm === null)
    wrong.value = lengthUnit.value === 'inch' ? 'Write it like 1 3/8″.' : 'Write a number of millimetres.'
  else if (mm < props.min || mm > props.max) {
    wrong.value = `From ${showLength(props.min, 0)} to ${showLength(props.max, 0)}.`
  } else {
    wrong.value = ''
    emit('change', mm)
  }
}
</script>

<template>
  <span class="length">
    <NInput
      v-model:value="text"
      class="figure"
      :status="wrong ? 'error' : undefined"
      placeholder=""
      :input-props="{
        inputmode: 'decimal',
        autocomplete: 'off',
        'aria-label': `${label}, ${lengthUnit}`,
        'aria-invalid': wrong ? 'true' : 'false',
        'aria-describedby': wrong ? wrongId : undefined,
      }"
      @change="take"
      @keydown.enter="take"
    />
    <span v-if="lengthUnit === 'mm'" class="unit" aria-hidden="true">mm</span>
    <span v-if="wrong" :id="wrongId" class="wrong" role="alert">{{ wrong }}</span>
  </span>
</template>

<style scoped>
.length {
  display: inline-grid;
  grid-template-columns: auto auto;
  justify-content: start;
  align-items: center;
  gap: 4px 6px;
}
.length .n-input {
  width: 96px;
  text-align: right;
}
.unit {
  color: var(--soft);
}
.wrong {
  grid-column: 1 / -1;
  color: var(--stop);
  font-size: 15px;
}
</style>
