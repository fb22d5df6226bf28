<script setup lang="ts">
import { NSpin } from 'naive-ui'
import type { Config, Layout, PlotData, PlotlyHTMLElement } from 'plotly.js'
import { ref, watch } from 'vue'
import FoldOut from './FoldOut.vue'
import { config } from './chartLook.ts'
import { usePlotly } from './usePlotly.ts'

/**
 * A chart with its title, drawn by Plotly once it is looked at, and in the slot the same figures as a table, for those who
 * read or hear them instead; left out where the page says them elsewhere. A point that is pressed is told by what it carries.
 */
const props = withDefaults(
  defineProps<{
    /** Said by the page where it is left out. */
    title?: string
    /** What it shows, for those who hear it. */
    said: string
    traces: Partial<PlotData>[]
    layout: Partial<Layout>
    /** Of Plotly, beside the house’s. */
    plotlyConfig?: Partial<Config>
    tableTitle?: string
  }>(),
  { title: '', plotlyConfig: () => ({}), tableTitle: 'The figures' },
)
const emit = defineEmits<{ choose: [id: string] }>()
defineSlots<{ default?: () => unknown }>()
const place = ref<HTMLElement | null>(null)
const { plotly, failed, seen } = usePlotly(place)
let listens = false
watch([plotly, () => props.traces, () => props.layout], async ([library]) => {
  if (!library || !place.value) return
  await library.react(place.value, props.traces, props.layout, { ...config, ...props.plotlyConfig })
  if (listens) return
  listens = true
  const drawn = place.value as PlotlyHTMLElement
  drawn.on('plotly_click', ({ points }) => {
    const id = points[0]?.customdata
    if (typeof id === 'string') emit('choose', id)
  })
})
</script>

<template>
  <figure class="chart">
    <figcaption v-if="title">{{ title }}</figcaption>
    <p v-if="failed" class="wrong" role="alert">
      The chart cannot be drawn: its program could not be fetched.
      <template v-if="$slots.default">The figures are below.</template>
    </p>
    <div v-else class="paper">
      <div ref="place" class="drawn" role="img" :aria-label="said" />
      <NSpin v-if="seen && !plotly" class="wait" size="small" />
    </div>
    <FoldOut v-if="$slots.default" :title="tableTitle"><slot /></FoldOut>
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
  height: var(--drawn, 260px);
}
.wait {
  position: absolute;
  inset: 0;
}
.wrong {
  color: var(--stop);
}
</style>
