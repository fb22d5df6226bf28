<script setup lang="ts">
import { NButton } from 'naive-ui'
import { FEATHER_HANDLES, type FeatherShift } from '@gentle-awl/core'
import { ref } from 'vue'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'

/** Moves the feather line that was found up the wall or down, place by place, half a millimetre a time. */
const props = defineProps<{ shift: FeatherShift }>()
const emit = defineEmits<{ change: [shift: FeatherShift] }>()
const side = ref<'lateral' | 'medial'>('lateral')
const sides = [
  { value: 'lateral', name: 'Lateral' },
  { value: 'medial', name: 'Medial' },
] as const
const places = ['heel back', 'heel side', 'seat front', 'waist', 'behind the joint', 'joint', 'toe side', 'toe tip']
/** Further than this it would be another line. */
const MOST = 6

function move(handle: number, by: number): void {
  const next = { lateral: [...props.shift.lateral], medial: [...props.shift.medial] }
  const to = Math.round(Math.min(MOST, Math.max(-MOST, next[side.value][handle]! + by)) * 10) / 10
  next[side.value][handle] = to
  // Heel and toe ends belong to both sides.
  if (handle === 0 || handle === FEATHER_HANDLES.length - 1) {
    next.lateral[handle] = to
    next.medial[handle] = to
  }
  emit('change', next)
}
</script>

<template>
  <h3>Feather line</h3>
  <p class="soft">Found where bottom and wall turn most. Move it up the wall or down where it is not right.</p>
  <ChoiceBar label="Side" :options="sides" :value="side" @choose="side = $event" />
  <ul class="handles">
    <li v-for="(q, i) in FEATHER_HANDLES" :key="q">
      <span>{{ places[i] }}</span>
      <NButton class="icon" :aria-label="`${places[i]} down by half a millimetre`" @click="move(i, -0.5)"> − </NButton>
      <span class="figure">{{ shift[side][i]!.toFixed(1) }}</span>
      <NButton class="icon" :aria-label="`${places[i]} up by half a millimetre`" @click="move(i, 0.5)"> + </NButton>
    </li>
  </ul>
</template>

<style scoped>
h3 {
  margin: 18px 0 4px;
}
.handles {
  display: grid;
  gap: 6px;
  margin: 8px 0;
  padding: 0;
  list-style: none;
}
.handles li {
  display: grid;
  grid-template-columns: 1fr 44px 44px 44px;
  gap: 6px;
  align-items: center;
  text-align: center;
}
.handles li > :first-child {
  text-align: left;
}
</style>
