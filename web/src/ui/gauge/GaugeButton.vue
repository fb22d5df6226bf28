<script setup lang="ts">
import { IconRuler3 } from '@tabler/icons-vue'
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { showLength } from '../../app/settings.ts'
import { useGauge } from './useGauge.ts'

/** Lets a field wait for the thickness gauge; with `many` it goes on waiting after each reading. */
const props = defineProps<{ label: string; many?: boolean }>()
const emit = defineEmits<{ read: [mm: number] }>()
const read = ref('')
const gauge = useGauge((mm) => {
  read.value = `${showLength(mm, 2)} read.`
  if (!props.many) gauge.end()
  emit('read', mm)
})
defineExpose({ waits: gauge.waits })
function press(): void {
  read.value = ''
  if (gauge.waits.value) gauge.end()
  else void gauge.begin()
}
</script>

<template>
  <div class="gauge">
    <NButton :type="gauge.waits.value ? 'primary' : 'default'" :aria-pressed="gauge.waits.value" @click="press">
      <template #icon><IconRuler3 aria-hidden="true" /></template>
      {{ gauge.waits.value ? 'Waits for the gauge' : label }}
    </NButton>
    <span v-if="gauge.problem.value" class="wrong" role="alert">{{ gauge.problem.value }}</span>
    <a v-else-if="gauge.waits.value && !read" href="/gauge" target="_blank">No gauge? Practise with ours</a>
    <span v-else-if="read" class="soft" role="status">{{ read }}</span>
  </div>
</template>

<style scoped>
.gauge {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.wrong {
  color: var(--stop);
}
</style>
