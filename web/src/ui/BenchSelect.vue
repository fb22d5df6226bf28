<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { myBench } from '../app/myBench.ts'
import { useAttempt } from '../app/useAttempt.ts'
import { useSchedule } from '../stores/scheduleStore.ts'
import SelectField from './SelectField.vue'

/** At which bench this screen stands: what is told of a step is told in its name. */
defineProps<{ quiet?: boolean }>()
const schedule = useSchedule()
const { attempt } = useAttempt()
// Without an answer there is every bench, and the room says what is the matter.
onMounted(() => attempt(() => schedule.loadDays()))
const makers = computed(() => [
  { value: '', name: 'Every bench' },
  ...(schedule.days?.makers ?? []).map(({ id, name }) => ({ value: id, name })),
])
const mine = computed(() => (makers.value.some((m) => m.value === myBench.value) ? myBench.value : ''))
</script>

<template>
  <SelectField label="Bench" name="bench" :quiet="quiet" :options="makers" :value="mine" @choose="myBench = $event" />
</template>
