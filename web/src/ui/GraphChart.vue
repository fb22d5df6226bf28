<script setup lang="ts">
import type { Layout, PlotData } from 'plotly.js'
import { computed } from 'vue'
import { theme } from '../app/settings.ts'
import ChartFrame from './ChartFrame.vue'
import { layoutOf } from './chartLook.ts'

/** Points and the lines between them, without axes; one that is pressed is told by what it carries. */
const props = defineProps<{ title: string; data: readonly Partial<PlotData>[] }>()
defineEmits<{ choose: [id: string] }>()
const bare = {
  showgrid: false,
  showticklabels: false,
  ticks: '' as const,
  zeroline: false,
  title: { text: '' },
  showline: false,
}
const axis = { title: '', unit: '' }
const traces = computed(() => [...props.data])
const layout = computed((): Partial<Layout> => {
  const look = layoutOf(axis, axis, theme.value)
  return {
    ...look,
    margin: { l: 12, r: 12, t: 8, b: 8 },
    hovermode: 'closest',
    dragmode: 'pan',
    xaxis: { ...look.xaxis, ...bare },
    yaxis: { ...look.yaxis, ...bare },
  }
})
</script>

<template>
  <ChartFrame
    class="graph"
    :title="title"
    :said="title"
    :traces="traces"
    :layout="layout"
    :plotly-config="{ scrollZoom: true }"
    @choose="$emit('choose', $event)"
  />
</template>

<style scoped>
.graph {
  --drawn: min(46vh, 420px);
}
</style>
