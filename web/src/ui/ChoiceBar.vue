<script setup lang="ts" generic="T extends string">
import { nextTick, ref } from 'vue'

/** One of a few, side by side: a radio group for fingers and arrow keys alike. */
const props = defineProps<{ label: string; options: readonly { value: T; name: string }[]; value: T }>()
const emit = defineEmits<{ choose: [value: T] }>()
const bar = ref<HTMLElement | null>(null)

const STEPS: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }
async function move(event: KeyboardEvent): Promise<void> {
  const step = STEPS[event.key]
  if (!step) return
  event.preventDefault()
  event.stopPropagation()
  const n = props.options.length
  const at = props.options.findIndex((o) => o.value === props.value)
  emit('choose', props.options[(at + step + n) % n]!.value)
  await nextTick()
  bar.value?.querySelector<HTMLElement>('[aria-checked="true"]')?.focus()
}
</script>

<template>
  <div ref="bar" class="segments" role="radiogroup" :aria-label="label" @keydown="move">
    <button
      v-for="(option, i) in options"
      :key="option.value"
      type="button"
      role="radio"
      :aria-checked="option.value === value"
      :tabindex="option.value === value || (i === 0 && !options.some((o) => o.value === value)) ? 0 : -1"
      @click="emit('choose', option.value)"
    >
      {{ option.name }}
    </button>
  </div>
</template>

<style scoped>
.segments {
  display: inline-flex;
  justify-self: start;
  border: 1px solid #6f7f83;
  border-radius: 10px;
  overflow: hidden;
}
button {
  min-height: 44px;
  padding: 0 14px;
  border: 0;
  background: var(--raised);
  cursor: pointer;
}
button + button {
  border-left: 1px solid var(--line);
}
button[aria-checked='true'] {
  background: var(--action);
  color: var(--action-ink);
  font-weight: 600;
}
button:focus-visible {
  outline-offset: -4px;
}
button[aria-checked='true']:focus-visible {
  outline-color: currentcolor;
}
</style>
