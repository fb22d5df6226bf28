<script setup lang="ts">
import { NSpin } from 'naive-ui'
import type { PlotData, PlotlyHTMLElement } from 'plotly.js'
import { ref, watch } from 'vue'
import { theme } from '../app/settings.ts'
import { config, layoutOf } from './chartLook.ts'
import { usePlotly } from './usePlotly.ts'

/** Points and the lines between them, without axes; one that is pressed is told by what it carries. */
const props = defineProps<{ title: string; data: readonly Partial<PlotData>[] }>()
const emit = defineEmits<{ choose: [id: string] }>()
const place = ref<HTMLElement | null>(null)
const { plotly, failed, seen } = usePlotly(place)
let listens = false
const bare = {
  showgrid: false,
  showticklabels: false,
  ticks: '' as const,
  zeroline: false,
  title: { text: '' },
  showline: false,
}

watch([plotly, () => props.data, theme], async ([library]) => {
  if (!library || !place.value) return
  const axis = { title: '', unit: '' }
  const layout = layoutOf(axis, axis, theme.value)
  await library.react(
    place.value,
    [...props.data],
    {
      ...layout,
      margin: { l: 12, r: 12, t: 8, b: 8 },
      hovermode: 'closest',
      dragmode: 'pan',
      xaxis: { ...layout.xaxis, ...bare },
      yaxis: { ...layout.yaxis, ...bare },
    },
    { ...config, scrollZoom: true },
  )
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
    <figcaption>{{ title }}</figcaption>
    <p v-if="failed" class="wrong" role="alert">The graph cannot be drawn: its program could not be fetched.</p>
    <div v-else class="paper">
      <div ref="place" class="drawn" role="img" :aria-label="title" />
      <NSpin v-if="seen && !plotly" class="wait" size="small" />
    </div>
  </figure>
</template>

<style scoped>
.chart {
  display: grid;
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
  height: min(46vh, 420px);
}
.wait {
  position: absolute;
  inset: 0;
}
</style>
