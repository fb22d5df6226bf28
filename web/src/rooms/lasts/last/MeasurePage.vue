<script setup lang="ts">
import { useLast } from '../../../stores/lastStore.ts'
import MeasuredLast from '../../../viewer/MeasuredLast.vue'

const store = useLast()
</script>

<template>
  <MeasuredLast
    v-if="store.built && store.last"
    :title="store.last.name"
    :note="store.last.note"
    :surface="store.built.surface"
    :readings="store.built.readings"
    :side="store.built.side"
    :bottom="store.built.bottom"
    :findings="store.built.readings.findings"
  />
  <p v-else class="wait" role="status">{{ store.buildProblem || 'Building the last …' }}</p>
</template>
