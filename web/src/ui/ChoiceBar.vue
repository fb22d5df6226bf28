<script setup lang="ts" generic="T extends string">
import { NRadioButton, NRadioGroup } from 'naive-ui'
import { useId } from 'vue'

/** One of a few, side by side: a radio group for fingers and arrow keys alike. */
const props = defineProps<{
  label: string
  options: readonly { value: T; name: string }[]
  value: T | null
  /** What is chosen already may be chosen again: a view that was turned by hand since. */
  again?: boolean
}>()
const emit = defineEmits<{ choose: [value: T] }>()
/** Radio buttons of one name are one stop for the tab key, and the arrow keys go round among them. */
const name = useId()
// The arrow keys choose here; they do not move a drawing as well.
const ARROWS = ['ArrowRight', 'ArrowDown', 'ArrowLeft', 'ArrowUp']
/** A press on what is chosen already is no change to the radio button; one on its name is heard again as one on it. */
function press(value: T, { target }: MouseEvent): void {
  if (props.again && value === props.value && target instanceof HTMLInputElement) emit('choose', value)
}
const keys = (event: KeyboardEvent) => {
  if (ARROWS.includes(event.key)) event.stopPropagation()
}
</script>

<template>
  <NRadioGroup
    class="choices"
    role="radiogroup"
    :aria-label="label"
    :name="name"
    :value="value"
    @update:value="emit('choose', $event as T)"
    @keydown="keys"
  >
    <NRadioButton
      v-for="option in options"
      :key="option.value"
      :value="option.value"
      @click="press(option.value, $event)"
      >{{ option.name }}</NRadioButton
    >
  </NRadioGroup>
</template>

<style scoped>
.choices {
  justify-self: start;
  max-width: 100%;
}
/* Where there are many they go on in a second row: each has both its edges, since any may begin one. */
.choices.n-radio-group--button-group {
  display: flex;
  flex-wrap: wrap;
  height: auto;
  padding-left: 1px;
  row-gap: 6px;
}
.choices :deep(.n-radio-group__splitor) {
  display: none;
}
.choices :deep(.n-radio-button) {
  border: 1px solid var(--n-button-border-color);
  margin-left: -1px;
}
</style>
