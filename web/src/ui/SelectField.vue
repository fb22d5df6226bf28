<script setup lang="ts" generic="T extends string">
import { NSelect, type SelectProps } from 'naive-ui'
import { computed, nextTick, onMounted, onUpdated, ref, useId, watch } from 'vue'

/**
 * One of several, under its name; long lists can be searched by typing. The library's select has no words for screen
 * readers: its parts get them here.
 */
const props = withDefaults(
  defineProps<{
    label: string
    name: string
    value: T
    options: readonly { value: T; name: string }[]
    /** The name is for screen readers alone, where the place says it to eyes. */
    quiet?: boolean
    wrong?: string | undefined
    disabled?: boolean
  }>(),
  { wrong: undefined },
)
const emit = defineEmits<{ choose: [value: T] }>()

/** From so many on a list is searched rather than read. */
const LONG = 8
const long = computed(() => props.options.length >= LONG)
const choices = computed(() => props.options.map(({ value, name }) => ({ value, label: name })))
const [labelId, listId, wrongId] = [useId(), useId(), useId()]
const optionId = (value: unknown) => `${listId}-${props.options.findIndex((o) => o.value === value)}`
const wordsOf: NonNullable<SelectProps['nodeProps']> = ({ value }) => ({
  id: optionId(value),
  role: 'option',
  'aria-selected': value === props.value,
})
const root = ref<HTMLElement | null>(null)
const select = ref<InstanceType<typeof NSelect> | null>(null)
const open = ref(false)

/** What takes the focus: the field itself, or the input in which a long list is searched. */
const box = () =>
  root.value?.querySelector<HTMLElement>(
    long.value ? 'input.n-base-selection-input' : '.n-base-selection-label[tabindex]',
  )
function describe(): void {
  const field = box()
  if (!field) return
  const chosen = props.options.find((o) => o.value === props.value)?.name ?? ''
  const words: Record<string, string | null> = {
    role: 'combobox',
    name: props.name,
    'aria-haspopup': 'listbox',
    'aria-expanded': String(open.value),
    'aria-controls': open.value ? listId : null,
    'aria-labelledby': labelId,
    'aria-autocomplete': long.value ? 'list' : 'none',
    // What is chosen lies over the field as text: for an input it has to be said.
    'aria-description': long.value && !open.value ? chosen : null,
    'aria-invalid': String(!!props.wrong),
    'aria-describedby': props.wrong ? wrongId : null,
  }
  for (const [word, value] of Object.entries(words)) {
    if (value === null) field.removeAttribute(word)
    else field.setAttribute(word, value)
  }
}
onMounted(describe)
onUpdated(describe)
watch([open, long], async () => {
  await nextTick()
  describe()
  if (open.value) point()
  else box()?.removeAttribute('aria-activedescendant')
})
/** Says which line of the open list the arrow keys are on. */
function point(): void {
  requestAnimationFrame(() => {
    const line = document.getElementById(listId)?.querySelector('.n-base-select-option--pending')
    if (line) box()?.setAttribute('aria-activedescendant', line.id)
  })
}
function keys(event: KeyboardEvent): void {
  if (open.value) {
    // Escape closes the list and not the dialog around it.
    if (event.key === 'Escape') event.stopPropagation()
    point()
  }
}
</script>

<template>
  <div ref="root" class="field" @keydown="keys">
    <span :id="labelId" :class="{ 'visually-hidden': quiet }" @click="select?.focus()">{{ label }}</span>
    <NSelect
      ref="select"
      v-model:show="open"
      :value="value"
      :options="choices"
      :filterable="long"
      :disabled="disabled"
      :status="wrong ? 'error' : undefined"
      :consistent-menu-width="false"
      :menu-props="{ id: listId, role: 'listbox', 'aria-labelledby': labelId }"
      :node-props="wordsOf"
      @update:value="emit('choose', $event as T)"
    />
    <span v-if="wrong" :id="wrongId" class="wrong" role="alert">{{ wrong }}</span>
  </div>
</template>
