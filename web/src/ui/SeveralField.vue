<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import SelectField from './SelectField.vue'

/** Several out of all: each is chosen from the list and stands below it until it is taken away. */
const props = defineProps<{
  label: string
  name: string
  value: readonly string[]
  options: readonly { value: string; name: string }[]
  /** What the list says while nothing is chosen. */
  none?: string
}>()
const emit = defineEmits<{ change: [ids: string[]] }>()
const NONE = ''
const left = computed(() => [
  { value: NONE, name: props.value.length === 0 ? (props.none ?? 'nothing in particular') : 'one more …' },
  ...props.options.filter((o) => !props.value.includes(o.value)),
])
/** What the pair has no longer keeps its place, for the day it has it again. */
const nameOf = (id: string) => props.options.find((o) => o.value === id)?.name ?? `${id}, not in this pair`
function add(id: string): void {
  if (id !== NONE) emit('change', [...props.value, id])
}
</script>

<template>
  <div class="field">
    <SelectField :label="label" :name="name" :value="NONE" :options="left" @choose="add" />
    <ul v-if="value.length > 0" :aria-label="label">
      <li v-for="id in value" :key="id">
        <span>{{ nameOf(id) }}</span>
        <NButton
          :aria-label="`${label}: not ${nameOf(id)}`"
          @click="
            emit(
              'change',
              value.filter((v) => v !== id),
            )
          "
        >
          Take away
        </NButton>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 6px;
}
ul {
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: space-between;
}
</style>
