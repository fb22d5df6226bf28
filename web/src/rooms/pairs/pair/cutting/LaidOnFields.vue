<script setup lang="ts">
import type { PairLayout } from '@gentle-awl/core'
import { computed } from 'vue'
import ChosenList from '../../../../ui/ChosenList.vue'
import LengthField from '../../../../ui/LengthField.vue'
import SelectField from '../../../../ui/SelectField.vue'
import { beginOn, onThese, usualSheet } from './layoutGrounds.ts'

/** What a stuff is laid on: a straight sheet of some size, or one or several hides of the stores, filled in this order. */
const props = defineProps<{
  layout: PairLayout
  /** Hides of this stuff that are not used up. */
  hides: readonly { value: string; name: string }[]
}>()
const emit = defineEmits<{ change: [some: Partial<PairLayout>] }>()
const SHEET = ''
const first = computed(() => props.layout.grounds[0]!)
const sheet = computed(() => ('hide' in first.value ? null : first.value))
const more = computed(() =>
  props.layout.grounds.slice(1).flatMap((g) => {
    const found = 'hide' in g ? props.hides.find((h) => h.value === g.hide) : undefined
    return found ? [found] : []
  }),
)
const lieOn = (value: string) => emit('change', beginOn(props.layout, value === SHEET ? usualSheet : { hide: value }))
const add = (hide: string) => emit('change', { grounds: [...props.layout.grounds, { hide }] })
/** `index` counts from the second: the first is chosen above. */
const remove = (index: number) =>
  emit(
    'change',
    onThese(
      props.layout,
      props.layout.grounds.flatMap((_, k) => (k === index + 1 ? [] : [k])),
    ),
  )
const resize = (some: { length?: number; width?: number }) =>
  sheet.value && emit('change', { grounds: [{ ...sheet.value, ...some }] })
</script>

<template>
  <SelectField
    label="Laid on"
    name="laid-on"
    :value="'hide' in first ? first.hide : SHEET"
    :options="[...hides, { value: SHEET, name: 'a straight sheet of any size' }]"
    @choose="lieOn"
  />
  <template v-if="sheet">
    <div class="words-and-field">
      <span>Sheet, along its tight direction</span>
      <LengthField
        :value="sheet.length"
        :min="50"
        :max="20000"
        label="Length of the sheet"
        @change="resize({ length: $event })"
      />
    </div>
    <div class="words-and-field">
      <span>Sheet, across</span>
      <LengthField
        :value="sheet.width"
        :min="50"
        :max="3000"
        label="Width of the sheet"
        @change="resize({ width: $event })"
      />
    </div>
  </template>
  <ChosenList
    v-else-if="hides.length > 1"
    label="What is left goes on"
    add="What is left goes on …"
    name="next-hide"
    :chosen="more"
    :options="hides.filter((h) => !('hide' in first) || h.value !== first.hide)"
    @add="add"
    @remove="remove"
  />
</template>
