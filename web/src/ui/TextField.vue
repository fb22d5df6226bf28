<script setup lang="ts">
import { NInput } from 'naive-ui'
import { ref, useId, watch } from 'vue'

/**
 * A line or a few lines of text under their name. What is being typed stays while the page is drawn anew; it goes out
 * at every key (`update:value`), and once it is done, when the field is left or Enter is pressed (`change`).
 */
const props = withDefaults(
  defineProps<{
    label: string
    value: string
    name?: string
    rows?: number
    placeholder?: string
    wrong?: string | undefined
    /** The name is for screen readers alone, where the place says it to eyes. */
    quiet?: boolean
    /** Figures: a point a line, numbers in columns. */
    figures?: boolean
  }>(),
  { name: undefined, rows: 1, placeholder: '', wrong: undefined },
)
const emit = defineEmits<{ 'update:value': [text: string]; change: [text: string] }>()
const wrongId = useId()
const text = ref(props.value)
watch(
  () => props.value,
  (value) => (text.value = value),
)
function typed(next: string): void {
  text.value = next
  emit('update:value', next)
}
</script>

<template>
  <label class="field">
    <span :class="{ 'visually-hidden': quiet }">{{ label }}</span>
    <NInput
      :value="text"
      :type="rows > 1 ? 'textarea' : 'text'"
      :rows="rows"
      :resizable="false"
      :placeholder="placeholder"
      :status="wrong ? 'error' : undefined"
      :class="{ figure: figures }"
      :input-props="{
        name,
        autocomplete: 'off',
        spellcheck: figures ? false : undefined,
        'aria-invalid': wrong ? 'true' : 'false',
        'aria-describedby': wrong ? wrongId : undefined,
      }"
      @update:value="typed"
      @change="emit('change', $event)"
    />
    <span v-if="wrong" :id="wrongId" class="wrong" role="alert">{{ wrong }}</span>
  </label>
</template>
