<script setup lang="ts">
import { NSpin, NTable } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { theme } from '../app/settings.ts'
import FoldOut from './FoldOut.vue'
import { chartRows, config, decimals, layoutOf, traces, type ChartAxis, type ChartLine } from './chartLook.ts'
import { usePlotly } from './usePlotly.ts'

/**
 * Lines over one axis, drawn by Plotly once they are looked at, and the same figures as a table beneath, for those who
 * read or hear them instead. `rows` lines of the table are taken evenly from the longest line.
 */
const props = withDefaults(
  defineProps<{ title: string; x: ChartAxis; y: ChartAxis; lines: readonly ChartLine[]; rows?: number }>(),
  { rows: 12 },
)
const place = ref<HTMLElement | null>(null)
const { plotly, failed, seen } = usePlotly(place)

watch([plotly, () => props.lines, () => props.x, () => props.y, theme], async ([library]) => {
  if (!library || !place.value) return
  const { x, y, lines } = props
  await library.react(place.value, traces(lines, theme.value, { y }), layoutOf(x, y, theme.value), config)
})

const figures = computed(() => chartRows(props.lines, props.rows))
const said = computed(() => `${props.title}: ${props.lines.map((l) => l.name).join(', ')}`)
</script>

<template>
  <figure class="chart">
    <figcaption>{{ title }}</figcaption>
    <p v-if="failed" class="wrong" role="alert">
      The chart cannot be drawn: its program could not be fetched. The figures are below.
    </p>
    <div v-else class="paper">
      <div ref="place" class="drawn" role="img" :aria-label="said" />
      <NSpin v-if="seen && !plotly" class="wait" size="small" />
    </div>
    <FoldOut title="The figures">
      <NTable size="small" :bordered="false">
        <thead>
          <tr>
            <th scope="col">{{ x.title }}, {{ x.unit }}</th>
            <th v-for="l in lines" :key="l.name" scope="col" class="right">{{ l.name }}, {{ y.unit }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="f in figures" :key="f.x">
            <th scope="row" class="figure">{{ f.x.toFixed(decimals(x)) }}</th>
            <td v-for="(v, i) in f.values" :key="i" class="figure right">
              {{ v === null ? '' : v.toFixed(decimals(y)) }}
            </td>
          </tr>
        </tbody>
      </NTable>
    </FoldOut>
  </figure>
</template>

<style scoped>
.chart {
  display: grid;
  gap: 8px;
  min-width: 0;
  margin: 16px 0;
}
figcaption {
  font-weight: 600;
}
.paper {
  position: relative;
}
.drawn {
  height: 250px;
}
.wait {
  position: absolute;
  inset: 0;
}
</style>
