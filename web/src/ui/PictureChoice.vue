<script setup lang="ts" generic="T extends string">
import { NRadio, NRadioGroup } from 'naive-ui'
import { onMounted, onUpdated, ref, useId } from 'vue'

/**
 * One of several that are known by how they look: cards with a picture, a name and what it means. The library's radio
 * field is named by all that its card says: here it gets its name, and the rest as its description.
 */
const props = defineProps<{
  label: string
  options: readonly {
    value: T
    name: string
    /** What choosing it means. */
    says?: string
    /** Why it cannot be chosen here. */
    barred?: string
  }[]
  value: T | null
}>()
const emit = defineEmits<{ choose: [value: T] }>()
defineSlots<{ picture: (option: { value: T }) => unknown }>()
/** Radio fields of one name are one stop for the tab key, and the arrow keys go round among them. */
const name = useId()
const saysId = (value: T) => `${name}-${value.replace(/\W+/g, '-')}`
const root = ref<HTMLElement | null>(null)
function describe(): void {
  const fields = root.value?.querySelectorAll('input[type="radio"]')
  fields?.forEach((field, i) => {
    const option = props.options[i]
    if (!option) return
    field.setAttribute('aria-label', option.name)
    if (option.barred ?? option.says) field.setAttribute('aria-describedby', saysId(option.value))
    else field.removeAttribute('aria-describedby')
  })
}
onMounted(describe)
onUpdated(describe)
</script>

<template>
  <div ref="root">
    <NRadioGroup
      class="pictures"
      role="radiogroup"
      :aria-label="label"
      :name="name"
      :value="value"
      @update:value="emit('choose', $event as T)"
    >
      <NRadio
        v-for="option in options"
        :key="option.value"
        class="picture-card"
        :class="{ chosen: option.value === value }"
        :value="option.value"
        :disabled="option.barred !== undefined"
      >
        <span class="shows on-slate" aria-hidden="true"><slot name="picture" :value="option.value" /></span>
        <span class="words">
          <strong>{{ option.name }}</strong>
          <span v-if="option.barred || option.says" :id="saysId(option.value)" class="says">{{
            option.barred ?? option.says
          }}</span>
        </span>
      </NRadio>
    </NRadioGroup>
  </div>
</template>

<style scoped>
.pictures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(168px, 1fr));
  gap: 12px;
}
.picture-card {
  position: relative;
  display: grid;
  align-content: start;
  overflow: hidden;
  border: 2px solid var(--line);
  border-radius: 12px;
  background: var(--raised);
}
.picture-card:hover:not(.n-radio--disabled) {
  border-color: var(--action);
}
.picture-card.chosen {
  border-color: var(--action);
  background: var(--action-soft);
}
.picture-card:has(:focus-visible) {
  outline: 3px solid var(--action);
  outline-offset: 2px;
}
/* The field is as large as its card: it takes every press, by whatever means. */
.picture-card :deep(.n-radio__dot-wrapper) {
  position: absolute;
  inset: 0;
  z-index: 1;
  width: auto;
  height: auto;
  align-items: start;
  padding: 10px;
}
.picture-card :deep(.n-radio-input) {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  opacity: 0;
}
.picture-card :deep(.n-radio__dot) {
  top: 12px;
  left: 12px;
  transform: none;
  background: var(--raised);
}
.picture-card :deep(.n-radio__label) {
  display: grid;
  padding: 0;
}
.shows {
  display: grid;
  place-items: end center;
  height: 104px;
  padding: 10px 12px 8px;
  overflow: hidden;
  background: var(--slate);
}
.shows :deep(svg),
.shows :deep(img) {
  width: 100%;
  height: 86px;
  object-fit: contain;
}
.n-radio--disabled .shows {
  opacity: 0.6;
}
.n-radio--disabled strong {
  color: var(--soft);
}
.words {
  display: grid;
  gap: 2px;
  padding: 8px 12px 10px;
  line-height: 1.3;
}
.words strong::first-letter {
  text-transform: uppercase;
}
.says {
  font-size: 15px;
  color: var(--soft);
}
</style>
