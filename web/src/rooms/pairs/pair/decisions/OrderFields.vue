<script setup lang="ts">
import type { PairLabel } from '@gentle-awl/core'
import { ref } from 'vue'
import { usePair } from '../../../../stores/pairStore.ts'
import DayField from '../../../../ui/DayField.vue'
import FigureField from '../../../../ui/FigureField.vue'
import TextField from '../../../../ui/TextField.vue'

/** Whom a pair is for, until when, and how much that weighs. */
const pair = usePair()
/** What it may not be without; an emptied field says so, and the pair keeps what it had. */
const needed = { order: 'Give the pair an order number; it keeps', name: 'Give the pair a name; it keeps' } as const
const wrong = ref<{ order: string; name: string }>({ order: '', name: '' })
const change = (part: Partial<PairLabel>) => {
  if (pair.label) pair.changeLabel({ ...pair.label, ...part })
}
function setNeeded(field: 'order' | 'name', text: string): void {
  if (!pair.label) return
  const empty = text.trim() === ''
  wrong.value = { ...wrong.value, [field]: empty ? `${needed[field]} “${pair.label[field]}” until then.` : '' }
  if (!empty) change({ [field]: text })
}
</script>

<template>
  <TextField
    label="Order number"
    name="order"
    :most="20"
    :value="pair.label?.order ?? ''"
    :wrong="wrong.order"
    @change="setNeeded('order', $event)"
  />
  <TextField
    label="Name of the pair"
    name="name"
    :most="80"
    :value="pair.label?.name ?? ''"
    :wrong="wrong.name"
    @change="setNeeded('name', $event)"
  />
  <TextField
    label="Trade of the customer"
    name="trade"
    :most="80"
    :value="pair.label?.trade ?? ''"
    @change="change({ trade: $event })"
  />
  <DayField
    label="Due"
    name="due"
    :value="pair.label?.due ?? ''"
    @update:value="change({ due: $event === '' ? null : $event })"
  />
  <label class="field">
    <span>How much a day’s delay weighs</span>
    <FigureField
      label="How much a day’s delay weighs"
      :value="pair.label?.weight ?? 1"
      :min="0.1"
      :max="10"
      :step="0.5"
      @change="change({ weight: $event ?? 1 })"
    />
  </label>
  <TextField
    label="Note"
    name="note"
    :most="1000"
    :rows="2"
    :value="pair.label?.note ?? ''"
    @change="change({ note: $event })"
  />
</template>
