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
    /** So many letters at the most. */
    most?: number
    placeholder?: string
    wrong?: string | undefined
    /** Worth knowing about what is typed, and no reason to refuse it. */
    hint?: string | undefined
    /** The name is for screen readers alone, where the place says it to eyes. */
    quiet?: boolean
    /** Figures: a point a line, numbers in columns. */
    figures?: boolean
  }>(),
  { name: undefined, rows: 1, most: undefined, placeholder: '', wrong: undefined, hint: undefined },
)
const emit = defineEmits<{ 'update:value': [text: string]; change: [text: string] }>()
const [labelId, saidId] = [useId(), useId()]
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
    <span :id="labelId" :class="{ 'visually-hidden': quiet }">{{ label }}</span>
    <NInput
      :value="text"
      :type="rows > 1 ? 'textarea' : 'text'"
      :rows="rows"
      :resizable="false"
      :maxlength="most"
      :placeholder="placeholder"
      :status="wrong ? 'error' : undefined"
      :class="{ figure: figures }"
      :input-props="{
        name,
        autocomplete: 'off',
        // What is said below is no part of its name.
        'aria-labelledby': labelId,
        spellcheck: figures ? false : undefined,
        'aria-invalid': wrong ? 'true' : 'false',
        'aria-describedby': wrong || hint ? saidId : undefined,
      }"
      @update:value="typed"
      @change="emit('change', $event)"
    />
    <span v-if="wrong" :id="saidId" class="wrong" role="alert">{{ wrong }}</span>
    <span v-else-if="hint" :id="saidId" class="hint" role="status">{{ hint }}</span>
  </label>
</template>

<style scoped>
.hint {
  color: var(--watch);
  font-size: 15px;
}
</style>
