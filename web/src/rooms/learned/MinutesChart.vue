<script setup lang="ts">
import { NTable } from 'naive-ui'
import type { LearnedMinutes } from '@gentle-awl/core'
import type { PlotData } from 'plotly.js'
import { computed } from 'vue'
import { theme } from '../../app/settings.ts'
import { coloursOf } from '../../app/theme.ts'
import ChartFrame from '../../ui/ChartFrame.vue'
import { inks, layoutOf } from '../../ui/chartLook.ts'

/** Every time that a step was done, by who did it, over the day on which it was; planned and usual as lines. */
const props = defineProps<{ step: LearnedMinutes; nameOf: (maker: string) => string }>()
const SYMBOLS = ['circle', 'square', 'diamond', 'triangle-up', 'x', 'cross', 'star', 'triangle-down'] as const

const byMaker = computed(() => {
  const makers = [...new Set(props.step.done.map((d) => d.maker))]
  return makers.map((maker) => ({
    name: maker === null ? 'nobody said who' : props.nameOf(maker),
    done: props.step.done.filter((d) => d.maker === maker),
  }))
})
const day = (at: number) => new Date(at).toISOString()
const traces = computed((): Partial<PlotData>[] => {
  const { done, planned, usual } = props.step
  const ends = [day(Math.min(...done.map((d) => d.at))), day(Math.max(...done.map((d) => d.at)))]
  const level = (name: string, value: number, dash: 'dash' | 'dot'): Partial<PlotData> => ({
    type: 'scatter',
    mode: 'lines',
    name,
    x: ends,
    y: [value, value],
    line: { dash, color: coloursOf(theme.value).soft, width: 2 },
    hovertemplate: '%{y:.0f} min<extra>%{fullData.name}</extra>',
  })
  return [
    level('planned', planned, 'dash'),
    level('the middle', usual, 'dot'),
    ...byMaker.value.map(({ name, done: list }, i): Partial<PlotData> => ({
      type: 'scatter',
      mode: 'markers',
      name,
      x: list.map((d) => day(d.at)),
      y: list.map((d) => d.took),
      marker: { size: 11, symbol: SYMBOLS[i % 8]!, color: inks(theme.value)[i % 8]! },
      hovertemplate: '%{y:.0f} min<extra>%{fullData.name}</extra>',
    })),
  ]
})
const layout = computed(() => {
  const house = layoutOf({ title: 'Day', unit: '' }, { title: 'Took', unit: 'min' }, theme.value)
  return {
    ...house,
    xaxis: { ...house.xaxis, type: 'date' as const },
    yaxis: { ...house.yaxis, rangemode: 'tozero' as const },
  }
})
</script>

<template>
  <ChartFrame
    :said="`Minutes that ${step.name} took, by day and bench`"
    :traces="traces"
    :layout="layout"
    table-title="Every time"
  >
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
  </ChartFrame>
</template>
