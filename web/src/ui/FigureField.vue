<script setup lang="ts">
import { readFigure } from '@gentle-awl/core'
import { NInput } from 'naive-ui'
import { computed, ref, useId, watch } from 'vue'
import { exactFigure, lengthUnit, readTypedLength } from '../app/settings.ts'

/**
 * A figure typed as people write it (1,2 or 1.2 or 1/2). What cannot be read, or lies outside its range, is said at the
 * field and goes nowhere; what is being typed is kept while the page is drawn anew. Arrow keys move it by a step.
 */
const props = defineProps<{
  value: number | null
  /** What it is called, where no label stands round it. */
  label?: string
  min?: number
  max?: number
  step?: number
  /** What it is in: a length (mm) is shown and typed in the unit of the screen. */
  unit?: string
  /** Only whole ones, as of pieces and sizes. */
  whole?: boolean
  /** May be left empty: what then holds. */
  empty?: string
  name?: string
  /** What reads well goes out at every key, for a shape that follows what is typed; the rest is said when it is left. */
  live?: boolean
  /** Said of the field from outside, when all the form's figures were read together. */
  invalid?: boolean
}>()
const emit = defineEmits<{ change: [value: number | null] }>()
const hintId = useId()

const inInches = computed(() => props.unit === 'mm' && lengthUnit.value === 'inch')
const said = (value: number) => exactFigure(value, props.unit ?? '')
const shown = () => (props.value === null || Number.isNaN(props.value) ? '' : said(props.value))
/** No figure is kept with the dust of its arithmetic: 9.525, not 9.524999999999999. */
const clean = (value: number) => Math.round(value * 1e6) / 1e6
function read(typed: string): number | null {
  if (!inInches.value) return readFigure(typed)
  return readTypedLength(typed)
}
const text = ref(shown())
const wrong = ref('')
watch(
  () => props.value,
  () => {
    if (read(text.value) === props.value) return
    text.value = shown()
    wrong.value = ''
  },
)
watch(inInches, () => {
  text.value = shown()
  wrong.value = ''
})
const range = computed(() => {
  const { min, max } = props
  if (min !== undefined && max !== undefined) return `From ${said(min)} to ${said(max)}.`
  if (min !== undefined) return `${said(min)} or more.`
  return max !== undefined ? `${said(max)} or less.` : ''
})

const inRange = (value: number) => value >= (props.min ?? -Infinity) && value <= (props.max ?? Infinity)

function take(): void {
  if (text.value.trim() === '') {
    if (props.empty === undefined) wrong.value = 'Write a number.'
    else if (props.value !== null) emit('change', null)
    if (props.empty !== undefined) wrong.value = ''
    return
  }
  // What was only looked at stays as exact as it was.
  if (text.value === shown()) {
    wrong.value = ''
    return
  }
  const value = read(text.value)
  if (value === null) {
    const how = inInches.value ? '1/2 or 1 3/8″' : '1,2 or 1.2 or 1/2'
    wrong.value = `“${text.value}” is no ${inInches.value ? 'length' : 'number'}. Write it like ${how}.`
    return
  }
  if (props.whole && !Number.isInteger(value)) {
    wrong.value = `Write a whole number. ${range.value}`.trim()
    return
  }
  if (!inRange(value)) {
    wrong.value = range.value
    return
  }
  wrong.value = ''
  if (value !== props.value) emit('change', value)
}
function typing(next: string): void {
  text.value = next
  // Once it was wrong it is read at every key, so that the sentence goes as soon as it is mended.
  if (wrong.value) take()
  else if (props.live) {
    const value = read(next)
    if (value !== null && inRange(value) && value !== props.value) emit('change', value)
  }
}
function keys(event: KeyboardEvent): void {
  if (event.key === 'Enter') return take()
  if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
  const now = text.value === shown() ? props.value : read(text.value)
  if (now === null) return
  event.preventDefault()
  const step = props.step ?? 1
  const next = clean(now + (event.key === 'ArrowUp' ? step : -step))
  const value = Math.min(props.max ?? Infinity, Math.max(props.min ?? -Infinity, next))
  text.value = said(value)
  wrong.value = ''
  if (value !== props.value) emit('change', value)
}
</script>

<template>
  <span class="figure-field">
    <NInput
      :value="text"
      :status="wrong || invalid ? 'error' : undefined"
      :placeholder="empty ?? ''"
      :input-props="{
        inputmode: 'decimal',
        autocomplete: 'off',
        name,
        'aria-label': label,
        'aria-invalid': wrong !== '' || invalid ? 'true' : 'false',
        'aria-describedby': wrong ? hintId : undefined,
      }"
      class="figure"
      @update:value="typing"
      @change="take"
      @keydown="keys"
    />
    <span v-if="wrong" :id="hintId" class="wrong" role="alert">{{ wrong }}</span>
  </span>
</template>

<style scoped>
.figure-field {
  display: grid;
  gap: 4px;
  min-width: 0;
}
.wrong {
  color: var(--stop);
  font-size: 15px;
  font-weight: 400;
}
</style>
