<script setup lang="ts">
import { NButton } from 'naive-ui'
import { foamRecovery, type Material } from '@gentle-awl/core'
import { computed } from 'vue'
import FigureField from '../../ui/FigureField.vue'

/** The record of a foam that was pressed and let go. */
const props = defineProps<{ test: Material['foamTest'] }>()
const emit = defineEmits<{ change: [test: Material['foamTest']] }>()
type Test = NonNullable<Material['foamTest']>
const fields: { key: keyof Test; name: string }[] = [
  { key: 'before', name: 'Before, mm' },
  { key: 'pressed', name: 'Pressed, mm' },
  { key: 'afterOne', name: 'After 1 min, mm' },
  { key: 'afterTen', name: 'After 10 min, mm' },
]
const start: Test = { before: 6, pressed: 2, afterOne: 5, afterTen: 6 }
const back = computed(() => (props.test ? foamRecovery(props.test) : null))
function set(key: keyof Test, value: number | null): void {
  if (props.test && value !== null) emit('change', { ...props.test, [key]: value })
}
</script>

<template>
  <fieldset class="test">
    <legend>Foam test: press, let go, measure</legend>
    <NButton v-if="!test" @click="emit('change', start)">Record a test</NButton>
    <template v-else>
      <label v-for="f in fields" :key="f.key" class="field">
        <span>{{ f.name }}</span>
        <FigureField :min="0.1" :max="60" :step="0.1" :value="test[f.key]" @change="set(f.key, $event)" />
      </label>
      <p class="all" role="status">
        {{
          back
            ? `Comes back by ${back.afterOne.toFixed(0)} % in one minute, ${back.afterTen.toFixed(0)} % in ten.`
            : 'Pressed, it must be thinner than before.'
        }}
      </p>
      <NButton class="all" @click="emit('change', null)">Strike the test out</NButton>
    </template>
  </fieldset>
</template>

<style scoped>
.test {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin: 0;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: 10px;
}
.all {
  grid-column: 1 / -1;
}
</style>
