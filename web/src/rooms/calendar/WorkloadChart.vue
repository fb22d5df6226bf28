<script setup lang="ts">
import { NSpin, NTable } from 'naive-ui'
import type { PlotData } from 'plotly.js'
import { ref, watch } from 'vue'
import { theme } from '../../app/settings.ts'
import { config, layoutOf } from '../../ui/chartLook.ts'
import { usePlotly } from '../../ui/usePlotly.ts'
import FoldOut from '../../ui/FoldOut.vue'

/** Hours of work by week, a bar for each maker one on the other, with the same as a table. */
const props = defineProps<{ weeks: readonly string[]; makers: readonly { name: string; hours: readonly number[] }[] }>()
const place = ref<HTMLElement | null>(null)
const { plotly, failed, seen } = usePlotly(place)
const PATTERNS = ['', '/', 'x', '.', '-', '|', '+', '\\'] as const
const INKS = ['#2a7261', '#c98a1b', '#2b6a8f', '#a6303c', '#6d7a1f', '#6a4f93', '#7a6343', '#2c7f88']

watch([plotly, () => props.makers, () => props.weeks, theme], async ([library]) => {
  if (!library || !place.value) return
  const bars = props.makers.map(({ name, hours }, i): Partial<PlotData> => ({
    type: 'bar',
    name,
    x: [...props.weeks],
    y: [...hours],
    marker: {
      color: INKS[i % 8]!,
      pattern: { shape: PATTERNS[i % 8]!, fgcolor: '#ffffff', size: 7, fillmode: 'overlay' },
    },
    hovertemplate: '%{y:.1f} hours<extra>%{fullData.name}</extra>',
  }))
  const layout = layoutOf({ title: 'Week from', unit: '' }, { title: 'Work', unit: 'hours' }, theme.value)
  await library.react(
    place.value,
    bars,
    { ...layout, barmode: 'stack', xaxis: { ...layout.xaxis, type: 'category' } },
    config,
  )
})
</script>

<template>
  <figure class="chart">
    <figcaption>Work by week</figcaption>
    <p v-if="failed" class="wrong" role="alert">
      The chart cannot be drawn: its program could not be fetched. The figures are below.
    </p>
    <div v-else class="paper">
      <div ref="place" class="drawn" role="img" aria-label="Hours of work by week and maker" />
      <NSpin v-if="seen && !plotly" size="small" />
    </div>
    <FoldOut title="The figures">
      <NTable size="small" :bordered="false">
        <thead>
          <tr>
            <th scope="col">Week from</th>
            <th v-for="m in makers" :key="m.name" scope="col">{{ m.name }}, hours</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(w, i) in weeks" :key="w">
            <th scope="row">{{ w }}</th>
            <td v-for="m in makers" :key="m.name" class="figure">{{ m.hours[i]!.toFixed(1) }}</td>
          </tr>
        </tbody>
      </NTable>
    </FoldOut>
  </figure>
</template>

<style scoped>
.chart {
  margin: 0;
}
figcaption {
  font:
    600 18px/1.2 'Zilla Slab',
    serif;
  margin-bottom: 6px;
}
.drawn {
  height: 260px;
}
.wrong {
  color: var(--stop);
}
</style>
