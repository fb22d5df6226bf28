<script setup lang="ts">
import { IconX } from '@tabler/icons-vue'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import SelectField from './SelectField.vue'

/** Several of many, in an order: each can be taken out, and another is added at the end. */
const props = defineProps<{
  label: string
  /** Said where one is added. */
  add: string
  name: string
  chosen: readonly { value: string; name: string }[]
  options: readonly { value: string; name: string }[]
  /** The last one stays. */
  needed?: boolean
}>()
const emit = defineEmits<{ add: [value: string]; remove: [index: number] }>()
const NONE = ''
const free = computed(() => [
  { value: NONE, name: props.add },
  ...props.options.filter((o) => !props.chosen.some((c) => c.value === o.value)),
])
</script>

<template>
  <div class="chosen">
    <ul v-if="chosen.length > 0" :aria-label="label">
      <li v-for="(c, i) in chosen" :key="c.value">
        <span>{{ c.name }}</span>
        <NButton
          v-if="!needed || chosen.length > 1"
          quaternary
          :aria-label="`Without ${c.name}`"
          @click="emit('remove', i)"
        >
          <IconX :size="20" aria-hidden="true" />
        </NButton>
      </li>
    </ul>
    <SelectField
      v-if="free.length > 1"
      :label="label"
      :name="name"
      :value="NONE"
      :options="free"
      quiet
      @choose="$event !== NONE && emit('add', $event)"
    />
  </div>
</template>

<style scoped>
.chosen {
  display: grid;
  gap: 4px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 44px;
}
</style>
