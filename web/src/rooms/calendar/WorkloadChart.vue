<script setup lang="ts">
import { NTable } from 'naive-ui'
import type { PlotData } from 'plotly.js'
import { computed } from 'vue'
import { theme } from '../../app/settings.ts'
import { coloursOf } from '../../app/theme.ts'
import ChartFrame from '../../ui/ChartFrame.vue'
import { inks, layoutOf } from '../../ui/chartLook.ts'

/** Hours of work by week, a bar for each maker one on the other, with the same as a table. */
const props = defineProps<{ weeks: readonly string[]; makers: readonly { name: string; hours: readonly number[] }[] }>()
const PATTERNS = ['', '/', 'x', '.', '-', '|', '+', '\\'] as const

const bars = computed(() =>
  props.makers.map(({ name, hours }, i): Partial<PlotData> => ({
    type: 'bar',
    name,
    x: [...props.weeks],
    y: [...hours],
    marker: {
      color: inks(theme.value)[i % 8]!,
      pattern: { shape: PATTERNS[i % 8]!, fgcolor: coloursOf(theme.value).raised, size: 7, fillmode: 'overlay' },
    },
    hovertemplate: '%{y:.1f} hours<extra>%{fullData.name}</extra>',
  })),
)
const layout = computed(() => {
  const house = layoutOf({ title: 'Week from', unit: '' }, { title: 'Work', unit: 'hours' }, theme.value)
  return { ...house, barmode: 'stack' as const, xaxis: { ...house.xaxis, type: 'category' as const } }
})
</script>

<template>
  <ChartFrame title="Work by week" said="Hours of work by week and maker" :traces="bars" :layout="layout">
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
  </ChartFrame>
</template>
