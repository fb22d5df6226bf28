<script setup lang="ts">
import { NSpin } from 'naive-ui'
import type { Layout, PlotData } from 'plotly.js'
import { ref, watch } from 'vue'
import FoldOut from './FoldOut.vue'
import { config } from './chartLook.ts'
import { usePlotly } from './usePlotly.ts'

/**
 * A chart with its title, drawn by Plotly once it is looked at, and in the slot the same figures as a table, for those who
 * read or hear them instead.
 */
const props = withDefaults(
  defineProps<{
    /** Said by the page where it is left out. */
    title?: string
    /** What it shows, for those who hear it. */
    said: string
    traces: Partial<PlotData>[]
    layout: Partial<Layout>
    tableTitle?: string
  }>(),
  { title: '', tableTitle: 'The figures' },
)
const place = ref<HTMLElement | null>(null)
const { plotly, failed, seen } = usePlotly(place)
watch([plotly, () => props.traces, () => props.layout], async ([library]) => {
  if (library && place.value) await library.react(place.value, props.traces, props.layout, config)
})
</script>

<template>
  <figure class="chart">
    <figcaption v-if="title">{{ title }}</figcaption>
    <p v-if="failed" class="wrong" role="alert">
      The chart cannot be drawn: its program could not be fetched. The figures are below.
    </p>
    <div v-else class="paper">
      <div ref="place" class="drawn" role="img" :aria-label="said" />
      <NSpin v-if="seen && !plotly" class="wait" size="small" />
    </div>
    <FoldOut :title="tableTitle"><slot /></FoldOut>
  </figure>
</template>

<style scoped>
.chart {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  min-width: 0;
  margin: 0;
}
figcaption {
  font-weight: 600;
}
.paper {
  position: relative;
}
.drawn {
  height: 260px;
}
.wait {
  position: absolute;
  inset: 0;
}
.wrong {
  color: var(--stop);
}
</style>
