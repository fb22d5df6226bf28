<script setup lang="ts">
import { NSpin, NTable } from 'naive-ui'
import type { LearnedMinutes } from '@gentle-awl/core'
import type { PlotData } from 'plotly.js'
import { computed, ref, watch } from 'vue'
import { theme } from '../../app/settings.ts'
import FoldOut from '../../ui/FoldOut.vue'
import { config, layoutOf } from '../../ui/chartLook.ts'
import { usePlotly } from '../../ui/usePlotly.ts'

/** Every time that a step was done, by who did it, over the day on which it was; planned and usual as lines. */
const props = defineProps<{ step: LearnedMinutes; nameOf: (maker: string) => string }>()
const place = ref<HTMLElement | null>(null)
const { plotly, failed, seen } = usePlotly(place)
const SYMBOLS = ['circle', 'square', 'diamond', 'triangle-up', 'x', 'cross', 'star', 'triangle-down'] as const
const INKS = ['#2a7261', '#c98a1b', '#2b6a8f', '#a6303c', '#6d7a1f', '#6a4f93', '#7a6343', '#2c7f88']

const byMaker = computed(() => {
  const makers = [...new Set(props.step.done.map((d) => d.maker))]
  return makers.map((maker) => ({
    name: maker === null ? 'nobody said who' : props.nameOf(maker),
    done: props.step.done.filter((d) => d.maker === maker),
  }))
})
const day = (at: number) => new Date(at).toISOString()
watch([plotly, () => props.step, theme], async ([library]) => {
  if (!library || !place.value) return
  const { done, planned, usual } = props.step
  const ends = [day(Math.min(...done.map((d) => d.at))), day(Math.max(...done.map((d) => d.at)))]
  const level = (name: string, value: number, dash: 'dash' | 'dot', color: string): Partial<PlotData> => ({
    type: 'scatter',
    mode: 'lines',
    name,
    x: ends,
    y: [value, value],
    line: { dash, color, width: 2 },
    hovertemplate: '%{y:.0f} min<extra>%{fullData.name}</extra>',
  })
  const traces: Partial<PlotData>[] = [
    level('planned', planned, 'dash', '#7a6343'),
    level('the middle', usual, 'dot', '#2a7261'),
    ...byMaker.value.map(({ name, done: list }, i): Partial<PlotData> => ({
      type: 'scatter',
      mode: 'markers',
      name,
      x: list.map((d) => day(d.at)),
      y: list.map((d) => d.took),
      marker: { size: 11, symbol: SYMBOLS[i % 8]!, color: INKS[i % 8]! },
      hovertemplate: '%{y:.0f} min<extra>%{fullData.name}</extra>',
    })),
  ]
  const layout = layoutOf({ title: 'Day', unit: '' }, { title: 'Took', unit: 'min' }, theme.value)
  await library.react(
    place.value,
    traces,
    { ...layout, xaxis: { ...layout.xaxis, type: 'date' }, yaxis: { ...layout.yaxis, rangemode: 'tozero' } },
    config,
  )
})
</script>

<template>
  <figure class="chart">
    <p v-if="failed" class="wrong" role="alert">
      The chart cannot be drawn: its program could not be fetched. The figures are below.
    </p>
    <div v-else class="paper">
      <div ref="place" class="drawn" role="img" :aria-label="`Minutes that ${step.name} took, by day and bench`" />
      <NSpin v-if="seen && !plotly" size="small" />
    </div>
    <FoldOut title="Every time">
      <NTable size="small" :bordered="false">
        <thead>
          <tr>
            <th scope="col">Done</th>
            <th scope="col">By</th>
            <th scope="col" class="right">Took, min</th>
            <th scope="col" class="right">Planned, min</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="d in step.done" :key="`${d.pair} ${d.at}`">
            <th scope="row">{{ new Date(d.at).toLocaleString() }}</th>
            <td>{{ d.maker === null ? '' : nameOf(d.maker) }}</td>
            <td class="figure right">{{ Math.round(d.took) }}</td>
            <td class="figure right">{{ Math.round(d.planned) }}</td>
          </tr>
        </tbody>
      </NTable>
    </FoldOut>
  </figure>
</template>

<style scoped>
.chart {
  margin: 0;
  min-width: 0;
}
.drawn {
  height: 260px;
}
.wrong {
  color: var(--stop);
}
</style>
